import type { Bond, Mark, Verdict } from '../../core/system/index.ts';
import { t } from '../../words.ts';

export const VERDICT_WORDS: Record<Verdict, string> = {
  fine: 'OK',
  condition: t`OK if`,
  no: t`not allowed`,
};
/** The three verdicts as marks, so that none is told by colour alone. */
export const VERDICT_SIGNS: Record<Verdict, string> = { fine: '✓', condition: '!', no: '✕' };

export const BOND_WORDS: Record<Bond, string> = {
  fused: t`chemical bond (inside the overcoat window)`,
  keyed: t`mechanical bond (sanded)`,
  tie: t`bond through a tie coat`,
  none: t`no bond`,
};

export const MARK_WORDS: Record<Mark, string> = {
  S: 'standard',
  T: t`common practice`,
  M: t`from memory`,
  P: t`the product’s sheet`,
};
