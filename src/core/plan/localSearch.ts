import { latestStartsOf } from './latestStarts.ts';
import { changedList } from './listChanges.ts';
import { type Decoded, type Genes, listScheduler, MISSING_COST } from './listSchedule.ts';
import type { Model, Task } from './model.ts';
import type { Placed } from './timetable.ts';

type Random = (n: number) => number;

/** A list and the plan it gives. */
export interface Listed {
  genes: Genes;
  plan: Decoded;
}

/** The first round tries so many new lists, and improves the best by so many steps each; the next round twice as many. */
const NEW_LISTS = 200;
const KEPT_LISTS = 8;
const STEPS = 60;
/** How much worse a step may be at first, as a share of the cost: simulated annealing [Kirkpatrick 1983]. */
const HEAT = 0.003;

/** Length of the longest chain of tasks and lags from a task on, slots: what a delay of it delays. */
function tails(model: Model): Float64Array {
  const tail = new Float64Array(model.tasks.length);
  for (const t of model.order.toReversed()) {
    const { length, outOf } = model.tasks[t] as Task;
    let after = 0;
    for (const { earliest, after: next } of outOf) {
      const wait = Math.max(0, Math.min(model.slots, earliest[length] as number) - length);
      after = Math.max(after, wait + (tail[next] as number));
    }
    tail[t] = length + after;
  }
  return tail;
}

/** The list from which a plan can be rebuilt. */
export function genesOf(model: Model, { placed }: Decoded): Genes {
  const n = model.tasks.length;
  const keys = new Float64Array(n);
  const notBefore = new Int32Array(n);
  for (const { task, start, from } of placed) {
    keys[task] = from;
    notBefore[task] = start;
  }
  return { keys, notBefore, patient: new Uint8Array(n) };
}

/**
 * A good plan by changing the list it is made from, step by step.
 *
 * @param more whether another list may be tried: the budget
 * @param least a cost that no plan is below: the search ends with it
 * @param start what the search begins from; null: lists by urgency
 * @param isNear only lists near to `start` are tried
 * @returns the best list; its plan may lack tasks where none that was tried can be placed whole
 */
export function localSearch(input: {
  model: Model;
  pinned: readonly Placed[];
  random: Random;
  more: () => boolean;
  least: number;
  start: Listed | null;
  isNear?: boolean;
}): Listed {
  const { model, pinned, random, more, least, isNear = false } = input;
  const latestStarts = latestStartsOf(model);
  const scheduled = listScheduler(model, pinned);
  const listed = (genes: Genes): Listed => ({ genes, plan: scheduled(genes) });
  let best = input.start ?? listed(byUrgency(model));
  if (model.tasks.every(({ pinned: at }) => at !== null)) return best;
  const isDone = () => best.plan.missing === 0 && best.plan.cost <= least;
  const goesOn = () => !isDone() && more();
  const note = (each: Listed) => {
    if (each.plan.cost < best.plan.cost) best = each;
    return each;
  };
  /** One list improved for so many steps; worse ones are taken less and less readily. */
  const anneal = (begun: Listed, steps: number): Listed => {
    let [now, own] = [begun, begun];
    const heat = HEAT * (begun.plan.cost % MISSING_COST);
    for (let step = 0; step < steps && goesOn(); step++) {
      const next = listed(changedList(model, now, latestStarts, random));
      const warmth = heat * (1 - step / steps) * -Math.log((1 + random(1_000_000)) / 1_000_001);
      if (next.plan.cost <= now.plan.cost + warmth) now = next;
      if (now.plan.cost < own.plan.cost) own = note(now);
    }
    return own;
  };
  for (let round = 1; goesOn(); round *= 2) {
    let pool = [best];
    for (let k = 0; k < round * NEW_LISTS && !isNear && goesOn(); k++)
      pool.push(note(listed(byTargets(model, latestStarts, random))));
    for (let steps = round * STEPS; goesOn(); steps *= 2) {
      pool = kept(pool, steps > round * STEPS ? Math.ceil(pool.length / 2) : KEPT_LISTS);
      pool = pool.map((each) => anneal(each, steps));
      if (pool.length === 1) break;
    }
  }
  return best;
}

/** The best of some lists. */
const kept = (lists: readonly Listed[], count: number): Listed[] =>
  [...lists].sort((one, other) => one.plan.cost - other.plan.cost).slice(0, count);

/** The tasks before the longest chains first. */
function byUrgency(model: Model): Genes {
  const n = model.tasks.length;
  return {
    keys: tails(model).map((tail) => -tail),
    notBefore: new Int32Array(n),
    patient: new Uint8Array(n),
  };
}

/** Tasks by when they must start for the boats to be finished by times drawn at random. */
function byTargets(
  model: Model,
  latestStarts: (targets: readonly number[]) => Float64Array,
  random: Random,
): Genes {
  const n = model.tasks.length;
  const keys = latestStarts(model.ends.map(() => random(model.slots)));
  return { keys, notBefore: new Int32Array(n), patient: new Uint8Array(n).fill(random(2)) };
}
