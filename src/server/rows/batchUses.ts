import { and, eq, inArray } from 'drizzle-orm';
import type { Queries } from '../db/open.ts';
import { batchUse, logEntry } from '../db/schema.ts';

/** Which batches went into which coats. */

/** Batches that the coats of a boat were applied from, by the coat. */
export async function batchesByCoat(db: Queries, boatId: string): Promise<Map<string, string[]>> {
  const uses = await db
    .select({ entryId: batchUse.entryId, batchId: batchUse.batchId })
    .from(batchUse)
    .innerJoin(logEntry, eq(logEntry.id, batchUse.entryId))
    .where(and(eq(logEntry.boatId, boatId), eq(logEntry.kind, 'coat')));
  const byCoat = new Map<string, string[]>();
  for (const { entryId, batchId } of uses) byCoat.set(entryId, [...(byCoat.get(entryId) ?? []), batchId]);
  return byCoat;
}

/** Which of these ids are no batches of the boat. */
export async function unknownBatches(db: Queries, boatId: string, ids: readonly string[]): Promise<string[]> {
  if (ids.length === 0) return [];
  const rows = await db
    .select({ id: logEntry.id })
    .from(logEntry)
    .where(and(inArray(logEntry.id, [...ids]), eq(logEntry.kind, 'batch'), eq(logEntry.boatId, boatId)));
  const known = new Set(rows.map(({ id }) => id));
  return ids.filter((id) => !known.has(id));
}
