import type { LabelSize } from '../../contract/index.ts';

/** Sizes of label, as they are offered. */
export const LABEL_SIZES_SAID: readonly (readonly [LabelSize, string])[] = [
  ['large', 'Large (8 per sheet)'],
  ['medium', 'Medium (14 per sheet)'],
  ['small', 'Small (24 per sheet)'],
];
