import { and, asc, count, desc, eq, getTableColumns, inArray, lt, or, sql } from 'drizzle-orm';
import type {
  BatchBody,
  CoatAirRecord,
  Entry,
  EntryBody,
  EntryInput,
  TapeBody,
} from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { batchUse, logEntry } from '../db/schema.ts';

type Row = typeof logEntry.$inferSelect;

/** Rows that no other row corrects. */
export const notSuperseded = sql`not exists (select 1 from log_entry c where c.corrects = ${logEntry.id})`;

/**
 * Whether a session ended without a coat, after a row of the log for the same coat. A row that a device kept and sends after the end
 * still counts: somebody may have painted.
 */
export const sessionEnded = sql`exists (select 1 from log_entry k where k.kind = 'session' and k.area_id = log_entry.area_id
  and k.step_id = log_entry.step_id and k.coat_no = log_entry.coat_no and k.at >= log_entry.at
  and k.recorded_at >= log_entry.recorded_at and (k.body->>'ended')::boolean
  and not exists (select 1 from log_entry c where c.corrects = k.id))`;

/** The facts of a body that have columns of their own, and what is left of it. */
function factsOf({ kind, body }: EntryBody) {
  const none = {
    stepId: null,
    coatNo: null,
    productId: null,
    sheetVersion: null,
    litres: null,
    areaM2: null,
    endedAt: null,
  };
  switch (kind) {
    case 'coat': {
      const { stepId, coatNo, productId, sheetVersion, litres, areaM2, endedAt, batchIds, ...rest } = body;
      const facts = { stepId, coatNo, productId, sheetVersion, litres, areaM2, endedAt: new Date(endedAt) };
      return { facts, rest, batchIds };
    }
    case 'batch': {
      const { stepId, coatNo, productId, sheetVersion, litres, ...rest } = body;
      return { facts: { ...none, stepId, coatNo, productId, sheetVersion, litres }, rest, batchIds: [] };
    }
    case 'work':
    case 'hand-test':
    case 'progress':
    case 'session':
    case 'tape': {
      const { stepId, coatNo, ...rest } = body;
      return { facts: { ...none, stepId, coatNo }, rest, batchIds: [] };
    }
    case 'batch-end': {
      const { batchId, ...rest } = body;
      return { facts: none, rest, batchIds: [batchId] };
    }
    default:
      return { facts: none, rest: body, batchIds: [] };
  }
}

/** The columns that a body is made of. */
const FACTS = {
  kind: logEntry.kind,
  stepId: logEntry.stepId,
  coatNo: logEntry.coatNo,
  productId: logEntry.productId,
  sheetVersion: logEntry.sheetVersion,
  litres: logEntry.litres,
  areaM2: logEntry.areaM2,
  endedAt: logEntry.endedAt,
  body: logEntry.body,
};

/** A body as it was sent, its facts put back in their places. */
export function bodyOf(row: Pick<Row, keyof typeof FACTS>, batchIds: readonly string[]): unknown {
  const { stepId, coatNo, productId, sheetVersion, litres, areaM2, endedAt, body } = row;
  switch (row.kind) {
    case 'coat': {
      const facts = { stepId, coatNo, productId, sheetVersion, litres, areaM2 };
      return { ...body, ...facts, endedAt: endedAt?.toISOString(), batchIds: [...batchIds] };
    }
    case 'batch':
      return { ...body, stepId, coatNo, productId, sheetVersion, litres };
    case 'work':
    case 'hand-test':
    case 'progress':
    case 'session':
    case 'tape':
      return { ...body, stepId, coatNo };
    case 'batch-end':
      return { ...body, batchId: batchIds[0] };
    default:
      return body;
  }
}

/** Which entry corrects it, and which batches a coat was applied from or an end is of, beside each row. */
const entryColumns = {
  ...getTableColumns(logEntry),
  correctedBy: sql<string | null>`(select c.id from log_entry c where c.corrects = log_entry.id limit 1)`,
  batchIds: sql<string[]>`case when log_entry.kind in ('coat', 'batch-end')
    then (select coalesce(json_agg(u.batch_id), '[]') from batch_use u where u.entry_id = log_entry.id) else '[]' end`,
};

const toEntry = (row: Row & { correctedBy: string | null; batchIds: string[] }): Entry =>
  ({
    id: row.id,
    boatId: row.boatId,
    areaId: row.areaId,
    at: row.at.toISOString(),
    recordedAt: row.recordedAt.toISOString(),
    corrects: row.corrects,
    correctedBy: row.correctedBy,
    air: row.air,
    kind: row.kind,
    body: bodyOf(row, row.batchIds),
  }) as Entry;

export async function entryById(db: Queries, id: string): Promise<Entry | undefined> {
  const [row] = await db.select(entryColumns).from(logEntry).where(eq(logEntry.id, id));
  return row && toEntry(row);
}

/** Whether an entry is there: asked before each is appended, where nearly always it is not. */
export async function hasEntry(db: Queries, id: string): Promise<boolean> {
  return (await db.select({ id: logEntry.id }).from(logEntry).where(eq(logEntry.id, id))).length > 0;
}

