import type { Model, Task } from './model.ts';
import { firstReaching, labourCost, type Placed, type Timetable, timetableOf } from './timetable.ts';

/** How a list becomes a plan: each task in its turn at its first slot that fits. */
export interface Genes {
  /** All tasks that are not pinned, each after those it waits for. */
  order: Int32Array;
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

/** The people wanted, or the cheapest who are free, those with the fewest qualifications first among equals; null: too few. */
function crewFor(
  model: Model,
  timetable: Timetable,
  { t, from, end, wanted }: { t: number; from: number; end: number; wanted: readonly number[] | null },
): readonly number[] | null {
  const { qualified, people } = model.tasks[t] as Task;
  if (people === 0) return [];
  if (wanted?.every((p) => timetable.personFree(p, from, end))) return wanted;
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
 * A plan by a list (serial schedule generation): lags are first-in-first-out, so a task at its first fitting slot is never
 * later than need be for those after it. What must follow a task in time is placed with it; where it would miss its latest
 * start, the task before is put off to where it does not, and the list is taken up again from there.
 *
 * @param pinned the tasks that are placed before all others
 * @returns with `missing` tasks where the list cannot be placed within the horizon
 */
export function listSchedule(model: Model, pinned: readonly Placed[], genes: Genes): Decoded {
  const timetable = timetableOf(model);
  for (const each of pinned) timetable.place(each);
  const { order } = genes;
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
  return { placed: [...pinned, ...placed], cost: costOfAll(model, timetable, missing), missing };
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

/** Slots at which a task fits, in order, each with its people; last, the slot at which it misses a latest start. */
function* fitting(
  model: Model,
  timetable: Timetable,
  { t, from, wanted }: { t: number; from: number; wanted: readonly number[] | null },
): Generator<Placed | number> {
  const { length } = model.tasks[t] as Task;
  for (let at = from; at + length <= model.slots; ) {
    const fit = timetable.fitAt(t, at);
    if (fit.missed) {
      yield at;
      return;
    }
    if (fit.next === at) {
      const { from: works, late, forced } = fit;
      const crew = crewFor(model, timetable, { t, from: works, end: at + length, wanted });
      const each = crew && { task: t, start: at, end: at + length, from: works, crew, late, forced };
      if (each && timetable.forcedFits(each)) yield each;
    }
    at = Math.max(at + 1, fit.next);
  }
}

/** The task at its first slot that fits, or the cheapest soon after; else where it misses a latest start, or {@link NEVER}. */
function firstFit(
  model: Model,
  timetable: Timetable,
  t: number,
  genes: Pick<Genes, 'notBefore' | 'patient' | 'crew'>,
): Placed | number {
  let best: Placed | null = null;
  let least = Number.POSITIVE_INFINITY;
  const from = Math.max(genes.notBefore[t] as number, timetable.earliestStart(t));
  const patient = genes.patient[t] === 1;
  for (const each of fitting(model, timetable, { t, from, wanted: genes.crew?.[t] ?? null })) {
    if (typeof each === 'number') return best ?? each;
    if (best && each.start > best.start + PATIENCE) break;
    const cost = labourCost(model, each.crew, each.from, each.end) + (each.late?.late?.cost ?? 0);
    if (cost < least) [best, least] = [each, cost];
    if (!patient || least === 0) break;
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
