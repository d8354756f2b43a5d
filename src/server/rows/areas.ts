import { and, asc, eq } from 'drizzle-orm';
import type { Area, AreaInput, Boat, Estimate } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { area, boat } from '../db/schema.ts';
import { toBoat } from './boats.ts';
import { found, written } from './missing.ts';

export function toArea(row: typeof area.$inferSelect): Area {
  const { stackVersion: _, partOf, part, ...rest } = row;
  return { ...rest, part: partOf && part ? { areaId: partOf, ...part } : null };
}

/** An area as it goes into its table. */
export function areaColumns({ part, ...rest }: AreaInput) {
  const { areaId = null, ...how } = part ?? {};
  return { ...rest, partOf: areaId, part: part ? (how as Omit<typeof part, 'areaId'>) : null };
}

/** The boat that an area is of. @throws {Missing} */
export async function boatOfArea(db: Queries, id: string): Promise<string> {
  const [row] = await db.select({ boatId: area.boatId }).from(area).where(eq(area.id, id));
  return found(row, 'area', id).boatId;
}

export async function areaById(db: Queries, id: string): Promise<Area | undefined> {
  const [row] = await db.select().from(area).where(eq(area.id, id));
  return row && toArea(row);
}

/** @throws {Missing} */
export const theArea = async (db: Queries, id: string): Promise<Area> =>
  found(await areaById(db, id), 'area', id);

/** All areas of a boat, archived ones too. */
export async function areasOfBoat(db: Queries, boatId: string): Promise<Area[]> {
  return (await db.select().from(area).where(eq(area.boatId, boatId))).map(toArea);
}

export async function insertAreas(db: Queries, inputs: readonly AreaInput[]): Promise<void> {
  if (inputs.length > 0) await db.insert(area).values(inputs.map(areaColumns));
}

export async function updateArea(db: Queries, current: Area, input: AreaInput): Promise<void> {
  written(
    await db
      .update(area)
      .set({ ...areaColumns(input), version: current.version + 1 })
      .where(and(eq(area.id, current.id), eq(area.version, current.version)))
      .returning({ id: area.id }),
    'area',
  );
}

/** What one way gave for an area takes the place of what it gave before. */
export async function putEstimate(db: Queries, current: Area, estimate: Estimate): Promise<void> {
  const others = current.estimates.filter((each) => each.way !== estimate.way);
  written(
    await db
      .update(area)
      .set({ estimates: [...others, estimate], version: current.version + 1 })
      .where(and(eq(area.id, current.id), eq(area.version, current.version)))
      .returning({ id: area.id }),
    'area',
  );
}

export async function archiveArea(db: Queries, id: string, archived: boolean): Promise<Area> {
  await theArea(db, id);
  await db.update(area).set({ archived }).where(eq(area.id, id));
  return theArea(db, id);
}

/** The patches that a support hides, archived or brought back with it. */
export async function archivePatches(
  db: Queries,
  boatId: string,
  standId: string,
  archived: boolean,
): Promise<void> {
  const patches = (await areasOfBoat(db, boatId)).filter((each) => each.part?.standId === standId);
  for (const { id } of patches) await db.update(area).set({ archived }).where(eq(area.id, id));
}

/** The boot-stripe area of a boat, if it has one, and whether there is a split-off piece of it. */
export async function stripesOf(db: Queries, boatId: string): Promise<Area[]> {
  const rows = await db
    .select()
    .from(area)
    .where(and(eq(area.boatId, boatId), eq(area.zone, 'boot-stripe'), eq(area.archived, false)));
  return rows.map(toArea);
}

/** An area that runs, with its boat and the version of its stack. */
export interface RunningArea {
  area: Area;
  boat: Boat;
  stackVersion: number;
}

/** Areas that are not archived, of boats that are not, by boat and name; of all boats where none is named. */
export async function runningAreas(db: Queries, boatId: string | null): Promise<RunningArea[]> {
  const rows = await db
    .select()
    .from(area)
    .innerJoin(boat, eq(boat.id, area.boatId))
    .where(
      and(
        eq(area.archived, false),
        eq(boat.archived, false),
        boatId === null ? undefined : eq(area.boatId, boatId),
      ),
    )
    .orderBy(asc(boat.name), asc(area.name));
  return rows.map((row) => ({
    area: toArea(row.area),
    boat: toBoat(row.boat),
    stackVersion: row.area.stackVersion,
  }));
}
