import { finite, positive, QuantityError, within } from '../units/index.ts';

/** Where a pot stands while its parts are poured. */
export interface PourAdvice {
  /**
   * `pouring` while a part is still at 0, `in-ratio` within the tolerance, `add` where the ratio can be made exact, and
   * `discard` where making it exact would pass the largest pot.
   */
  state: 'pouring' | 'in-ratio' | 'add' | 'discard';
  /** What each part still needs so that the ratio is exact, never below 0, in the unit of `poured`. */
  add: number[];
  /** Largest deviation of a part’s share of the pot from its share by the ratio, as a fraction; 0 while nothing is poured. */
  error: number;
  /** In the pot now, in the unit of `poured`. */
  total: number;
}

/** The rounding error of an exact mix, which counts as zero. */
const ROUNDING = 1e-9;

/**
 * What to add to a pot that was not poured as planned. The part poured furthest, measured by its ratio, sets the size of the
 * pot: it can’t be taken out again, so every other part is brought up to it.
 *
 * `correctPour({ parts: 2 : 1, poured: [400, 250], tolerance: 0.05 })` → add 100 of the base: 500 and 250 are 2 : 1. With
 * `wanted: { maxTotal: 700 }` it is `discard`, since the pot would hold 750.
 *
 * @param parts ratio of each part, in the measure of `poured` (by volume: ml, by weight: g)
 * @param poured what is really in the pot, of each part, 0 or more
 * @param tolerance allowed deviation as a fraction, 0 to 0.5; the usual one is 0.05 [T]
 * @param wanted its `maxTotal` is the largest amount in the pot, by its size, the pot life or the area left
 * @throws {QuantityError} on a ratio of 0, an amount below 0 or another number of amounts than of parts
 */
export function correctPour(input: {
  parts: readonly { name: string; ratio: number }[];
  poured: readonly number[];
  tolerance: number;
  wanted?: { maxTotal?: number };
}): PourAdvice {
  const { parts } = input;
  if (parts.length === 0) throw new QuantityError('number of parts', 0, '1 or more');
  if (input.poured.length !== parts.length)
    throw new QuantityError('number of amounts poured', input.poured.length, `${parts.length}, one a part`);
  const tolerance = within('ratio tolerance', input.tolerance, 0, 0.5);
  const ratios = parts.map(({ name, ratio }) => positive(`parts of ${name}`, ratio, 1000));
  const poured = parts.map(({ name }, i) => within(`${name} poured`, input.poured[i] as number, 0, 1e7));
  const most = input.wanted?.maxTotal;
  const total = sum(poured);
  const perPart = Math.max(...poured.map((amount, i) => amount / (ratios[i] as number)));
  const add = poured.map((amount, i) => {
    const short = perPart * (ratios[i] as number) - amount;
    return short > ROUNDING * perPart * (ratios[i] as number) ? short : 0;
  });
  finite('amount to add', sum(add));
  const whole = sum(ratios);
  const error =
    total === 0
      ? 0
      : Math.max(
          ...poured.map((amount, i) => Math.abs((amount / total) * (whole / (ratios[i] as number)) - 1)),
        );
  const advice = { add, error: error < ROUNDING ? 0 : error, total };
  if (poured.some((amount) => amount === 0)) return { state: 'pouring', ...advice };
  if (error <= tolerance + ROUNDING) return { state: 'in-ratio', ...advice };
  const limit = most === undefined ? Number.POSITIVE_INFINITY : positive('most in the pot', most, 1e7);
  return { state: total + sum(add) > limit * (1 + ROUNDING) ? 'discard' : 'add', ...advice };
}

const sum = (amounts: readonly number[]): number => amounts.reduce((all, each) => all + each, 0);
