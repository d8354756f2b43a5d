import type { Model, Task } from './model.ts';
import type { Timetable } from './timetable.ts';

/** Partial plans remembered, in all and of the same tasks. */
const MOST_REMEMBERED = 200_000;
const MOST_ALIKE = 24;

/** The state of a partial plan, as far as later tasks depend on it. */
export interface Partly {
  /** The tasks that are placed, a bit each. */
  key: number;
  cost: number;
  /** When the last of them began, and its rank. */
  at: number;
  rank: number;
  /** Of each task that is placed its end, else 0. */
  ends: Int32Array;
  busyUntil: Int32Array;
}

/** Partial plans that have been searched: one that is no better than one of them in anything is left. */
export function searchedPlans(model: Model, timetable: Timetable, toPlace: readonly number[]) {
  const memory = new Map<number, Partly[]>();
  let remembered = 0;

  /** Whether a task still to place has a latest start after this one: then an earlier end is not better. */
  const keepsWaiting = (t: number): boolean =>
    (model.tasks[t] as Task).outOf.some(({ latest, after }) => latest && !timetable.placed[after]);

  /** Still sanded for: dust may go on in its air until it starts, so that an earlier start is not better. */
  const isSanded = (t: number, end: number, at: number): boolean =>
    end - (model.tasks[t] as Task).length > at;

  const endsNoLater = (other: Partly, { ends, at }: Partly): boolean => {
    for (let i = 0; i < ends.length; i++) {
      const [end, own, t] = [other.ends[i] as number, ends[i] as number, toPlace[i] as number];
      if (end > own || (end < own && (keepsWaiting(t) || isSanded(t, own, at)))) return false;
    }
    return true;
  };
  const freesNoLater = (other: Partly, { busyUntil, at }: Partly): boolean => {
    for (let p = 0; p < busyUntil.length; p++)
      if ((other.busyUntil[p] as number) > Math.max(at, busyUntil[p] as number)) return false;
    return true;
  };
  const beganNoLater = (other: Partly, { at, rank }: Partly) =>
    other.at < at || (other.at === at && other.rank <= rank);

  return {
    partly: (key: number, at: number, rank: number, cost: number): Partly => {
      const ends = new Int32Array(toPlace.length);
      const busyUntil = new Int32Array(model.people.length);
      for (let i = 0; i < toPlace.length; i++) {
        const each = timetable.placed[toPlace[i] as number];
        if (!each) continue;
        ends[i] = each.end;
        for (const p of each.crew) busyUntil[p] = Math.max(busyUntil[p] as number, each.end);
      }
      return { key, cost, at, rank, ends, busyUntil };
    },
    isWorse: (partly: Partly): boolean =>
      memory
        .get(partly.key)
        ?.some(
          (other) =>
            other.cost <= partly.cost &&
            beganNoLater(other, partly) &&
            endsNoLater(other, partly) &&
            freesNoLater(other, partly),
        ) ?? false,
    remember: (partly: Partly): void => {
      const others = memory.get(partly.key) ?? [];
      if (remembered >= MOST_REMEMBERED || others.length >= MOST_ALIKE) return;
      others.push(partly);
      memory.set(partly.key, others);
      remembered++;
    },
  };
}
