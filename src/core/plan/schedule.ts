import { within } from '../units/index.ts';
import { clashOf } from './clash.ts';
import { modelOf } from './model.ts';
import type { NoPlan, Plan, PlanProblem } from './problem.ts';
import { type Budget, type More, solve } from './solve.ts';

/** Steps where neither steps nor time are given: lists tried, and as many partial plans a list in the proof. */
const DEFAULT_STEPS = 4000;
const PARTIAL_PLANS_A_STEP = 25;
/** Shares of the budget: for the first lists (so many, of few tasks), and until the end of the proof, which rarely ends for more. */
const FIRST = 0.1;
const FIRST_OF_FEW = 30;
const PROVABLE_TASKS = 24;
const UNTIL_PROVEN = 0.95;
const UNTIL_TRIED = 0.5;
/** Share of the time for each set of tasks that is looked at for a clash. */
const CLASH = 0.25;

const counted = (steps: number): More => {
  let left = Math.ceil(steps);
  return () => left-- > 0;
};

/** A budget of steps, of time, or of what is used up first. */
function budgetOf(
  tasks: number,
  steps: number | null,
  ms: number | null,
  clock: () => number,
  anyMs: number | null = null,
): Budget {
  const from = clock();
  const until = (share: number, most: number): More => {
    const byCount = counted(most);
    return () => byCount() && (ms === null || clock() - from < ms * share);
  };
  const few = tasks <= PROVABLE_TASKS;
  const all = steps ?? (ms === null ? DEFAULT_STEPS : Number.MAX_SAFE_INTEGER);
  return {
    first: until(FIRST, Math.min(all, few ? FIRST_OF_FEW : Math.max(50, all * FIRST))),
    proof: until(few ? UNTIL_PROVEN : UNTIL_TRIED, all * PARTIAL_PLANS_A_STEP),
    rest: until(1, all * (1 - FIRST)),
    any: ms === null || anyMs === null ? () => false : until(anyMs / ms, all),
  };
}

/**
 * When each task of a plan starts and who does it, at the least cost that the budget lets it find; what every plan costs at
 * least; and whether the two meet. Or, where no plan exists, tasks that clash. docs/plan.md has the mathematics.
 *
 * cost = Σ ends + Σ due + Σ late.cost + Σ cost per slot of each person's worked slots, sanding included.
 *
 * One painter, 08:00 to 12:00 (slots 16 to 24), two coats of an hour, the second 2 h after the first:
 * `starts` are 16 and 22, and with 10 a slot for the boat's time the cost is 240.
 *
 * @param seed the same problem, seed and steps give the same plan
 * @param steps lists tried at most; left out: 4000, or with a time as many as it allows
 * @param budgetMs time it may take, ms; left out: as long as the steps take
 * @param anyMs time it may take where no plan is found within the budget, ms; left out: the budget
 * @param clock ms that only grow
 * @throws {QuantityError} on a problem that cannot be meant, or an impossible budget
 */
export function schedule(
  problem: PlanProblem,
  options: { seed: number; steps?: number; budgetMs?: number; anyMs?: number; clock?: () => number },
): Plan | NoPlan {
  const seed = within('seed', options.seed, Number.MIN_SAFE_INTEGER, Number.MAX_SAFE_INTEGER);
  const steps = options.steps === undefined ? null : within('steps', options.steps, 1, 1e9);
  const ms = options.budgetMs === undefined ? null : within('budget (ms)', options.budgetMs, 1, 3_600_000);
  const anyMs =
    options.anyMs === undefined ? null : within('time for any plan (ms)', options.anyMs, 1, 3_600_000);
  const { clock = () => performance.now() } = options;
  const begun = clock();
  const model = modelOf(problem);
  const {
    plan,
    bound,
    proven,
    clash: among,
  } = solve(problem, seed, budgetOf(problem.tasks.length, steps, ms, clock, anyMs));
  if (!plan) {
    if (!proven)
      return {
        ok: false,
        clash: { tasks: problem.tasks.map(({ id }) => id), why: ['not-found'] },
        proven,
        minimal: false,
      };
    // A clash takes at most as long again as the search for a plan.
    const share = () => ms && Math.max(1, Math.min(ms * CLASH, 2 * ms - (clock() - begun)));
    const each = (tasks: number) => budgetOf(tasks, steps, share(), clock);
    const { minimal, ...clash } = clashOf(problem, seed, each, among);
    return { ok: false, clash, proven, minimal };
  }
  const starts: Record<string, number> = {};
  const crew: Record<string, string[]> = {};
  for (const { task, start, crew: people } of plan.placed) {
    const id = model.ids[task] as string;
    starts[id] = start;
    crew[id] = people.map((p) => model.personIds[p] as string);
  }
  return { ok: true, starts, crew, cost: plan.cost, bound, proven };
}
