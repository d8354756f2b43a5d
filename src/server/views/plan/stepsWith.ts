import type { AreaClock, LeverCode, Step } from '../../../contract/index.ts';
import { withOtherProducts } from '../../../core/system/index.ts';
import type { AreaSnapshot } from '../../memory/areaStates.ts';
import type { ProductCatalogue } from '../../rows/products.ts';

export interface StepsToChange {
  state: AreaSnapshot;
  clock: Pick<AreaClock, 'next'>;
  catalogue: ProductCatalogue;
  /** Changes of the premises that are tried. */
  levers: readonly LeverCode[];
  /** A steady temperature by which other products are compared, °C. */
  compareAtC: number;
}

/** The steps of an area by the changes tried: another product only where nothing of a step is applied, sprayed where its sheet states it. */
export function stepsWith({
  state,
  clock: { next },
  catalogue,
  levers,
  compareAtC: tempC,
}: StepsToChange): readonly Step[] {
  const at = state.steps.findIndex(({ id }) => id === next?.stepId);
  if (!next || at < 0) return state.steps;
  const from = next.coatNo > 0 ? at + 1 : at;
  const { substrate, oldCoating, service } = state.area;
  const place = { substrate, oldCoating, service, coldestC: null };
  const products = [...catalogue.latest.values()];
  let steps: readonly Step[] = state.steps;
  if (levers.includes('one-pack'))
    steps = withOtherProducts({ steps, from, change: 'one-pack', products, place, tempC });
  if (levers.includes('quicker-products'))
    steps = withOtherProducts({ steps, from, change: 'quicker', products, place, tempC });
  if (!levers.includes('spray')) return steps;
  return steps.map((step) =>
    catalogue.latest.get(step.productId)?.sheet.methods.includes('airless-spray')
      ? { ...step, method: 'airless-spray' }
      : step,
  );
}
