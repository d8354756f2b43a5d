import type { LeverCode, PlanSetup } from '../../../contract/index.ts';
import { type PersonToPlan, PLAN_ASSUMES } from '../../../core/plan/index.ts';

/** Changes of the plan's premises that are tried: who works when. */

export const WEEK = [1, 2, 3, 4, 5, 6, 7];
/** As the default setup's, never stored. */
const SECOND_ID = '019ae100-0000-7000-8000-000000000002';

type Week = Pick<PlanSetup['people'][number], 'days' | 'fromHour' | 'toHour'>;

interface Stretch {
  fromMs: number;
  toMs: number;
}

/** The parts of hours without the times in which somebody is away, or something is out of service. */
export const present = (hours: Stretch[], away: { from: string; to: string }[]): Stretch[] =>
  away.reduce<Stretch[]>((left, { from, to }) => {
    const [goneMs, backMs] = [Date.parse(from), Date.parse(to)];
    return left
      .flatMap(({ fromMs, toMs }) => [
        { fromMs, toMs: Math.min(toMs, goneMs) },
        { fromMs: Math.max(fromMs, backMs), toMs },
      ])
      .filter(({ fromMs, toMs }) => toMs > fromMs);
  }, hours);

/**
 * People and their hours with the changes; hours beyond those set up cost the surcharge for overtime.
 *
 * @param hoursOf stretches of time of hours of the day on days of the week
 */
export function peopleWith(
  { people, overtimePerHour }: PlanSetup,
  levers: readonly LeverCode[],
  costPerHour: number,
  hoursOf: (week: Week) => { fromMs: number; toMs: number }[],
): PersonToPlan[] {
  const [first] = people;
  const all = levers.includes('second-person') && first ? [...people, { ...first, id: SECOND_ID }] : people;
  return all.map(({ id, days, fromHour, toHour, away = [] }) => {
    const isAway = id === SECOND_ID ? [] : away;
    const at = (week: Week, cost: number) =>
      present(hoursOf(week), isAway).map((stretch) => ({ ...stretch, costPerHour: cost }));
    const dear = costPerHour + overtimePerHour;
    const until = levers.includes('longer-days') ? Math.min(24, toHour + PLAN_ASSUMES.longerDayH) : toHour;
    const others = levers.includes('weekends') ? WEEK.filter((day) => !days.includes(day)) : [];
    const free = [
      ...at({ days, fromHour, toHour }, costPerHour),
      ...(until > toHour ? at({ days, fromHour: toHour, toHour: until }, dear) : []),
      ...(others.length > 0 ? at({ days: others, fromHour, toHour: until }, dear) : []),
    ];
    return { id, free: free.sort((a, b) => a.fromMs - b.fromMs) };
  });
}

/** What changes cost beside the plan itself, in the smallest unit of money. @param days that heat is on, started ones whole */
export const leversCost = (
  { tentCost, heatPerDay }: Pick<PlanSetup, 'tentCost' | 'heatPerDay'>,
  levers: readonly LeverCode[],
  days: number,
): number =>
  (levers.includes('tent') ? tentCost : 0) + (levers.includes('heated') ? heatPerDay * Math.ceil(days) : 0);

/** How much later than wanted the changes let a boat be launched, ms. */
export const launchGraceMs = (levers: readonly LeverCode[]): number =>
  levers.includes('later-launch') ? PLAN_ASSUMES.laterLaunchDays * 24 * 3_600_000 : 0;
