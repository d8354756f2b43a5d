import { MOST_MONEY, QuantityError, within } from '../units/index.ts';
import { tolerance } from './branch.ts';
import { type BuyablePack, cheapestPacks, type PackSet, type PartNeed } from './cheapestPacks.ts';

/** Who sells: what a delivery costs, and below what no order is taken. */
export interface Supplier {
  id: string;
  delivery: number;
  minOrder: number;
}

/** A pack at one supplier's price; null: bought wherever it is to be had, without a delivery. */
export interface OfferedPack extends BuyablePack {
  supplierId: string | null;
}

/** What is bought where, with its deliveries. */
export interface Purchase extends PackSet {
  /** With deliveries, and with what an order is filled up by to be taken. */
  total: number;
  orders: {
    supplierId: string | null;
    goods: number;
    delivery: number;
    /** What is missing to the least order: to be filled up with what is wanted anyway. */
    short: number;
  }[];
}

export interface CheapestPurchase extends Purchase {
  /** No cheaper purchase exists. */
  proven: boolean;
  /** The next ones, with what they cost more. */
  runnersUp: (Purchase & { more: number })[];
  uncovered: string[];
}

/** Suppliers tried in every combination; beyond them only each by itself and all together. */
const MOST_SUPPLIERS = 5;
const RUNNERS_UP = 3;

/**
 * The cheapest purchase with its deliveries: for every choice of suppliers the cheapest whole set of their packs, since a
 * delivery is paid once however much comes with it. An order below what its supplier takes is filled up to it, and what
 * that costs counts. Proven where of no choice of suppliers the goods, or the least orders where those are more, and the
 * deliveries could come to less.
 *
 * 3 l at 20 a litre with a delivery of 15, or at 24 without: the latter, 72 against 75.
 *
 * @throws {QuantityError} on prices or counts that cannot be, or a supplier that is not named
 */
export function cheapestPurchase(input: {
  need: readonly PartNeed[];
  packs: readonly OfferedPack[];
  suppliers: readonly Supplier[];
}): CheapestPurchase {
  const { need, packs } = input;
  const suppliers = new Map(input.suppliers.map((each) => [each.id, each]));
  for (const { id, delivery, minOrder } of suppliers.values()) {
    within(`delivery of ${id}`, delivery, 0, MOST_MONEY);
    within(`least order of ${id}`, minOrder, 0, MOST_MONEY);
  }
  for (const { id, supplierId } of packs)
    if (supplierId !== null && !suppliers.has(supplierId))
      throw new QuantityError(`supplier of ${id}`, supplierId, 'the suppliers given');
  const choices = choicesOf(
    [...suppliers.values()].filter((each) => packs.some((p) => p.supplierId === each.id)),
  );
  const found = choices.sets.map((chosen) => {
    const own = packs.filter(({ supplierId }) => supplierId === null || chosen.includes(supplierId));
    const best = cheapestPacks({ need, packs: own });
    const deliveries = chosen.reduce((sum, id) => sum + (suppliers.get(id)?.delivery ?? 0), 0);
    // Of exactly these suppliers nobody can buy for less than their goods, nor for less than their least orders.
    const least = chosen.reduce((sum, id) => sum + (suppliers.get(id)?.minOrder ?? 0), 0);
    return {
      best,
      atLeast: Math.max(best.cost, least) + deliveries,
      purchases: [best, ...best.runnersUp].map((set) => priced(set, own, suppliers)),
    };
  });
  // Fewest parts left without a pack come first: a part nobody sells is left out of every choice alike.
  const least = Math.min(...found.map(({ best }) => best.uncovered.length));
  const whole = found.filter(({ best }) => best.uncovered.length === least);
  const all = unique(whole.flatMap(({ purchases }) => purchases)).sort((a, b) => a.total - b.total);
  const first = all[0] as Purchase;
  return {
    ...first,
    proven:
      choices.complete &&
      whole.every(({ best, atLeast }) => best.proven && atLeast >= first.total - tolerance(first.total)),
    runnersUp: all.slice(1, RUNNERS_UP + 1).map((each) => ({ ...each, more: each.total - first.total })),
    uncovered: whole[0]?.best.uncovered ?? [],
  };
}

function choicesOf(suppliers: readonly Supplier[]): { sets: string[][]; complete: boolean } {
  const ids = suppliers.map(({ id }) => id);
  if (ids.length > MOST_SUPPLIERS) return { sets: [[], ...ids.map((id) => [id]), ids], complete: false };
  const sets = Array.from({ length: 2 ** ids.length }, (_, bits) => ids.filter((_id, i) => bits & (1 << i)));
  return { sets, complete: true };
}

function priced(
  set: PackSet,
  packs: readonly OfferedPack[],
  suppliers: ReadonlyMap<string, Supplier>,
): Purchase {
  const goods = new Map<string | null, number>();
  for (const { id, count } of set.buy) {
    const pack = packs.find((each) => each.id === id) as OfferedPack;
    goods.set(pack.supplierId, (goods.get(pack.supplierId) ?? 0) + costOf(pack, count));
  }
  const orders = [...goods].map(([supplierId, cost]) => {
    const supplier = supplierId === null ? null : (suppliers.get(supplierId) ?? null);
    const short = Math.max(0, (supplier?.minOrder ?? 0) - cost);
    return { supplierId, goods: cost, delivery: supplier?.delivery ?? 0, short };
  });
  const { buy, cost, left } = set;
  const total = orders.reduce((sum, order) => sum + order.goods + order.delivery + order.short, 0);
  return { buy, cost, left, orders, total };
}

/** What so many of a pack cost at its discounts: 3 at 20, from 2 on at 18 → 54. @throws {QuantityError} */
export function costOf({ id, price, discounts = [] }: BuyablePack, count: number): number {
  const each = discounts.reduce(
    (least, step) =>
      count >= step.from ? Math.min(least, within(`price of ${id}`, step.price, 0, MOST_MONEY)) : least,
    within(`price of ${id}`, price, 0, MOST_MONEY),
  );
  return within(`number of ${id}`, count, 0, 1e6) * each;
}

function unique(purchases: readonly Purchase[]): Purchase[] {
  const seen = new Map(
    purchases.map((each) => [each.buy.map(({ id, count }) => `${id}×${count}`).join(), each]),
  );
  return [...seen.values()];
}
