import { memoised, remembering } from '../../core/units/index.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import type { AreaSnapshot } from './areaStates.ts';

/**
 * The data sheets behind an area’s clock and its need, and the curing speed of its film, as a word that changes with any of
 * them: what was worked out for an area holds as long as it stays.
 */
export const sheetsBehind: (state: AreaSnapshot, catalogue: ProductCatalogue) => string = memoised(
  ({ steps, coats }: AreaSnapshot, { latest, paceOf }: ProductCatalogue) => {
    const ids = new Set([...steps.map((s) => s.productId), ...coats.map((c) => c.body.productId)]);
    const paces = [...steps, ...coats.map(({ body }) => body)].map(({ productId, method }) =>
      paceOf(productId, method),
    );
    return `${[...ids].map((id) => `${id}@${latest.get(id)?.version}`).join()} ${paces.join()}`;
  },
);

/** A function of an area and its sheets that is worked out again only when one of them is another. */
export function bySheets<Result>(
  of: (state: AreaSnapshot, catalogue: ProductCatalogue) => Result,
): (state: AreaSnapshot, catalogue: ProductCatalogue) => Result {
  const kept = remembering<Result>();
  return (state, catalogue) => kept(state, [sheetsBehind(state, catalogue)], () => of(state, catalogue));
}
