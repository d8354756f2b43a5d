import type { LabelSize } from '../../contract/index.ts';
import { t } from '../../words.ts';

/** Sizes of label, as they are offered. */
export const LABEL_SIZES_SAID: readonly (readonly [LabelSize, string])[] = [
  ['large', t`Large (8 per sheet)`],
  ['medium', t`Medium (14 per sheet)`],
  ['small', t`Small (24 per sheet)`],
];
