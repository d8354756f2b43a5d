import { v7 as uuidv7 } from 'uuid';
import {
  csvInput,
  csvTakenReply,
  offerInput,
  offerReply,
  offerUpdate,
  readPricesCsv,
  writePricesCsv,
} from '../../contract/index.ts';
import { fromMinor, toMinor } from '../../core/supply/index.ts';
import { t } from '../../words.ts';
import type { Tx } from '../db/open.ts';
import { csvFile } from '../documents/fileNames.ts';
import { handout, write } from '../http/endpoint.ts';
import { badFields } from '../http/problem.ts';
import { allProducts, theProduct } from '../rows/products.ts';
import {
  allOffers,
  allSuppliers,
  insertOffer,
  offerById,
  supplierById,
  theOffer,
  tradeSettingsOf,
  updateOffer,
} from '../rows/trade.ts';

/** Prices of packs: add, import, delete. */

const TRADE = [{ of: 'trade' as const }];

async function checkOffer(
  tx: Tx,
  input: { productId: string; part: string | null; supplierId: string | null },
): Promise<void> {
  const { sheet, name } = await theProduct(tx, input.productId);
  if (input.part !== null && !sheet.parts.some((part) => part.name === input.part))
    throw badFields([{ path: 'part', message: t`“${input.part}” isn’t a part of ${name}` }]);
  if (input.supplierId !== null && !(await supplierById(tx, input.supplierId)))
    throw badFields([{ path: 'supplierId', message: t`No supplier with id ${input.supplierId}` }]);
}

/** Deletes or restores; a repeat changes nothing. */
async function setArchived(tx: Tx, id: string, archived: boolean) {
  const current = await theOffer(tx, id);
  if (current.archived !== archived) await updateOffer(tx, current, { archived });
  return { reply: await theOffer(tx, id), changes: TRADE };
}

export const offerEndpoints = [
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
  write({
    method: 'delete',
    path: '/offers/:id',
    summary: 'Put a price away',
    reply: offerReply,
    touches: ['trade'],
    run: ({ params }, { tx }) => setArchived(tx, params.id, true),
  }),
  write({
    method: 'post',
    path: '/offers/:id/restore',
    summary: 'Restore a price',
    reply: offerReply,
    touches: ['trade'],
    run: ({ params }, { tx }) => setArchived(tx, params.id, false),
  }),
  handout({
    path: '/offers.csv',
    summary: 'Export prices as CSV',
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
    summary: 'Import prices from CSV (all or none); known packs get the new price',
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
              message: t`Line ${row.line}, ${head}: no ${what} called “${(value ?? '').slice(0, 60)}”`,
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
        else {
          const offer = { id: uuidv7(), productId: product.id, part: row.part, colour: row.colour, litres: row.litres, price, supplierId, discounts: [] }; // biome-ignore format: one line
          await insertOffer(tx, offer);
          // Named again further down, it is the same pack.
          known.push({ ...offer, version: 1, archived: false });
        }
      }
      return { reply: { taken, same: rows.length - taken }, changes: TRADE };
    },
  }),
];

function pricesIn(csv: string): ReturnType<typeof readPricesCsv> {
  try {
    return readPricesCsv(csv);
  } catch (error) {
    throw badFields([{ path: 'csv', message: (error as Error).message }]);
  }
}
