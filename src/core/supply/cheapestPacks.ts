import { MOST_MONEY, QuantityError, within } from '../units/index.ts';
import type { Covering, SearchPack } from './branch.ts';
import { coverings } from './coverings.ts';
import { fractionalPrices } from './fractionalPrices.ts';

/** Litres wanted of one part: a component of a product in one colour, or a paint that has but one. */
export interface PartNeed {
  part: string;
  litres: number;
}

/** A size it is sold in: a tin of one part, or a kit of several in their ratio. */
export interface BuyablePack {
  id: string;
  /** In the yard's money. */
  price: number;
  /** Litres of each part in it. */
  contents: Readonly<Record<string, number>>;
  /** The number available; left out: unlimited. */
  stock?: number;
  /** Who sells it, where that matters: packs of two sellers never stand for each other. */
  supplierId?: string | null;
  /** Discount prices each, from a number of packs; left out: always `price`. */
  discounts?: readonly { from: number; price: number }[];
}

/** A set of whole packs. */
export interface PackSet {
  /** In the order of the packs; those that are not bought are left out. */
  buy: { id: string; count: number }[];
  cost: number;
  /** Litres of each part that are left over. */
  left: PartNeed[];
}

export interface CheapestPacks extends PackSet {
  /** There is no cheaper set: the search ran to its end. */
  proven: boolean;
  /** The next sets in which no pack could be left out, with what they cost more. */
  runnersUp: (PackSet & { more: number })[];
  /** Parts that no pack holds, or not enough of them; the rest is covered all the same. */
  uncovered: string[];
  /** Lower bound of the cost of any set: `cost` where the set is proven. */
  atLeast: number;
}

/** How long a search may take, counted in branches, so that the same question always has the same answer; counted down as it goes. */
export interface Effort {
  branches: number;
}

/** Branches for packs that hang together, and the fewest of each of them that find a set at all. */
const MOST_BRANCHES = 200_000;
const LEAST_PER_PACK = 5;

/** Runner-up sets that are shown, and how much dearer they may be. */
const RUNNERS_UP = 3;
const WITHIN = 0.5;

/**
 * The cheapest whole set of packs that covers a need, proven, with the sets that come next. Packs that share no part are
 * chosen apart from each other: their cheapest sets together are the cheapest of all.
 *
 * A need of 3 l in tins of 1 l at 20 and of 2.5 l at 42: a large one and a small one, 62, against 60 for three small ones:
 * three small ones, and nothing is left.
 *
 * @param need litres of each part, less the stock; 0 or less: no need
 * @param effort after which the best set found so far is given; left out: 200 000 branches for packs that hang together
 * @throws {QuantityError} on a price, a size or a count that cannot be, or a pack or part named twice
 */
export function cheapestPacks(input: {
  need: readonly PartNeed[];
  packs: readonly BuyablePack[];
  effort?: Effort;
}): CheapestPacks {
  const { need, packs, effort } = input;
  check(need, packs);
  const groups = groupsOf(wantedOf(need), packs);
  const solved = groups.map((all) => {
    const group = { need: all.need, packs: withoutDominated(all.packs, all.need) };
    const least = LEAST_PER_PACK * (group.packs.length + 1);
    const branches = Math.max(least, Math.min(MOST_BRANCHES, effort?.branches ?? MOST_BRANCHES));
    const found = coverings(
      group.need.map(({ litres }) => litres),
      group.packs.map((pack) => ({
        contents: group.need.map(({ part }) => pack.contents[part] ?? 0),
        most: pack.stock ?? Number.POSITIVE_INFINITY,
        ...pricesOf(pack),
      })),
      { most: RUNNERS_UP + 1, within: WITHIN, branches },
    );
    if (effort) effort.branches -= found.branches;
    return { group, ...found };
  });
  const covered = solved.filter(({ found }) => found.length > 0);
  const set = (choice: readonly number[]): PackSet =>
    together(
      covered.map(({ group, found }, i) => ({ group, covering: found[choice[i] ?? 0] as Covering })),
      packs,
    );
  const best = set([]);
  const runnersUp = covered
    .flatMap(({ found }, i) =>
      found.slice(1).map(({ cost }, k) => ({ i, k: k + 1, more: cost - (found[0]?.cost ?? 0) })),
    )
    .sort((a, b) => a.more - b.more)
    .slice(0, RUNNERS_UP)
    .map(({ i, k, more }) => ({ ...set(covered.map((_, j) => (j === i ? k : 0))), more }));
  return {
    ...best,
    proven: solved.every(({ proven }) => proven),
    atLeast: covered.reduce(
      (sum, { group, found, proven }) => sum + (proven ? (found[0]?.cost ?? 0) : fractionalCost(group)),
      0,
    ),
    runnersUp,
    uncovered: solved
      .filter(({ found }) => found.length === 0)
      .flatMap(({ group }) => group.need.map(({ part }) => part)),
  };
}

/** The lowest price, and the price of a number of packs: a discount applies to every pack [common practice, no source]. */
function pricesOf({ price, discounts = [] }: BuyablePack): Pick<SearchPack, 'price' | 'costOf' | 'steps'> {
  if (discounts.length === 0) return { price };
  const each = (count: number) =>
    discounts.reduce((least, step) => (count >= step.from ? Math.min(least, step.price) : least), price);
  return {
    price: Math.min(price, ...discounts.map((step) => step.price)),
    costOf: (count) => count * each(count),
    steps: discounts.map(({ from }) => from),
  };
}

