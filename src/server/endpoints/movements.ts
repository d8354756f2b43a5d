import { v7 as uuidv7 } from 'uuid';
import {
  type ChangeSet,
  csvInput,
  csvTakenReply,
  idReply,
  type Lot,
  type MovementInput,
  movementInput,
  movementReply,
  movementsInput,
  movementsReply,
  readCountCsv,
  writeMovementsCsv,
} from '../../contract/index.ts';
import { t } from '../../words.ts';
import type { Tx } from '../db/open.ts';
import { csvFile } from '../documents/fileNames.ts';
import { handout, read, write } from '../http/endpoint.ts';
import { notInFuture } from '../http/notInFuture.ts';
import { badFields, HttpProblem } from '../http/problem.ts';
import { keptLot, readStock } from '../memory/stockReading.ts';
import { theArea } from '../rows/areas.ts';
import {
  countedMovements,
  insertMovement,
  movementByHand,
  movementById,
  movementsTogether,
  theLot,
} from '../rows/lots.ts';
import { found } from '../rows/missing.ts';
import { movementsView } from '../views/supply/stock.ts';

/** What moves of the lots: told by hand, counted, corrected; never overwritten. */

/** The movements of these products. */
const ofProducts = (ids: Iterable<string>): ChangeSet =>
  [...new Set(ids)].map((productId) => ({ of: 'stock', productId }));

/** What a keep-back may not do: take more than the tin has, or be used for more than was kept. */
async function checkMovement(tx: Tx, input: MovementInput, now: number, path = ''): Promise<Lot> {
  notInFuture(input.at, now, `${path}at`);
  const lot = await theLot(tx, input.lotId);
  const refuse = (field: string, message: string) => badFields([{ path: `${path}${field}`, message }]);
  if (['kept-back', 'kept-used', 'released'].includes(input.kind)) {
    if (input.areaId === null) throw refuse('areaId', t`Select the area the paint is kept back for`);
    await theArea(tx, input.areaId);
    const { stock } = keptLot(lot, await countedMovements(tx, [lot.id]));
    if (input.kind === 'kept-back' && input.amount > stock.inTin + 1e-6)
      throw refuse(
        'amount',
        t`Amount must be ${stock.inTin.toFixed(3)} ${lot.unit} or less (the stock of this lot), but is ${input.amount} ${lot.unit}`,
      );
    if (input.kind !== 'kept-back' && input.amount > stock.kept + 1e-6)
      throw refuse(
        'amount',
        t`Amount must be ${stock.kept.toFixed(3)} ${lot.unit} or less (the amount kept back), but is ${input.amount} ${lot.unit}`,
      );
  }
  if (input.kind === 'void' && input.corrects === null)
    throw refuse('corrects', t`Name the movement to void`);
  if (input.corrects === null) return lot;
  const old = await movementById(tx, input.corrects);
  if (!old || old.lotId !== input.lotId)
    throw refuse('corrects', t`No movement ${input.corrects} for this lot`);
  if (old.entryId !== null)
    throw refuse('corrects', t`This movement belongs to a batch. Correct the batch in the record`);
  if (old.correctedBy !== null)
    throw new HttpProblem(
      409,
      'already-corrected',
      t`Someone else corrected this movement after you opened it.`,
    );
  return lot;
}

export const movementEndpoints = [
  write({
    method: 'post',
    path: '/movements',
    summary: 'Add a stock movement or a correction',
    body: movementInput,
    reply: movementReply,
    touches: ['stock'],
    creates: {
      what: 'movement',
      id: (body) => body.id,
      find: (tx, body) => movementById(tx, body.id),
      sent: ({ recordedAt: _r, entryId: _e, correctedBy: _c, ...sent }) => sent,
    },
    run: async ({ body }, { tx, now }) => {
      const { productId } = await checkMovement(tx, body, now);
      await insertMovement(tx, movementByHand(body, now));
      return {
        reply: found(await movementById(tx, body.id), 'movement', body.id),
        changes: ofProducts([productId]),
      };
    },
  }),
  write({
    method: 'post',
    path: '/movements/together',
    summary: 'Add several stock movements (all or none), such as a stock count or kept-back parts',
    body: movementsInput,
    reply: idReply,
    touches: ['stock'],
    creates: {
      what: 'movements',
      id: (body) => body.id,
      find: async (tx, body) => ((await movementsTogether(tx, body.id)) ? { id: body.id } : undefined),
      sent: ({ id }) => ({ id }),
    },
    run: async ({ body }, { tx, now }) => {
      const moved = new Set<string>();
      for (const [i, movement] of body.movements.entries()) {
        moved.add((await checkMovement(tx, movement, now, `movements.${i}.`)).productId);
        await insertMovement(tx, movementByHand(movement, now, body.id));
      }
      return { reply: { id: body.id }, changes: ofProducts(moved) };
    },
  }),
  write({
    method: 'post',
    path: '/lots/count',
    summary: 'Import a stock count from CSV (all or none); rows without a count are skipped',
    body: csvInput,
    reply: csvTakenReply,
    touches: ['stock'],
    run: async ({ body }, { tx, now }) => {
      const rows = countsIn(body.csv);
      let taken = 0;
      const moved = new Set<string>();
      const stock = new Map((await readStock(tx)).lots.map((each) => [each.lot.id, each]));
      for (const { line, lotId, counted } of rows) {
        const kept = stock.get(lotId);
        if (!kept)
          throw badFields([
            { path: 'csv', message: t`Line ${line}, lot: no lot with id ${lotId.slice(0, 60)}` },
          ]);
        if (Math.abs(kept.stock.inTin - counted) < 1e-4) continue;
        taken++;
        moved.add(kept.lot.productId);
        const movement = { id: uuidv7(), lotId, kind: 'counted' as const, amount: counted, at: new Date(now).toISOString(), areaId: null, note: t`from a file`, corrects: null }; // biome-ignore format: one line
        await insertMovement(tx, movementByHand(movement, now));
      }
      return { reply: { taken, same: rows.length - taken }, changes: ofProducts(moved) };
    },
  }),
  read({
    path: '/movements',
    summary: 'List stock movements, newest first',
    reply: movementsReply,
    run: (_asked, context) => movementsView(context),
  }),
  read({
    path: '/movements/:id/older',
    summary: 'List movements before a given one',
    reply: movementsReply,
    run: ({ params }, context) => movementsView(context, params.id),
  }),
  handout({
    path: '/movements.csv',
    summary: 'Export recent movements as CSV',
    types: ['text/csv'],
    run: async (_asked, context) => csvFile('movements', writeMovementsCsv(await movementsView(context))),
  }),
];

function countsIn(csv: string): ReturnType<typeof readCountCsv> {
  try {
    return readCountCsv(csv);
  } catch (error) {
    throw badFields([{ path: 'csv', message: (error as Error).message }]);
  }
}
