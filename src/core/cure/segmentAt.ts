import { moment } from '../units/index.ts';

/** The state among consecutive segments that holds at `now`: the last that has begun. */
export function segmentAt<T extends { fromMs: number }>(segments: readonly T[], now: number): T | undefined {
  moment('now', now);
  for (const { fromMs } of segments) moment('start of a state', fromMs);
  return segments.findLast((segment) => segment.fromMs <= now) ?? segments[0];
}