function check(need: readonly PartNeed[], packs: readonly BuyablePack[]): void {
  const once = (what: string, name: string, seen: Set<string>) => {
    if (seen.has(name)) throw new QuantityError(what, `in the list twice (${name})`, 'named once');
    seen.add(name);
  };
  const [parts, ids] = [new Set<string>(), new Set<string>()];
  for (const { part, litres } of need) {
    once('part', part, parts);
    within(`need of ${part} (l)`, litres, -1e6, 1e6);
  }
  for (const { id, price, contents, stock, discounts } of packs) {
    for (const step of discounts ?? []) {
      within(`price of ${id} from ${step.from} packs`, step.price, 0, MOST_MONEY);
      if (!(Number.isInteger(step.from) && step.from >= 1 && step.from <= 10_000))
        throw new QuantityError(
          `packs of ${id} for a discount`,
          step.from,
          'a whole number between 1 and 10,000',
        );
    }
    once('pack', id, ids);
    within(`price of ${id}`, price, 0, MOST_MONEY);
    for (const [part, litres] of Object.entries(contents)) within(`${part} in ${id} (l)`, litres, 0, 1e5);
    if (stock !== undefined && !(Number.isInteger(stock) && stock >= 0))
      throw new QuantityError(`packs of ${id} available`, stock, 'a whole number of 0 or more');
  }
}

interface Group {
  need: PartNeed[];
  packs: BuyablePack[];
}

const wantedOf = (need: readonly PartNeed[]) => need.filter(({ litres }) => litres > 0);

/** What packs that hang together cost at least, bought in fractions. */
function fractionalCost({ need, packs }: Group): number {
  const worth = fractionalPrices({
    need: need.map(({ litres }) => litres),
    contents: packs.map(({ contents }) => need.map(({ part }) => contents[part] ?? 0)),
    prices: packs.map((pack) => pricesOf(pack).price),
  });
  return need.reduce((sum, { litres }, p) => sum + litres * (worth[p] as number), 0);
}

/**
 * What no purchase from these packs undercuts, and for how many parts there is no pack: quickly told, without a search.
 *
 * @param need litres of each part; 0 or less: no need
 */
export function leastCostOf(
  need: readonly PartNeed[],
  packs: readonly BuyablePack[],
): { cost: number; without: number } {
  const groups = groupsOf(wantedOf(need), packs);
  return {
    cost: groups.reduce((sum, group) => sum + (group.packs.length > 0 ? fractionalCost(group) : 0), 0),
    without: groups.filter((group) => group.packs.length === 0).length,
  };
}

/** Packs without those that hold no more than another of the same seller that never costs more: nobody would buy them. */
function withoutDominated(packs: readonly BuyablePack[], need: readonly PartNeed[]): BuyablePack[] {
  const lowest = packs.map((pack) => pricesOf(pack).price);
  const beats = (b: number, a: number) => {
    const [better, worse] = [packs[b] as BuyablePack, packs[a] as BuyablePack];
    const [price, least] = [better.price, lowest[a] as number];
    if (better.supplierId !== worse.supplierId || better.stock !== undefined || price > least) return false;
    let more = price < least;
    for (const { part } of need) {
      const [its, others] = [better.contents[part] ?? 0, worse.contents[part] ?? 0];
      if (its < others) return false;
      if (its > others) more = true;
    }
    // Of two alike the first stays.
    return more || b < a;
  };
  return packs.filter((_, a) => !packs.some((_b, b) => b !== a && beats(b, a)));
}

/** Parts that packs tie together, each group with its packs. A part that no pack holds is a group without one. */
function groupsOf(need: readonly PartNeed[], packs: readonly BuyablePack[]): Group[] {
  const holds = (pack: BuyablePack, part: string) => (pack.contents[part] ?? 0) > 0;
  const left = new Set(need);
  const groups: Group[] = [];
  for (const first of need) {
    if (!left.delete(first)) continue;
    const group: Group = { need: [first], packs: [] };
    for (const each of group.need)
      for (const pack of packs) {
        if (!holds(pack, each.part) || group.packs.includes(pack)) continue;
        group.packs.push(pack);
        for (const other of left)
          if (holds(pack, other.part)) {
            left.delete(other);
            group.need.push(other);
          }
      }
    groups.push(group);
  }
  return groups;
}

function together(
  chosen: readonly { group: Group; covering: Covering }[],
  packs: readonly BuyablePack[],
): PackSet {
  const counts = new Map<string, number>();
  for (const { group, covering } of chosen)
    group.packs.forEach((pack, i) => {
      counts.set(pack.id, covering.counts[i] as number);
    });
  return {
    buy: packs.flatMap(({ id }) =>
      (counts.get(id) ?? 0) > 0 ? [{ id, count: counts.get(id) as number }] : [],
    ),
    cost: chosen.reduce((sum, { covering }) => sum + covering.cost, 0),
    left: chosen.flatMap(({ group, covering }) =>
      group.need.map(({ part }, p) => ({ part, litres: covering.left[p] as number })),
    ),
  };
}
