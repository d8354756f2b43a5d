import type { LeverCode, LeversView, LeverView, PlanSetup } from '../../../contract/index.ts';
import type { YardPlan } from '../../../core/plan/index.ts';
import type { Context } from '../../context.ts';
import { planSetupOf } from '../../rows/plan.ts';
import { planMade } from './planMade.ts';
import { leversCost, WEEK } from './premises.ts';

/** Changes of the premises: each is planned beside the plan as it is, all with the same effort. */

const LEVERS: readonly LeverCode[] = [
  'second-person',
  'longer-days',
  'weekends',
  'any-launch-day',
  'tent',
  'heated',
  'spray',
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
  const clashing = new Set(clashes.flatMap(({ clash }) => clash.map(({ areaId }) => areaId)));
  const launchMs = lastLaunch(plan);
  const days = launchMs === null ? 0 : (launchMs - yard.fromMs) / DAY_MS;
  return {
    levers: [...levers],
    launch: iso(launchMs),
    cost: plan ? plan.cost + leversCost(setup, levers, days) : null,
    leftOut: made.given.leftOut.length + (plan?.unplanned.length ?? 0) + clashing.size,
  };
}

/** The changes that can be tried: those that the set-up does not have already. */
export async function leversView({ db }: Context): Promise<LeversView> {
  const setup = await planSetupOf(db);
  return { levers: LEVERS.filter((lever) => !isMet(lever, setup)) };
}

/** Whether the set-up has a change already. */
function isMet(lever: LeverCode, { people, launchDays }: PlanSetup): boolean {
  if (lever === 'weekends') return people.every(({ days }) => days.length === WEEK.length);
  if (lever === 'any-launch-day') return launchDays.length === WEEK.length;
  return lever === 'longer-days' && people.every(({ toHour }) => toHour === 24);
}
