import type { LabelSize } from '../../contract/index.ts';

/** Sizes of label, as they are offered. */
export const LABEL_SIZES_SAID: readonly (readonly [LabelSize, string])[] = [
  ['large', 'large, 8 on a sheet'],
  ['medium', 'medium, 14 on a sheet'],
  ['small', 'small, 24 on a sheet'],
];
