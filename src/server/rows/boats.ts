import { and, eq } from 'drizzle-orm';
import type { Boat, BoatInput } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { boat } from '../db/schema.ts';
import { found, written } from './missing.ts';

export function toBoat(row: typeof boat.$inferSelect): Boat {
  const { loaM, lwlM, beamM, draughtM, freeboardM, calendarHash: _, ...rest } = row;
  const known = loaM !== null && lwlM !== null && beamM !== null && draughtM !== null && freeboardM !== null;
  return { ...rest, dimensions: known ? { loaM, lwlM, beamM, draughtM, freeboardM } : null };
}

const NOT_TOLD = { loaM: null, lwlM: null, beamM: null, draughtM: null, freeboardM: null };

const columns = ({ dimensions, headingDeg, name, kind, note }: BoatInput) => ({
  name,
  kind,
  note,
  headingDeg: headingDeg ?? null,
  ...(dimensions ?? NOT_TOLD),
});

export async function allBoats(db: Queries): Promise<Boat[]> {
  return (await db.select().from(boat)).map(toBoat);
}

export async function boatById(db: Queries, id: string): Promise<Boat | undefined> {
  const [row] = await db.select().from(boat).where(eq(boat.id, id));
  return row && toBoat(row);
}

/** @throws {Missing} */
export const theBoat = async (db: Queries, id: string): Promise<Boat> =>
  found(await boatById(db, id), 'boat', id);

export async function insertBoat(db: Queries, input: BoatInput): Promise<void> {
  await db.insert(boat).values({ id: input.id, ...columns(input) });
}

export async function updateBoat(db: Queries, current: Boat, input: BoatInput): Promise<void> {
  written(
    await db
      .update(boat)
      .set({ ...columns(input), version: current.version + 1 })
      .where(and(eq(boat.id, current.id), eq(boat.version, current.version)))
      .returning({ id: boat.id }),
    'boat',
  );
}

export async function archiveBoat(db: Queries, id: string, archived: boolean): Promise<void> {
  await theBoat(db, id);
  await db.update(boat).set({ archived }).where(eq(boat.id, id));
}
