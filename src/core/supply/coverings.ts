import { branch, type Covering, DROP, type Search, type SearchPack, tolerance } from './branch.ts';
import { fractionalPrices } from './fractionalPrices.ts';

export interface Coverings {
  /** Cheapest first; of equal cost the one that leaves less. */
  found: Covering[];
  /** The first is the cheapest there is: the search ran to its end. */
  proven: boolean;
  /** Branches looked at. */
  branches: number;
}

/** What a search is asked for: how many sets, how much dearer than the cheapest, and after how many branches it is broken off. */
export interface Asked {
  most: number;
  within: number;
  branches: number;
}

/**
 * Sets of whole packs that cover a need, by depth-first search: packs by what they give for their price, each as often as
 * could be needed and then fewer; a branch ends where what it costs, with the fractional price of what is still wanting,
 * is no cheaper than what is known [branch and bound with a linear relaxation, S: any text of integer programming].
 *
 * The first pass finds the cheapest and proves it; the second gathers sets within `within` of it in which no pack could be
 * left out.
 */
export function coverings(need: readonly number[], packs: readonly SearchPack[], asked: Asked): Coverings {
  const needed = essential(need, packs);
  const { found, ...rest } = search(
    needed.map((p) => need[p] as number),
    packs.map((pack) => ({ ...pack, contents: needed.map((p) => pack.contents[p] as number) })),
    asked,
  );
  const leftOf = (counts: readonly number[]) =>
    need.map((litres, p) => {
      const bought = counts.reduce((sum, count, i) => sum + count * (packs[i]?.contents[p] ?? 0), 0);
      return Math.max(0, bought - litres);
    });
  return { ...rest, found: found.map((each) => ({ ...each, left: leftOf(each.counts) })) };
}

/** Parts that decide: a part that every pack contains in the same ratio to another, with no larger need, is covered with it. */
function essential(need: readonly number[], packs: readonly SearchPack[]): number[] {
  const follows = (p: number, q: number) => {
    const pack = packs.find(({ contents }) => (contents[q] as number) > 0);
    if (!pack) return false;
    const ratio = (pack.contents[p] as number) / (pack.contents[q] as number);
    const same = packs.every(
      ({ contents }) => Math.abs((contents[p] as number) - ratio * (contents[q] as number)) < 1e-9,
    );
    const wanted = ratio * (need[q] as number);
    // Of two that follow each other the first stays.
    return same && ((need[p] as number) < wanted - 1e-12 || ((need[p] as number) <= wanted + 1e-12 && q < p));
  };
  const all = need.map((_, p) => p);
  return all.filter((p) => !all.some((q) => q !== p && follows(p, q)));
}

function search(
  need: readonly number[],
  packs: readonly SearchPack[],
  { most, within, branches }: Asked,
): Coverings {
  const worth = fractionalPrices({
    need,
    contents: packs.map(({ contents }) => contents),
    prices: packs.map(({ price }) => price),
  });
  const gives = ({ contents, price }: SearchPack) =>
    contents.reduce((sum, litres, p) => sum + litres * ((worth[p] as number) + 1e-9), 0) / (price + 1e-9);
  const order = packs
    .map((_, i) => i)
    .sort((a, b) => gives(packs[b] as SearchPack) - gives(packs[a] as SearchPack));
  const sorted = order.map((i) => packs[i] as SearchPack);
  const still: boolean[][] = [];
  for (let i = sorted.length; i >= 0; i--)
    still[i] = need.map((_, p) => ((sorted[i]?.contents[p] ?? 0) > 0 || still[i + 1]?.[p]) ?? false);
  const worths = sorted.map((_, i) => worthsFrom(need, sorted.slice(i)));
  const begin = (): Search => ({
    need,
    packs: sorted,
    still,
    worths,
    branches: 0,
    most: branches,
    cut: false,
  });
  const inOrder = ({ counts, ...rest }: Covering): Covering => {
    const back = Array<number>(packs.length).fill(0);
    order.forEach((i, k) => {
      back[i] = counts[k] as number;
    });
    return { ...rest, counts: back };
  };

  const first = begin();
  let best: Covering | null = null;
  branch(
    first,
    (covering) => {
      best = covering;
      return covering.cost - 2 * tolerance(covering.cost);
    },
    Number.POSITIVE_INFINITY,
  );
  if (best === null) return { found: [], proven: !first.cut, branches: first.branches };
  let limit = (best as Covering).cost * (1 + within) + tolerance((best as Covering).cost);
  const found: Covering[] = [];
  const second = begin();
  branch(
    second,
    (covering) => {
      if (!isLean(covering, sorted, need)) return limit;
      found.push(covering);
      found.sort((one, other) => one.cost - other.cost);
      // No more are asked for than are shown: from there on only cheaper ones count.
      const last = found[most - 1];
      if (last) limit = Math.min(limit, last.cost + tolerance(last.cost));
      return limit;
    },
    limit,
  );
  if (!found.some(({ cost }) => cost <= (best as Covering).cost + tolerance(cost))) found.push(best);
  found.sort((a, b) =>
    Math.abs(a.cost - b.cost) <= tolerance(a.cost) ? rest(a) - rest(b) : a.cost - b.cost,
  );
  return {
    found: found.slice(0, most).map(inOrder),
    proven: !first.cut,
    branches: first.branches + second.branches,
  };
}

/**
 * Prices of a litre that no purchase from these packs undercuts: for the need as it is, and for each part by itself, since
 * the need further down is of another mixture.
 */
function worthsFrom(need: readonly number[], packs: readonly SearchPack[]): number[][] {
  const [contents, prices] = [packs.map((pack) => pack.contents), packs.map((pack) => pack.price)];
  const held = (p: number) => contents.some((row) => (row[p] as number) > 0);
  const each = need.length > 1 ? need.map((_, p) => need.map((_n, k) => Number(k === p))) : [];
  const wishes = [need, ...each];
  return wishes.map((wish) =>
    fractionalPrices({ need: wish.map((litres, p) => (held(p) ? litres : 0)), contents, prices }),
  );
}

const rest = ({ left, counts }: Covering) =>
  left.reduce((sum, litres) => sum + litres, 0) + 1e-6 * counts.reduce((sum, count) => sum + count, 0);

/** Whether no pack of it could be left out. */
const isLean = ({ counts, left }: Covering, packs: readonly SearchPack[], need: readonly number[]): boolean =>
  packs.every(
    ({ contents }, i) =>
      counts[i] === 0 ||
      contents.some((litres, p) => (need[p] as number) > DROP && litres > (left[p] as number) + DROP),
  );
