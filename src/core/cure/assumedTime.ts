import type { ReadyCurve } from './curve.ts';
import { lineArrival, lineShare, ROUNDING } from './lineClock.ts';
import { HOUR_MS } from './series.ts';

/** The clock beyond the ends of what is known, where one day is assumed again and again. */

/** Share of the event done in a whole such day. */
export function shareOfDay(ready: ReadyCurve, day: readonly number[]): number {
  let share = 0;
  for (let h = 0; h < day.length - 1; h++) share += lineShare(ready, day[h] as number, day[h + 1] as number);
  return share;
}

/** Share of the event done within a time counted from the end of what is known, ms. */
export function shareWithin(ready: ReadyCurve, day: readonly number[], ms: number): number {
  const hours = day.length - 1;
  const days = Math.floor(ms / (hours * HOUR_MS));
  let share = days === 0 ? 0 : days * shareOfDay(ready, day);
  let left = ms / HOUR_MS - days * hours;
  for (let h = 0; h < hours && left > 0; h++) {
    share += lineShare(ready, day[h] as number, day[h + 1] as number, 0, Math.min(1, left));
    left -= 1;
  }
  return share;
}

/** How long after the end of what is known what is `left` of the event is done, ms; null: never, the clock stands in all of the day. */
export function timeUntil(ready: ReadyCurve, day: readonly number[], left: number): number | null {
  if (left <= ROUNDING) return 0;
  const perDay = shareOfDay(ready, day);
  if (!(perDay > 0)) return null;
  const hours = day.length - 1;
  const days = Math.max(0, Math.ceil(left / perDay) - 1);
  let rest = left - days * perDay;
  for (let h = 0; h < hours; h++) {
    const [fromC, toC] = [day[h] as number, day[h + 1] as number];
    const x = lineArrival(ready, fromC, toC, 0, rest);
    if (x !== null) return (days * hours + h + x) * HOUR_MS;
    rest -= lineShare(ready, fromC, toC);
  }
  // What rounding left of the last hour.
  return (days + 1) * hours * HOUR_MS;
}

/** The stretches of such days between two times counted from the end of what is known, nearest first, each within one day. */
export function assumedStretches(
  ready: ReadyCurve,
  day: readonly number[],
  fromMs: number,
  toMs: number,
): { fromMs: number; toMs: number; share: number }[] {
  const dayMs = (day.length - 1) * HOUR_MS;
  const stretches: { fromMs: number; toMs: number; share: number }[] = [];
  let at = fromMs;
  let done = shareWithin(ready, day, fromMs);
  while (at < toMs) {
    const next = Math.min(toMs, (Math.floor(at / dayMs) + 1) * dayMs);
    const then = shareWithin(ready, day, next);
    stretches.push({ fromMs: at, toMs: next, share: then - done });
    [at, done] = [next, then];
  }
  return stretches;
}

/** Mean temperature of such a day, °C. */
export const meanOfDay = (day: readonly number[]): number =>
  day.slice(1).reduce((sum, tempC) => sum + tempC, 0) / (day.length - 1);
