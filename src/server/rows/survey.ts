import { and, asc, eq, inArray, isNotNull } from 'drizzle-orm';
import type {
  BareItem,
  BareItemInput,
  Finding,
  FindingInput,
  Stand,
  StandInput,
} from '../../contract/index.ts';
import { judgeFinding } from '../../core/inspect/index.ts';
import type { Queries } from '../db/open.ts';
import { bareItem, finding, stand } from '../db/schema.ts';
import { written } from './missing.ts';

/** Supports, masked items and findings of a boat. */

export function toStand(row: typeof stand.$inferSelect): Stand {
  return { ...row, shiftedAt: row.shiftedAt?.toISOString() ?? null };
}

export function toFinding(row: typeof finding.$inferSelect): Finding {
  const { kind, value, grade, limit } = row;
  return { ...row, at: row.at.toISOString(), ...judgeFinding({ kind, value, grade, limit }) };
}

export async function standById(db: Queries, id: string): Promise<Stand | undefined> {
  const [row] = await db.select().from(stand).where(eq(stand.id, id));
  return row && toStand(row);
}

export async function standsById(db: Queries, ids: readonly string[]): Promise<Map<string, Stand>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select()
    .from(stand)
    .where(inArray(stand.id, [...ids]));
  return new Map(rows.map((row) => [row.id, toStand(row)]));
}

export async function insertStand(db: Queries, input: StandInput): Promise<void> {
  await db.insert(stand).values(input);
}

export async function updateStand(
  db: Queries,
  current: Stand,
  values: Partial<StandInput> & { shiftedAt?: Date | null; archived?: boolean },
): Promise<void> {
  written(
    await db
      .update(stand)
      .set({ ...values, version: current.version + 1 })
      .where(and(eq(stand.id, current.id), eq(stand.version, current.version)))
      .returning({ id: stand.id }),
    'support',
  );
}

export async function bareItemById(db: Queries, id: string): Promise<BareItem | undefined> {
  const [row] = await db.select().from(bareItem).where(eq(bareItem.id, id));
  return row;
}

export async function insertBareItem(db: Queries, input: BareItemInput): Promise<void> {
  await db.insert(bareItem).values(input);
}

export async function updateBareItem(
  db: Queries,
  current: BareItem,
  values: Partial<BareItemInput> & { archived?: boolean },
): Promise<void> {
  written(
    await db
      .update(bareItem)
      .set({ ...values, version: current.version + 1 })
      .where(and(eq(bareItem.id, current.id), eq(bareItem.version, current.version)))
      .returning({ id: bareItem.id }),
    'masked item',
  );
}

export async function findingById(db: Queries, id: string): Promise<Finding | undefined> {
  const [row] = await db.select().from(finding).where(eq(finding.id, id));
  return row && toFinding(row);
}

export async function insertFinding(db: Queries, { at, ...input }: FindingInput): Promise<void> {
  await db.insert(finding).values({ ...input, at: new Date(at) });
}

export async function updateFinding(
  db: Queries,
  current: Finding,
  { at, ...values }: Partial<FindingInput> & { archived?: boolean },
): Promise<void> {
  written(
    await db
      .update(finding)
      .set({ ...values, ...(at !== undefined && { at: new Date(at) }), version: current.version + 1 })
      .where(and(eq(finding.id, current.id), eq(finding.version, current.version)))
      .returning({ id: finding.id }),
    'finding',
  );
}

/** The survey of a boat apart from its areas. */
export async function surveyOf(
  db: Queries,
  boatId: string,
): Promise<{ stands: Stand[]; bareItems: BareItem[]; findings: Finding[] }> {
  const stands = await db
    .select()
    .from(stand)
    .where(and(eq(stand.boatId, boatId), eq(stand.archived, false)))
    .orderBy(asc(stand.xM), asc(stand.id));
  const found = await db
    .select()
    .from(finding)
    .where(and(eq(finding.boatId, boatId), eq(finding.archived, false)))
    .orderBy(asc(finding.at), asc(finding.id));
  return {
    stands: stands.map(toStand),
    bareItems: await bareItemsOf(db, boatId),
    findings: found.map(toFinding),
  };
}

export async function bareItemsOf(db: Queries, boatId: string): Promise<BareItem[]> {
  return db
    .select()
    .from(bareItem)
    .where(and(eq(bareItem.boatId, boatId), eq(bareItem.archived, false)))
    .orderBy(asc(bareItem.name), asc(bareItem.id));
}

/** The blast profile last measured on each area, µm; of all boats where none are named. */
export async function profilesByArea(
  db: Queries,
  boatIds: readonly string[] | null,
): Promise<Map<string, { microns: number | null; atMs: number }>> {
  const rows = await db
    .select({ areaId: finding.areaId, microns: finding.value, at: finding.at })
    .from(finding)
    .where(
      and(
        eq(finding.kind, 'profile'),
        eq(finding.archived, false),
        isNotNull(finding.areaId),
        boatIds === null ? undefined : inArray(finding.boatId, [...boatIds]),
      ),
    )
    .orderBy(asc(finding.at), asc(finding.id));
  return new Map(rows.map(({ areaId, microns, at }) => [areaId as string, { microns, atMs: at.getTime() }]));
}
