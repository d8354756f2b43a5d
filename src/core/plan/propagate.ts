import type { Model, Task } from './model.ts';
import type { Resource, Statics } from './statics.ts';
import { firstReaching, type Placed } from './timetable.ts';

/** Between which slots each task can lie, and what the plan costs at least. */
export interface Windows {
  earliest: Int32Array;
  latest: Int32Array;
  bound: number;
}

/** A partial plan: the tasks placed, and the limits of the others. */
export interface Partial {
  placed: readonly (Placed | null)[];
  /** What the placed tasks cost by themselves. */
  paid: number;
  /** Of each task still to place: not before. */
  notBefore: (t: number) => number;
}

/**
 * Windows of the tasks still to place, by their lags, their people's times, and what a plan cheaper than `upper` leaves.
 *
 * @returns null: no such plan
 */
export function propagate(model: Model, statics: Statics, partial: Partial, upper: number): Windows | null {
  const { slots, tasks } = model;
  const n = tasks.length;
  const earliest = new Int32Array(n);
  const latest = new Int32Array(n);
  for (let t = 0; t < n; t++) {
    const each = partial.placed[t];
    earliest[t] = each ? each.start : Math.max(0, partial.notBefore(t));
    latest[t] = each ? each.start : slots - (tasks[t] as Task).length;
  }
  const windows = { earliest, latest, bound: 0 };
  if (!forward(model, statics, partial, windows)) return null;
  const bound = leastCost(model, statics, partial, windows);
  if (bound >= upper) return null;
  windows.bound = bound;
  if (Number.isFinite(upper)) deadlines(model, partial, windows, upper - 1 - bound);
  if (!backward(model, statics, partial, windows)) return null;
  if (!forward(model, statics, partial, windows)) return null;
  if (!hasRoom(statics, windows)) return null;
  windows.bound = leastCost(model, statics, partial, windows);
  return windows.bound >= upper ? null : windows;
}

/** Whether nothing speaks against these tasks having ended by a slot. */
export function finishesBy(
  model: Model,
  statics: Statics,
  partial: Partial,
  tasks: readonly number[],
  end: number,
): boolean {
  const { slots } = model;
  const earliest = new Int32Array(model.tasks.length);
  const latest = new Int32Array(model.tasks.length);
  for (const [t, { length }] of model.tasks.entries()) {
    const each = partial.placed[t];
    earliest[t] = each ? each.start : Math.max(0, partial.notBefore(t));
    latest[t] = each ? each.start : slots - length;
  }
  for (const t of tasks)
    if (!partial.placed[t]) latest[t] = Math.min(latest[t] as number, end - (model.tasks[t] as Task).length);
  const windows = { earliest, latest, bound: 0 };
  return (
    forward(model, statics, partial, windows) &&
    backward(model, statics, partial, windows) &&
    forward(model, statics, partial, windows) &&
    hasRoom(statics, windows)
  );
}

/** Earliest starts. False: one lies after the latest. */
function forward(
  model: Model,
  statics: Statics,
  { placed }: Partial,
  { earliest, latest }: Windows,
): boolean {
  for (const t of model.order) {
    if (placed[t]) continue;
    const { into, outOf, length } = model.tasks[t] as Task;
    let at = earliest[t] as number;
    for (const { before, earliest: table } of into) {
      const end = (earliest[before] as number) + (model.tasks[before] as Task).length;
      at = Math.max(at, table[Math.min(end, model.slots)] as number);
    }
    // So late that the one after it, which cannot start before a slot, is not too late for it.
    for (const { after, latest: table, late } of outOf) {
      if (!table || late) continue;
      at = Math.max(at, firstReaching(table, earliest[after] as number) - length);
    }
    if (at > model.slots) return false;
    at = (statics.each[t] as Statics['each'][number]).next[at] as number;
    if (at > (latest[t] as number)) return false;
    earliest[t] = at;
  }
  return true;
}

