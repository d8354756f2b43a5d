import type { WindowSegment, WindowState } from './windows.ts';

/**
 * Joins states end to end. A state whose end is null lasts for good; one whose end is already past when it
 * would begin (a window that closes before the last corner may be overcoated) is left out.
 */
export function chain(
  startMs: number,
  states: readonly (readonly [WindowState, number | null])[],
): WindowSegment[] {
  const segments: WindowSegment[] = [];
  let fromMs = startMs;
  for (const [state, toMs] of states) {
    if (toMs !== null && toMs <= fromMs) continue;
    segments.push({ state, fromMs, toMs });
    if (toMs === null) break;
    fromMs = toMs;
  }
  return segments;
}
