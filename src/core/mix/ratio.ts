import { NotStatedError, positive, QuantityError } from '../units/index.ts';

/** Whether a sheet states its ratio by volume or by weight; the two are never taken for each other. */
export type RatioBasis = 'volume' | 'weight';

/** One part of a mix as the sheet gives it. The first is the base, the second the hardener. */
export interface MixPart {
  name: string;
  /** Parts, e.g. 2 in 2 : 1. */
  ratio: number;
  /** kg/l; null: not stated, and then volume and weight cannot be changed into each other. */
  densityKgPerL: number | null;
  /** The reducer, where the sheet counts it as a part (2 : 1 : 1): mixed in, but no paint. Left out: a part of the paint. */
  reducer?: boolean;
}

/**
 * Share of the mix's volume that is paint, reducer counted as a part left out: 0.75 of 2 : 1 : 1 by volume whose last part is
 * the reducer; 1 where none is.
 *
 * @throws {QuantityError} as {@link shares}; or where nothing but reducer is left
 */
export function unthinnedShare(input: { parts: readonly MixPart[]; by: RatioBasis }): number {
  const { parts, by } = input;
  if (!parts.some(({ reducer }) => reducer)) return 1;
  const volume = shares({ parts, by, as: 'volume' });
  return positive(
    'share of paint in the mix',
    volume.reduce((sum, each, i) => sum + (parts[i]?.reducer ? 0 : each), 0),
    1,
  );
}

/**
 * The parts at another ratio than the sheet's, on purpose: 6 : 5 where the tin says 1 : 1.
 *
 * @throws {QuantityError} where the count of parts differs or one is none
 */
export function atOwnRatio(parts: readonly MixPart[], own: readonly number[]): MixPart[] {
  if (own.length !== parts.length)
    throw new QuantityError(
      'number of parts in the custom ratio',
      own.length,
      `${parts.length}, as on the data sheet`,
    );
  return parts.map((part, i) => {
    if (part.densityKgPerL !== null) positive(`density of ${part.name}`, part.densityKgPerL, 25);
    return { ...part, ratio: positive(`parts of ${part.name}`, own[i] as number, 1000) };
  });
}

/**
 * The ratio of the parts in the other or the same basis, normalised to sum to 1.
 *
 * m_B/m_A = (V_B/V_A) × ρ_B/ρ_A. `shares({ parts: [2 @ 1.5 kg/l, 1 @ 1.0 kg/l], by: 'volume', as: 'weight' })`
 * → [0.75, 0.25].
 *
 * @throws {QuantityError} for a part of 0 or a missing density that is needed
 */
export function shares(input: { parts: readonly MixPart[]; by: RatioBasis; as: RatioBasis }): number[] {
  const { parts, by, as } = input;
  if (parts.length === 0) throw new QuantityError('number of parts', 0, '1 or more');
  const amounts = parts.map((part) => {
    const ratio = positive(`parts of ${part.name}`, part.ratio, 1000);
    if (by === as) return ratio;
    if (part.densityKgPerL === null) {
      throw new NotStatedError(`density of ${part.name}`, `on the data sheet to pour a ${by} ratio by ${as}`);
    }
    const density = positive(`density of ${part.name}`, part.densityKgPerL, 25);
    return as === 'weight' ? ratio * density : ratio / density;
  });
  const sum = amounts.reduce((total, amount) => total + amount, 0);
  return amounts.map((amount) => amount / sum);
}
