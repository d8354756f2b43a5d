import { v7 as uuidv7 } from 'uuid';
import {
  csvInput,
  csvTakenReply,
  offerInput,
  offerReply,
  offerUpdate,
  purchaseInput,
  purchaseReply,
  readPricesCsv,
  supplierInput,
  supplierReply,
  supplierUpdate,
  tradeReply,
  tradeSettings,
  writePricesCsv,
  writeShoppingCsv,
} from '../../contract/index.ts';
import { fromMinor, toMinor } from '../../core/supply/index.ts';
import type { Tx } from '../db/open.ts';
import { csvFile } from '../documents/fileNames.ts';
import { handout, read, write } from '../http/endpoint.ts';
import { badFields } from '../http/problem.ts';
import { allProducts, theProduct } from '../rows/products.ts';
import {
  allOffers,
  allSuppliers,
  insertOffer,
  insertPurchase,
  insertSupplier,
  offerById,
  purchaseById,
  putTradeSettings,
  supplierById,
  theOffer,
  thePurchase,
  theSupplier,
  tradeSettingsOf,
  updateOffer,
  updatePurchase,
  updateSupplier,
} from '../rows/trade.ts';
import { buyingView } from '../views/supply/buying.ts';
import { shoppingPdf } from '../views/supply/shoppingPdf.ts';

/** Who sells, at what price, what was ordered, and how money is reckoned. */

const TRADE = [{ of: 'trade' as const }];

async function checkOffer(
  tx: Tx,
  input: { productId: string; part: string | null; supplierId: string | null },
): Promise<void> {
  const { sheet, name } = await theProduct(tx, input.productId);
  if (input.part !== null && !sheet.parts.some((part) => part.name === input.part))
    throw badFields([{ path: 'part', message: `part "${input.part}" is not one of ${name}` }]);
  if (input.supplierId !== null && !(await supplierById(tx, input.supplierId)))
    throw badFields([{ path: 'supplierId', message: `there is no supplier ${input.supplierId}` }]);
}

/** Put away, or brought back. */
const setArchived =
  (what: 'suppliers' | 'offers' | 'purchases', archived: boolean) => async (tx: Tx, id: string) => {
    if (what === 'suppliers') {
      const current = await theSupplier(tx, id);
      if (current.archived !== archived) await updateSupplier(tx, current, { archived });
      return theSupplier(tx, id);
    }
    if (what === 'offers') {
      const current = await theOffer(tx, id);
      if (current.archived !== archived) await updateOffer(tx, current, { archived });
      return theOffer(tx, id);
    }
    const current = await thePurchase(tx, id);
    if (current.archived !== archived) await updatePurchase(tx, current, { archived });
    return thePurchase(tx, id);
  };

const REPLY = { suppliers: supplierReply, offers: offerReply, purchases: purchaseReply } as const;
const NAMED = { suppliers: 'supplier', offers: 'price', purchases: 'order' } as const;
const awayAndBack = (what: keyof typeof REPLY) => [
  write({
    method: 'delete',
    path: `/${what}/:id`,
    summary: `Put a ${NAMED[what]} away`,
    reply: REPLY[what] as typeof supplierReply,
    touches: ['trade'],
    run: async ({ params }, { tx }) => ({
      reply: (await setArchived(what, true)(tx, params.id as string)) as never,
      changes: TRADE,
    }),
  }),
  write({
    method: 'post',
    path: `/${what}/:id/restore`,
    summary: `Bring a ${NAMED[what]} back`,
    reply: REPLY[what] as typeof supplierReply,
    touches: ['trade'],
    run: async ({ params }, { tx }) => ({
      reply: (await setArchived(what, false)(tx, params.id as string)) as never,
      changes: TRADE,
    }),
  }),
];

