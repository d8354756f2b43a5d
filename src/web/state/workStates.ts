import type { WorkView } from '../../contract/index.ts';
import { taskState } from '../../core/system/index.ts';

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

/** The tasks left before the next coat, for a line of a list. */
export const workLeft = (work: readonly WorkView[], now: number): WorkView[] =>
  workStates(work, now)
    .filter(({ state }) => state === 'due' || state === 'running')
    .map(({ task }) => task);
