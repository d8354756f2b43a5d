import { and, asc, eq, getTableColumns, gt, type SQL, sql } from 'drizzle-orm';
import type { BatchBody } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { batchUse, logEntry } from '../db/schema.ts';
import { bodyOf, notSuperseded, sessionEnded } from './log.ts';

/** A pot that isn't part of a logged coat yet. A discarded pot counts only if some of its paint was applied. */
export interface OpenPot {
  entryId: string;
  /** True if its paint is in a coat that isn't logged yet: the pot is used up, or was discarded half used. */
  emptied: boolean;
  /** Litres applied from it before it was discarded; null: it was not. */
  usedL: number | null;
  boatId: string;
  areaId: string;
  at: Date;
  body: BatchBody;
}

/** Open pots mixed since a moment, of one boat or (null) of all. */
export async function openPotsSince(db: Queries, since: Date, boatId: string | null): Promise<OpenPot[]> {
  // Used as it was before it was put right, it is used: another device may not have known.
  const usedBy = (
    which: SQL,
  ) => sql<boolean>`exists (select 1 from ${batchUse} u join log_entry e on e.id = u.entry_id
    where u.batch_id in (log_entry.id, log_entry.corrects) and ${which} and not exists (select 1 from log_entry c where c.corrects = e.id))`;
  const usedL = sql`(e.body->>'usedL')::float8`;
  const emptied = sql`(e.body->>'fate' = 'emptied' or ${usedL} > 0)`;
  const rows = await db
    .select({
      ...getTableColumns(logEntry),
      emptied: usedBy(emptied),
      usedL: sql<number | null>`(select ${usedL} from ${batchUse} u join log_entry e on e.id = u.entry_id
        where u.batch_id in (log_entry.id, log_entry.corrects) and ${usedL} > 0
        and not exists (select 1 from log_entry c where c.corrects = e.id) order by e.at, e.id limit 1)`,
    })
    .from(logEntry)
    .where(
      and(
        eq(logEntry.kind, 'batch'),
        gt(logEntry.at, since),
        notSuperseded,
        sql`not ${usedBy(sql`${emptied} is not true`)}`,
        // A pot used up in a session that ended without a coat belongs to no coat.
        sql`not (${usedBy(emptied)} and ${sessionEnded})`,
        boatId === null ? undefined : eq(logEntry.boatId, boatId),
      ),
    )
    .orderBy(asc(logEntry.at), asc(logEntry.id));
  return rows.map((row) => ({
    entryId: row.id,
    emptied: row.emptied,
    usedL: row.usedL,
    boatId: row.boatId,
    areaId: row.areaId,
    at: row.at,
    body: bodyOf(row, []) as BatchBody,
  }));
}
