import { modelOf } from './model.ts';
import { onlyTasks } from './onlyTasks.ts';
import { pinnedChoices } from './pinned.ts';
import type { PlanProblem } from './problem.ts';
import { propagate } from './propagate.ts';
import { type Budget, partialOf, solve } from './solve.ts';
import { staticsOf } from './statics.ts';

/** Whether windows alone tell that these tasks have no plan: sure where it says so, and quick. */
function windowsClash(problem: PlanProblem): boolean {
  const model = modelOf(problem);
  const { choices, lacking } = pinnedChoices(model);
  if (lacking.length > 0) return true;
  const [pinned = []] = choices;
  return !propagate(model, staticsOf(model), partialOf(model, pinned), Number.POSITIVE_INFINITY);
}

/**
 * Tasks of a problem without a plan of which none can be left out: without any one of them the others have a plan. Tasks are
 * left out one by one while what is left still has none (deletion filter), the quick test first.
 *
 * @param among tasks that are known to clash
 * @param budget a fresh budget for a set of so many tasks
 * @returns `minimal`: each of these tasks was shown to be part of the clash; else the budget ended before that
 */
export function clashOf(
  problem: PlanProblem,
  seed: number,
  budget: (tasks: number) => Budget,
  among: readonly string[],
): { tasks: string[]; why: string[]; minimal: boolean } {
  let ids = [...among];
  const without = (id: string) => onlyTasks(problem, new Set(ids.filter((each) => each !== id)));
  if (windowsClash(onlyTasks(problem, new Set(ids))))
    for (const id of [...ids].reverse())
      if (windowsClash(without(id))) ids = ids.filter((each) => each !== id);
  let minimal = true;
  for (const id of [...ids].reverse()) {
    if (!ids.includes(id)) continue;
    const { plan, proven, clash } = solve(without(id), seed, budget(ids.length - 1));
    if (!plan && proven) ids = ids.filter((each) => clash.includes(each));
    else if (!plan) minimal = false;
  }
  return { tasks: ids, why: reasonsOf(onlyTasks(problem, new Set(ids))), minimal };
}

/** What tasks that clash have to do with each other: codes, each with what it is about. */
function reasonsOf({ tasks, lags, equipment, people }: PlanProblem): string[] {
  const why = new Set<string>();
  for (const { before, after, latest, late } of lags) {
    why.add(`wait ${before} ${after}`);
    if (latest && !late) why.add(`latest ${before} ${after}`);
  }
  for (const { id, starts, pinned, people: count } of tasks) {
    if (starts && pinned === undefined) why.add(`starts ${id}`);
    if (pinned !== undefined) why.add(`pinned ${id}`);
    if (count > 0) why.add(`people ${id}`);
  }
  for (const { id } of equipment)
    if (tasks.some(({ equipment: used }) => used.includes(id))) why.add(`equipment ${id}`);
  const dusty = new Set(tasks.filter((each) => each.dusty).map(({ air }) => air));
  for (const { air, wetUntil } of tasks) if (wetUntil && dusty.has(air)) why.add(`dust ${air}`);
  if (people.length === 0 && tasks.some(({ people: count }) => count > 0)) why.add('nobody');
  why.add('horizon');
  return [...why].sort();
}
