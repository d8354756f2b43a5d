import { and, asc, eq, gt, lt } from 'drizzle-orm';
import type { ScaleReading } from '../../core/mix/index.ts';
import type { Queries } from '../db/open.ts';
import { scaleReading } from '../db/schema.ts';

/** Readings are of use for so long, ms. */
const KEPT_MS = 60_000;

/** Keeps a reading for a minute; of two in the same moment the later one. */
export async function keepScaleReading(
  db: Queries,
  scaleId: string,
  { atMs, grams }: ScaleReading,
): Promise<void> {
  await db.delete(scaleReading).where(lt(scaleReading.at, new Date(atMs - KEPT_MS)));
  await db
    .insert(scaleReading)
    .values({ scaleId, at: new Date(atMs), grams })
    .onConflictDoUpdate({ target: [scaleReading.scaleId, scaleReading.at], set: { grams } });
}

/** Those of one scale within the minute before a moment, oldest first. */
export async function scaleReadings(db: Queries, scaleId: string, nowMs: number): Promise<ScaleReading[]> {
  const rows = await db
    .select({ at: scaleReading.at, grams: scaleReading.grams })
    .from(scaleReading)
    .where(and(eq(scaleReading.scaleId, scaleId), gt(scaleReading.at, new Date(nowMs - KEPT_MS))))
    .orderBy(asc(scaleReading.at));
  return rows.map(({ at, grams }) => ({ atMs: at.getTime(), grams }));
}
