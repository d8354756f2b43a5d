import type { Model, Task } from './model.ts';
import { finishesBy, type Partial, type Windows } from './propagate.ts';
import type { Statics } from './statics.ts';

/** All orders of so many boats are looked at; of more boats, the dearest. */
const MOST_BOATS = 6;

/** A boat: the tasks that end with it, and what it costs if the last of them ends at a slot. */
interface Boat {
  tasks: readonly number[];
  /** Earliest end by itself. */
  from: number;
  cost: (end: number) => number;
}

/** The tasks that a task waits for, directly or not. */
function waitsFor(model: Model, t: number): Set<number> {
  const all = new Set([t]);
  for (const each of all) for (const { before } of (model.tasks[each] as Task).into) all.add(before);
  return all;
}

/** The task with a due date that the most others come before, usually the launch; null: none has one. */
function launchOf(model: Model, tasks: readonly number[]): number | null {
  const dated = tasks.filter((t) => ((model.tasks[t] as Task).due?.costPerSlot ?? 0) > 0);
  if (dated.length === 0) return null;
  const sizes = dated.map((t) => waitsFor(model, t).size);
  return dated[sizes.indexOf(Math.max(...sizes))] ?? null;
}

function boatsOf(model: Model, { placed }: Partial, { earliest }: Windows): Boat[] {
  const lengthOf = (t: number) => (model.tasks[t] as Task).length;
  /** A due date counts once, though its task is of two boats. */
  const taken = new Set<number>();
  const boats = model.ends.map(({ tasks, costPerSlot }) => {
    const left = tasks.filter((t) => !placed[t]);
    const launch = launchOf(
      model,
      left.filter((t) => !taken.has(t)),
    );
    if (launch !== null) taken.add(launch);
    const due = launch === null ? null : (model.tasks[launch] as Task).due;
    const last = launch === null ? left : [launch];
    const lastOfAll = Math.max(0, ...tasks.map((t) => (earliest[t] as number) + lengthOf(t)));
    return {
      tasks: last,
      from: Math.max(0, ...last.map((t) => (earliest[t] as number) + lengthOf(t))),
      rate: costPerSlot + (due?.costPerSlot ?? 0),
      cost: (end: number) =>
        costPerSlot * Math.max(end, lastOfAll) + (due ? due.costPerSlot * Math.max(0, end - due.slot) : 0),
    };
  });
  return boats
    .filter(({ tasks, rate }) => tasks.length > 0 && rate > 0)
    .sort((a, b) => b.rate - a.rate)
    .slice(0, MOST_BOATS);
}

/**
 * How much more than each boat by itself the boats cost together, at least: the same people and equipment do the work of all.
 * For each set of boats, the slot before which they cannot all be finished; the last of a set ends no earlier than that. The
 * least cost over all orders in which the boats can be finished, by sets [Held and Karp 1962, from memory].
 */
export function costOfSharing(model: Model, statics: Statics, partial: Partial, root: Windows): number {
  const boats = boatsOf(model, partial, root);
  const sets = 1 << boats.length;
  const done = new Int32Array(sets);
  const cost = new Float64Array(sets);
  for (let set = 1; set < sets; set++) {
    const among = boats.filter((_, b) => set & (1 << b));
    let low = Math.max(...among.map(({ from }) => from));
    for (const [b] of boats.entries())
      if (set & (1 << b)) low = Math.max(low, done[set ^ (1 << b)] as number);
    const tasks = among.flatMap((boat) => boat.tasks);
    let high = low;
    for (let step = 1; high < model.slots && !finishesBy(model, statics, partial, tasks, high); step *= 2) {
      low = high + 1;
      high = Math.min(model.slots, high + step);
    }
    while (low < high) {
      const middle = (low + high) >> 1;
      if (finishesBy(model, statics, partial, tasks, middle)) high = middle;
      else low = middle + 1;
    }
    done[set] = high;
    cost[set] = Number.POSITIVE_INFINITY;
    for (const [b, each] of boats.entries())
      if (set & (1 << b)) {
        const end = Math.max(each.from, high);
        cost[set] = Math.min(cost[set] as number, (cost[set ^ (1 << b)] as number) + each.cost(end));
      }
  }
  const alone = boats.reduce((sum, each) => sum + each.cost(each.from), 0);
  return (cost[sets - 1] as number) - alone;
}
