import {
  atOwnRatio,
  MIX_KG_PER_L,
  type MixPart,
  type RatioBasis,
  shares,
  unthinnedShare,
} from '../mix/index.ts';
import { memoised, positive } from '../units/index.ts';
import type { NeedLine } from './lineNeed.ts';

/** Shares of a sheet by its own ratio, worked out once for all its lines. */
const sharesOfSheet = memoised((sheet: NeedLine['sheet']) => sharesOf({ sheet, ownParts: null }));

/** Of the mixed paint of a line the share that each part is, by volume or, lacking densities, by weight. */
export const partShares = (line: Pick<NeedLine, 'sheet' | 'ownParts'>): ReturnType<typeof sharesOf> =>
  line.ownParts ? sharesOf(line) : sharesOfSheet(line.sheet);

function sharesOf({ sheet, ownParts }: Pick<NeedLine, 'sheet' | 'ownParts'>): {
  unit: 'l' | 'kg';
  parts: readonly MixPart[];
  perLitre: number[];
} {
  const parts = ownParts ? atOwnRatio(sheet.parts, ownParts) : sheet.parts;
  return { parts, ...perLitreOfPaint(parts, sheet.ratioBy) };
}

/**
 * Of each part what one litre of mixed paint without reducer takes: 2 : 1 by volume → ⅔ and ⅓ l. A ratio by weight without
 * densities is told in kg, the mix taken at {@link MIX_KG_PER_L}; a single part is a litre of itself.
 */
export function perLitreOfPaint(
  parts: readonly MixPart[],
  by: RatioBasis,
): { unit: 'l' | 'kg'; perLitre: number[] } {
  if (parts.length === 1) return { unit: 'l', perLitre: [1] };
  const byWeight = by === 'weight' && parts.some(({ densityKgPerL }) => densityKgPerL === null);
  if (byWeight) {
    const weight = shares({ parts, by, as: 'weight' });
    const paint = weight.reduce((sum, each, i) => sum + (parts[i]?.reducer ? 0 : each), 0);
    return { unit: 'kg', perLitre: weight.map((each) => (each / paint) * MIX_KG_PER_L) };
  }
  const paint = unthinnedShare({ parts, by });
  return { unit: 'l', perLitre: shares({ parts, by, as: 'volume' }).map((each) => each / paint) };
}

/**
 * The litres of each part in a kit of a given size, all parts together: 3 l of 2 : 1 → 2 and 1 l; of 2 : 1 : 1
 * with its reducer 1.5, 0.75 and 0.75. A ratio by weight without densities is told in kg.
 *
 * @throws {QuantityError} on parts or litres that cannot be
 */
export function kitContents(
  parts: readonly MixPart[],
  by: RatioBasis,
  litres: number,
): { unit: 'l' | 'kg'; amounts: number[] } {
  const whole = positive('Litres in the kit', litres, 1e5);
  const { unit, perLitre } = perLitreOfPaint(parts, by);
  const all = perLitre.reduce((sum, each) => sum + each, 0);
  const size = unit === 'kg' ? whole * MIX_KG_PER_L : whole;
  return { unit, amounts: perLitre.map((each) => (each / all) * size) };
}
