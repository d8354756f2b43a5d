/** The state among consecutive segments that holds at `now`: the last that has begun. */
export function segmentAt<T extends { fromMs: number }>(segments: readonly T[], now: number): T | undefined {
  return segments.findLast((segment) => segment.fromMs <= now) ?? segments[0];
}
