/** What a film offers its next coat. */
export type WindowState =
  | 'too-soon'
  | 'thumb'
  | 'open'
  | 'key-first'
  /** Abraded: the next coat bonds by tooth, however long it waits. */
  | 'keyed'
  | 'closed'
  /** The water: the sheet states by when, not from when. */
  | 'earliest-not-stated'
  | 'not-stated';

/** A stretch of time in one state. */
export interface WindowSegment {
  state: WindowState;
  fromMs: number;
  /** null: for good, or not known. */
  toMs: number | null;
}

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
