import { windowsFor } from '../../core/cure/index.ts';
import { type AppliedBond, appliedBond, type CoatGroup } from '../../core/system/index.ts';
import { type Air, tempsFor } from '../air/surfaces.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import type { AreaSnapshot, CoatOnArea } from './areaStates.ts';
import { surfaceOf } from './surfaceOf.ts';

type Group = CoatGroup<CoatOnArea>;

const sheetOf = (group: Group, catalogue: ProductCatalogue) => {
  const body = group.entries[0]?.body;
  return body && catalogue.sheetOf(body.productId, body.sheetVersion);
};

/**
 * How each whole coat of an area holds to the one applied before it: the window below it when its application began, and
 * whether a sanding was logged in between. In the order of the groups; null for the first, and where the air of that
 * time is not known or the sheet states no window.
 */
export function appliedBonds(
  state: AreaSnapshot,
  groups: readonly Group[],
  context: { catalogue: ProductCatalogue; air: Air },
): (AppliedBond | null)[] {
  const { catalogue, air } = context;
  const since = air.hours[0]?.at;
  return groups.map((group, i) => {
    const below = groups[i - 1];
    const [coat, sheet] = [sheetOf(group, catalogue), below && sheetOf(below, catalogue)];
    if (!below || !coat || !sheet || since === undefined || below.fromMs < since) return null;
    const same = below.entries[0]?.body.productId === group.entries[0]?.body.productId;
    const { state: windowState } = windowsFor({
      film: { laidFromMs: below.fromMs, laidToMs: below.toMs, sheet: sheet.cure },
      next: { kind: 'coat', family: coat.family, same },
      temps: tempsFor(air, surfaceOf(state, catalogue)),
      now: group.fromMs,
    });
    // A sanding is often ticked when the coat is logged, after its application began: it counts up to the last corner.
    const sanded = state.work.some(
      ({ kind, stepId, coatNo, atMs }) =>
        kind === 'sand' &&
        stepId === group.stepId &&
        coatNo === group.coatNo &&
        atMs >= below.toMs &&
        atMs <= group.toMs,
    );
    return appliedBond({ below: sheet.family, coat: coat.family, state: windowState, sanded });
  });
}
