import { moment } from '../units/index.ts';
import type { WindowState } from './windows.ts';

/** Any state an area can be in: those of a film's window, and those without one. */
export type AreaState = WindowState | 'bare' | 'finished' | 'no-system' | 'no-weather' | 'hidden' | 'failed';

/** States in which nothing runs out, in the order a foreman would look at them. */
const STILL: Partial<Record<AreaState, number>> = {
  failed: 0,
  'key-first': 1,
  closed: 2,
  'not-stated': 3,
  'no-weather': 4,
  bare: 5,
  finished: 6,
  'no-system': 7,
  hidden: 8,
};

const LATER = 1e15;

/**
 * When an area's window is decided, ms, to sort by: what opens or closes soonest first, what is open for good after
 * that, and lines without a running time last. An open window that closes at 10:00 gives 10:00.
 */
export function urgencyMs(clock: { state: AreaState; untilMs: number | null }): number {
  if (clock.untilMs !== null) moment('end of a state', clock.untilMs);
  // Bare steel that was blasted runs out like a window.
  if (clock.state === 'bare' && clock.untilMs !== null) return Math.min(clock.untilMs, LATER);
  const rank = STILL[clock.state];
  if (rank !== undefined) return LATER + rank;
  return clock.untilMs === null ? LATER : Math.min(clock.untilMs, LATER);
}
