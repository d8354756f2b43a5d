import type { SundryView, TradeSettings } from '../../../contract/index.ts';
import { isUnderCover } from '../../../core/air/index.ts';
import { applyHours } from '../../../core/film/index.ts';
import { SUNDRIES, type SundryItem, type SundryWork, sundries } from '../../../core/supply/index.ts';
import { sandedBefore, type TaskKind } from '../../../core/system/index.ts';
import { memoised } from '../../../core/units/index.ts';
import type { YardLine } from '../../memory/needLines.ts';
import { maskedEdgeM, tapingsFor } from './maskedEdge.ts';
import type { YardNeed } from './yardNeed.ts';

/** Litres a batch holds where none is mixed yet [M]. */
const BATCH_L = 1;

type Needed = Pick<YardNeed, 'lines' | 'need' | 'hulls'>;

/** What the coats still to come use up on sundries. */
export const sundryWork: (needed: Needed) => SundryWork = memoised(workOf);

function workOf({ lines, need, hulls }: Needed): SundryWork {
  const litresOf = new Map(need.lines.map((each) => [each.id, each.coats]));
  const work = { wipedM2: 0, tackedM2: 0, strippedM2: 0, sandedM2: { byMachine: 0, byHand: 0 }, strewnM2: 0 };
  const masked: SundryWork['edges'][number][] = [];
  const sessions = new Map<
    string,
    { method: YardLine['step']['method']; areaM2: number; litres: number; inside: boolean }
  >();
  for (const each of lines) {
    const { line, step, state } = each;
    const coats = litresOf.get(line.id) ?? [];
    for (const { no, areaM2, litres } of coats) {
      const key = `${line.boatId} ${line.productId} ${line.method} ${no}`;
      const one = sessions.get(key) ?? {
        method: line.method,
        areaM2: 0,
        litres: 0,
        inside: isUnderCover(state.area.surroundings),
      };
      sessions.set(key, one);
      one.areaM2 += areaM2;
      one.litres += litres;
      if (sandedBefore(step, no) !== null) sanded(work, areaM2);
      work.tackedM2 += areaM2;
    }
    const whole = Math.max(0, ...coats.map(({ areaM2 }) => areaM2));
    // Work before the first coat is still to come where that coat is.
    const before: readonly { kind: TaskKind }[] = coats.some(({ no }) => no === 0) ? step.before : [];
    for (const { kind } of before) {
      if (kind === 'sand') sanded(work, whole);
      if (kind === 'prepare') work.wipedM2 += whole;
      if (kind === 'aggregate') work.strewnM2 += whole;
    }
    if (coats.length > 0)
      masked.push({
        lengthM: maskedEdgeM(state, whole, hulls.get(state.boat.id)),
        tapings: tapingsFor(coats.length, state.area),
      });
  }
  return {
    ...work,
    edges: masked,
    sessions: [...sessions.values()].map(({ litres, ...session }) => ({
      ...session,
      batches: Math.max(1, Math.ceil(litres / BATCH_L)),
      hours: applyHours(session.areaM2, session.method),
    })),
  };
}

/** Patches and narrow pieces are sanded by hand, the rest by machine [common practice, no source]. */
const BY_HAND_M2 = 1;
function sanded(work: { sandedM2: { byMachine: number; byHand: number } }, areaM2: number): void {
  work.sandedM2[areaM2 < BY_HAND_M2 ? 'byHand' : 'byMachine'] += areaM2;
}

/** Sundries with their prices. */
export function sundryViews(needed: Needed, settings: TradeSettings): SundryView[] {
  return sundries(sundryWork(needed), settings.sundryRates as Partial<Record<SundryItem, number>>).map(
    ({ item, amount, exact }) => {
      const price = settings.sundryPrices[item];
      const { name, unit, rule } = SUNDRIES[item];
      return {
        item,
        name,
        unit,
        rule,
        amount,
        exact,
        cost: price === undefined ? null : Math.round(price * amount),
      };
    },
  );
}
