import type { Area, Product, Step } from '../../contract/index.ts';
import {
  checkStack,
  type JudgedStack,
  judgeNext,
  layerOf,
  layerOfStep,
  type StackPlace,
  type Verdict,
} from '../../core/system/index.ts';
import { QuantityError } from '../../core/units/index.ts';

/** The coldest and hottest that a surface will be while its stack is applied and cures, °C; null: not asked. */
export interface Extremes {
  coldestC: number | null;
  hottestC: number | null;
}
const NOT_ASKED: Extremes = { coldestC: null, hottestC: null };

export const placeOf = (
  area: Pick<Area, 'substrate' | 'oldCoating' | 'service'>,
  extremes: Extremes = NOT_ASKED,
): StackPlace => ({
  substrate: area.substrate,
  oldCoating: area.oldCoating,
  service: area.service,
  ...extremes,
});

/** A step with every coat applied isn’t affected by the forecast. */
const isApplied = (step: Step, applied: Readonly<Record<string, number>>) =>
  (applied[step.id] ?? 0) >= step.coats;

/** The stack judged, a word for each step; null while a step has no product or no figures. */
export function judgeSteps(
  steps: readonly Step[],
  products: readonly Product[],
  area: Pick<Area, 'substrate' | 'oldCoating' | 'service'>,
  air: Extremes & { applied: Readonly<Record<string, number>>; missedStepId?: string | null } = {
    ...NOT_ASKED,
    applied: {},
  },
): JudgedStack | null {
  const layers = steps.flatMap((step) => {
    const product = products.find((each) => each.id === step.productId);
    if (!product || !Number.isFinite(step.dryMicronsPerCoat)) return [];
    const layer = { ...layerOfStep(step, product.sheet), windowClosed: step.id === air.missedStepId };
    const { stopC: _cold, hottestC: _heat, ...applied } = layer;
    return [isApplied(step, air.applied) ? applied : layer];
  });
  if (layers.length !== steps.length) return null;
  try {
    return checkStack(layers, placeOf(area, { coldestC: air.coldestC, hottestC: air.hottestC }));
  } catch (error) {
    // A figure half typed is told at its field; there is nothing to judge by yet.
    if (error instanceof QuantityError) return null;
    throw error;
  }
}

/** What the rules say of a product on top of others as its sheet has it typically applied. */
export function judgeOnTop(
  productIds: readonly string[],
  product: Product,
  products: readonly Product[],
  area: Pick<Area, 'substrate' | 'oldCoating' | 'service'>,
): Verdict {
  const below = productIds.flatMap((id) => {
    const sheet = products.find((each) => each.id === id)?.sheet;
    return sheet ? [{ ...layerOf(sheet.family), copper: sheet.copper }] : [];
  });
  const { family, copper, grounds } = product.sheet;
  return judgeNext(below, { ...layerOf(family), copper, grounds }, placeOf(area)).verdict;
}
