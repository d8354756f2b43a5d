import { positive, QuantityError } from '../units/index.ts';

/** Whether a sheet states its ratio by volume or by weight; the two are never taken for each other. */
export type RatioBasis = 'volume' | 'weight';

/** One part of a mix as the sheet gives it. The first is the base, the second the hardener. */
export interface MixPart {
  name: string;
  /** Parts, e.g. 2 in 2 : 1. */
  ratio: number;
  /** kg/l; null: not stated, and then volume and weight cannot be changed into each other. */
  densityKgPerL: number | null;
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
  if (parts.length === 0) throw new QuantityError('mix', 'without parts', '1 part or more');
  const amounts = parts.map((part) => {
    const ratio = positive(`parts of ${part.name}`, part.ratio, 1000);
    if (by === as) return ratio;
    if (part.densityKgPerL === null) {
      throw new QuantityError(
        `density of ${part.name}`,
        'not stated',
        `what a ${by} ratio needs to be poured by ${as}`,
      );
    }
    const density = positive(`density of ${part.name}`, part.densityKgPerL, 25);
    return as === 'weight' ? ratio * density : ratio / density;
  });
  const sum = amounts.reduce((total, amount) => total + amount, 0);
  return amounts.map((amount) => amount / sum);
}
