import { HOUR_MS } from '../cure/index.ts';
import { launchId } from './buildProblem.ts';
import type { PlanLag, PlanProblem, PlanTask } from './problem.ts';
import type { Replanned } from './replan.ts';
import { SLOT_MS } from './slots.ts';
import { againId } from './yardInWeather.ts';
import type { CoatToPlan, PlannedTask, YardToPlan } from './yardToPlan.ts';

/** Work as it is carried out in a draw of the weather: whether a task can begin, and the cost in the end. */

/** A task that was carried out, or is about to be. */
export interface Done extends Replanned {
  task: PlannedTask;
}

/** Whether a task at its time keeps a lag, by what the task before turned out to be. */
function inTime({ earliest, latest, late }: PlanLag, end: number | null, { start, from }: Done): boolean {
  if (end === null || start < (earliest[end] as number)) return false;
  if (!latest || start <= (latest[end] as number)) return true;
  return late !== undefined && from < start && from >= (late.from[end] as number);
}

/** Whether dust would fall on a wet film beside it. */
function dusts(
  own: PlanTask,
  { from, start }: Done,
  tasks: readonly PlanTask[],
  endOf: (id: string) => number | null,
): boolean {
  if (!own.dusty && from === start) return false;
  return tasks.some(({ id, air, wetUntil }) => {
    const end = endOf(id);
    if (air !== own.air || wetUntil === undefined || end === null) return false;
    return end <= from && (wetUntil[end] as number) > from;
  });
}

/**
 * Whether a task can begin at its time: what it waits for is done and ready, its windows are open or sanded for, and it makes no
 * dust beside a wet film.
 *
 * @param problem with tables by the weather as it turns out to be, right for the tasks that are done
 * @param done may grow: each task is judged by what is done by then
 */
export function tasksTaken(problem: PlanProblem, done: ReadonlyMap<string, Done>): (each: Done) => boolean {
  const into = new Map<string, PlanLag[]>();
  for (const lag of problem.lags) into.set(lag.after, [...(into.get(lag.after) ?? []), lag]);
  const tasks = new Map(problem.tasks.map((task) => [task.id, task]));
  const endOf = (id: string): number | null => done.get(id)?.end ?? (tasks.get(id)?.slots === 0 ? 0 : null);
  return (each) => {
    const own = tasks.get(each.task.id);
    if (!own) return false;
    const lags = into.get(each.task.id) ?? [];
    return (
      lags.every((lag) => inTime(lag, endOf(lag.before), each)) && !dusts(own, each, problem.tasks, endOf)
    );
  };
}

/** What speaks against beginning a task at a slot, with the slot that counts. */
export interface MistakeAt {
  code: 'too-soon' | 'too-late' | 'dust' | 'weather';
  /** From when it is ready, or until when its window was open; null: there is no such slot. */
  slot: number | null;
}

/**
 * What speaks against a task that begins at a slot, by what is done.
 *
 * @param problem with tables right for the tasks that are done
 * @returns null: a task before it is not done, or not finished
 */
export function mistakesAt(
  problem: PlanProblem,
  done: ReadonlyMap<string, Done>,
  { id, slot }: { id: string; slot: number },
): MistakeAt[] | null {
  const own = problem.tasks.find((task) => task.id === id);
  if (!own) return null;
  const slotsOf = new Map(problem.tasks.map((task) => [task.id, task.slots]));
  const endOf = (task: string): number | null => done.get(task)?.end ?? (slotsOf.get(task) === 0 ? 0 : null);
  const found: MistakeAt[] = [];
  for (const { before, after, earliest, latest } of problem.lags) {
    if (after !== id) continue;
    const end = endOf(before);
    if (end === null || end > slot) return null;
    const [may, must] = [earliest[end] as number, latest?.[end] ?? problem.slots];
    if (slot < may) found.push({ code: 'too-soon', slot: may > problem.slots ? null : may });
    else if (slot > must) found.push({ code: 'too-late', slot: must });
  }
  const beginning = { from: slot, start: slot } as Done;
  if (dusts(own, beginning, problem.tasks, endOf)) found.push({ code: 'dust', slot: null });
  return found;
}

/** Cost of the work as it was carried out, counted as in the plan, in the smallest unit of money. */
export function costDone({ people, boats, fromMs }: YardToPlan, done: ReadonlyMap<string, Done>): number {
  const at = (slot: number) => fromMs + slot * SLOT_MS;
  const freeOf = new Map(people.map(({ id, free }) => [id, free]));
  let cost = 0;
  for (const { crew, from, end } of done.values())
    for (const who of crew)
      for (const { fromMs: free, toMs, costPerHour } of freeOf.get(who) ?? []) {
        const worked = Math.min(toMs, at(end)) - Math.max(free, at(from));
        cost += (Math.max(0, worked) / HOUR_MS) * costPerHour;
      }
  for (const { id, costPerDay, latePerDay, wantedMs } of boats) {
    const launch = done.get(launchId(id));
    if (!launch) continue;
    const endMs = at(launch.end);
    cost += ((endMs - fromMs) / (24 * HOUR_MS)) * costPerDay;
    if (wantedMs !== null) cost += (Math.max(0, endMs - wantedMs) / (24 * HOUR_MS)) * latePerDay;
  }
  return Math.round(cost);
}

/** How often one coat is applied again at the most. */
const MOST_AGAIN = 20;

/** The coats of an area with one of them to be sanded and applied again. */
export function withAgain(coats: readonly CoatToPlan[], coat: CoatToPlan): CoatToPlan[] {
  const at = coats.findIndex(({ id }) => id === coat.id);
  const first = coat.id.split('~')[0] as string;
  const times = coats.filter(({ id }) => id.split('~')[0] === first).length;
  // Sessions of one coat are applied again together.
  if (times > MOST_AGAIN || coats[at + 1]?.id === againId(first, times - 1)) return [...coats];
  const sanding = { id: 'sand', kind: 'sand' as const, ms: Math.max(SLOT_MS, coat.sandMs), dusty: true };
  return [
    ...coats.slice(0, at + 1),
    { ...coat, id: againId(first, times), work: [sanding] },
    ...coats.slice(at + 1),
  ];
}
