import { HOUR_MS } from '../cure/index.ts';
import { moment, within } from '../units/index.ts';
import { type PlannedTask, type StepPlan, type StepTask, sandedBefore } from './step.ts';

/**
 * Tasks that no stack lists: sanding between two coats of a step, the hours kept between them by choice, and sanding a
 * film whose window was missed.
 */
export const BETWEEN = 'between';
export const SPACING = 'spacing';
export const KEY = 'key';
/** A wash that nobody planned: a neighbour's dust, a night of dew. */
export const WASH = 'wash';

/** Work to do before a coat, and what the log says of it. Times in ms. */
export interface DueTask extends StepTask {
  /** The task's id in the stack, or {@link BETWEEN} or {@link KEY}. */
  taskId: string;
  /** When the log says it was done; null: it does not. */
  doneMs: number | null;
  /** The entry that says so. */
  entryId: string | null;
  /** When a wait ends by itself; null: its beginning is not known yet, or it is no wait. */
  endsMs: number | null;
  /** Asked for only from then on: the end of the film's window; null: from the outset. */
  fromMs: number | null;
  /** A sanding: before then the film clogs the paper; null: no sanding, or the sheet does not say. */
  sandableMs: number | null;
}

/** Work as logged: which task, and when. */
export interface DoneTask {
  taskId: string;
  /** The entry that says so and nothing else; null: it was done along with something else. */
  entryId: string | null;
  atMs: number;
  /** A sanding that came about otherwise than as it was planned: its grit. It gives tooth only where it is as coarse as asked. */
  grit?: number;
}

/** How a task stands at `now`: asked for later, done, a wait that runs, or due. A wait is over when its hours are. */
export function taskState(
  task: Pick<DueTask, 'doneMs' | 'endsMs' | 'fromMs'>,
  now: number,
): 'later' | 'done' | 'running' | 'due' {
  if (task.doneMs !== null) return 'done';
  if (task.fromMs !== null && task.fromMs > now) return 'later';
  if (task.endsMs === null) return 'due';
  return task.endsMs <= now ? 'done' : 'running';
}

/**
 * The tasks before one coat of a step, in order, with their log entries. A wait begins when the work
 * before it was done, or else when the film below was applied; until that is known it has no end.
 *
 * Before coat 1 of a barrier: wash, sand 80. Before its coat 2, sanded between with 120: sand 120. A film whose window
 * has closed is keyed first, unless a sanding is planned anyway.
 *
 * @param coatNo the coat in its step, from 0
 * @param key set where the film's window closes: from when on it wants keying, and the grit, null where the sheet
 *   states none
 * @param sandableMs when the film below can be sanded by its sheet; null or left out: not stated
 * @param filmToMs when the film below was finished; null: nothing lies there. Work logged before it was done on
 *   something else and does not count
 */
export function workBefore(input: {
  step: Pick<StepPlan, 'sandBetween' | 'sandGrits' | 'spacingH'> & { before: readonly PlannedTask[] };
  coatNo: number;
  key: { grit: number | null; fromMs: number } | null;
  filmToMs: number | null;
  sandableMs?: number | null;
  done: readonly DoneTask[];
}): DueTask[] {
  const { step, coatNo, key, filmToMs, done } = input;
  within('coat number', coatNo, 0, 1000);
  if (filmToMs !== null) moment('end of the coat below', filmToMs);
  if (key) moment('end of the overcoat window', key.fromMs);
  if (input.sandableMs != null) moment('earliest sanding time', input.sandableMs);
  if (key && key.grit !== null) within('grit', key.grit, 1, 10_000);
  if (step.sandBetween !== null) within('grit between coats', step.sandBetween, 1, 10_000);
  const spacingH = step.spacingH == null ? null : within('hours between coats', step.spacingH, 0, 5000);
  for (const { kind, amount } of step.before)
    if (amount !== null) within(kind === 'wait' ? 'hours of a wait' : 'grit', amount, 0, 10_000);
  const planned: (PlannedTask & { fromMs?: number })[] =
    coatNo === 0 ? [...step.before] : betweenCoats(sandedBefore(step, coatNo), spacingH);
  if (key && !planned.some(({ kind }) => kind === 'sand')) {
    const note = 'overcoat window closed';
    planned.push({ id: KEY, kind: 'sand', amount: key.grit, note, fromMs: key.fromMs });
  }
  if (done.some(({ taskId, atMs }) => taskId === WASH && atMs >= (filmToMs ?? 0)))
    planned.push({ id: WASH, kind: 'wash', amount: null, note: 'not planned' });
  let sinceMs = filmToMs;
  return planned.map(({ id, fromMs = null, ...task }) => {
    // A wait that was cut short starts again once the task before it is done again.
    const fromDoneMs = Math.max(filmToMs ?? 0, task.kind === 'wait' ? (sinceMs ?? 0) : 0);
    const entry = done.findLast(
      ({ taskId, atMs, grit }) =>
        taskId === id && atMs >= fromDoneMs && (grit === undefined || grit <= (task.amount ?? grit)),
    );
    const waits = task.kind === 'wait' && task.amount !== null && sinceMs !== null;
    const endsMs = waits ? (sinceMs as number) + (task.amount as number) * HOUR_MS : null;
    const doneMs = entry?.atMs ?? null;
    sinceMs = doneMs ?? endsMs;
    const sandableMs = task.kind === 'sand' ? (input.sandableMs ?? null) : null;
    return { ...task, sandableMs, taskId: id, doneMs, entryId: entry?.entryId ?? null, endsMs, fromMs };
  });
}

/** The tasks between two coats of one step: the hours kept by choice from the film below on, then its sanding. */
const betweenCoats = (grit: number | null, spacingH: number | null): PlannedTask[] => [
  ...(spacingH === null
    ? []
    : [{ id: SPACING, kind: 'wait' as const, amount: spacingH, note: 'your choice' }]),
  ...(grit === null ? [] : [{ id: BETWEEN, kind: 'sand' as const, amount: grit, note: '' }]),
];

/** When the film was given a tooth for the next coat: the last sanding among the work done; null: not sanded. */
export function sandedAt(work: readonly Pick<DueTask, 'kind' | 'doneMs'>[]): number | null {
  const sanded = work.flatMap(({ kind, doneMs }) => (kind === 'sand' && doneMs !== null ? [doneMs] : []));
  return sanded.length > 0 ? Math.max(...sanded) : null;
}

/** When the last wait before the coat ends that nobody has cut short; null: none is running or to come. */
export function waitsUntil(work: readonly Pick<DueTask, 'kind' | 'doneMs' | 'endsMs'>[]): number | null {
  const ends = work.flatMap(({ kind, doneMs, endsMs }) =>
    kind === 'wait' && doneMs === null && endsMs !== null ? [endsMs] : [],
  );
  return ends.length > 0 ? Math.max(...ends) : null;
}
