import type { HandFinding } from '../core/cure/index.ts';

/** Hand tests on the top coat, and how they change its cure times. */
export interface HandView {
  tests: { entryId: string; at: string; found: HandFinding }[];
  /** Times as fast as its sheet; 1: the sheet and the hand agree. */
  factor: number;
  /** As `factor`, for what must be done by then. */
  mustFactor: number;
  /** When something last stuck to it; null: nothing does, as far as is known. */
  stuckAt: string | null;
  /** It sticks long after its sheet says it is dry: not slow, but wrong. */
  notCuring: boolean;
  low: number;
  high: number;
  /** Two tests cannot both be true: the last one counts. */
  contradicts: boolean;
  /** No event of its sheet says what was found: the clock is as it was. */
  silent: boolean;
  /** When what comes next may go on by the sheet alone, and now; null: not known. */
  opensBySheet: string | null;
  opensNow: string | null;
  /** Tests or their undoing wait on this device: the clock does not know them yet. Never from the server. */
  waits?: boolean;
}
