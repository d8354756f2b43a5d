import { positive, QuantityError, within } from '../units/index.ts';
import { dryMicrons } from './thickness.ts';

/** Dry film that a wet-film comb tells of: an interval, not a number. */
export interface CombFilm {
  lowMicrons: number;
  likelyMicrons: number;
  highMicrons: number;
}

/**
 * Dry film from a wet-film comb (ISO 2808, method 1A): the wet film is thicker than the last tooth wetted and thinner than the
 * first that stayed dry, its middle the likeliest. DFT = WFT × VS / (1 + t).
 *
 * `dryFromComb({ wetToothMicrons: 150, dryToothMicrons: 175, volumeSolids: 0.57, thinner: 0 })` → 85.5 to 99.75, likely 92.6.
 *
 * @param wetToothMicrons last tooth wetted, µm; 0: none was
 * @param dryToothMicrons first tooth that stayed dry, µm, above the one wetted
 * @param volumeSolids of the unthinned mixed paint, above 0 up to 1 (ISO 3233)
 * @param thinner as a fraction of the mixed paint’s volume, 0–0.5
 * @param paintShare share of the mix that is paint, where the sheet counts the reducer as a part; left out: 1
 * @throws {QuantityError} where the dry tooth is not above the wetted one, or solids or thinner are out of range
 */
export function dryFromComb(input: {
  wetToothMicrons: number;
  dryToothMicrons: number;
  volumeSolids: number;
  thinner?: number;
  paintShare?: number;
}): CombFilm {
  const { wetToothMicrons, dryToothMicrons, ...paint } = input;
  const wet = within('last tooth wetted (µm)', wetToothMicrons, 0, 10_000);
  const dry = positive('first dry tooth (µm)', dryToothMicrons, 10_000);
  if (dry <= wet) throw new QuantityError('first dry tooth (µm)', dry, `above the last tooth wetted, ${wet}`);
  const film = (wetMicrons: number) => dryMicrons({ ...paint, wetMicrons });
  return { lowMicrons: film(wet), likelyMicrons: film((wet + dry) / 2), highMicrons: film(dry) };
}
