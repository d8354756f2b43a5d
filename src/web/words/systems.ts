import type { HandFinding } from '../../core/cure/index.ts';
import type { Method } from '../../core/film/index.ts';
import type { LayOrder, RemovalWay, StepTask, TaskKind } from '../../core/system/index.ts';

/** Steps, methods and work in words. */

export const METHOD_WORDS: Record<Method, string> = {
  brush: 'Brush',
  roller: 'Roller',
  'roll-and-tip': 'Roll and tip',
  'conventional-spray': 'Conventional spray',
  'airless-spray': 'Airless spray',
  trowel: 'Trowel or board',
  aerosol: 'Spray can',
};

export const ORDER_WORDS: Record<LayOrder, string> = {
  'bottom-up': 'bottom up',
  'top-down': 'top down',
};

export const TASK_WORDS: Record<TaskKind, string> = {
  prepare: 'Prepare',
  wash: 'Wash',
  sand: 'Sand',
  wait: 'Wait',
  inspect: 'Inspect',
  aggregate: 'Aggregate',
};

/** Results of a hand test. */
export const FOUND_WORDS: Record<HandFinding, string> = {
  sticks: 'sticky to the thumb',
  prints: 'thumb leaves a print but nothing sticks',
  'no-print': 'thumb leaves no print',
  dents: 'fingernail leaves a dent',
  hard: 'fingernail leaves no dent',
  clogs: 'clogs the sandpaper',
  powders: 'sands to a powder',
};

/** How coats are taken off again. */
export const WAY_OFF_WORDS: Record<RemovalWay, string> = {
  sanded: 'Sanded off',
  scraped: 'Scraped off',
  stripped: 'Stripped',
  blasted: 'Blasted off',
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
