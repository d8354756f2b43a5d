import { and, asc, eq, gt, sql } from 'drizzle-orm';
import type { SessionBody, SessionNoteView } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { logEntry } from '../db/schema.ts';
import { bodyOf, notSuperseded } from './log.ts';
import { coatLogged } from './progress.ts';

/** What devices noted of a coat being applied, and of which coat. */
export interface KnownSessionNote extends SessionNoteView {
  areaId: string;
  stepId: string;
  coatNo: number;
}

/** Notes of the coats that are being applied on a boat, noted since a moment, oldest first. */
export async function sessionNotes(db: Queries, boatId: string, since: Date): Promise<KnownSessionNote[]> {
  const rows = await db
    .select()
    .from(logEntry)
    .where(
      and(
        eq(logEntry.boatId, boatId),
        eq(logEntry.kind, 'session'),
        gt(logEntry.at, since),
        notSuperseded,
        sql`not ${coatLogged}`,
      ),
    )
    .orderBy(asc(logEntry.at), asc(logEntry.id));
  return rows.map((row) => {
    const { stepId, coatNo, areaIds, people, device, ended = false } = bodyOf(row, []) as SessionBody;
    const { id: entryId, areaId } = row;
    return {
      entryId,
      at: row.at.toISOString(),
      areaId,
      stepId,
      coatNo,
      areaIds: ended ? [] : areaIds,
      people,
      device,
      ended,
    };
  });
}