export const tradeEndpoints = [
  read({
    path: '/trade',
    summary: 'Suppliers, prices, orders and how money is reckoned',
    reply: tradeReply,
    run: async (_asked, { memory }) => {
      const { settings, suppliers, offers, purchases } = await memory.trade();
      return { settings, suppliers: [...suppliers], offers: [...offers], purchases: [...purchases] };
    },
  }),
  write({
    method: 'put',
    path: '/trade/settings',
    summary: 'How the yard reckons money, and its own rules for sundries',
    body: tradeSettings,
    reply: tradeSettings,
    touches: ['trade'],
    replaces: { what: 'settings', find: (tx) => tradeSettingsOf(tx) },
    run: async ({ body }, { tx }) => {
      await putTradeSettings(tx, body);
      return { reply: await tradeSettingsOf(tx), changes: TRADE };
    },
  }),
  write({
    method: 'post',
    path: '/suppliers',
    summary: 'Add a supplier',
    body: supplierInput,
    reply: supplierReply,
    touches: ['trade'],
    creates: {
      what: 'supplier',
      id: (body) => body.id,
      find: (tx, body) => supplierById(tx, body.id),
      sent: ({ version: _v, archived: _a, ...sent }) => sent,
    },
    run: async ({ body }, { tx }) => {
      await insertSupplier(tx, body);
      return { reply: await theSupplier(tx, body.id), changes: TRADE };
    },
  }),
  write({
    method: 'put',
    path: '/suppliers/:id',
    summary: 'Change a supplier',
    body: supplierUpdate,
    reply: supplierReply,
    touches: ['trade'],
    replaces: { what: 'supplier', find: (tx, params) => theSupplier(tx, params.id) },
    run: async ({ params, body: { version: _, ...body } }, { tx }) => {
      await updateSupplier(tx, await theSupplier(tx, params.id), body);
      return { reply: await theSupplier(tx, params.id), changes: TRADE };
    },
  }),
  ...awayAndBack('suppliers'),
  write({
    method: 'post',
    path: '/offers',
    summary: 'Add a price',
    body: offerInput,
    reply: offerReply,
    touches: ['trade'],
    creates: {
      what: 'price',
      id: (body) => body.id,
      find: (tx, body) => offerById(tx, body.id),
      sent: ({ version: _v, archived: _a, ...sent }) => sent,
    },
    run: async ({ body }, { tx }) => {
      await checkOffer(tx, body);
      await insertOffer(tx, body);
      return { reply: await theOffer(tx, body.id), changes: TRADE };
    },
  }),
  write({
    method: 'put',
    path: '/offers/:id',
    summary: 'Change a price',
    body: offerUpdate,
    reply: offerReply,
    touches: ['trade'],
    replaces: { what: 'price', find: (tx, params) => theOffer(tx, params.id) },
    run: async ({ params, body: { version: _, ...body } }, { tx }) => {
      await checkOffer(tx, body);
      await updateOffer(tx, await theOffer(tx, params.id), body);
      return { reply: await theOffer(tx, params.id), changes: TRADE };
    },
  }),
  ...awayAndBack('offers'),
  handout({
    path: '/offers.csv',
    summary: 'Every price as CSV',
    types: ['text/csv'],
    run: async (_asked, { db }) => {
      const names = new Map((await allProducts(db)).map(({ id, name }) => [id, name]));
      const { currency } = await tradeSettingsOf(db);
      return csvFile(
        'prices',
        writePricesCsv(await allOffers(db), {
          product: (id) => names.get(id) ?? '',
          suppliers: await allSuppliers(db),
          decimal: (minor) => fromMinor(minor, currency),
        }),
      );
    },
  }),
  write({
    method: 'post',
    path: '/offers/csv',
    summary: 'Prices from CSV, all or none; a pack known at a supplier gets its new price',
    body: csvInput,
    reply: csvTakenReply,
    touches: ['trade'],
    run: async ({ body }, { tx }) => {
      const rows = pricesIn(body.csv);
      const products = new Map((await allProducts(tx)).map((product) => [product.name, product]));
      const suppliers = new Map((await allSuppliers(tx)).map(({ id, name }) => [name, id]));
      const known = await allOffers(tx);
      const { currency } = await tradeSettingsOf(tx);
      let taken = 0;
      for (const row of rows) {
        const refuse = (head: string, value: string | null, what: string) =>
          badFields([
            {
              path: 'csv',
              message: `line ${row.line}, ${head}: there is no ${what} "${(value ?? '').slice(0, 60)}"`,
            },
          ]);
        const product = products.get(row.product);
        if (!product) throw refuse('product', row.product, 'sheet');
        const supplierId = row.supplier === null ? null : suppliers.get(row.supplier);
        if (supplierId === undefined) throw refuse('supplier', row.supplier, 'supplier');
        if (row.part !== null && !product.sheet.parts.some(({ name }) => name === row.part))
          throw refuse('part', row.part, 'part');
        const price = toMinor(row.price, currency);
        const same = known.find(
          (each) =>
            each.productId === product.id &&
            each.part === row.part &&
            each.colour === row.colour &&
            each.supplierId === supplierId &&
            Math.abs(each.litres - row.litres) < 1e-6,
        );
        if (same?.price === price) continue;
        taken++;
        if (same) await updateOffer(tx, same, { price });
        else await insertOffer(tx, { id: uuidv7(), productId: product.id, part: row.part, colour: row.colour, litres: row.litres, price, supplierId, discounts: [] }); // biome-ignore format: one line
      }
      return { reply: { taken, same: rows.length - taken }, changes: TRADE };
    },
  }),
  write({
    method: 'post',
    path: '/purchases',
    summary: 'Order: what, how many, from whom',
    body: purchaseInput,
    reply: purchaseReply,
    touches: ['trade'],
    creates: {
      what: 'order',
      id: (body) => body.id,
      find: (tx, body) => purchaseById(tx, body.id),
      sent: ({ version: _v, archived: _a, receivedAt: _r, ...sent }) => sent,
    },
    run: async ({ body }, { tx }) => {
      if (body.supplierId !== null && !(await supplierById(tx, body.supplierId)))
        throw badFields([{ path: 'supplierId', message: `there is no supplier ${body.supplierId}` }]);
      for (const line of body.lines) await checkOffer(tx, { ...line, supplierId: null });
      await insertPurchase(tx, body);
      return { reply: await thePurchase(tx, body.id), changes: TRADE };
    },
  }),
  ...awayAndBack('purchases'),
  handout({
    path: '/shopping.csv',
    summary: 'What to buy as CSV',
    types: ['text/csv'],
    run: async (_asked, context) => {
      const view = await buyingView(context, {});
      return csvFile(
        'shopping list',
        writeShoppingCsv(view, (minor) => fromMinor(minor, view.currency)),
      );
    },
  }),
  handout({
    path: '/shopping.pdf',
    summary: 'What to buy, to be printed',
    types: ['application/pdf'],
    run: async (_asked, context) => ({
      name: 'shopping list.pdf',
      type: 'application/pdf',
      content: await shoppingPdf(context),
      inline: true,
    }),
  }),
];

function pricesIn(csv: string): ReturnType<typeof readPricesCsv> {
  try {
    return readPricesCsv(csv);
  } catch (error) {
    throw badFields([{ path: 'csv', message: (error as Error).message }]);
  }
}
