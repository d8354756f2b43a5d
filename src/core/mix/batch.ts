import { positive } from '../units/index.ts';
import { atOwnRatio, type MixPart, type RatioBasis, unthinnedShare } from './ratio.ts';
import { type Split, type SplitResult, splitParts } from './split.ts';
import { type MeasuringTool, toolBasis } from './tools.ts';

/** What a litre of mix is taken to weigh where nothing says it [M]: only to tell grams in litres, and said as such. */
export const MIX_KG_PER_L = 1.3;

/** One batch: what to pour, and how much paint that is. */
export interface Batch {
  parts: readonly MixPart[];
  result: SplitResult;
  /** Paint in it without any reducer, l. */
  litres: number;
  /** A batch near by that lands on the tool's marks, and the paint in it, l; null: none, or none needed. */
  better: { split: Split; litres: number } | null;
  /** Its litres are told from its grams by {@link MIX_KG_PER_L}. */
  litresEstimated: boolean;
}

/** Whether a batch is asked for in grams: a ratio by weight on a scale, whose litres no density tells. */
export const isByGrams = (parts: readonly MixPart[], by: RatioBasis, tool: MeasuringTool): boolean =>
  by === 'weight' &&
  toolBasis(tool) === 'weight' &&
  parts.some(({ densityKgPerL }) => densityKgPerL === null);

/**
 * A batch of so many litres of paint, poured with this tool: by the sheet's ratio, or at an own one. A ratio by weight on
 * a scale needs no densities for its grams; without them its litres are told at {@link MIX_KG_PER_L}, and said so.
 *
 * `batchOf({ litres: 0.6, parts: 2 : 1, by: 'volume', tool: cup of 10 ml })` → 400 ml and 200 ml, 0.6 l of paint.
 *
 * @param litres paint wanted, without any reducer, l
 * @param ownParts the own ratio, part by part; null: by the sheet
 * @param tolerance of the ratio as a fraction; null: not stated
 * @throws {QuantityError} on litres, parts, densities or tools that cannot be
 */
export function batchOf(input: {
  litres: number;
  parts: readonly MixPart[];
  ownParts?: readonly number[] | null;
  by: RatioBasis;
  tolerance: number | null;
  tool: MeasuringTool;
}): Batch {
  const { by, tool } = input;
  const litresWanted = positive('litres of the batch', input.litres, 10_000);
  const ownParts = input.ownParts?.length === input.parts.length ? input.ownParts : null;
  const litresEstimated = isByGrams(input.parts, by, tool);
  const parts = ownParts ? atOwnRatio(input.parts, ownParts) : input.parts;
  const paint = litresEstimated ? 1 : unthinnedShare({ parts, by });
  const result = splitParts({
    total: litresEstimated ? { kg: litresWanted * MIX_KG_PER_L } : { litres: litresWanted / paint },
    parts,
    by,
    tool,
    ...(input.tolerance === null ? {} : { tolerance: input.tolerance }),
  });
  const paintIn = ({ total, litres }: Split) =>
    (litresEstimated ? total / 1000 / MIX_KG_PER_L : (litres ?? litresWanted / paint)) * paint;
  return {
    parts,
    result,
    litres: paintIn(result.asked),
    better: result.better ? { split: result.better, litres: paintIn(result.better) } : null,
    litresEstimated,
  };
}

/** Whole spray cans that hold so many litres of paint, one at the least. @throws {QuantityError} on figures that cannot be */
export function cansFor(litres: number, canLitres: number): number {
  const content = positive('content of a can', canLitres, 100);
  return Math.max(1, Math.ceil(positive('litres from cans', litres, 10_000) / content - 1e-9));
}