/** Appends. Nothing that stands in the log is ever changed. @returns the entry as it reads from now on */
export async function insertEntry(
  db: Queries,
  input: EntryInput & { boatId: string; recordedAt: Date; air?: CoatAirRecord | null },
): Promise<Entry> {
  const { id, boatId, areaId, kind, corrects, recordedAt, air = null } = input;
  const { facts, rest, batchIds } = factsOf(input);
  const at = new Date(input.at);
  const row = { id, boatId, areaId, kind, at, recordedAt, corrects, ...facts, body: { ...rest }, air };
  await db.insert(logEntry).values(row);
  if (batchIds.length > 0)
    await db.insert(batchUse).values(batchIds.map((batchId) => ({ entryId: id, batchId })));
  return toEntry({ ...row, correctedBy: null, batchIds: [...batchIds] });
}

/** A page of a boat's log, newest first, and what asks for the next one. */
export async function logPage(
  db: Queries,
  boatId: string,
  page: { before: string | undefined; limit: number },
): Promise<{ entries: Entry[]; next: string | null; total: number }> {
  const [at, recordedAt, id] = page.before?.split('.') ?? [];
  const older =
    at === undefined || recordedAt === undefined || id === undefined
      ? undefined
      : or(
          lt(logEntry.at, new Date(Number(at))),
          and(
            eq(logEntry.at, new Date(Number(at))),
            or(
              lt(logEntry.recordedAt, new Date(Number(recordedAt))),
              and(eq(logEntry.recordedAt, new Date(Number(recordedAt))), lt(logEntry.id, id)),
            ),
          ),
        );
  const rows = await db
    .select(entryColumns)
    .from(logEntry)
    .where(and(eq(logEntry.boatId, boatId), older))
    .orderBy(desc(logEntry.at), desc(logEntry.recordedAt), desc(logEntry.id))
    .limit(page.limit + 1);
  const shown = rows.slice(0, page.limit);
  const last = rows.length > page.limit ? shown.at(-1) : undefined;
  const [all] = await db.select({ total: count() }).from(logEntry).where(eq(logEntry.boatId, boatId));
  return {
    entries: shown.map(toEntry),
    next: last ? `${last.at.getTime()}.${last.recordedAt.getTime()}.${last.id}` : null,
    total: all?.total ?? 0,
  };
}

/** An entry that counts: neither corrected nor struck out. */
export type Counted<Kind extends EntryBody['kind']> = Extract<EntryBody, { kind: Kind }> & {
  id: string;
  areaId: string;
  at: Date;
};

/** The entries of some kinds on some boats that count, oldest first. */
export async function countedEntries<Kind extends EntryBody['kind']>(
  db: Queries,
  kinds: readonly Kind[],
  boatIds: readonly string[],
): Promise<Counted<Kind>[]> {
  const rows = await db
    .select({ ...FACTS, id: logEntry.id, areaId: logEntry.areaId, at: logEntry.at })
    .from(logEntry)
    .where(and(inArray(logEntry.kind, [...kinds]), notSuperseded, inArray(logEntry.boatId, [...boatIds])))
    .orderBy(asc(logEntry.at), asc(logEntry.id));
  // Which pots a coat was applied from decides nothing here.
  return rows.map(
    (row) => ({ kind: row.kind, id: row.id, areaId: row.areaId, at: row.at, body: bodyOf(row, []) }) as never,
  );
}

/** Ticks of masking on one area that count, oldest first. */
export async function tapeTicks(db: Queries, areaId: string): Promise<(TapeBody & { atMs: number })[]> {
  const rows = await db
    .select()
    .from(logEntry)
    .where(and(eq(logEntry.areaId, areaId), eq(logEntry.kind, 'tape'), notSuperseded))
    .orderBy(asc(logEntry.at), asc(logEntry.id));
  return rows.map((row) => ({ ...(bodyOf(row, []) as TapeBody), atMs: row.at.getTime() }));
}

/** Tape on the edges of an area. */
export type EdgeTape = Pick<TapeBody, 'tape'> & { atMs: number };

/** The tape on the edges of each area, where it is on. The edges’ ticks are those under the area’s own id. */
export async function edgeTapes(db: Queries): Promise<Map<string, EdgeTape>> {
  const rows = await db
    .select()
    .from(logEntry)
    .where(and(eq(logEntry.kind, 'tape'), notSuperseded))
    .orderBy(asc(logEntry.at), asc(logEntry.id));
  const tapes = new Map<string, EdgeTape>();
  for (const row of rows) {
    const { itemId, on, tape } = bodyOf(row, []) as TapeBody;
    if (itemId !== row.areaId) continue;
    if (on) tapes.set(itemId, { ...(tape && { tape }), atMs: row.at.getTime() });
    else tapes.delete(itemId);
  }
  return tapes;
}

/** Batches of one product that count, oldest first. */
export async function batchesOfProduct(
  db: Queries,
  productId: string,
): Promise<{ id: string; areaId: string; at: Date; body: BatchBody }[]> {
  const rows = await db
    .select()
    .from(logEntry)
    .where(and(eq(logEntry.productId, productId), eq(logEntry.kind, 'batch'), notSuperseded))
    .orderBy(asc(logEntry.at), asc(logEntry.id));
  return rows.map((row) => ({
    id: row.id,
    areaId: row.areaId,
    at: row.at,
    body: bodyOf(row, []) as BatchBody,
  }));
}
