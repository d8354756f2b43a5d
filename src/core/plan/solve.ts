import { branchAndBound, MOST_TASKS } from './branchAndBound.ts';
import { costOf, type Decoded } from './listSchedule.ts';
import { genesOf, type Listed, localSearch } from './localSearch.ts';
import { lowerBounds } from './lowerBounds.ts';
import { type Model, modelOf, type Task } from './model.ts';
import { onlyTasks } from './onlyTasks.ts';
import { pinnedChoices } from './pinned.ts';
import type { PlanProblem } from './problem.ts';
import { propagate } from './propagate.ts';
import { randomOf } from './random.ts';
import { type Statics, staticsOf } from './statics.ts';
import type { Placed } from './timetable.ts';

export interface Solved {
  /** The best plan that was found; null: none. */
  plan: Decoded | null;
  bound: number;
  /** Nothing is cheaper; with no plan: there is none. */
  proven: boolean;
  /** With no plan: ids of tasks that have none. */
  clash: readonly string[];
}

/** Says whether a search may go on; each call is a step. */
export type More = () => boolean;

/** Shares of the budget. */
export interface Budget {
  /** For lists before the proof, for the proof, and for lists after it. */
  first: More;
  proof: More;
  rest: More;
  /** After all of these, for any plan where there still is none. */
  any: More;
}

/** What the pinned tasks leave. */
export const partialOf = (model: Model, pinned: readonly Placed[]) => {
  const placed: (Placed | null)[] = model.tasks.map(() => null);
  for (const each of pinned) placed[each.task] = each;
  const paid = pinned.reduce((sum, each) => sum + costOf(model, each), 0);
  return { placed, paid, notBefore: () => 0 };
};

/**
 * The best plan that the budget lets it find, what every plan costs at least, and whether the two meet: lists first, for a
 * plan to be cheaper than; then the proof; then lists again with what is left.
 */
export function solve(problem: PlanProblem, seed: number, budget: Budget): Solved {
  const model = modelOf(problem);
  const { choices, all, lacking } = pinnedChoices(model);
  const none = (tasks: readonly number[] = model.order): Solved => ({
    plan: null,
    bound: Number.POSITIVE_INFINITY,
    proven: true,
    clash: tasks.map((t) => model.ids[t] as string),
  });
  if (lacking.length > 0) return none(lacking);
  const statics = staticsOf(model);
  const cheapest = choices[0] as Placed[];
  const partial = partialOf(model, cheapest);
  const root = propagate(model, statics, partial, Number.POSITIVE_INFINITY);
  if (!root) return none();
  let { bound } = root;
  const best = (plan: Decoded, least: number): Solved => ({
    plan,
    bound: Math.min(least, plan.cost),
    proven: least >= plan.cost,
    clash: [],
  });
  const boundUpTo = lowerBounds(model, statics, partial);
  const search = (more: More, start: Listed | null) =>
    localSearch({ model, pinned: cheapest, random, more, least: bound, start });
  const random = randomOf(seed);
  let found = search(budget.first, null);
  let plan = whole(found);
  if (plan) bound = boundUpTo(plan.cost);
  if (plan && bound >= plan.cost) return best(plan, bound);
  if (all && !plan) {
    const clash = clashAround(problem, model, found.plan, budget.proof);
    if (clash) return none(clash);
  }
  if (all && model.tasks.length <= MOST_TASKS) {
    const proof = prove(model, statics, choices, plan, budget.proof);
    plan = proof.plan;
    if (proof.complete) return plan ? best(plan, plan.cost) : none();
  }
  if (plan && plan !== found.plan) found = { plan, genes: genesOf(model, plan) };
  found = search(budget.rest, found);
  if (!plan && !whole(found))
    found = localSearch({
      ...{ model, pinned: cheapest, random, more: budget.any, start: found },
      least: Number.POSITIVE_INFINITY,
    });
  const last = whole(found);
  if (last && (!plan || last.cost < plan.cost)) plan = last;
  if (plan) return best(plan, boundUpTo(plan.cost));
  return { plan: null, bound, proven: false, clash: model.ids };
}

/** Partial plans looked at for a clash of a few tasks. */
const FEW = 20_000;

/**
 * Whether the tasks that a list left out, with all that they wait for, have no plan by themselves: then the whole has none.
 *
 * @returns those tasks; null: they have one, or it was not found out
 */
function clashAround(problem: PlanProblem, model: Model, { placed }: Decoded, more: More): number[] | null {
  const isPlaced = new Set(placed.map(({ task }) => task));
  const some = new Set(model.order.filter((t) => !isPlaced.has(t)));
  for (const t of model.order.toReversed())
    if (some.has(t)) for (const { before } of (model.tasks[t] as Task).into) some.add(before);
  const ids = new Set([...some].map((t) => model.ids[t] as string));
  if (ids.size === model.order.length || ids.size > MOST_TASKS) return null;
  const part = modelOf(onlyTasks(problem, ids));
  let looked = 0;
  const few = () => looked++ < FEW && more();
  const statics = staticsOf(part);
  const clashes = pinnedChoices(part).choices.every((pinned) => {
    const any = branchAndBound({
      model: part,
      statics,
      pinned,
      upper: Number.POSITIVE_INFINITY,
      anyCost: true,
      more: few,
    });
    return any.complete && !any.plan;
  });
  return clashes ? [...some] : null;
}

const whole = ({ plan }: Listed): Decoded | null => (plan.missing === 0 ? plan : null);

/** The cheapest plan of all choices of people for the pinned tasks; where none is known yet, whether there is one first. */
function prove(
  model: Model,
  statics: Statics,
  choices: readonly (readonly Placed[])[],
  begun: Decoded | null,
  more: More,
): { plan: Decoded | null; complete: boolean } {
  let plan = begun;
  let complete = true;
  for (const pinned of choices) {
    if (!plan) {
      const any = branchAndBound({
        model,
        statics,
        pinned,
        upper: Number.POSITIVE_INFINITY,
        anyCost: true,
        more,
      });
      plan = any.plan;
      complete = complete && (plan !== null || any.complete);
      if (!plan) continue;
    }
    const proof = branchAndBound({ model, statics, pinned, upper: plan.cost, anyCost: false, more });
    plan = proof.plan ?? plan;
    complete = complete && proof.complete;
  }
  return { plan, complete };
}
