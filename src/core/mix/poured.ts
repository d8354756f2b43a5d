import { finite, positive, QuantityError, within } from '../units/index.ts';
import { MIX_KG_PER_L } from './batch.ts';
import { type MixPart, type RatioBasis, shares } from './ratio.ts';

/** A pot as it was really poured. */
export interface Poured {
  /** Paint in it without any reducer, l. */
  litres: number;
  /** Its litres are told from its grams by {@link MIX_KG_PER_L}, since a density isn’t stated. */
  litresEstimated: boolean;
  /** The largest deviation of any part against the first from the ratio; + means too much of it. */
  ratioError: number;
}

/**
 * The paint in a pot as it was really poured, and how far its ratio is off, measured against the first part.
 *
 * 400 ml of base and 250 ml of hardener of a 2 : 1 → 0.65 l, +25 %: a quarter too much hardener.
 *
 * @param by basis of the ratio
 * @param measure basis of the amounts
 * @param amounts of each part, above 0, g or ml
 * @throws {QuantityError} on an amount of 0, another number of amounts than of parts, or a density that is needed and not stated
 */
export function pouredPot(input: {
  parts: readonly MixPart[];
  by: RatioBasis;
  measure: RatioBasis;
  amounts: readonly number[];
}): Poured {
  const { parts, by, measure } = input;
  if (input.amounts.length !== parts.length)
    throw new QuantityError('number of amounts poured', input.amounts.length, `${parts.length}, one a part`);
  const share = shares({ parts, by, as: measure });
  const amounts = parts.map(({ name }, i) => positive(`${name} poured`, input.amounts[i] as number, 1e7));
  const first = (amounts[0] as number) / (share[0] as number);
  const errors = amounts.map((amount, i) => amount / (share[i] as number) / first - 1);
  const ratioError = errors.reduce((worst, each) => (Math.abs(each) > Math.abs(worst) ? each : worst), 0);
  finite('ratio error', ratioError);
  const paint = parts.map((part, i) => ({ ...part, amount: amounts[i] as number })).filter((p) => !p.reducer);
  const litresEstimated = measure === 'weight' && parts.some(({ densityKgPerL }) => densityKgPerL === null);
  const litres = litresEstimated
    ? amounts.reduce((sum, each) => sum + each, 0) / 1000 / MIX_KG_PER_L
    : paint.reduce(
        (sum, { amount, densityKgPerL }) =>
          sum +
          amount / 1000 / (measure === 'weight' ? within('density', densityKgPerL as number, 0.1, 25) : 1),
        0,
      );
  return { litres, litresEstimated, ratioError };
}
