import type { Bond, Mark, Verdict } from '../../core/system/index.ts';

export const VERDICT_WORDS: Record<Verdict, string> = {
  fine: 'OK',
  condition: 'OK if',
  no: 'not allowed',
};
/** The three verdicts as marks, so that none is told by colour alone. */
export const VERDICT_SIGNS: Record<Verdict, string> = { fine: '✓', condition: '!', no: '✕' };

export const BOND_WORDS: Record<Bond, string> = {
  fused: 'chemical bond (inside the overcoat window)',
  keyed: 'mechanical bond (sanded)',
  tie: 'bond through a tie coat',
  none: 'no bond',
};

export const MARK_WORDS: Record<Mark, string> = {
  S: 'standard',
  T: 'common practice',
  M: 'from memory',
  P: 'the product’s sheet',
};
