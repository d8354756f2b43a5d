import type { BenchView, WorkView } from '../../contract/index.ts';
import { taskState } from '../../core/system/index.ts';
import type { Waiting } from '../api/outbox.ts';

const ms = (at: string | null) => (at === null ? null : Date.parse(at));

/** Each task before a coat with how it stands at `now`; those not asked for yet are left out. */
export function workStates(work: readonly WorkView[], now: number) {
  return work
    .map((task) => ({
      task,
      state: taskState({ doneMs: ms(task.doneAt), endsMs: ms(task.endsAt), fromMs: ms(task.fromAt) }, now),
    }))
    .filter(({ state }) => state !== 'later');
}

/** Ticks still on their way to the server count as made. */
export function workWithPending(view: Pick<BenchView, 'clock'>, waiting: readonly Waiting[]): WorkView[] {
  const { next, work } = view.clock;
  return work.map((task) => {
    const sent = waiting.findLast(({ entry }) =>
      entry.kind === 'work'
        ? entry.body.taskId === task.taskId &&
          entry.body.stepId === next?.stepId &&
          entry.body.coatNo === next.coatNo &&
          entry.body.outcome === 'done'
        : entry.kind === 'strike' && task.entryId !== null && entry.corrects === task.entryId,
    )?.entry;
    if (!sent) return task;
    return sent.kind === 'strike'
      ? { ...task, doneAt: null, entryId: null }
      : { ...task, doneAt: sent.at, entryId: sent.id };
  });
}

/** What is still to be done before the next coat, for a line of a list. */
export const workLeft = (work: readonly WorkView[], now: number): WorkView[] =>
  workStates(work, now)
    .filter(({ state }) => state === 'due' || state === 'running')
    .map(({ task }) => task);
