import type { HandFinding } from '../../core/cure/index.ts';
import type { LayOrder, RemovalWay } from '../../core/system/index.ts';
import { t } from '../../words.ts';

export { METHOD_WORDS, sayTask, TASK_WORDS } from '../../contract/words.ts';

/** Steps, methods and work in words. */

export const ORDER_WORDS: Record<LayOrder, string> = {
  'bottom-up': t`bottom up`,
  'top-down': t`top down`,
};

/** Results of a hand test. */
export const FOUND_WORDS: Record<HandFinding, string> = {
  sticks: t`sticky to the thumb`,
  prints: t`thumb leaves a print but nothing sticks`,
  'no-print': t`thumb leaves no print`,
  dents: t`fingernail leaves a dent`,
  hard: t`fingernail leaves no dent`,
  clogs: t`clogs the sandpaper`,
  powders: t`sands to a powder`,
};

/** How coats are taken off again. */
export const WAY_OFF_WORDS: Record<RemovalWay, string> = {
  sanded: t`Sanded off`,
  scraped: t`Scraped off`,
  stripped: t`Stripped`,
  blasted: t`Blasted off`,
};
