import { eq } from 'drizzle-orm';
import type { PlanSetup } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { planSetup } from '../db/schema.ts';
import { written } from './missing.ts';
import { theYard } from './yard.ts';

/** What a yard that set nothing up plans with: one person, Monday to Friday, 8 to 17; a launch in those hours too. */
const AS_NEW: Omit<PlanSetup, 'version'> = {
  people: [
    {
      id: '019ae100-0000-7000-8000-000000000001',
      name: 'One person',
      days: [1, 2, 3, 4, 5],
      fromHour: 8,
      toHour: 17,
    },
  ],
  boats: [],
  launchDays: [1, 2, 3, 4, 5],
  launchFromHour: 8,
  launchToHour: 17,
  latePerDay: 0,
  tentCost: 0,
  heatPerDay: 0,
  overtimePerHour: 0,
  extraWork: [],
  agreed: [],
  pins: [],
};

/** Version 0: nobody has set it up. */
export async function planSetupOf(db: Queries): Promise<PlanSetup> {
  const [row] = await db.select().from(planSetup).limit(1);
  return { ...AS_NEW, ...row?.setup, version: row?.version ?? 0 };
}

/** @throws {Stale} on a version that is no longer the latest */
export async function putPlanSetup(db: Queries, { version, ...setup }: PlanSetup): Promise<void> {
  const { id: yardId } = await theYard(db);
  written(
    await db
      .insert(planSetup)
      .values({ yardId, setup, version: version + 1 })
      .onConflictDoUpdate({
        target: planSetup.yardId,
        set: { setup, version: version + 1 },
        setWhere: eq(planSetup.version, version),
      })
      .returning({ id: planSetup.yardId }),
    'plan',
  );
}

/** A boat’s moves that were planned for up to a time are done. @returns whether there were any */
export async function dropPlaceChanges(db: Queries, boatId: string, upTo: string): Promise<boolean> {
  const setup = await planSetupOf(db);
  const isDone = (each: { boatId: string; at: string }) =>
    each.boatId === boatId && Date.parse(each.at) <= Date.parse(upTo);
  const { placeChanges = [] } = setup;
  if (!placeChanges.some(isDone)) return false;
  await putPlanSetup(db, { ...setup, placeChanges: placeChanges.filter((each) => !isDone(each)) });
  return true;
}
