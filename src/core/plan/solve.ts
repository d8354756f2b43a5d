import { branchAndBound, MOST_TASKS } from './branchAndBound.ts';
import { costOf, type Decoded } from './listSchedule.ts';
import { genesOf, type Listed, localSearch } from './localSearch.ts';
import type { Model } from './model.ts';
import { pinnedChoices } from './pinned.ts';
import { lowerBound, propagate, type Statics, staticsOf } from './propagate.ts';
import { randomOf } from './random.ts';
import type { Placed } from './timetable.ts';

export interface Solved {
  /** The best plan that was found; null: none. */
  plan: Decoded | null;
  bound: number;
  /** Nothing is cheaper; with no plan: there is none. */
  proven: boolean;
}

/** Says whether a search may go on; each call is a step. */
export type More = () => boolean;

/** Shares of the budget. */
export interface Budget {
  /** For lists before the proof, for the proof, and for lists after it. */
  first: More;
  proof: More;
  rest: More;
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
export function solve(model: Model, seed: number, budget: Budget): Solved {
  const { choices, all, lacking } = pinnedChoices(model);
  if (lacking.length > 0) return { plan: null, bound: Number.POSITIVE_INFINITY, proven: true };
  const statics = staticsOf(model);
  const cheapest = choices[0] as Placed[];
  const partial = partialOf(model, cheapest);
  const root = propagate(model, statics, partial, Number.POSITIVE_INFINITY);
  if (!root && all) return { plan: null, bound: Number.POSITIVE_INFINITY, proven: true };
  let bound = root?.bound ?? 0;
  const search = (more: More, start: Listed | null) =>
    localSearch({ model, pinned: cheapest, random, more, least: bound, start });
  const random = randomOf(seed);
  let found = search(budget.first, null);
  let plan = whole(found);
  if (plan) bound = lowerBound(model, statics, partial, plan.cost);
  if (plan && bound >= plan.cost) return { plan, bound: plan.cost, proven: true };
  if (all && model.tasks.length <= MOST_TASKS) {
    const proof = prove(model, statics, choices, plan, budget.proof);
    plan = proof.plan;
    if (proof.complete) return { plan, bound: plan?.cost ?? Number.POSITIVE_INFINITY, proven: true };
  }
  if (plan && plan !== found.plan) found = { plan, genes: genesOf(model, plan) };
  found = search(budget.rest, found);
  const last = whole(found);
  if (last && (!plan || last.cost < plan.cost)) plan = last;
  if (plan) bound = lowerBound(model, statics, partial, plan.cost);
  return { plan, bound, proven: plan !== null && bound >= plan.cost };
}

const whole = ({ plan }: Listed): Decoded | null => (plan.missing === 0 ? plan : null);

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
    const upper = plan?.cost ?? Number.POSITIVE_INFINITY;
    const proof = branchAndBound({ model, statics, pinned, upper, more });
    plan = proof.plan ?? plan;
    complete = complete && proof.complete;
  }
  return { plan, complete };
}
