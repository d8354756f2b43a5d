import type { Model, Task } from './model.ts';
import { firstReaching, labourCost, type Placed, type Timetable, timetableOf } from './timetable.ts';

/** How a list becomes a plan: each task in its turn at its first slot that fits. */
export interface Genes {
  /** Of each task: what comes earlier in the list has a smaller key; but no task comes before one that it waits for. */
  keys: Float64Array;
  /** Of each task: not before this slot. */
  notBefore: Int32Array;
  /** Of each task: 1 waits for its cheapest hours, 0 takes its first. */
  patient: Uint8Array;
  /** Of each task: people who do it where they are free; null or left out: the cheapest. */
  crew?: readonly (readonly number[] | null)[];
}

export interface Decoded {
  placed: readonly Placed[];
  cost: number;
  /** Tasks that could not be placed: above 0, it is no plan. */
  missing: number;
}

/** More repairs than this, and the list is given up. */
const MOST_REPAIRS = 60;

/** The tasks that are not pinned by their keys, each after those it waits for. */
function listOf({ tasks, order }: Model, keys: Float64Array): Int32Array {
  const key = keys.slice();
  const list: number[] = [];
  const rank = new Int32Array(tasks.length);
  for (const [i, t] of order.entries()) {
    const { into, pinned } = tasks[t] as Task;
    rank[t] = i;
    if (pinned !== null) continue;
    for (const { before } of into)
      if ((tasks[before] as Task).pinned === null) key[t] = Math.max(key[t] as number, key[before] as number);
    list.push(t);
  }
  const byKey = (a: number, b: number) => (key[a] as number) - (key[b] as number);
  return Int32Array.from(list).sort((a, b) => byKey(a, b) || (rank[a] as number) - (rank[b] as number));
}

/** The cheapest person who is free, of equals the one with the fewest qualifications; null: nobody is. */
function cheapestPerson(
  model: Model,
  timetable: Timetable,
  qualified: readonly number[],
  from: number,
  end: number,
): readonly number[] | null {
  let [who, least] = [-1, Number.POSITIVE_INFINITY];
  for (const p of qualified) {
    if (!timetable.personFree(p, from, end)) continue;
    const { costBefore, uses } = model.people[p] as Model['people'][number];
    const cost = (costBefore[end] as number) - (costBefore[from] as number);
    const isSame = cost === least && uses < (model.people[who] as Model['people'][number]).uses;
    if (cost < least || isSame) [who, least] = [p, cost];
  }
  return who < 0 ? null : [who];
}

/** The people wanted, or the cheapest who are free, those with the fewest qualifications first among equals; null: too few. */
function crewFor(
  model: Model,
  timetable: Timetable,
  { t, from, end, wanted }: { t: number; from: number; end: number; wanted: readonly number[] | null },
): readonly number[] | null {
  const { qualified, people } = model.tasks[t] as Task;
  if (people === 0) return [];
  if (wanted?.every((p) => timetable.personFree(p, from, end))) return wanted;
  if (people === 1) return cheapestPerson(model, timetable, qualified, from, end);
  const free = qualified.filter((p) => timetable.personFree(p, from, end));
  if (free.length < people) return null;
  if (free.length === people) return free;
  const usesOf = (p: number) => (model.people[p] as Model['people'][number]).uses;
  const rank = (p: number) => labourCost(model, [p], from, end);
  return free.sort((a, b) => rank(a) - rank(b) || usesOf(a) - usesOf(b) || a - b).slice(0, people);
}

/** What a placed task costs by itself: labour, sanding, and lateness. */
export function costOf(model: Model, { task: t, from, end, start, crew, late, forced }: Placed): number {
  const { due } = model.tasks[t] as Task;
  let cost = labourCost(model, crew, Math.min(from, start), end) + (late?.late?.cost ?? 0);
  if (due) cost += due.costPerSlot * Math.max(0, end - due.slot);
  for (const { lag, pinned, from: sandFrom } of forced)
    cost += (lag.late?.cost ?? 0) + labourCost(model, pinned.crew, sandFrom, pinned.start);
  return cost;
}

/** What the boats' days cost. */
export function yardCost(model: Model, endOf: (t: number) => number): number {
  let cost = 0;
  for (const { tasks, costPerSlot } of model.ends) {
    let last = 0;
    for (const t of tasks) last = Math.max(last, endOf(t));
    cost += last * costPerSlot;
  }
  return cost;
}

/** Tasks that must follow another within a time that nothing mends, and are ready when it is placed: they are placed with it. */
function followers(model: Model, timetable: Timetable, t: number): number[] {
  const found: number[] = [];
  for (const { after, latest, late } of (model.tasks[t] as Task).outOf) {
    if (!latest || late || timetable.placed[after]) continue;
    const { into, pinned } = model.tasks[after] as Task;
    if (pinned === null && into.every(({ before }) => timetable.placed[before])) found.push(after);
  }
  return found;
}

