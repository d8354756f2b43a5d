import { and, asc, eq, gt, sql } from 'drizzle-orm';
import type { ProgressBody, ProgressView } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { logEntry } from '../db/schema.ts';
import { bodyOf, coatLogged, notSuperseded } from './log.ts';

/** Progress of a coat on an area, noted since a moment, that belongs to no logged coat yet, oldest first. */
export async function progressOf(
  db: Queries,
  areaId: string,
  { stepId, coatNo, since }: { stepId: string; coatNo: number; since: Date },
): Promise<ProgressView[]> {
  const rows = await db
    .select()
    .from(logEntry)
    .where(
      and(
        eq(logEntry.areaId, areaId),
        eq(logEntry.kind, 'progress'),
        eq(logEntry.stepId, stepId),
        eq(logEntry.coatNo, coatNo),
        gt(logEntry.at, since),
        notSuperseded,
        sql`not ${coatLogged}`,
      ),
    )
    .orderBy(asc(logEntry.at), asc(logEntry.id));
  return rows.map((row) => {
    const { section, comb, usedL, wetEdgeMin = null } = bodyOf(row, []) as ProgressBody;
    return { entryId: row.id, at: row.at.toISOString(), section, comb, usedL, wetEdgeMin };
  });
}
