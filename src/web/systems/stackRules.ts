import type { Area, Product, Step } from '../../contract/index.ts';
import { checkStack, type JudgedStack, layerOfStep, type StackPlace } from '../../core/system/index.ts';

/** @param coldestC the coldest the surface will be while the stack is laid and cures; null: not asked */
export const placeOf = (
  area: Pick<Area, 'substrate' | 'oldCoating' | 'service'>,
  coldestC: number | null = null,
): StackPlace => ({
  substrate: area.substrate,
  oldCoating: area.oldCoating,
  service: area.service,
  coldestC,
});

/** A step whose coats are all on has nothing to fear of the cold to come. */
const isLaid = (step: Step, laid: Readonly<Record<string, number>>) => (laid[step.id] ?? 0) >= step.coats;

/** The stack judged, a word for each step; null while a step has no product or no figures. */
export function judgeSteps(
  steps: readonly Step[],
  products: readonly Product[],
  area: Pick<Area, 'substrate' | 'oldCoating' | 'service'>,
  cold: { coldestC: number | null; laid: Readonly<Record<string, number>> } = { coldestC: null, laid: {} },
): JudgedStack | null {
  const layers = steps.flatMap((step) => {
    const product = products.find((each) => each.id === step.productId);
    return product && Number.isFinite(step.dryMicronsPerCoat)
      ? [{ ...layerOfStep(step, product.sheet), ...(isLaid(step, cold.laid) ? { stopC: null } : {}) }]
      : [];
  });
  return layers.length === steps.length ? checkStack(layers, placeOf(area, cold.coldestC)) : null;
}
