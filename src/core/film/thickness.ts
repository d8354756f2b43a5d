import { positive, within } from '../units/index.ts';

interface Thinned {
  /** Volume solids of the unthinned mixed paint, above 0 up to 1 (ISO 3233). */
  volumeSolids: number;
  /** Thinner as a fraction of the mixed paint's volume, 0–0.5. */
  thinner?: number;
  /** Share of the mix that is paint, where the data sheet counts the reducer as a part: 0.75 of 2 : 1 : 1; left out: 1. */
  paintShare?: number;
}

function solidsAsApplied({ volumeSolids, thinner = 0, paintShare = 1 }: Thinned): number {
  positive('volume solids', volumeSolids, 1);
  within('thinner', thinner, 0, 0.5);
  return (volumeSolids * positive('share of paint in the mix', paintShare, 1)) / (1 + thinner);
}

/**
 * Wet film that dries to `dryMicrons`: WFT = DFT × (1 + t) / VS.
 *
 * `wetMicrons({ dryMicrons: 500, volumeSolids: 0.71 })` → 704. 45 µm at 48 %, mixed 2 : 1 : 1 with reducer: 125.
 *
 * @throws {QuantityError} for solids outside 0–1 or thinner outside 0–0.5
 */
export function wetMicrons(input: Thinned & { dryMicrons: number }): number {
  return within('dry film', input.dryMicrons, 0, 20_000) / solidsAsApplied(input);
}

/** Dry film left by `wetMicrons` of wet film: the inverse of {@link wetMicrons}. 175 µm at 57 % → 100 µm. */
export function dryMicrons(input: Thinned & { wetMicrons: number }): number {
  return within('wet film', input.wetMicrons, 0, 40_000) * solidsAsApplied(input);
}

/**
 * Theoretical spreading rate, m² per litre of unthinned paint: 1000 × VS / DFT
 * [S: any coatings handbook; 1 mil and 1 US gal give 1604 ft²].
 */
export function spreadingRateM2PerL(input: { dryMicrons: number; volumeSolids: number }): number {
  positive('volume solids', input.volumeSolids, 1);
  return (1000 * input.volumeSolids) / positive('dry film', input.dryMicrons, 20_000);
}
