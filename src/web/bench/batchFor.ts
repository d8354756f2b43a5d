import type { Product, Step } from '../../contract/index.ts';
import {
  type Addition,
  addition,
  atOwnRatio,
  type MeasuringTool,
  type MixPart,
  type Split,
  type SplitResult,
  splitParts,
  toolBasis,
  unthinnedShare,
} from '../../core/mix/index.ts';
import { thinnerOf } from '../../core/system/index.ts';

/** What a litre of mix is taken to weigh where nothing says it [M]: only to tell grams in litres, and said as such. */
export const MIX_KG_PER_L = 1.3;

/** One batch: what to pour, how much paint that is, and what goes in besides. */
export interface Batch {
  parts: readonly MixPart[];
  /** null: it cannot be split, and `problem` says why. */
  result: SplitResult | null;
  problem: string | null;
  /** Paint in it without any reducer, l. */
  litres: number;
  /** A batch near by that lands on the tool's marks, and the paint in it, l; null: none, or none needed. */
  better: { split: Split; litres: number } | null;
  /** Its litres are told from its grams by {@link MIX_KG_PER_L}. */
  litresEstimated: boolean;
  thinner: Addition;
}

/** Whether a batch is asked for in grams: a ratio by weight on a scale, whose litres no density tells. */
export const isByGrams = ({ sheet }: Pick<Product, 'sheet'>, tool: MeasuringTool): boolean =>
  sheet.ratioBy === 'weight' &&
  toolBasis(tool) === 'weight' &&
  sheet.parts.some(({ densityKgPerL }) => densityKgPerL === null);

/** The parts as they are mixed here: by the sheet, or at the step's own ratio. */
export const mixedParts = ({ sheet }: Pick<Product, 'sheet'>, step: Pick<Step, 'ownRatio'>): MixPart[] =>
  step.ownRatio && step.ownRatio.parts.length === sheet.parts.length
    ? atOwnRatio(sheet.parts, step.ownRatio.parts)
    : sheet.parts;

/** A batch of so many litres of paint, poured with this tool. */
export function batchFor(input: {
  product: Pick<Product, 'sheet'>;
  step: Pick<Step, 'ownRatio' | 'thinner' | 'method'>;
  tool: MeasuringTool;
  litres: number;
}): Batch {
  const { product, step, tool } = input;
  const { sheet } = product;
  const parts = mixedParts(product, step);
  const grams = isByGrams(product, tool);
  let result: SplitResult | null = null;
  let problem: string | null = null;
  let paint = 1;
  try {
    if (!grams) paint = unthinnedShare({ parts, by: sheet.ratioBy });
    result = splitParts({
      total: grams ? { kg: input.litres * MIX_KG_PER_L } : { litres: input.litres / paint },
      parts,
      by: sheet.ratioBy,
      tool,
      ...(sheet.ratioTolerance === null ? {} : { tolerance: sheet.ratioTolerance }),
    });
  } catch (error) {
    problem = (error as Error).message;
  }
  const paintIn = ({ total, litres }: Split) =>
    (grams ? total / 1000 / MIX_KG_PER_L : (litres ?? input.litres / paint)) * paint;
  const litres = result ? paintIn(result.asked) : input.litres;
  return {
    parts,
    result,
    problem,
    litres,
    better: result?.better ? { split: result.better, litres: paintIn(result.better) } : null,
    litresEstimated: grams,
    thinner: addition({ batchLitres: litres, fraction: step.thinner, limit: thinnerOf(sheet, step.method) }),
  };
}
