import { and, asc, eq, gt, sql } from 'drizzle-orm';
import type { ProgressBody, ProgressView } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { logEntry } from '../db/schema.ts';
import { bodyOf, notSuperseded, sessionEnded } from './log.ts';

/** A note on a coat in hand whose coat is logged. What a device kept for long belongs to the coat of its own time, not to the rest of it. */
export const coatLogged = sql`exists (select 1 from log_entry k where k.kind = 'coat' and k.area_id = log_entry.area_id
  and k.step_id = log_entry.step_id and k.coat_no = log_entry.coat_no
  and (k.recorded_at > log_entry.recorded_at or k.ended_at >= log_entry.at)
  and not exists (select 1 from log_entry c where c.corrects = k.id))`;

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
        sql`not ${sessionEnded}`,
      ),
    )
    .orderBy(asc(logEntry.at), asc(logEntry.id));
  return rows.map((row) => {
    const { section, comb, usedL, wetEdgeMin = null, cutIn = null } = bodyOf(row, []) as ProgressBody;
    return { entryId: row.id, at: row.at.toISOString(), section, comb, usedL, wetEdgeMin, cutIn };
  });
}
