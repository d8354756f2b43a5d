import { and, asc, eq } from 'drizzle-orm';
import type { BareItem, Finding, Stand } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { toBareItem, toFinding, toStand } from '../db/rows.ts';
import { bareItem, finding, stand } from '../db/schema.ts';

/** What a survey has set down on a boat, besides her areas. */
export async function surveyOf(
  db: Queries,
  boatId: string,
): Promise<{ stands: Stand[]; bareItems: BareItem[]; findings: Finding[] }> {
  const stands = await db
    .select()
    .from(stand)
    .where(and(eq(stand.boatId, boatId), eq(stand.archived, false)))
    .orderBy(asc(stand.xM));
  const bare = await db
    .select()
    .from(bareItem)
    .where(and(eq(bareItem.boatId, boatId), eq(bareItem.archived, false)))
    .orderBy(asc(bareItem.name));
  const found = await db
    .select()
    .from(finding)
    .where(and(eq(finding.boatId, boatId), eq(finding.archived, false)))
    .orderBy(asc(finding.at));
  return { stands: stands.map(toStand), bareItems: bare.map(toBareItem), findings: found.map(toFinding) };
}
