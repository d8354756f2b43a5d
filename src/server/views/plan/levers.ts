import type { LeverCode, LeversView, LeverView, PlanSetup } from '../../../contract/index.ts';
import type { YardPlan } from '../../../core/plan/index.ts';
import type { Context } from '../../context.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import { planSetupOf } from '../../rows/plan.ts';
import { boatsOf } from './boatsToPlan.ts';

import { planMade } from './planMade.ts';
import { leversCost, WEEK } from './premises.ts';
import { stepsWith } from './stepsWith.ts';
import { meanComingC } from './yardToPlan.ts';

/** Changes of the premises: each is planned beside the plan as it is, all with the same effort. */

const LEVERS: readonly LeverCode[] = [
  'second-person',
  'longer-days',
  'weekends',
  'any-launch-day',
  'later-launch',
  'tent',
  'heated',
  'spray',
  'quicker-products',
  'one-pack',
  'one-coat-fewer',
];
const DAY_MS = 86_400_000;

/** The last launch of a plan, ms; null: there is no plan, or no boat in it. */
function lastLaunch(found: YardPlan | null): number | null {
  if (!found) return null;
  const launches = found.tasks.filter(({ kind }) => kind === 'launch').map(({ startMs }) => startMs);
  return launches.length > 0 ? Math.max(...launches) : null;
}

const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());

/** The plan with some changes of its premises; null: there is no weather data. */
export async function planWith(context: Context, levers: readonly LeverCode[]): Promise<LeverView | null> {
  const { setup, made } = await planMade(context, { levers, isCompared: true });
  if (!made) return null;
  const { plan, clashes, yard } = made.found;
  const without = new Set(clashes.map(({ boatId }) => boatId));
  const ofThem = made.given.yard.areas.filter(({ boatId, coats }) => without.has(boatId) && coats.length > 0);
  const launchMs = lastLaunch(plan);
  const days = launchMs === null ? 0 : (launchMs - yard.fromMs) / DAY_MS;
  return {
    levers: [...levers],
    launch: iso(launchMs),
    cost: plan ? plan.cost + leversCost(setup, levers, days) : null,
    leftOut: made.given.leftOut.length + (plan?.unplanned.length ?? 0) + ofThem.length,
  };
}

/** The changes that can be tried: those that the set-up does not have already, and other products where there are some. */
export async function leversView({ db, memory, now }: Context): Promise<LeversView> {
  const setup = await planSetupOf(db);
  const known = await memory.at(now());
  return {
    levers: LEVERS.filter((lever) => !isMet(lever, setup) && !hasNoOther(lever, known, setup, now())),
  };
}

/** Whether the set-up has a change already, or nothing that it would change. */
function isMet(lever: LeverCode, { people, launchDays, boats }: PlanSetup): boolean {
  // Nobody waits for a date.
  if (lever === 'later-launch') return boats.every(({ wanted }) => wanted === null);
  if (lever === 'weekends') return people.every(({ days }) => days.length === WEEK.length);
  if (lever === 'any-launch-day') return launchDays.length === WEEK.length;
  return lever === 'longer-days' && people.every(({ toHour }) => toHour === 24);
}

/** Whether other products are asked for and none would be used. */
function hasNoOther(lever: LeverCode, known: YardReading, setup: PlanSetup, at: number): boolean {
  if (lever !== 'quicker-products' && lever !== 'one-pack') return false;
  const ids = new Set(boatsOf(known, setup).boats.map(({ boatId }) => boatId));
  const clocks = new Map(known.clocks.map((clock) => [clock.areaId, clock]));
  const levers = [lever];
  const compareAtC = meanComingC(known, at, levers);
  return !known.states.some((state) => {
    const clock = ids.has(state.boat.id) ? clocks.get(state.area.id) : undefined;
    return (
      clock && stepsWith({ state, clock, catalogue: known.catalogue, levers, compareAtC }) !== state.steps
    );
  });
}
