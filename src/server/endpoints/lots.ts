import { v7 as uuidv7 } from 'uuid';
import {
  idReply,
  type LotInput,
  lotInput,
  lotReply,
  lotUpdate,
  receiptInput,
  stockReply,
  writeCountCsv,
} from '../../contract/index.ts';
import { t } from '../../words.ts';
import type { Tx } from '../db/open.ts';
import { csvFile } from '../documents/fileNames.ts';
import { handout, read, write } from '../http/endpoint.ts';
import { notInFuture } from '../http/notInFuture.ts';
import { badFields } from '../http/problem.ts';
import {
  insertLot,
  insertMovement,
  lotById,
  lotsOfReceipt,
  movementByHand,
  theLot,
  updateLot,
} from '../rows/lots.ts';
import { theProduct } from '../rows/products.ts';
import { thePurchase, updatePurchase } from '../rows/trade.ts';
import { stockView } from '../views/supply/stock.ts';

/** Lots: add, update, receive with an order, archive. */

const STOCK = [{ of: 'stock' as const }];

/** A part and a colour that the product's sheet has. */
async function checkLot(tx: Tx, { productId, part, colour }: LotInput, path = ''): Promise<void> {
  const { sheet, name } = await theProduct(tx, productId);
  const i = sheet.parts.findIndex((each) => each.name === part);
  if (i < 0)
    throw badFields([
      {
        path: `${path}part`,
        message: t`“${part}” isn’t a part of ${name}. Parts: ${sheet.parts.map((each) => each.name).join(', ')}`,
      },
    ]);
  if (colour !== null && i > 0)
    throw badFields([{ path: `${path}colour`, message: t`Only ${sheet.parts[0]?.name} has a colour` }]);
  if (colour !== null && !sheet.colours.some((each) => each.name === colour))
    throw badFields([
      { path: `${path}colour`, message: t`“${colour}” isn’t a colour on the data sheet of ${name}` },
    ]);
}

export const lotEndpoints = [
  read({
    path: '/lots',
    summary: 'List all lots in stock with their amounts',
    reply: stockReply,
    run: (_asked, context) => stockView(context),
  }),
  handout({
    path: '/lots.csv',
    summary: 'Export a count sheet as CSV (all lots, with an empty column for counts)',
    types: ['text/csv'],
    run: async (_asked, context) => csvFile(t`stock count`, writeCountCsv((await stockView(context)).lots)),
  }),
  write({
    method: 'post',
    path: '/lots',
    summary: 'Add a lot; the amount is added as a movement',
    body: lotInput,
    reply: lotReply,
    touches: ['stock'],
    creates: {
      what: 'lot',
      id: (body) => body.id,
      find: (tx, body) => lotById(tx, body.id),
      sent: ({ version: _v, archived: _a, ...sent }) => sent,
    },
    run: async ({ body }, { tx }) => {
      await checkLot(tx, body);
      await insertLot(tx, body, null);
      return { reply: await theLot(tx, body.id), changes: STOCK };
    },
  }),
  write({
    method: 'put',
    path: '/lots/:id',
    summary: 'Update a lot',
    body: lotUpdate,
    reply: lotReply,
    touches: ['stock'],
    replaces: { what: 'lot', find: (tx, params) => theLot(tx, params.id) },
    run: async ({ params, body }, { tx }) => {
      const current = await theLot(tx, params.id);
      await checkLot(tx, body);
      if (body.unit !== current.unit)
        throw badFields([
          {
            path: 'unit',
            message: t`The unit can’t be changed to ${body.unit}; this lot’s movements are in ${current.unit}`,
          },
        ]);
      await updateLot(tx, current, body);
      return { reply: await theLot(tx, params.id), changes: STOCK };
    },
  }),
  write({
    method: 'delete',
    path: '/lots/:id',
    summary: 'Archive a lot; its movements are kept',
    reply: lotReply,
    touches: ['stock'],
    run: async ({ params }, { tx }) => {
      const current = await theLot(tx, params.id);
      if (!current.archived) await updateLot(tx, current, { archived: true });
      return { reply: await theLot(tx, params.id), changes: STOCK };
    },
  }),
  write({
    method: 'post',
    path: '/lots/:id/restore',
    summary: 'Restore an archived lot',
    reply: lotReply,
    touches: ['stock'],
    run: async ({ params }, { tx }) => {
      const current = await theLot(tx, params.id);
      if (current.archived) await updateLot(tx, current, { archived: false });
      return { reply: await theLot(tx, params.id), changes: STOCK };
    },
  }),
  write({
    method: 'post',
    path: '/receipts',
    summary: 'Receive a delivery: lots with amounts, and the order they belong to',
    body: receiptInput,
    reply: idReply,
    touches: ['stock', 'trade'],
    creates: {
      what: 'receipt',
      id: (body) => body.id,
      find: async (tx, body) => ((await lotsOfReceipt(tx, body.id)).length > 0 ? { id: body.id } : undefined),
      sent: ({ id }) => ({ id }),
    },
    run: async ({ body }, { tx, now }) => {
      notInFuture(body.at, now, 'at');
      for (const [i, { amount, ...lot }] of body.lots.entries()) {
        await checkLot(tx, lot, `lots.${i}.`);
        await insertLot(tx, lot, body.id);
        const movement = { id: uuidv7(), lotId: lot.id, kind: 'received' as const, amount, at: body.at, areaId: null, note: '', corrects: null }; // biome-ignore format: one line
        await insertMovement(tx, movementByHand(movement, now, body.id));
      }
      if (body.purchaseId === null) return { reply: { id: body.id }, changes: STOCK };
      const purchase = await thePurchase(tx, body.purchaseId);
      if (purchase.receivedAt !== null)
        throw badFields([
          { path: 'purchaseId', message: t`Order ${body.purchaseId} has already been received` },
        ]);
      await updatePurchase(tx, purchase, { receivedAt: new Date(body.at) });
      return { reply: { id: body.id }, changes: [...STOCK, { of: 'trade' }] };
    },
  }),
];
