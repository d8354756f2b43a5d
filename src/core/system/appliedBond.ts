import type { WindowState } from '../cure/index.ts';
import type { Family } from './families.ts';
import type { Bond } from './rules.ts';

/** How a coat that lies really holds to the one below it, and what was done wrong, as far as the log tells. */
export interface AppliedBond {
  bond: Bond;
  /** Applied before the overcoat minimum: solvent trapped. Applied after the window with no sanding logged: it only lies there. */
  fault: 'too-soon' | 'not-keyed' | null;
}

/**
 * The joint of two coats as applied [T, handbook part 5]: inside the window they fuse, sanded they hold by tooth, after a
 * missed window with nothing logged they don’t adhere; a tie coat adheres to any coat.
 *
 * Barrier applied two days after its window closed, 120 grit logged: keyed. Without it: none, not-keyed.
 *
 * @param state the window of the coat below when application began
 * @returns null where the sheet gives no window to judge by
 */
export function appliedBond(input: {
  below: Family;
  coat: Family;
  state: WindowState;
  sanded: boolean;
}): AppliedBond | null {
  const { below, coat, state, sanded } = input;
  const fault = state === 'too-soon' ? 'too-soon' : null;
  if (below === 'tie-coat' || coat === 'tie-coat') return { bond: 'tie', fault };
  if (sanded) return { bond: 'keyed', fault };
  if (state === 'key-first') return { bond: 'none', fault: 'not-keyed' };
  return state === 'not-stated' || state === 'closed' ? null : { bond: 'fused', fault };
}
