import type { PlanProblem } from './problem.ts';

/** The problem of some of its tasks alone. */
export function onlyTasks(problem: PlanProblem, ids: ReadonlySet<string>): PlanProblem {
  return {
    ...problem,
    tasks: problem.tasks.filter(({ id }) => ids.has(id)),
    lags: problem.lags.filter(({ before, after }) => ids.has(before) && ids.has(after)),
    ends: problem.ends.map((group) => ({ ...group, tasks: group.tasks.filter((id) => ids.has(id)) })),
  };
}
