import { isFree, type Lag, type Model, type Task } from './model.ts';

/** Sanding before a pinned task that another task makes late. */
export interface Forced {
  pinned: Placed;
  lag: Lag;
  from: number;
}

/** A task on the timetable. */
export interface Placed {
  task: number;
  start: number;
  end: number;
  /** From when its people work: earlier than `start` where they sand first. */
  from: number;
  crew: readonly number[];
  /** The lag whose latest start is missed; null: none. */
  late: Lag | null;
  forced: readonly Forced[];
}

/** What came of trying a task at a slot. Read before the next question: it is written over. */
export interface Fit {
  /** The slot itself: it fits there. A later one: not before that. */
  next: number;
  from: number;
  late: Lag | null;
  forced: readonly Forced[];
  /** The lag that nothing mends and whose latest start is missed; then no later slot fits either. */
  missed: Lag | null;
}

const NONE: readonly Forced[] = [];

export type Timetable = ReturnType<typeof timetableOf>;

/** First end slot at which a table reaches a value, `slots + 1`: never. */
export function firstReaching(table: readonly number[], value: number): number {
  let [low, high] = [0, table.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((table[middle] as number) >= value) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Who and what is taken when. Tasks are placed and taken off in the reverse order; each question is about what is placed. */
export function timetableOf(model: Model) {
  const { slots, tasks } = model;
  const people = model.people.map(({ run }) => run.slice());
  const equipment = model.equipment.map((run) => run.slice());
  const placed: (Placed | null)[] = tasks.map(() => null);
  const wet: Placed[][] = Array.from({ length: model.airs }, () => []);
  const dusty: Placed[][] = Array.from({ length: model.airs }, () => []);

  const earliestStart = (t: number): number => {
    let at = 0;
    for (const { before, earliest } of (tasks[t] as Task).into) {
      const done = placed[before];
      if (done) at = Math.max(at, earliest[done.end] as number);
    }
    return at;
  };

  /** The lag whose latest start a task misses at this slot; a lag that nothing mends comes first. */
  const missedAt = (t: number, start: number): Lag | null => {
    let late: Lag | null = null;
    for (const lag of (tasks[t] as Task).into) {
      if (!lag.latest) continue;
      const done = placed[lag.before];
      if (!done || start <= (lag.latest[done.end] as number)) continue;
      if (!lag.late) return lag;
      late = lag;
    }
    return late;
  };

  /** From which slot on it may be tried again where dust and wet film meet; the slot itself: they do not. */
  const clearOfDust = (t: number, from: number, start: number): number => {
    const { air, length, wetUntil, dusty: makesDust } = tasks[t] as Task;
    const end = start + length;
    let clear = start;
    const dustEnd = makesDust ? end : start;
    if (dustEnd > from)
      for (const film of wet[air] as Placed[]) {
        const until = ((tasks[film.task] as Task).wetUntil as readonly number[])[film.end] as number;
        if (Math.max(from, film.start) < Math.min(dustEnd, until))
          clear = Math.max(clear, until + start - from);
      }
    if (wetUntil) {
      const until = wetUntil[end] as number;
      for (const dust of dusty[air] as Placed[]) {
        const dustUntil = (tasks[dust.task] as Task).dusty ? dust.end : dust.start;
        if (Math.max(start, dust.from) < Math.min(until, dustUntil)) clear = Math.max(clear, dustUntil);
      }
    }
    return clear;
  };

  /** Whether a film of a task that is not pinned is harmed by dust then. */
  const dustMeetsFilm = (air: number, from: number, to: number): boolean =>
    (wet[air] as Placed[]).some(({ task: t, start, end }) => {
      const { pinned, wetUntil } = tasks[t] as Task;
      return (
        pinned === null &&
        Math.max(from, start) < Math.min(to, (wetUntil as readonly number[])[end] as number)
      );
    });

  const personFree = (p: number, from: number, end: number): boolean =>
    isFree(
      from < end ? (people[p] as Int32Array) : (model.people[p] as Model['people'][number]).run,
      from,
      end,
    );

  const toolsFree = (t: number, start: number): boolean => {
    const { equipment: used, length } = tasks[t] as Task;
    const all = length > 0 ? equipment : model.equipment;
    for (const e of used) if (!isFree(all[e] as Int32Array, start, start + length)) return false;
    return true;
  };

  /** First start at or after a slot for which enough of its people are free from `lead` slots before it on; past the horizon: none. */
  const nextWithPeople = (t: number, at: number, lead: number): number => {
    const { qualified, people: count, length, nextStart } = tasks[t] as Task;
    const asked = length + lead;
    if (count === 0 || asked === 0) return at;
    for (let start = at; start <= slots; start = nextStart[start + 1] as number) {
      let free = 0;
      for (let i = 0; i < qualified.length; i++) {
        const run = people[qualified[i] as number] as Int32Array;
        if ((run[start - lead] as number) >= asked && ++free === count) return start;
      }
    }
    return slots + 1;
  };

  /** Sanding before a pinned task that is late by a lag; null: nobody can do it then. */
  const sandingOf = (pinned: Placed, lag: Lag, end: number): Forced | null => {
    if (!lag.late) return null;
    const from = pinned.start - lag.late.slots;
    if (from < Math.max(0, lag.late.from[end] as number)) return null;
    if (!pinned.crew.every((p) => personFree(p, from, pinned.start))) return null;
    if (dustMeetsFilm((tasks[pinned.task] as Task).air, from, pinned.start)) return null;
    return { pinned, lag, from };
  };

  /** What the lags to pinned tasks ask of a task that ends there; null: it cannot end there. */
  const forcedBy = (t: number, end: number): readonly Forced[] | null => {
    const forced: Forced[] = [];
    for (const lag of (tasks[t] as Task).pinned === null ? (tasks[t] as Task).outOf : []) {
      const next = placed[lag.after];
      if (!next) continue;
      if (next.start < (lag.earliest[end] as number)) return null;
      if (!lag.latest || next.start <= (lag.latest[end] as number)) continue;
      const sanding = sandingOf(next, lag, end);
      if (!sanding) return null;
      forced.push(sanding);
    }
    return forced.length > 0 ? forced : NONE;
  };

  const fit: Fit = { next: 0, from: 0, late: null, forced: NONE, missed: null };
  const tryAgain = (next: number): Fit => {
    fit.next = next;
    return fit;
  };

  /** Notes what a start after its latest asks. @returns the first slot that it allows */
  const heedLate = (t: number, start: number): number => {
    const missed = missedAt(t, start);
    if (!missed) return start;
    if (!missed.late) {
      fit.missed = missed;
      return slots + 1;
    }
    fit.late = missed;
    fit.from = start - missed.late.slots;
    const sandable = Math.max(0, missed.late.from[(placed[missed.before] as Placed).end] as number);
    return fit.from < sandable ? sandable + missed.late.slots : start;
  };

  /** Whether a task fits at a slot at or after its earliest start, with enough people free. */
  const fitAt = (t: number, at: number): Fit => {
    const task = tasks[t] as Task;
    const start = task.pinned ?? (task.nextStart[at] as number);
    fit.late = null;
    fit.missed = null;
    fit.forced = NONE;
    fit.from = start;
    if (start !== at) return tryAgain(start);
    const sanded = heedLate(t, start);
    if (sanded !== start) return tryAgain(sanded);
    const manned = nextWithPeople(t, start, start - fit.from);
    if (manned !== start) return tryAgain(manned);
    if (!toolsFree(t, start)) return tryAgain(start + 1);
    const clear = clearOfDust(t, fit.from, start);
    if (clear !== start) return tryAgain(clear);
    const forced = forcedBy(t, start + task.length);
    if (forced === null) return tryAgain(start + 1);
    fit.forced = forced;
    return tryAgain(start);
  };

  /** Whether sanding before pinned tasks leaves this crew and its own film alone. */
  const forcedFits = ({ task: t, start, end, from, crew, forced }: Placed): boolean =>
    forced.every(({ pinned, from: sandFrom }) => {
      const task = tasks[t] as Task;
      const meets = Math.max(from, sandFrom) < Math.min(end, pinned.start);
      if (meets && crew.some((p) => pinned.crew.includes(p))) return false;
      if (!task.wetUntil || task.air !== (tasks[pinned.task] as Task).air) return true;
      return Math.max(start, sandFrom) >= Math.min(task.wetUntil[end] as number, pinned.start);
    });

  const take = (run: Int32Array, from: number, to: number) => {
    for (let at = from; at < to; at++) run[at] = 0;
    for (let at = from - 1; at >= 0 && (run[at] as number) > 0; at--) run[at] = from - at;
  };
  const giveBack = (run: Int32Array, from: number, to: number) => {
    let free = run[to] ?? 0;
    for (let at = to - 1; at >= from; at--) run[at] = ++free;
    for (let at = from - 1; at >= 0 && (run[at] as number) > 0; at--) run[at] = ++free;
  };

  const place = (each: Placed) => {
    const task = tasks[each.task] as Task;
    placed[each.task] = each;
    for (const p of each.crew) take(people[p] as Int32Array, each.from, each.end);
    for (const e of task.equipment) take(equipment[e] as Int32Array, each.start, each.end);
    if (task.wetUntil) (wet[task.air] as Placed[]).push(each);
    if (task.dusty || each.from < each.start) (dusty[task.air] as Placed[]).push(each);
    for (const { pinned, from } of each.forced) {
      for (const p of pinned.crew) take(people[p] as Int32Array, from, pinned.start);
      (dusty[(tasks[pinned.task] as Task).air] as Placed[]).push({ ...pinned, from, end: pinned.start });
    }
  };
  const takeOff = (each: Placed) => {
    const task = tasks[each.task] as Task;
    placed[each.task] = null;
    for (const { pinned, from } of each.forced) {
      (dusty[(tasks[pinned.task] as Task).air] as Placed[]).pop();
      for (const p of pinned.crew) giveBack(people[p] as Int32Array, from, pinned.start);
    }
    for (const p of each.crew) giveBack(people[p] as Int32Array, each.from, each.end);
    for (const e of task.equipment) giveBack(equipment[e] as Int32Array, each.start, each.end);
    if (task.wetUntil) (wet[task.air] as Placed[]).pop();
    if (task.dusty || each.from < each.start) (dusty[task.air] as Placed[]).pop();
  };

  return { placed, earliestStart, fitAt, personFree, forcedFits, place, takeOff };
}

/** What the people of a crew cost from one slot to another. */
export function labourCost({ people }: Model, crew: readonly number[], from: number, to: number): number {
  let cost = 0;
  for (const p of crew) {
    const { costBefore } = people[p] as Model['people'][number];
    cost += (costBefore[to] as number) - (costBefore[from] as number);
  }
  return cost;
}
