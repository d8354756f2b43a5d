import {
  purchaseInput,
  purchaseReply,
  supplierInput,
  supplierReply,
  supplierUpdate,
  tradeReply,
  tradeSettings,
  workRatesReply,
  writeShoppingCsv,
} from '../../contract/index.ts';
import { fromMinor } from '../../core/supply/index.ts';
import { t } from '../../words.ts';
import type { Tx } from '../db/open.ts';
import { csvFile } from '../documents/fileNames.ts';
import { handout, read, write } from '../http/endpoint.ts';
import { badFields } from '../http/problem.ts';
import { workRatesIn } from '../memory/workRates.ts';
import { theProduct } from '../rows/products.ts';
import {
  insertPurchase,
  insertSupplier,
  purchaseById,
  putTradeSettings,
  supplierById,
  thePurchase,
  theSupplier,
  tradeSettingsOf,
  updatePurchase,
  updateSupplier,
} from '../rows/trade.ts';
import { buyingView } from '../views/supply/buying.ts';
import { shoppingPdf } from '../views/supply/shoppingPdf.ts';

/** Who sells, what was ordered, and the yard's rules of money. */

const TRADE = [{ of: 'trade' as const }];

/** Deletes or restores; a repeat changes nothing. */
async function supplierArchived(tx: Tx, id: string, archived: boolean) {
  const current = await theSupplier(tx, id);
  if (current.archived !== archived) await updateSupplier(tx, current, { archived });
  return { reply: await theSupplier(tx, id), changes: TRADE };
}

/** Deletes or restores; a repeat changes nothing. */
async function purchaseArchived(tx: Tx, id: string, archived: boolean) {
  const current = await thePurchase(tx, id);
  if (current.archived !== archived) await updatePurchase(tx, current, { archived });
  return { reply: await thePurchase(tx, id), changes: TRADE };
}

export const tradeEndpoints = [
  read({
    path: '/trade',
    summary: 'Get suppliers, prices, orders and rates',
    reply: tradeReply,
    run: async (_asked, { memory, now }) => {
      const { settings, suppliers, offers, purchases } = (await memory.at(now())).trade;
      return { settings, suppliers: [...suppliers], offers: [...offers], purchases: [...purchases] };
    },
  }),
  read({
    path: '/work-rates',
    summary: 'Get how fast this yard has applied its coats, by method',
    reply: workRatesReply,
    run: async (_asked, { memory, now }) => ({ rates: workRatesIn((await memory.at(now())).states) }),
  }),
  write({
    method: 'put',
    path: '/trade/settings',
    summary: 'Update the yard’s prices and rates, including custom sundry rates',
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
    path: '/purchases',
    summary: 'Add an order',
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
        throw badFields([{ path: 'supplierId', message: t`there is no supplier ${body.supplierId}` }]);
      for (const [i, { productId, part }] of body.lines.entries()) {
        const { sheet, name } = await theProduct(tx, productId);
        if (part !== null && !sheet.parts.some((each) => each.name === part))
          throw badFields([{ path: `lines.${i}.part`, message: t`part "${part}" is not one of ${name}` }]);
      }
      await insertPurchase(tx, body);
      return { reply: await thePurchase(tx, body.id), changes: TRADE };
    },
  }),
  write({
    method: 'delete',
    path: '/purchases/:id',
    summary: 'Put an order away',
    reply: purchaseReply,
    touches: ['trade'],
    run: ({ params }, { tx }) => purchaseArchived(tx, params.id, true),
  }),
  write({
    method: 'post',
    path: '/purchases/:id/restore',
    summary: 'Restore an order',
    reply: purchaseReply,
    touches: ['trade'],
    run: ({ params }, { tx }) => purchaseArchived(tx, params.id, false),
  }),
  handout({
    path: '/shopping.csv',
    summary: 'What to buy as CSV',
    types: ['text/csv'],
    run: async (_asked, context) => {
      const view = await buyingView(context, {});
      return csvFile(
        t`shopping list`,
        writeShoppingCsv(view, (minor) => fromMinor(minor, view.currency)),
      );
    },
  }),
  handout({
    path: '/shopping.pdf',
    summary: 'Get the shopping list as PDF',
    types: ['application/pdf'],
    run: async (_asked, context) => ({
      name: t`shopping list.pdf`,
      type: 'application/pdf',
      content: await shoppingPdf(context),
      inline: true,
    }),
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
  write({
    method: 'delete',
    path: '/suppliers/:id',
    summary: 'Put a supplier away',
    reply: supplierReply,
    touches: ['trade'],
    run: ({ params }, { tx }) => supplierArchived(tx, params.id, true),
  }),
  write({
    method: 'post',
    path: '/suppliers/:id/restore',
    summary: 'Restore a supplier',
    reply: supplierReply,
    touches: ['trade'],
    run: ({ params }, { tx }) => supplierArchived(tx, params.id, false),
  }),
];
