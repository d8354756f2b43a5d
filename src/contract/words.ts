import type { Method } from '../core/film/index.ts';
import type { StepTask, TaskKind } from '../core/system/index.ts';
import { t } from '../words.ts';

/** Words that both the screens and the printed documents use. */

export const METHOD_WORDS: Record<Method, string> = {
  brush: t`Brush`,
  roller: t`Roller`,
  'roll-and-tip': t`Roll and tip`,
  'conventional-spray': t`Conventional spray`,
  'airless-spray': t`Airless spray`,
  trowel: t`Trowel or board`,
  aerosol: t`Spray can`,
};

export const TASK_WORDS: Record<TaskKind, string> = {
  prepare: t`Prepare`,
  wash: t`Wash`,
  sand: t`Sand`,
  wait: t`Wait`,
  inspect: t`Inspect`,
  aggregate: t`Aggregate`,
};

/** A task as said in a line: "sand 180 grit (blow off)". */
export function sayTask({ kind, amount, note }: StepTask): string {
  const figure =
    amount === null
      ? ''
      : kind === 'sand'
        ? t` with ${amount} grit`
        : ` ${amount}${kind === 'wait' ? ' h' : ''}`;
  return `${TASK_WORDS[kind].toLowerCase()}${figure}${note ? ` (${note})` : ''}`;
}
