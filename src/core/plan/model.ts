import { checkProblem, inOrder } from './checkProblem.ts';
import type { PlanProblem, PlanTask, Span } from './problem.ts';

/** A lag between two tasks by their index, with its tables turned round. */
export interface Lag {
  before: number;
  after: number;
  earliest: readonly number[];
  latest: readonly number[] | null;
  late: { cost: number; slots: number; from: readonly number[] } | null;
}

export interface Task {
  /** Length, slots. */
  length: number;
  people: number;
  /** Indices of the people who have its skill. */
  qualified: readonly number[];
  equipment: readonly number[];
  /** By slot: the next one at or after it where `starts`, its people's and its equipment's times let it start; `slots + 1`: none. */
  nextStart: Int32Array;
  pinned: number | null;
  air: number;
  dusty: boolean;
  wetUntil: readonly number[] | null;
  due: { slot: number; costPerSlot: number } | null;
  /** Lags in which the task comes after, and before. */
  into: readonly Lag[];
  outOf: readonly Lag[];
}

/** A {@link PlanProblem} by indices, as the search reads it. */
export interface Model {
  slots: number;
  ids: readonly string[];
  personIds: readonly string[];
  tasks: readonly Task[];
  /** Each task after those it waits for. */
  order: readonly number[];
  lags: readonly Lag[];
  /** Of each person: by slot, how long it is free from there on; the cost of all slots before it; and how many tasks it qualifies for. */
  people: readonly { run: Int32Array; costBefore: Float64Array; uses: number }[];
  /** Of each piece of equipment: by slot, how long it is free from there on. */
  equipment: readonly Int32Array[];
  airs: number;
  ends: readonly { tasks: readonly number[]; costPerSlot: number }[];
}

/** By slot: how many slots in a row are free from there on. */
function runs(free: readonly Span[], slots: number): Int32Array {
  const open = new Uint8Array(slots + 1);
  for (const [from, to] of free) open.fill(1, Math.min(from, slots), Math.min(to, slots));
  const run = new Int32Array(slots + 1);
  for (let at = slots - 1; at >= 0; at--) run[at] = open[at] ? (run[at + 1] as number) + 1 : 0;
  return run;
}

/** Free from one slot to another; for a task of no length, that slot lies in a free stretch or ends one. */
export function isFree(run: Int32Array, from: number, end: number): boolean {
  if (from < 0) return false;
  if (from < end) return (run[from] as number) >= end - from;
  return (run[from] as number) > 0 || (from > 0 && (run[from - 1] as number) > 0);
}

function nextStarts(
  { starts, slots: length, people: count }: PlanTask,
  slots: number,
  people: readonly Int32Array[],
  equipment: readonly Int32Array[],
): Int32Array {
  const next = new Int32Array(slots + 2).fill(slots + 1);
  const can = new Uint8Array(slots + 1);
  if (starts)
    for (const [from, to] of starts) can.fill(1, Math.min(from, slots + 1), Math.min(to, slots + 1));
  else can.fill(1);
  const fits = (at: number): boolean => {
    for (const run of equipment) if (!isFree(run, at, at + length)) return false;
    let free = 0;
    for (let p = 0; p < people.length && free < count; p++)
      if (isFree(people[p] as Int32Array, at, at + length)) free++;
    return free >= count;
  };
  for (let at = slots; at >= 0; at--)
    next[at] = can[at] && at + length <= slots && fits(at) ? at : (next[at + 1] as number);
  return next;
}

function costsBefore(free: PlanProblem['people'][number]['free'], slots: number): Float64Array {
  const each = new Float64Array(slots + 1);
  for (const { from, to, costPerSlot } of free)
    each.fill(costPerSlot, Math.min(from, slots), Math.min(to, slots));
  const before = new Float64Array(slots + 2);
  for (let at = 0; at <= slots; at++) before[at + 1] = (before[at] as number) + (each[at] as number);
  return before;
}

/**
 * Leaves out starts after which a task that must follow, and that nothing mends, could not start in time by its own times.
 *
 * @param order each task after those it waits for
 */
function leaveOutDeadEnds(tasks: readonly Task[], order: readonly number[], slots: number): void {
  for (const t of order.toReversed()) {
    const { outOf, length, nextStart, pinned } = tasks[t] as Task;
    const hard = outOf.filter(
      ({ latest, late, after }) => latest && !late && (tasks[after] as Task).pinned === null,
    );
    if (pinned !== null || hard.length === 0) continue;
    const isDeadEnd = (end: number) =>
      hard.some(({ after, earliest, latest }) => {
        const from = Math.min(earliest[end] as number, slots + 1);
        return (
          ((tasks[after] as Task).nextStart[from] as number) > ((latest as readonly number[])[end] as number)
        );
      });
    for (let at = slots; at >= 0; at--)
      if (nextStart[at] !== at || isDeadEnd(at + length)) nextStart[at] = nextStart[at + 1] as number;
  }
}

/** @throws {QuantityError} on a problem that cannot be meant */
export function modelOf(problem: PlanProblem): Model {
  checkProblem(problem);
  const { slots } = problem;
  const indexOf = (ids: readonly { id: string }[]) => new Map(ids.map(({ id }, i) => [id, i]));
  const [task, tool] = [indexOf(problem.tasks), indexOf(problem.equipment)];
  const airs = new Map([...new Set(problem.tasks.map(({ air }) => air))].map((air, i) => [air, i]));
  const lags = problem.lags.map(
    ({ before, after, earliest, latest, late }): Lag => ({
      before: task.get(before) as number,
      after: task.get(after) as number,
      earliest,
      latest: latest ?? null,
      late: late ?? null,
    }),
  );
  const have = (skill: string | undefined) =>
    problem.people.flatMap(({ skills }, i) => (skill === undefined || skills.includes(skill) ? [i] : []));
  const qualified = problem.tasks.map(({ skill }) => have(skill));
  const people = problem.people.map(({ free }) =>
    runs(
      free.map(({ from, to }) => [from, to] as const),
      slots,
    ),
  );
  const equipment = problem.equipment.map(({ free }) => runs(free, slots));
  const order = inOrder(problem);
  const tasks = problem.tasks.map(
    (each, i): Task => ({
      length: each.slots,
      people: each.people,
      qualified: qualified[i] as number[],
      equipment: each.equipment.map((id) => tool.get(id) as number),
      nextStart: nextStarts(
        each,
        slots,
        (qualified[i] as number[]).map((p) => people[p] as Int32Array),
        each.equipment.map((id) => equipment[tool.get(id) as number] as Int32Array),
      ),
      pinned: each.pinned ?? null,
      air: airs.get(each.air) as number,
      dusty: each.dusty,
      wetUntil: each.wetUntil ?? null,
      due: each.due ?? null,
      into: lags.filter(({ after }) => after === i),
      outOf: lags.filter(({ before }) => before === i),
    }),
  );
  leaveOutDeadEnds(tasks, order, slots);
  return {
    slots,
    ids: problem.tasks.map(({ id }) => id),
    personIds: problem.people.map(({ id }) => id),
    order,
    lags,
    tasks,
    people: problem.people.map(({ free }, p) => ({
      uses: qualified.filter((each) => each.includes(p)).length,
      run: people[p] as Int32Array,
      costBefore: costsBefore(free, slots),
    })),
    equipment,
    airs: airs.size,
    ends: problem.ends.map(({ tasks, costPerSlot }) => ({
      tasks: [...new Set(tasks)].map((id) => task.get(id) as number),
      costPerSlot,
    })),
  };
}
