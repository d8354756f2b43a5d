import { QuantityError, within } from '../units/index.ts';
import { type Site, sunPlace } from './skyAndSun.ts';

const STEP_MS = 1_800_000;
const DAY_MS = 24 * 3_600_000;
/** Sunset and sunrise are found to this. */
const EDGE_MS = 60_000;

/**
 * The nights of a stretch of time: from when the middle of the sun goes below the horizon to when it comes up again, cut at
 * the ends of the stretch. A polar day has none, a polar night one.
 *
 * @throws {QuantityError} on a stretch out of its order or longer than 400 days, or a place that is none
 */
export function nightsBetween(fromMs: number, toMs: number, site: Site): { fromMs: number; toMs: number }[] {
  const isNight = (at: number) => sunPlace(at, site).cosZenith <= 0;
  const first = isNight(fromMs);
  isNight(toMs);
  if (toMs < fromMs) throw new QuantityError('End of the period', toMs, `${fromMs} or later`);
  within('Length of the period (days)', (toMs - fromMs) / DAY_MS, 0, 400);
  const turn = (before: number, after: number): number => {
    let [low, high] = [before, after];
    while (high - low > EDGE_MS) {
      const middle = (low + high) / 2;
      if (isNight(middle) === isNight(low)) low = middle;
      else high = middle;
    }
    return Math.round(high);
  };
  const nights: { fromMs: number; toMs: number }[] = [];
  let begun = first ? fromMs : null;
  for (let at = fromMs; at < toMs; at += STEP_MS) {
    const next = Math.min(toMs, at + STEP_MS);
    if (isNight(next) === (begun !== null)) continue;
    const edge = turn(at, next);
    if (begun === null) begun = edge;
    else {
      nights.push({ fromMs: begun, toMs: edge });
      begun = null;
    }
  }
  if (begun !== null) nights.push({ fromMs: begun, toMs });
  return nights;
}
