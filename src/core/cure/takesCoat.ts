import { moment } from '../units/index.ts';
import type { WindowSegment, WindowState } from './chain.ts';

/** A stretch of time in which a film takes its next coat, ms; `toMs` Infinity: for good, or nobody knows until when. */
export interface CoatSpan {
  fromMs: number;
  toMs: number;
}

/** States in which the next coat may go on at once. A sheet that states no window rules nothing out. */
const TAKES: ReadonlySet<WindowState> = new Set(['thumb', 'open', 'keyed', 'not-stated']);

/**
 * When a film takes its next coat, from `now` on: its open window, and after the window has closed the time from which
 * it can be sanded. Stretches that touch are one.
 *
 * Too soon until 10:00, open until 20:00, then sanded first, which clogs the paper until 22:00:
 * 10:00–20:00 and 22:00 onwards.
 *
 * @param segments the film's states in order, as {@link windowsFor} gives them
 * @param now moments before are left out, ms
 * @param sandableMs from when it can be sanded, ms; null: at once
 * @param sandFirst whether it is sanded before the coat in any case
 * @throws {QuantityError} on a moment that is none
 */
export function takesCoat(input: {
  segments: readonly WindowSegment[];
  now: number;
  sandableMs: number | null;
  sandFirst: boolean;
}): CoatSpan[] {
  const now = moment('now', input.now);
  const sandable =
    input.sandableMs === null
      ? Number.NEGATIVE_INFINITY
      : moment('time from which it can be sanded', input.sandableMs);
  const spans: CoatSpan[] = [];
  for (const { state, fromMs, toMs } of input.segments) {
    moment('start of a window', fromMs);
    if (toMs !== null) moment('end of a window', toMs);
    const sanded = state === 'key-first';
    if (!sanded && !TAKES.has(state)) continue;
    const from = Math.max(now, fromMs, sanded || input.sandFirst ? sandable : now);
    const to = toMs ?? Number.POSITIVE_INFINITY;
    if (from > to) continue;
    const last = spans.at(-1);
    if (last && last.toMs >= from) last.toMs = to;
    else spans.push({ fromMs: from, toMs: to });
  }
  return spans;
}
