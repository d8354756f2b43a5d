import type { PlanSupply } from '../../../contract/index.ts';
import type { PartAmount } from '../../../core/supply/index.ts';
import { inStock, ordersOf } from '../../memory/inStock.ts';
import { type Held, type Taking, TRIFLE, takingsOf, timeOf } from './partSupply.ts';
import type { YardNeed } from './yardNeed.ts';

/** Coats whose paint isn't in stock: what they wait for. */

/** One coat of a step on an area, by its number from 0. */
export const coatKey = (areaId: string, stepId: string, coatNo: number): string =>
  `${areaId} ${stepId} ${coatNo}`;

const keyOf = ({ of: { state, step }, no }: Taking) => coatKey(state.area.id, step.id, no);

/** Later dates are worse; no date is worse than any, no order the worst. */
const BADNESS: Record<PlanSupply['code'], number> = { delivery: 0, 'delivery-overdue': 1, 'delivery-undated': 2, 'not-in-stock': 3 }; // biome-ignore format: one line
function worse(a: PlanSupply | undefined, b: PlanSupply): PlanSupply {
  if (!a) return b;
  if (BADNESS[a.code] !== BADNESS[b.code]) return BADNESS[a.code] > BADNESS[b.code] ? a : b;
  return (a.dueOn ?? '') >= (b.dueOn ?? '') ? a : b;
}

/** What coats applied in one go wait for; null: nothing. */
export const worstSupply = (supplies: readonly (PlanSupply | undefined)[]): PlanSupply | null =>
  supplies.reduce<PlanSupply | null>((worst, each) => (each ? worse(worst ?? undefined, each) : worst), null);

/** Open orders by the day they are due; those whose day nobody said, or has passed, come last. */
function inOrder(orders: { dueOn: string | null; amount: number }[], today: string) {
  const rank = (dueOn: string | null) => (dueOn === null ? '~~' : dueOn < today ? '~' : dueOn);
  return [...orders].sort((a, b) => rank(a.dueOn).localeCompare(rank(b.dueOn)));
}

function suppliedBy(dueOn: string | null, today: string): PlanSupply {
  if (dueOn === null) return { code: 'delivery-undated', dueOn };
  return { code: dueOn < today ? 'delivery-overdue' : 'delivery', dueOn };
}

/** What each coat takes of one part beyond what is there, in the order in which coats could go on. */
function waitingFor(part: PartAmount, needed: YardNeed, held: Held, today: string): [string, PlanSupply][] {
  const { there, keptBy } = inStock(part, held);
  const orders = inOrder(ordersOf(part, held), today);
  const takings = (needed.byProduct.get(part.productId) ?? []).flatMap((of) =>
    takingsOf(part, of, needed, held),
  );
  const keptLeft = new Map(keptBy);
  let left = there;
  let ordered: PlanSupply | null = null;
  return takings
    .sort((a, b) => timeOf(a) - timeOf(b))
    .flatMap((taking): [string, PlanSupply][] => {
      const { id } = taking.of.state.area;
      const kept = Math.min(taking.amount, keptLeft.get(id) ?? 0);
      keptLeft.set(id, (keptLeft.get(id) ?? 0) - kept);
      left -= taking.amount - kept;
      while (left < -TRIFLE) {
        const next = orders.shift();
        if (!next) return [[keyOf(taking), { code: 'not-in-stock', dueOn: null }]];
        left += next.amount;
        ordered = suppliedBy(next.dueOn, today);
      }
      return ordered === null ? [] : [[keyOf(taking), ordered]];
    });
}

/**
 * What coats wait for that the stock doesn't cover, by {@link coatKey}; the safe amounts of the need count. Coats take from the
 * stock in the order in which they could go on.
 *
 * @param today the yard's day, `YYYY-MM-DD`
 */
export function coatSupplies(needed: YardNeed, held: Held, today: string): Map<string, PlanSupply> {
  const found = new Map<string, PlanSupply>();
  for (const part of needed.need.parts)
    for (const [key, supply] of waitingFor(part, needed, held, today))
      found.set(key, worse(found.get(key), supply));
  return found;
}