/**
 * Plans by lists (serial schedule generation): lags are first-in-first-out, so a task at its first fitting slot is never
 * later than need be for those after it. What must follow a task in time is placed with it; where it would miss its latest
 * start, the task before is put off to where it does not, and the list is taken up again from there.
 *
 * @param pinned the tasks that are placed before all others
 * @returns the plan by a list, with `missing` tasks where it cannot be placed within the horizon
 */
export function listScheduler(model: Model, pinned: readonly Placed[]): (genes: Genes) => Decoded {
  const timetable = timetableOf(model);
  for (const each of pinned) timetable.place(each);
  return (genes) => {
    const { placed, missing } = placeAll(model, timetable, genes);
    const cost = costOfAll(model, timetable, missing);
    for (let k = placed.length - 1; k >= 0; k--) timetable.takeOff(placed[k] as Placed);
    return { placed: [...pinned, ...placed], cost, missing };
  };
}

/** The plan by one list. */
export const listSchedule = (model: Model, pinned: readonly Placed[], genes: Genes): Decoded =>
  listScheduler(model, pinned)(genes);

/** Places the tasks of a list on the timetable, as far as they can be. */
function placeAll(model: Model, timetable: Timetable, genes: Genes): { placed: Placed[]; missing: number } {
  const order = listOf(model, genes.keys);
  const notBefore = genes.notBefore.slice();
  const own = { ...genes, notBefore };
  const placed: Placed[] = [];
  const given = new Uint8Array(model.tasks.length);
  let missing = 0;
  let repairs = 0;
  let next: number[] = [];
  for (let k = 0; k < order.length || next.length > 0; ) {
    const t = next.length > 0 ? (next.pop() as number) : (order[k++] as number);
    if (timetable.placed[t] || given[t]) continue;
    const isReady = (model.tasks[t] as Task).into.every(({ before }) => timetable.placed[before]);
    const found = isReady ? firstFit(model, timetable, t, own) : NEVER;
    if (typeof found === 'object') {
      timetable.place(found);
      placed.push(found);
      next.push(...followers(model, timetable, t));
      continue;
    }
    const before = found === NEVER ? null : putOff(model, timetable, t, found, notBefore);
    if (before === null || ++repairs > MOST_REPAIRS) {
      given[t] = 1;
      missing++;
      continue;
    }
    // Put off what comes before, and take off everything placed since.
    for (let off = placed.pop(); off; off = placed.pop()) {
      timetable.takeOff(off);
      if (off.task === before) break;
    }
    next = [before];
    k = 0;
  }
  return { placed, missing };
}

/** What a task that is left out counts, above all that a plan can cost. */
export const MISSING_COST = 1e13;

/** What a plan costs; of one that leaves tasks out, how many, and how late the others end. */
function costOfAll(model: Model, timetable: Timetable, missing: number): number {
  const { placed } = timetable;
  let cost = missing === 0 ? yardCost(model, (t) => (placed[t] as Placed).end) : missing * MISSING_COST;
  for (const each of placed) if (each) cost += missing === 0 ? costOf(model, each) : each.end;
  return cost;
}

/** So many slots a patient task waits at most for cheaper hours. */
const PATIENCE = 96;
/** No slot within the horizon fits. */
const NEVER = -1;

/** The task at its first slot that fits, or the cheapest soon after; else where it misses a latest start, or {@link NEVER}. */
function firstFit(
  model: Model,
  timetable: Timetable,
  t: number,
  genes: Pick<Genes, 'notBefore' | 'patient' | 'crew'>,
): Placed | number {
  const { length } = model.tasks[t] as Task;
  const isPatient = genes.patient[t] === 1;
  const wanted = genes.crew?.[t] ?? null;
  let best: Placed | null = null;
  let least = Number.POSITIVE_INFINITY;
  let at = Math.max(genes.notBefore[t] as number, timetable.earliestStart(t));
  while (at + length <= model.slots && !(best && at > best.start + PATIENCE)) {
    const fit = timetable.fitAt(t, at);
    if (fit.missed) return best ?? at;
    const { next, from, late, forced } = fit;
    if (next === at) {
      const end = at + length;
      const crew = crewFor(model, timetable, { t, from, end, wanted });
      const each = crew && { task: t, start: at, end, from, crew, late, forced };
      if (each && timetable.forcedFits(each)) {
        const cost = labourCost(model, each.crew, from, end) + (late?.late?.cost ?? 0);
        if (cost < least) [best, least] = [each, cost];
        if (!isPatient || least === 0) break;
      }
    }
    at = Math.max(at + 1, next);
  }
  return best ?? NEVER;
}

/** Puts off the task before the lag that is missed at `start`, to where it is not. @returns that task; null: it cannot be */
function putOff(
  model: Model,
  timetable: Timetable,
  t: number,
  start: number,
  notBefore: Int32Array,
): number | null {
  const lag = timetable.fitAt(t, start).missed;
  if (!lag?.latest) return null;
  const { length, pinned } = model.tasks[lag.before] as Task;
  const from = firstReaching(lag.latest, start) - length;
  if (pinned !== null || from + length > model.slots) return null;
  notBefore[lag.before] = Math.max(notBefore[lag.before] as number, from);
  return lag.before;
}
