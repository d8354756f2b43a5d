import { positive } from '../units/index.ts';
import { METHODS, type Method, TYPICAL_RATE_M2_PER_H } from './quantity.ts';
import { meanOf, withoutOutliers } from './robust.ts';

/** Metres of edge masked in an hour [T, handbook part 19]. */
export const MASK_M_PER_H = 12;

/** How long a coat took to apply. */
export interface CoatTime {
  method: Method;
  areaM2: number;
  hours: number;
}

/** How fast coats are applied here by one method. */
export interface WorkRate {
  method: Method;
  m2PerH: number;
  /** Coats that it is learned from; 0: the typical rate. */
  coats: number;
}

/** m²/h by method. */
export type WorkRates = Readonly<Record<Method, number>>;

/** The typical rates, and the yard’s own where it has set them. @throws {QuantityError} on a rate that cannot be */
export function workRates(own: Readonly<Partial<Record<Method, number>>>): WorkRates {
  for (const rate of Object.values(own)) positive('work rate (m²/h)', rate, 100_000);
  return { ...TYPICAL_RATE_M2_PER_H, ...own };
}

/** How far yards lie from the typical rate, and coats of a yard from each other: standard deviations of the logarithm [M]. */
const BETWEEN = 0.3;
const WITHIN = 0.3;
/** Fewer coats than this change nothing. */
const FEWEST = 3;
/** Smaller or quicker than this, getting there takes longer than the coat: nothing is learned from it. */
const LEAST_M2 = 1;
const LEAST_HOURS = 0.1;

/**
 * How fast this yard applies coats by each method, drawn to the typical rate while coats are few (empirical Bayes, normal errors of
 * the logarithm, as {@link learnSpread}): rate = typical × exp(w × mean), w = n·0.3² / (n·0.3² + 0.3²) = n / (n + 1). Coats too far from
 * the others are left out; fewer than three, patches below 1 m² and coats done in six minutes say nothing.
 *
 * Three coats rolled at 6 m²/h, the typical rate 12: 12 × exp(0.75 × ln 0.5) = 7.1 m²/h.
 *
 * @throws {QuantityError} on an area or time that cannot be
 */
export function learnWorkRates(coats: readonly CoatTime[]): WorkRate[] {
  const logs = new Map<Method, { log: number }[]>();
  for (const { method, areaM2, hours } of coats) {
    positive('area of a coat', areaM2, 100_000);
    positive('hours of a coat', hours, 10_000);
    if (areaM2 < LEAST_M2 || hours < LEAST_HOURS) continue;
    const log = Math.log(areaM2 / hours / TYPICAL_RATE_M2_PER_H[method]);
    const of = logs.get(method);
    if (of) of.push({ log });
    else logs.set(method, [{ log }]);
  }
  return METHODS.map((method) => {
    const { used } = withoutOutliers(logs.get(method) ?? [], WITHIN);
    const typical = TYPICAL_RATE_M2_PER_H[method];
    if (used.length < FEWEST) return { method, m2PerH: typical, coats: 0 };
    const weight = (used.length * BETWEEN ** 2) / (used.length * BETWEEN ** 2 + WITHIN ** 2);
    return { method, m2PerH: typical * Math.exp(weight * meanOf(used)), coats: used.length };
  });
}