/** Latest starts. False: one lies before the earliest. */
function backward(
  model: Model,
  statics: Statics,
  { placed }: Partial,
  { earliest, latest }: Windows,
): boolean {
  for (const t of model.order.toReversed()) {
    if (placed[t]) continue;
    const { outOf, into, length } = model.tasks[t] as Task;
    let end = (latest[t] as number) + length;
    for (const lag of outOf) {
      const start = latest[lag.after] as number;
      if (start < 0) return false;
      end = Math.min(end, (statics.endsBy.get(lag) as Int32Array)[start] as number);
    }
    let at = end - length;
    for (const { before, latest: table, late } of into) {
      if (!table || late) continue;
      const last = (latest[before] as number) + (model.tasks[before] as Task).length;
      at = Math.min(at, table[last] as number);
    }
    if (at < 0) return false;
    at = (statics.each[t] as Statics['each'][number]).last[at] as number;
    if (at < (earliest[t] as number)) return false;
    latest[t] = at;
  }
  return true;
}

/** What the plan costs at least: what is placed, and the rest as if each task were alone. */
function leastCost(
  model: Model,
  statics: Statics,
  { placed, paid }: Partial,
  { earliest, latest }: Windows,
): number {
  let cost = paid;
  for (let t = 0; t < model.tasks.length; t++) {
    if (placed[t]) continue;
    const { length, due, into, pinned } = model.tasks[t] as Task;
    const start = earliest[t] as number;
    cost += (statics.each[t] as Statics['each'][number]).cheapest[start] as number;
    if (due) cost += due.costPerSlot * Math.max(0, start + length - due.slot);
    for (const { before, latest: table, late } of into) {
      if (!table || !late || (pinned !== null && (model.tasks[before] as Task).pinned !== null)) continue;
      const end = (latest[before] as number) + (model.tasks[before] as Task).length;
      if (start > (table[Math.min(end, model.slots)] as number)) cost += late.cost;
    }
  }
  for (const { tasks, costPerSlot } of model.ends) cost += costPerSlot * lastEnd(model, tasks, earliest);
  return cost;
}

const lastEnd = (model: Model, tasks: readonly number[], starts: Int32Array): number =>
  tasks.reduce((last, t) => Math.max(last, (starts[t] as number) + (model.tasks[t] as Task).length), 0);

/** Latest starts of tasks that may cost no more than `slack` beyond the least. */
function deadlines(model: Model, { placed }: Partial, { earliest, latest }: Windows, slack: number): void {
  const cut = (t: number, end: number) => {
    if (!placed[t]) latest[t] = Math.min(latest[t] as number, end - (model.tasks[t] as Task).length);
  };
  for (const { tasks, costPerSlot } of model.ends) {
    if (costPerSlot === 0) continue;
    const end = lastEnd(model, tasks, earliest) + Math.floor(slack / costPerSlot);
    for (const t of tasks) cut(t, end);
  }
  for (const [t, { due, length }] of model.tasks.entries()) {
    if (!due || due.costPerSlot === 0) continue;
    const end = Math.max(due.slot, (earliest[t] as number) + length);
    cut(t, end + Math.floor(slack / due.costPerSlot));
  }
}

/** Whether the work that has to be done between two slots fits between them, for each group of people and each equipment. */
function hasRoom({ resources }: Statics, { earliest, latest }: Windows): boolean {
  for (const { before, tasks, byEnd } of resources) {
    const endOf = (i: number) => {
      const { t, length } = tasks[i] as Resource['tasks'][number];
      return (latest[t] as number) + length;
    };
    // In the order of the last time it was asked they are nearly in order already.
    for (let i = 1; i < byEnd.length; i++) {
      const each = byEnd[i] as number;
      const end = endOf(each);
      let at = i;
      for (; at > 0 && endOf(byEnd[at - 1] as number) > end; at--) byEnd[at] = byEnd[at - 1] as number;
      byEnd[at] = each;
    }
    for (const { t: first } of tasks) {
      const begin = earliest[first] as number;
      let asked = 0;
      for (const i of byEnd) {
        const { t, work } = tasks[i] as Resource['tasks'][number];
        if ((earliest[t] as number) < begin) continue;
        asked += work;
        if (asked > (before[endOf(i)] as number) - (before[begin] as number)) return false;
      }
    }
  }
  return true;
}
