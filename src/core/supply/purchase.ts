import { MOST_MONEY, QuantityError, within } from '../units/index.ts';
import { tolerance } from './branch.ts';
import {
  type BuyablePack,
  cheapestPacks,
  type Effort,
  leastCostOf,
  type PackSet,
  type PartNeed,
} from './cheapestPacks.ts';

/** Who sells: what a delivery costs, and below what no order is taken. */
export interface Supplier {
  id: string;
  delivery: number;
  minOrder: number;
}

/** A pack at one supplier’s price; null: any supplier, without a delivery charge. */
export interface OfferedPack extends BuyablePack {
  supplierId: string | null;
}

/** The purchases from each supplier, with delivery charges. */
export interface Purchase extends PackSet {
  /** With deliveries, and with what an order is filled up by to be taken. */
  total: number;
  orders: {
    supplierId: string | null;
    goods: number;
    delivery: number;
    /** The amount missing to the minimum order. */
    short: number;
  }[];
}

export interface CheapestPurchase extends Purchase {
  /** No cheaper purchase exists. */
  proven: boolean;
  /** No purchase costs less than this; `total` where that is proven. */
  atLeast: number;
  /** The next ones, with what they cost more. */
  runnersUp: (Purchase & { more: number })[];
  uncovered: string[];
}

/**
 * How far a search goes, in branches: while somebody waits for other things too, to a good answer within a second, or to a proof
 * where one is found within a quarter of a minute.
 */
export const EFFORTS = { glance: 1_500, quick: 30_000, thorough: 4_000_000 } as const;

/** Up to so many suppliers every choice of them is thought of; of more, choices of three at most and all together. */
const EVERY_CHOICE = 10;
const RUNNERS_UP = 3;
/** Choices looked at in any case, so that there is something to compare with. */
const LOOKED_AT = 8;

/**
 * The cheapest purchase with its deliveries: for a choice of suppliers the cheapest whole set of their packs, since a
 * delivery is paid once however much comes with it. An order below what its supplier takes is filled up to it, and what
 * that costs counts.
 *
 * Choices are tried by what they cost at least (their packs in fractions, or their least orders where those are more, and
 * the deliveries), and no more once that is dearer than a purchase known: branch and bound over the choices [S: any text of
 * integer programming]. Broken off, the best purchase found stands with what none undercuts.
 *
 * 3 l at 20 a litre with a delivery of 15, or at 24 without: the latter, 72 against 75.
 *
 * @param effort how far to look; left out: thorough
 * @throws {QuantityError} on prices or counts that cannot be, or a supplier that is not named
 */
