import { isUnderCover, surroundingsAt } from '../../core/air/index.ts';
import type { Method } from '../../core/film/index.ts';
import { type CoatUse, type LearnedSpread, learnSpread, lineNeed } from '../../core/supply/index.ts';
import { memoised, QuantityError } from '../../core/units/index.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import type { AreaSnapshot } from './areaStates.ts';
import { needSheetOf } from './needLines.ts';
import { bySheets } from './sheetsBehind.ts';
import { surfaceOf } from './surfaceOf.ts';

/** Coats of a kind: of a product, by a method, on a surface. */
export const kindOf = (productId: string, method: Method, substrate: string) =>
  `${productId} ${method} ${substrate}`;

/** What the coats on an area took, against their sheets. First coats fill what lies below and teach nothing of the rest. */
const usesOf = bySheets((state, catalogue): CoatUse[] =>
  state.coats.flatMap(({ entryId, body, coatNo, stepId, fromMs }): CoatUse[] => {
    const sheet = catalogue.sheetOf(body.productId, body.sheetVersion);
    const step = state.steps.find((each) => each.id === stepId);
    const first = state.steps[0]?.id === stepId && coatNo === 0;
    if (!sheet || !step || first || step.before.some(({ kind }) => kind === 'aggregate')) return [];
    try {
      const { litres } = lineNeed({
        id: entryId,
        boatId: state.boat.id,
        productId: body.productId,
        sheet: needSheetOf(sheet),
        coats: [{ no: coatNo, colour: '', areaM2: body.areaM2 }],
        dryMicronsPerCoat: step.dryMicronsPerCoat,
        method: body.method,
        thinner: 0,
        spread: 0,
        measuredBy: '',
        underCover: isUnderCover(surroundingsAt(surfaceOf(state, catalogue), fromMs)),
      });
      const key = kindOf(body.productId, body.method, state.area.substrate);
      return litres > 0
        ? [{ id: entryId, key, person: body.by?.trim() || null, litres: body.litres, bySheet: litres }]
        : [];
    } catch (error) {
      if (error instanceof QuantityError) return [];
      throw error;
    }
  }),
);

const alike = (a: readonly CoatUse[], b: readonly CoatUse[]) =>
  a.length === b.length &&
  a.every((use, i) => {
    const { id, key, person, litres, bySheet } = use;
    const o = b[i];
    // Uses of areas that didn’t change are the same objects.
    return (
      use === o ||
      (o?.id === id && o.key === key && o.person === person && o.litres === litres && o.bySheet === bySheet)
    );
  });

/** Rates of the same uses are the same objects: most writes are no coats and teach nothing new. */
const ratesOf = (() => {
  let last: { uses: readonly CoatUse[]; rates: Map<string, LearnedSpread> } | null = null;
  return (uses: readonly CoatUse[]): Map<string, LearnedSpread> => {
    if (last === null || !alike(last.uses, uses))
      last = { uses, rates: new Map(learnSpread(uses).map((each) => [each.key, each])) };
    return last.rates;
  };
})();

/** How much paint coats of each kind really take in this yard; worked out once for as long as nothing changes. */
export const learnedIn: (
  states: readonly AreaSnapshot[],
  catalogue: ProductCatalogue,
) => Map<string, LearnedSpread> = memoised((states: readonly AreaSnapshot[], catalogue: ProductCatalogue) =>
  ratesOf(states.flatMap((state) => usesOf(state, catalogue))),
);
