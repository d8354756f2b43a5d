import { isDeepStrictEqual } from 'node:util';
import type { AlikeArea, AreaClock, Finding, Step } from '../../contract/index.ts';
import { stackNeed } from '../../core/system/index.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';
import { clockOf } from '../memory/clockOf.ts';
import { firstFilmStep, profileOf } from '../memory/profileOf.ts';
import type { YardReading } from '../memory/yardSnapshots.ts';
import type { KnownProduct, ProductCatalogue } from '../rows/products.ts';
import { coatSpans } from './coatSpans.ts';
import { notPaintedOver } from './openFaultsOf.ts';
import { isLeft } from './workLeft.ts';

/** Litres of the coat that comes next; null where nothing says how much. */
export function litresForCoat(
  state: AreaSnapshot,
  clock: AreaClock,
  product: KnownProduct | null,
  catalogue: ProductCatalogue,
): number | null {
  const step = state.steps.find((each) => each.id === clock.next?.stepId);
  if (!step || !product || !clock.next || clock.areaM2 <= 0) return null;
  const { coatNo } = clock.next;
  const need = stackNeed({
    areaM2: clock.areaM2,
    spread: clock.spread,
    steps: [{ ...step, coats: Math.max(step.coats, coatNo + 1), sheet: product.sheet }],
    profileMicrons:
      step === firstFilmStep(state, catalogue)?.step ? (profileOf(state, catalogue)?.microns ?? null) : null,
  }).steps[0];
  return need?.litresOfCoat[coatNo] ?? null;
}

/** What goes into the pot for a coat of a step: where it is the same, one pot serves both. */
const inThePot = ({ productId, method, thinner, ownRatio, additives }: Step) => ({
  productId,
  method,
  thinner,
  ownRatio: ownRatio?.parts ?? null,
  additives,
});

/** The other areas of the boat whose next coat comes out of the same pot: port and starboard, keels, rudder. */
export function alikeAreas(
  known: YardReading & { boat: { states: readonly AreaSnapshot[] } | undefined },
  {
    state,
    clock,
    at,
    findings,
  }: { state: AreaSnapshot; clock: AreaClock; at: number; findings: readonly Finding[] },
): Omit<AlikeArea, 'progress'>[] {
  const { catalogue, air } = known;
  const step = state.steps.find(({ id }) => id === clock.next?.stepId);
  const product = catalogue.latest.get(step?.productId ?? '');
  if (!step || !product || !clock.next) return [];
  const wanted = { ...inThePot(step), colour: clock.next.colour };
  return (known.boat?.states ?? []).flatMap((other): Omit<AlikeArea, 'progress'>[] => {
    // What a finding speaks against is painted by itself, with its reason.
    if (other.area.id === state.area.id || notPaintedOver(other, findings).length > 0) return [];
    const theirs = clockOf(other, { air, catalogue, now: at });
    const { next } = theirs;
    const own = other.steps.find(({ id }) => id === next?.stepId);
    if (!next || !own || !isDeepStrictEqual({ ...inThePot(own), colour: next.colour }, wanted)) return [];
    const leftM2 = Math.max(0, next.areaM2 - next.coveredM2);
    const whole = litresForCoat(other, theirs, product, catalogue);
    const [ready] = coatSpans(theirs, at);
    if (whole === null || !(leftM2 > 0) || !ready) return [];
    return [
      {
        areaId: other.area.id,
        areaName: other.area.name,
        stepId: own.id,
        coatNo: next.coatNo,
        leftM2,
        coveredM2: next.coveredM2,
        litres: (whole * leftM2) / next.areaM2,
        workLeft: theirs.work.filter((task) => isLeft(task, at)).length,
        readyFrom: new Date(ready.fromMs).toISOString(),
      },
    ];
  });
}