export function cheapestPurchase(input: {
  need: readonly PartNeed[];
  packs: readonly OfferedPack[];
  suppliers: readonly Supplier[];
  effort?: keyof typeof EFFORTS;
}): CheapestPurchase {
  const { need, packs } = input;
  const suppliers = new Map(input.suppliers.map((each) => [each.id, each]));
  for (const { id, delivery, minOrder } of suppliers.values()) {
    within(`delivery charge of ${id}`, delivery, 0, MOST_MONEY);
    within(`minimum order of ${id}`, minOrder, 0, MOST_MONEY);
  }
  for (const { id, supplierId } of packs)
    if (supplierId !== null && !suppliers.has(supplierId))
      throw new QuantityError(`supplier of ${id}`, supplierId, 'one of the suppliers given');
  const effort = { branches: EFFORTS[input.effort ?? 'thorough'] };
  const selling = [...suppliers.values()].filter((each) => packs.some((p) => p.supplierId === each.id));
  const ofAll = solve(selling, { need, packs, suppliers, effort });
  const anybody = leastCostOf(need, packs).cost;
  const least = (chosen: readonly Supplier[], goods: number) =>
    Math.max(
      goods,
      sumOf(chosen, ({ minOrder }) => minOrder),
    ) + sumOf(chosen, ({ delivery }) => delivery);
  const { choices, others } = choicesOf(selling);
  const queue = choices
    .map((chosen) => ({ chosen, atLeast: least(chosen, anybody) }))
    .sort((a, b) => a.atLeast - b.atLeast);
  const tried = [ofAll];
  let best = ofAll.total;
  let atLeast =
    others.length === 0 ? Number.POSITIVE_INFINITY : Math.min(...others.map((each) => least(each, anybody)));
  for (const { chosen, atLeast: bound } of queue) {
    const enough = tried.length >= LOOKED_AT;
    if (enough && bound >= best - tolerance(best)) break;
    const own = offeredBy(chosen, packs);
    const quick = leastCostOf(need, own);
    const closer = Math.max(bound, least(chosen, quick.cost));
    // Without a pack for what others sell it is no purchase.
    const dearer = closer >= best - tolerance(best);
    if (quick.without > ofAll.packs.uncovered.length || (enough && dearer)) continue;
    if (effort.branches <= 0) {
      atLeast = Math.min(atLeast, closer);
      continue;
    }
    const solved = solve(chosen, { need, packs: own, suppliers, effort });
    if (solved.packs.uncovered.length > ofAll.packs.uncovered.length) continue;
    tried.push(solved);
    best = Math.min(best, solved.total);
    atLeast = Math.min(atLeast, Math.max(closer, least(chosen, solved.packs.atLeast)));
  }
  atLeast = Math.min(atLeast, least(selling, ofAll.packs.atLeast));
  const all = unique(tried.flatMap(({ purchases }) => purchases)).sort((a, b) => a.total - b.total);
  const first = all[0] as Purchase;
  const proven = atLeast >= first.total - tolerance(first.total);
  return {
    ...first,
    proven,
    atLeast: proven ? first.total : atLeast,
    runnersUp: all.slice(1, RUNNERS_UP + 1).map((each) => ({ ...each, more: each.total - first.total })),
    uncovered: ofAll.packs.uncovered,
  };
}

const sumOf = (suppliers: readonly Supplier[], of: (supplier: Supplier) => number) =>
  suppliers.reduce((sum, each) => sum + of(each), 0);

const offeredBy = (chosen: readonly Supplier[], packs: readonly OfferedPack[]) =>
  packs.filter(({ supplierId }) => supplierId === null || chosen.some(({ id }) => id === supplierId));

/** The cheapest purchases from a choice of suppliers, which need not sell anything in the end. */
function solve(
  chosen: readonly Supplier[],
  asked: {
    need: readonly PartNeed[];
    packs: readonly OfferedPack[];
    suppliers: ReadonlyMap<string, Supplier>;
    effort: Effort;
  },
) {
  const { need, suppliers, effort } = asked;
  const own = offeredBy(chosen, asked.packs);
  const packs = cheapestPacks({ need, packs: own, effort });
  const purchases = [packs, ...packs.runnersUp].map((set) => priced(set, own, suppliers));
  return { packs, purchases, total: Math.min(...purchases.map(({ total }) => total)) };
}

/** Choices of suppliers to try in addition to using every supplier, and, where those are too many, a lower bound of the cost of the others. */
function choicesOf(selling: readonly Supplier[]): { choices: Supplier[][]; others: Supplier[][] } {
  const n = selling.length;
  const ofBits = (bits: number) => selling.filter((_, i) => bits & (1 << i));
  if (n <= EVERY_CHOICE)
    return { choices: Array.from({ length: 2 ** n - 1 }, (_, bits) => ofBits(bits)), others: [] };
  const some: Supplier[][] = [[]];
  for (let size = 0, from = 0; size < 3; size++) {
    const to = some.length;
    for (const chosen of some.slice(from, to))
      for (let i = selling.indexOf(chosen.at(-1) as Supplier) + 1; i < n; i++)
        some.push([...chosen, selling[i] as Supplier]);
    from = to;
  }
  // Any four or more cost at least what the four cheapest to choose do.
  const cheapest = (of: (supplier: Supplier) => number) =>
    [...selling].sort((a, b) => of(a) - of(b)).slice(0, 4);
  const four = cheapest(({ delivery }) => delivery).map((each, i) => ({
    ...each,
    minOrder: cheapest(({ minOrder }) => minOrder)[i]?.minOrder ?? 0,
  }));
  return { choices: some, others: [four] };
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
