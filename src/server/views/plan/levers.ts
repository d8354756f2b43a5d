import type { LeverCode, LeversView, PlanSetup } from '../../../contract/index.ts';
import { PLAN_ASSUMES, type YardPlan } from '../../../core/plan/index.ts';
import { remembering } from '../../../core/units/index.ts';
import type { Context } from '../../context.ts';
import { planSetupOf } from '../../rows/plan.ts';
import { planRest } from './planRest.ts';
import { isCurrent } from './planView.ts';
import { yardToPlan } from './yardToPlan.ts';

/** What would change the date: each change of the premises planned beside the plan as it is, all with the same effort. */

const LEVERS: readonly LeverCode[] = [
  'second-person',
  'longer-days',
  'weekends',
  'any-launch-day',
  'tent',
  'heated',
];
/** How long each is sought, ms; the plan as it is beside them likewise, so that they compare. */
const BUDGET_MS = 400;
const HOLDS_MS = 30 * 60_000;
const WEEK = [1, 2, 3, 4, 5, 6, 7];
/** As the default setup's, never stored. */
const SECOND_ID = '019ae100-0000-7000-8000-000000000002';

/** The set-up with a change to it. */
function changed(setup: PlanSetup, lever: LeverCode | null): PlanSetup {
  const { people } = setup;
  const [first] = people;
  switch (lever) {
    case 'second-person':
      return first ? { ...setup, people: [...people, { ...first, id: SECOND_ID }] } : setup;
    case 'longer-days':
      return {
        ...setup,
        people: people.map((each) => ({
          ...each,
          toHour: Math.min(24, each.toHour + PLAN_ASSUMES.longerDayH),
        })),
      };
    case 'weekends':
      return { ...setup, people: people.map((each) => ({ ...each, days: WEEK })) };
    case 'any-launch-day':
      return { ...setup, launchDays: WEEK };
    default:
      return setup;
  }
}

/** The last launch of a plan, ms; null: there is no plan, or no boat in it. */
function lastLaunch(found: YardPlan | null): number | null {
  if (!found) return null;
  const launches = found.tasks.filter(({ kind }) => kind === 'launch').map(({ startMs }) => startMs);
  return launches.length > 0 ? Math.max(...launches) : null;
}

const kept = remembering<Promise<LeversView>>(2);
const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());

/** Each lever beside the plan as it is; those that change nothing of the premises are left out. */
export async function leversView({ db, memory, jobs, now }: Context): Promise<LeversView> {
  const at = now();
  const setup = await planSetupOf(db);
  const known = await memory.at(at);
  if (!isCurrent(known.hours, at))
    return { now: new Date(at).toISOString(), launch: null, cost: null, leftOut: 0, levers: [] };
  return kept(known.snapshot, [setup.version, Math.floor(at / HOLDS_MS)], async () => {
    const planned = async (lever: LeverCode | null) => {
      const { yard, leftOut } = await yardToPlan(known, changed(setup, lever), at, jobs, lever);
      const { plan, clashes } = await planRest(jobs, yard, BUDGET_MS);
      const clashing = new Set(clashes.flatMap(({ clash }) => clash.map(({ areaId }) => areaId)));
      return {
        launchMs: lastLaunch(plan),
        cost: plan?.cost ?? null,
        leftOut: leftOut.length + (plan?.unplanned.length ?? 0) + clashing.size,
      };
    };
    const asItIs = await planned(null);
    const changes = LEVERS.filter((lever) => !isMet(lever, setup));
    const levers = [];
    for (const code of changes) {
      const { launchMs, cost, leftOut } = await planned(code);
      levers.push({ code, launch: iso(launchMs), cost, leftOut });
    }
    return {
      now: new Date(at).toISOString(),
      launch: iso(asItIs.launchMs),
      cost: asItIs.cost,
      leftOut: asItIs.leftOut,
      levers,
    };
  });
}

/** Whether the set-up has a lever pulled already. */
function isMet(lever: LeverCode, { people, launchDays }: PlanSetup): boolean {
  if (lever === 'weekends') return people.every(({ days }) => days.length === WEEK.length);
  if (lever === 'any-launch-day') return launchDays.length === WEEK.length;
  return lever === 'longer-days' && people.every(({ toHour }) => toHour === 24);
}
