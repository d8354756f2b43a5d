import type { HandFinding } from '../../core/cure/index.ts';
import type { LayOrder, RemovalWay } from '../../core/system/index.ts';

export { METHOD_WORDS, sayTask, TASK_WORDS } from '../../contract/words.ts';

/** Steps, methods and work in words. */

export const ORDER_WORDS: Record<LayOrder, string> = {
  'bottom-up': 'bottom up',
  'top-down': 'top down',
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
