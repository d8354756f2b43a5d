import { and, asc, desc, eq, inArray, lt, or, sql } from 'drizzle-orm';
import type { Lot, LotInput, MovementInput, StockMovement } from '../../contract/index.ts';
import type { MovementKind } from '../../core/supply/index.ts';
import type { Queries } from '../db/open.ts';
import { lot, lotMovement } from '../db/schema.ts';
import { found, written } from './missing.ts';

const toLot = ({ receiptId: _, ...row }: typeof lot.$inferSelect): Lot => row;

export async function allLots(db: Queries, productId?: string): Promise<Lot[]> {
  const own = productId === undefined ? undefined : eq(lot.productId, productId);
  const rows = await db
    .select()
    .from(lot)
    .where(and(eq(lot.archived, false), own))
    .orderBy(asc(lot.id));
  return rows.map(toLot);
}

export async function lotById(db: Queries, id: string): Promise<Lot | undefined> {
  const [row] = await db.select().from(lot).where(eq(lot.id, id));
  return row && toLot(row);
}

/** @throws {Missing} */
export const theLot = async (db: Queries, id: string): Promise<Lot> =>
  found(await lotById(db, id), 'lot', id);

export async function lotsOfReceipt(db: Queries, receiptId: string): Promise<string[]> {
  return (await db.select({ id: lot.id }).from(lot).where(eq(lot.receiptId, receiptId))).map(({ id }) => id);
}

const lotColumns = ({
  productId,
  part,
  colour,
  code,
  unit,
  madeOn,
  place,
  frost,
  heat,
  note,
  cost,
}: LotInput) => ({
  productId,
  part,
  colour,
  code,
  unit,
  madeOn,
  place,
  frost,
  heat,
  note,
  cost,
});

export async function insertLot(db: Queries, input: LotInput, receiptId: string | null): Promise<void> {
  await db.insert(lot).values({ id: input.id, ...lotColumns(input), receiptId });
}

export async function updateLot(
  db: Queries,
  current: Lot,
  change: LotInput | { archived: boolean },
): Promise<void> {
  written(
    await db
      .update(lot)
      .set({ ...('archived' in change ? change : lotColumns(change)), version: current.version + 1 })
      .where(and(eq(lot.id, current.id), eq(lot.version, current.version)))
      .returning({ id: lot.id }),
    'tin',
  );
}

/** A movement that counts: neither corrected, nor taken by an entry that was. */
export interface CountedMovement {
  id: string;
  lotId: string;
  kind: MovementKind;
  amount: number;
  atMs: number;
  areaId: string | null;
  entryId: string | null;
}

const stands = sql`not exists (select 1 from lot_movement c where c.corrects = ${lotMovement.id})
  and not exists (select 1 from log_entry c where c.corrects = ${lotMovement.entryId})
  and ${lotMovement.kind} <> 'void'`;

/** Every movement that counts, of all lots or of some. */
export async function countedMovements(db: Queries, lotIds?: readonly string[]): Promise<CountedMovement[]> {
  if (lotIds?.length === 0) return [];
  const rows = await db
    .select({
      id: lotMovement.id,
      lotId: lotMovement.lotId,
      kind: lotMovement.kind,
      amount: lotMovement.amount,
      at: lotMovement.at,
      areaId: lotMovement.areaId,
      entryId: lotMovement.entryId,
    })
    .from(lotMovement)
    .where(and(stands, lotIds === undefined ? undefined : inArray(lotMovement.lotId, [...lotIds])));
  return rows.map(({ at, kind, ...row }) => ({ ...row, kind: kind as MovementKind, atMs: at.getTime() }));
}

type MovementRow = typeof lotMovement.$inferSelect;

async function toMovements(db: Queries, rows: readonly MovementRow[]): Promise<StockMovement[]> {
  if (rows.length === 0) return [];
  const ids = rows.map(({ id }) => id);
  const later = await db
    .select({ id: lotMovement.id, corrects: lotMovement.corrects })
    .from(lotMovement)
    .where(inArray(lotMovement.corrects, ids));
  const correctedBy = new Map(later.map(({ id, corrects }) => [corrects, id]));
  return rows.map(({ at, recordedAt, togetherId: _, ...row }) => ({
    ...row,
    at: at.toISOString(),
    recordedAt: recordedAt.toISOString(),
    correctedBy: correctedBy.get(row.id) ?? null,
  }));
}

export async function movementById(db: Queries, id: string): Promise<StockMovement | undefined> {
  return (await toMovements(db, await db.select().from(lotMovement).where(eq(lotMovement.id, id))))[0];
}

export async function movementsTogether(db: Queries, togetherId: string): Promise<boolean> {
  const [row] = await db
    .select({ id: lotMovement.id })
    .from(lotMovement)
    .where(eq(lotMovement.togetherId, togetherId))
    .limit(1);
  return row !== undefined;
}

/** Movements newest first, older than one of them where it is named. */
export async function movementsBefore(
  db: Queries,
  most: number,
  before: { at: Date; id: string } | null,
): Promise<StockMovement[]> {
  const rows = await db
    .select()
    .from(lotMovement)
    .where(
      before === null
        ? undefined
        : or(
            lt(lotMovement.at, before.at),
            and(eq(lotMovement.at, before.at), lt(lotMovement.id, before.id)),
          ),
    )
    .orderBy(desc(lotMovement.at), desc(lotMovement.id))
    .limit(most);
  return toMovements(db, rows);
}

/** A movement as it is kept, told by a person rather than by a log entry. */
export const movementByHand = (input: MovementInput, now: number, togetherId: string | null = null) => ({
  ...input,
  recordedAt: new Date(now),
  entryId: null,
  togetherId,
});

export async function insertMovement(
  db: Queries,
  input: MovementInput & { recordedAt: Date; entryId: string | null; togetherId: string | null },
): Promise<void> {
  await db.insert(lotMovement).values({ ...input, at: new Date(input.at) });
}

/** Products of which an entry of the log took something from the stock. */
export async function productsTaken(db: Queries, entryId: string): Promise<string[]> {
  const rows = await db
    .selectDistinct({ productId: lot.productId })
    .from(lotMovement)
    .innerJoin(lot, eq(lot.id, lotMovement.lotId))
    .where(eq(lotMovement.entryId, entryId));
  return rows.map(({ productId }) => productId);
}
