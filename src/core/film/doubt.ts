import { within } from '../units/index.ts';

/** What litres may be wrong by: one set of figures for plan, bench and purchase. */

/** Half of a span that is read as holding nine in ten, in standard deviations [M: how a "±" of the yard is read]. */
export const SPAN_SD = 1.645;
/** Nine in ten, one side of the normal distribution, in standard deviations [S: any table of it]. */
const SAFE_SD = 1.2816;
/** Standard deviation of the logarithm between one coat and the next of a kind, and between kinds and their sheets [M]. */
export const COAT_SCATTER = 0.1;
export const KIND_SPREAD = 0.08;

/**
 * The amount that is enough with 90 % certainty, of an amount with a standard deviation: the 90 % point of the log-normal distribution, since coats
 * take a tenth more as often as a tenth less. 10 l ± 1 l: 11.37 l.
 *
 * @throws {QuantityError} on an amount or a deviation that cannot be
 */
export function enoughNineInTen(likely: number, sd: number): number {
  within('likely amount', likely, 0, 1e9);
  within('standard deviation of it', sd, 0, 1e9);
  return likely > 0 ? likely * Math.exp((SAFE_SD * sd) / likely) : likely;
}

/**
 * What all coats of a kind may be wrong by together, as a fraction: the span of the method's loss, beside how far kinds lie from their
 * sheets, and what sealing or texture takes more.
 *
 * @param upper litres at the upper loss against those at the likely one
 * @param rough litres that what lies below may take more, against the likely ones, at the upper end of its span
 * @throws {QuantityError} on times that cannot be
 */
export const kindDoubt = (upper: number, rough: number): number =>
  Math.hypot(
    Math.max(0, within('litres at the upper loss', upper, 0, 100) - 1) / SPAN_SD,
    KIND_SPREAD,
    Math.max(0, within('litres at most below', rough, 0, 100) - 1) / SPAN_SD,
  );
