import { type Candidate, choicesOf, type Delay, ranks } from './candidates.ts';
import { costOf, type Decoded, yardCost } from './listSchedule.ts';
import type { Lag, Model, Task } from './model.ts';
import { propagate } from './propagate.ts';
import { searchedPlans } from './searched.ts';
import type { Statics } from './statics.ts';
import { type Placed, type Timetable, timetableOf } from './timetable.ts';

/** Plans of more tasks are left to the bound. */
export const MOST_TASKS = 48;

/**
 * Searches all plans that could be cheaper than `upper`. Tasks are placed in the order in which work on them begins, each
 * with every choice of people at the slots worth trying. Partial plans that another one, of the same tasks, is no worse than
 * are left, and those that no plan below `upper` can follow from.
 *
 * Where a lag lets a task begin before the one it waits for has, or a pinned task may have to be sanded for, the order of
 * beginnings is not enough: every slot is tried, task by task.
 *
 * @param anyCost the first plan that is found will do: what it costs does not count
 * @param more whether another partial plan may be looked at: the budget
 * @returns the cheapest plan below `upper`, or null; `complete`: all were searched
 */
export function branchAndBound(input: {
  model: Model;
  statics: Statics;
  pinned: readonly Placed[];
  upper: number;
  anyCost: boolean;
  more: () => boolean;
}): { plan: Decoded | null; complete: boolean } {
  const { model, statics, pinned, anyCost, more } = input;
  const timetable = timetableOf(model);
  for (const each of pinned) timetable.place(each);
  const toPlace = model.order.filter((t) => (model.tasks[t] as Task).pinned === null);
  const rankOf = ranks(model);
  const inTime = beginsInOrder(model);
  const choices = choicesOf(model, statics, timetable, anyCost);
  const searched = searchedPlans(model, timetable, toPlace);
  const duties = dutiesOf(model, timetable);
  let { upper } = input;
  let plan: Decoded | null = null;
  let complete = true;
  const placed: Placed[] = [];

  const finish = (cost: number) => {
    const total = cost + yardCost(model, (t) => (timetable.placed[t] as Placed).end);
    if (total >= upper) return;
    upper = total;
    plan = { placed: [...pinned, ...placed], cost: total, missing: 0 };
    if (anyCost) complete = false;
  };

  /** The candidates for the next task; none: nothing below `upper` follows. */
  const nextOf = (at: number, rank: number, cost: number, key: number): Candidate[] => {
    const notBefore = (t: number) => Math.max(inTime ? at : 0, duties.release[t] as number);
    const windows = propagate(model, statics, { placed: timetable.placed, paid: cost, notBefore }, upper);
    if (!windows) return [];
    if (!inTime) {
      const t = toPlace[placed.length] as number;
      return choices.everyWay(t, windows.latest[t] as number);
    }
    const partly = searched.partly(key, at, rank, anyCost ? 0 : cost);
    if (searched.isWorse(partly)) return [];
    if (duties.none()) searched.remember(partly);
    return choices.inOrderOfBeginning(windows.latest, at, rank);
  };

  const look = (at: number, rank: number, cost: number, key: number): void => {
    complete = complete && more();
    if (!complete) return;
    if (placed.length === toPlace.length) {
      finish(cost);
      return;
    }
    for (const each of nextOf(at, rank, cost, key)) {
      timetable.place(each);
      placed.push(each);
      const undo = duties.take(each);
      if (undo)
        look(each.from, rankOf[each.task] as number, cost + costOf(model, each), key + 2 ** each.task);
      undo?.();
      placed.pop();
      timetable.takeOff(each);
      if (!complete) return;
    }
  };

  look(0, -1, pinned.reduce((sum, each) => sum + costOf(model, each), 0), 0); // biome-ignore format: one line
  return { plan, complete };
}

/** What tasks that were put later ask of those after them. */
function dutiesOf({ tasks }: Model, timetable: Timetable) {
  const delays: Delay[] = [];
  /** Of each task: not before, for a delay to have been worth it. */
  const release = new Int32Array(tasks.length);
  const canKeep = ({ task: t, earlierEnd }: Delay): Lag[] =>
    (tasks[t] as Task).outOf.filter(({ latest, after }) => {
      const next = timetable.placed[after];
      return latest !== null && (!next || next.start > (latest[earlierEnd] as number));
    });
  return {
    release,
    none: () => delays.length === 0,
    /** @returns how to undo it; null: what was asked cannot be met any more */
    take: ({ task: t, start, delay }: Candidate): (() => void) | null => {
      if (start < (release[t] as number) || delays.some((each) => canKeep(each).length === 0)) return null;
      if (!delay) return () => undefined;
      const [first, ...others] = canKeep(delay);
      if (!first) return null;
      delays.push(delay);
      const before = release[first.after] as number;
      if (others.length === 0)
        release[first.after] = Math.max(before, (first.latest?.[delay.earlierEnd] as number) + 1);
      return () => {
        release[first.after] = before;
        delays.pop();
      };
    },
  };
}

/**
 * Whether no work can begin before the task it waits for has: sanding before a task neither, whichever of its lags asks for it.
 * And no pinned task may have to be sanded for.
 */
function beginsInOrder({ lags, tasks }: Model): boolean {
  return lags.every(({ before, after, earliest, late }) => {
    const { length, pinned } = tasks[before] as Task;
    const next = tasks[after] as Task;
    if (pinned !== null) return true;
    if (late && next.pinned !== null) return false;
    const waits = (table: readonly number[], lead: number) =>
      table.every((at, end) => end < length || at - lead >= end - length);
    const sanding = next.into.find((lag) => lag.late !== null && lag.before !== before)?.late?.slots ?? 0;
    return waits(earliest, sanding) && (!late || waits(late.from, 0));
  });
}
