import { ranks } from './candidates.ts';
import { type Decoded, type Genes, listSchedule, MISSING_COST } from './listSchedule.ts';
import type { Lag, Model, Task } from './model.ts';
import { firstReaching, type Placed } from './timetable.ts';

type Random = (n: number) => number;

/** A list and the plan it gives. */
export interface Listed {
  genes: Genes;
  plan: Decoded;
}

/** Of the lists to begin from so many are improved; half of them after each round, which has twice the steps of the one before. */
const KEPT_LISTS = 8;
const FIRST_ROUND = 500;
const LAST_ROUND = 3000;
/** How much worse a step may be at the beginning of a round, as a share of the cost: simulated annealing [Kirkpatrick 1983]. */
const HEAT = 0.003;

/** Length of the longest chain of tasks and lags from a task on, slots: what a delay of it delays. */
function tails(model: Model): Int32Array {
  const tail = new Int32Array(model.tasks.length);
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

/** The tasks that are not pinned, each after those it waits for, the most urgent first. */
export function orderBy(model: Model, urgency: (t: number) => number): Int32Array {
  const waits = model.tasks.map(({ into }) => into.length);
  const ready = model.order.filter((t) => waits[t] === 0);
  const order: number[] = [];
  while (ready.length > 0) {
    let k = 0;
    for (let i = 1; i < ready.length; i++)
      if (urgency(ready[i] as number) > urgency(ready[k] as number)) k = i;
    const [t] = ready.splice(k, 1) as [number];
    if ((model.tasks[t] as Task).pinned === null) order.push(t);
    for (const { after } of (model.tasks[t] as Task).outOf) {
      waits[after] = (waits[after] as number) - 1;
      if (waits[after] === 0) ready.push(after);
    }
  }
  return Int32Array.from(order);
}

/** The list from which a plan can be rebuilt. */
export function genesOf(model: Model, { placed }: Decoded): Genes {
  const n = model.tasks.length;
  const rank = ranks(model);
  const notBefore = new Int32Array(n);
  for (const { task, start } of placed) notBefore[task] = start;
  const order = placed
    .filter(({ task }) => (model.tasks[task] as Task).pinned === null)
    .sort((a, b) => a.from - b.from || (rank[a.task] as number) - (rank[b.task] as number))
    .map(({ task }) => task);
  return { order: Int32Array.from(order), notBefore, patient: new Uint8Array(n) };
}

const copied = ({ order, notBefore, patient }: Genes): Genes => ({
  order: order.slice(),
  notBefore: notBefore.slice(),
  patient: patient.slice(),
});

/** Moves one task of the list to another place between those it waits for and those that wait for it. */
function reinsert(model: Model, { order }: Genes, random: Random): void {
  const k = random(order.length);
  const t = order[k] as number;
  const { into, outOf } = model.tasks[t] as Task;
  let [low, high] = [k, k];
  while (low > 0 && !into.some(({ before }) => before === order[low - 1])) low--;
  while (high < order.length - 1 && !outOf.some(({ after }) => after === order[high + 1])) high++;
  const to = low + random(high - low + 1);
  if (to < k) order.copyWithin(to + 1, to, k);
  else order.copyWithin(k, k + 1, to + 1);
  order[to] = t;
}

/** Mixes a stretch of the list. */
function mix(model: Model, { order }: Genes, random: Random): void {
  const size = Math.min(order.length, 3 + random(8));
  const from = random(order.length - size + 1);
  for (let n = 0; n < 2 * size; n++) {
    const k = from + random(Math.max(1, size - 1));
    const [a, b] = [order[k] as number, order[k + 1]];
    if (b === undefined || (model.tasks[a] as Task).outOf.some(({ after }) => after === b)) continue;
    order[k] = b;
    order[k + 1] = a;
  }
}

/** Brings the tasks of one boat forward in the list, or puts them back. */
function moveGroup(model: Model, genes: Genes, random: Random): void {
  const { ends } = model;
  const group = new Set(ends[random(Math.max(1, ends.length))]?.tasks);
  const shift = random(2 * genes.order.length) - genes.order.length;
  const place = new Float64Array(model.tasks.length);
  genes.order.forEach((t, k) => {
    place[t] = k + (group.has(t) ? shift : 0);
  });
  genes.order = orderBy(model, (t) => -(place[t] as number));
}

/** Ends a task so late that the one after it needs no sanding. */
function avoidSanding(model: Model, genes: Genes, placed: readonly Placed[], random: Random): void {
  const sanded = placed.filter(({ late }) => late);
  if (sanded.length === 0) return;
  const { start, late } = sanded[random(sanded.length)] as Placed;
  const { before, latest } = late as Lag;
  const end = firstReaching(latest as readonly number[], start);
  genes.notBefore[before] = Math.max(0, Math.min(end, model.slots) - (model.tasks[before] as Task).length);
}

function change(model: Model, genes: Genes, placed: readonly Placed[], random: Random): void {
  const n = model.tasks.length;
  const what = random(20);
  if (what < 10) for (let i = 0; i <= random(3); i++) reinsert(model, genes, random);
  else if (what < 13) mix(model, genes, random);
  else if (what < 14) moveGroup(model, genes, random);
  else if (what < 16) genes.patient[random(n)] = random(2);
  else if (what < 18) avoidSanding(model, genes, placed, random);
  else if (what < 19) genes.notBefore[random(n)] = 0;
  else {
    const each = placed[random(placed.length)];
    if (each) genes.notBefore[each.task] = each.start + 1 + random(8);
  }
}

/**
 * A good plan by changing the list it is made from, step by step.
 *
 * @param more whether another list may be tried: the budget
 * @param least a cost that no plan is below: the search ends with it
 * @param start what the search begins from; null: lists by urgency, then random ones
 * @returns the best list; its plan may lack tasks where none that was tried can be placed whole
 */
export function localSearch(input: {
  model: Model;
  pinned: readonly Placed[];
  random: Random;
  more: () => boolean;
  least: number;
  start: Listed | null;
}): Listed {
  const { model, pinned, random, more, least } = input;
  let pool = input.start ? [input.start] : firstLists(input);
  let best = pool[0] as Listed;
  if (best.genes.order.length === 0) return best;
  const isDone = () => best.plan.missing === 0 && best.plan.cost <= least;
  /** One list improved for so many steps; worse ones are taken less and less readily. */
  const anneal = (begun: Listed, steps: number): Listed => {
    let [now, own] = [begun, begun];
    const heat = HEAT * (begun.plan.cost % MISSING_COST);
    for (let step = 0; step < steps && !isDone() && more(); step++) {
      const genes = copied(now.genes);
      change(model, genes, now.plan.placed, random);
      const plan = listSchedule(model, pinned, genes);
      const warmth = heat * (1 - step / steps) * -Math.log((1 + random(1_000_000)) / 1_000_001);
      if (plan.cost <= now.plan.cost + warmth) now = { genes, plan };
      if (now.plan.cost < own.plan.cost) own = now;
      if (own.plan.cost < best.plan.cost) best = own;
    }
    return own;
  };
  for (let steps = FIRST_ROUND; !isDone() && more(); steps = Math.min(2 * steps, LAST_ROUND)) {
    const improved = pool.map((each) => anneal(each, steps));
    improved.sort((one, other) => one.plan.cost - other.plan.cost);
    pool = improved.slice(0, Math.ceil(improved.length / 2));
  }
  return best;
}

/** Lists tried to begin from: by urgency, and boat after boat in some orders. */
const FIRST_LISTS = 12;

function firstLists({ model, pinned, random, more, least }: Parameters<typeof localSearch>[0]): Listed[] {
  const n = model.tasks.length;
  const tail = tails(model);
  const lists: Listed[] = [];
  for (let k = 0; k < FIRST_LISTS && (k === 0 || more()); k++) {
    const rank = new Float64Array(n);
    if (k > 1)
      for (const { tasks } of model.ends) {
        const boat = random(4 * model.slots);
        for (const t of tasks) rank[t] = Math.max(rank[t] as number, boat);
      }
    const genes: Genes = {
      order: orderBy(model, (t) => (tail[t] as number) + (rank[t] as number)),
      notBefore: new Int32Array(n),
      patient: new Uint8Array(n).fill(k % 2),
    };
    const plan = listSchedule(model, pinned, genes);
    lists.push({ genes, plan });
    if (plan.missing === 0 && plan.cost <= least) break;
  }
  return lists.sort((one, other) => one.plan.cost - other.plan.cost).slice(0, KEPT_LISTS);
}
