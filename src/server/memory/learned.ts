import { isUnderCover } from '../../core/air/index.ts';
import type { Method } from '../../core/film/index.ts';
import { type CoatUse, type LearnedSpread, learnSpread, lineNeed } from '../../core/supply/index.ts';
import { QuantityError } from '../../core/units/index.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import type { AreaSnapshot } from './areaStates.ts';
import { needSheetOf } from './needLines.ts';
import { sheetsBehind } from './sheetsBehind.ts';

/** Coats of a kind: of a product, by a method, on a surface. */
export const kindOf = (productId: string, method: Method, substrate: string) =>
  `${productId} ${method} ${substrate}`;

const known = new WeakMap<AreaSnapshot, { sheets: string; uses: CoatUse[] }>();

/** What the coats on an area took, against their sheets. First coats fill what lies below and teach nothing of the rest. */
function usesOf(state: AreaSnapshot, catalogue: ProductCatalogue): CoatUse[] {
  const sheets = sheetsBehind(state, catalogue);
  const kept = known.get(state);
  if (kept?.sheets === sheets) return kept.uses;
  const uses = state.coats.flatMap(({ entryId, body, coatNo, stepId }): CoatUse[] => {
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
        underCover: isUnderCover(state.area.surroundings),
      });
      const key = kindOf(body.productId, body.method, state.area.substrate);
      return litres > 0
        ? [{ id: entryId, key, person: body.by?.trim() || null, litres: body.litres, bySheet: litres }]
        : [];
    } catch (error) {
      if (error instanceof QuantityError) return [];
      throw error;
    }
  });
  known.set(state, { sheets, uses });
  return uses;
}

const alike = (a: readonly CoatUse[], b: readonly CoatUse[]) =>
  a.length === b.length &&
  a.every(({ id, key, person, litres, bySheet }, i) => {
    const o = b[i];
    return (
      o?.id === id && o.key === key && o.person === person && o.litres === litres && o.bySheet === bySheet
    );
  });

/** What was learned last, of each sort of catalogue: most writes are no coats and teach nothing new. */
const learned = new WeakMap<
  ProductCatalogue,
  {
    states: readonly AreaSnapshot[];
    uses: readonly (readonly CoatUse[])[];
    rates: Map<string, LearnedSpread>;
  }
>();

/** How much paint coats of each kind really take in this yard; worked out once for as long as nothing changes. */
export function learnedIn(
  states: readonly AreaSnapshot[],
  catalogue: ProductCatalogue,
): Map<string, LearnedSpread> {
  const kept = learned.get(catalogue);
  if (kept?.states === states) return kept.rates;
  const uses = states.map((state) => usesOf(state, catalogue));
  const same =
    kept?.uses.length === uses.length &&
    uses.every((own, i) => own === kept.uses[i] || alike(own, kept.uses[i] as readonly CoatUse[]));
  const rates = same ? kept.rates : new Map(learnSpread(uses.flat()).map((each) => [each.key, each]));
  learned.set(catalogue, { states, uses, rates });
  return rates;
}
