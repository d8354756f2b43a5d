import type { PlanPerson, PlanTask } from './problem.ts';
import { joined } from './slots.ts';
import type { PlannedTask } from './yardToPlan.ts';

/** Decisions in one rehearsal at the most. */
export const MOST_ORDERS = 20;

/** What somebody decides otherwise than the plan: to begin a task then, or not to begin it before then. */
export interface Order {
  kind: 'begin' | 'hold';
  taskId: string;
  atMs: number;
  /** When that is decided: nobody plans with it before then. */
  decidedMs: number;
}

/** A mistake in a task that the user started. */
export interface RehearsalMistake {
  /** Before the film below takes it; after its window; dust on a wet film; the weather outside a limit before the coat is safe. */
  code: 'too-soon' | 'too-late' | 'dust' | 'weather';
  /** From when it would have been ready, or until when the window was open; null: there is no such time. */
  ms: number | null;
}

/** An event of a rehearsal. Times in ms. */
export type RehearsalStep =
  | {
      kind: 'done';
      task: PlannedTask;
      /** First hour of the sanding before it, or its start. */
      fromMs: number;
      startMs: number;
      endMs: number;
      /** When its coat is safe from rain and dew; null: it is no coat, or not within the weather drawn. */
      safeMs: number | null;
      /** When its film takes what comes next, a coat or the water; null: nothing comes next, or not within the weather drawn. */
      readyMs: number | null;
      crew: string[];
      isOrdered: boolean;
      mistakes: RehearsalMistake[];
    }
  /** The day's plan had it begin then; it was not ready, or the weather was not suitable. */
  | { kind: 'put-off'; task: PlannedTask; atMs: number; why: 'not-ready' | 'weather' }
  /** A coat that has to be sanded and applied again. */
  | { kind: 'spoilt'; task: PlannedTask; atMs: number; by: 'rain' | 'dew' | 'too-soon' | 'too-late' }
  /** What somebody decided could not be done: something comes before it, or nobody is free. */
  | {
      kind: 'refused';
      taskId: string;
      atMs: number;
      why: 'not-next' | 'nobody-free' | 'no-paint' | 'behind-support';
    };

/** The first people who are free for the whole of a task from a slot on; null: too few are. */
export function freeCrew(people: readonly PlanPerson[], task: PlanTask, slot: number): string[] | null {
  const free = people.filter((person) =>
    joined(person.free.map(({ from, to }) => ({ fromMs: from, toMs: to }))).some(
      ({ fromMs, toMs }) => fromMs <= slot && slot + task.slots <= toMs,
    ),
  );
  return free.length < task.people ? null : free.slice(0, task.people).map(({ id }) => id);
}
