import type { Method } from '../core/film/index.ts';
import type { StepTask, TaskKind } from '../core/system/index.ts';

/** Words that both the screens and the printed documents use. */

export const METHOD_WORDS: Record<Method, string> = {
  brush: 'Brush',
  roller: 'Roller',
  'roll-and-tip': 'Roll and tip',
  'conventional-spray': 'Conventional spray',
  'airless-spray': 'Airless spray',
  trowel: 'Trowel or board',
  aerosol: 'Spray can',
};

export const TASK_WORDS: Record<TaskKind, string> = {
  prepare: 'Prepare',
  wash: 'Wash',
  sand: 'Sand',
  wait: 'Wait',
  inspect: 'Inspect',
  aggregate: 'Aggregate',
};

/** A task as said in a line: "sand 180 grit (blow off)". */
export function sayTask({ kind, amount, note }: StepTask): string {
  const figure =
    amount === null
      ? ''
      : kind === 'sand'
        ? ` with ${amount} grit`
        : ` ${amount}${kind === 'wait' ? ' h' : ''}`;
  return `${TASK_WORDS[kind].toLowerCase()}${figure}${note ? ` (${note})` : ''}`;
}
