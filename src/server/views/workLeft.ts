import type { WorkView } from '../../contract/index.ts';
import { taskState } from '../../core/system/index.ts';

const ms = (at: string | null) => (at === null ? null : Date.parse(at));

/** Work that is to be done with the hands before the coat: neither done, nor a wait, nor asked for only later. */
export function isLeft({ kind, doneAt, endsAt, fromAt }: WorkView, now: number): boolean {
  const state = taskState({ doneMs: ms(doneAt), endsMs: ms(endsAt), fromMs: ms(fromAt) }, now);
  return kind !== 'wait' && state === 'due';
}
