import type { Model, Task } from './model.ts';
import { firstReaching } from './timetable.ts';

/** By slot: the last one at or before it at which a task can start; −1: none. */
function lastStarts({ nextStart }: Task, slots: number): Int32Array {
  const last = new Int32Array(slots + 1);
  for (let at = 0; at <= slots; at++)
    last[at] = nextStart[at] === at ? at : at > 0 ? (last[at - 1] as number) : -1;
  return last;
}

/**
 * Latest starts by the lags and by each task’s own times, if boats are to be finished by given slots: the critical path method
 * backward. What is urgent has an early one; below 0, it is too late.
 *
 * @returns by target ends of the boats (`model.ends`): the latest start of each task; tasks of no boat have the horizon
 */
export function latestStartsOf(model: Model): (targets: readonly number[]) => Float64Array {
  const { slots, tasks } = model;
  /** Made when first asked for: a short search may never ask. */
  let last: Int32Array[] | null = null;
  const backwards = model.order.toReversed();
  return (targets) => {
    last ??= tasks.map((task) => lastStarts(task, slots));
    const latest = Float64Array.from(tasks, ({ length }) => slots - length);
    for (const [b, { tasks: own }] of model.ends.entries())
      for (const t of own)
        latest[t] = Math.min(latest[t] as number, (targets[b] as number) - (tasks[t] as Task).length);
    for (const t of backwards) {
      const { outOf, length } = tasks[t] as Task;
      let at = latest[t] as number;
      for (const { after, earliest } of outOf) {
        const start = latest[after] as number;
        const end = start < 0 ? start : firstReaching(earliest, start + 1) - 1;
        at = Math.min(at, end - length);
      }
      latest[t] = at < 0 ? at : ((last[t] as Int32Array)[Math.min(at, slots)] as number);
    }
    return latest;
  };
}
