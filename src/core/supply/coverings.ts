import { fractionalPrices } from './fractionalPrices.ts';

/** A pack as the search sees it: litres of each part in it, its price, and how many can be had. */
export interface SearchPack {
  contents: readonly number[];
  price: number;
  most: number;
}

/** How many of each pack, what they cost, and what is left of each part. */
export interface Covering {
  counts: number[];
  cost: number;
  left: number[];
}

export interface Coverings {
  /** Cheapest first; of equal cost the one that leaves less. */
  found: Covering[];
  /** The first is the cheapest there is: the search ran to its end. */
  proven: boolean;
}

/** Litres below which nothing is wanted: a millionth of a litre. */
const DROP = 1e-6;
/** Branches looked at before a search is broken off. */
const MOST_BRANCHES = 200_000;

interface Search {
  need: readonly number[];
  packs: readonly SearchPack[];
  /** For each pack whether it or a later one holds each part. */
  still: readonly (readonly boolean[])[];
  /** For each pack, what a litre of each part is worth where only it and later ones are left to buy: more than one answer. */
  worths: readonly (readonly (readonly number[])[])[];
  branches: number;
  cut: boolean;
}

/**
 * Sets of whole packs that cover a need, by depth-first search: packs by what they give for their price, each as often as
 * could be needed and then fewer; a branch ends where what it costs, with the fractional price of what is still wanting,
 * is no cheaper than what is known [branch and bound with a linear relaxation, S: any text of integer programming].
 *
 * The first pass finds the cheapest and proves it; the second gathers sets within `within` of it in which no pack could be
 * left out.
 */
export function coverings(
  need: readonly number[],
  packs: readonly SearchPack[],
  { most, within }: { most: number; within: number },
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
  const search = (): Search => ({ need, packs: sorted, still, worths, branches: 0, cut: false });
  const inOrder = ({ counts, ...rest }: Covering): Covering => {
    const back = Array<number>(packs.length).fill(0);
    order.forEach((i, k) => {
      back[i] = counts[k] as number;
    });
    return { ...rest, counts: back };
  };

  const first = search();
  let best: Covering | null = null;
  branch(
    first,
    (covering) => {
      best = covering;
      return covering.cost - 2 * tolerance(covering.cost);
    },
    Number.POSITIVE_INFINITY,
  );
  if (best === null) return { found: [], proven: !first.cut };
  const limit = (best as Covering).cost * (1 + within) + tolerance((best as Covering).cost);
  const found: Covering[] = [];
  const second = search();
  branch(
    second,
    (covering) => {
      if (isLean(covering, sorted, need)) found.push(covering);
      return limit;
    },
    limit,
  );
  if (!found.some(({ cost }) => cost <= (best as Covering).cost + tolerance(cost))) found.push(best);
  found.sort((a, b) =>
    Math.abs(a.cost - b.cost) <= tolerance(a.cost) ? rest(a) - rest(b) : a.cost - b.cost,
  );
  return { found: found.slice(0, most).map(inOrder), proven: !first.cut };
}

/**
 * Prices of a litre that no purchase from these packs undercuts: for the need as it is, and for each part by itself, since
 * what is wanted further down is of another mixture.
 */
function worthsFrom(need: readonly number[], packs: readonly SearchPack[]): number[][] {
  const [contents, prices] = [packs.map((pack) => pack.contents), packs.map((pack) => pack.price)];
  const held = (p: number) => contents.some((row) => (row[p] as number) > 0);
  const wishes = [need, ...need.map((_, p) => need.map((_n, k) => Number(k === p)))];
  return wishes.map((wish) =>
    fractionalPrices({ need: wish.map((litres, p) => (held(p) ? litres : 0)), contents, prices }),
  );
}

const tolerance = (cost: number) => 1e-9 * (1 + cost);
const rest = ({ left, counts }: Covering) =>
  left.reduce((sum, litres) => sum + litres, 0) + 1e-6 * counts.reduce((sum, count) => sum + count, 0);

/** Whether no pack of it could be left out. */
const isLean = ({ counts, left }: Covering, packs: readonly SearchPack[], need: readonly number[]): boolean =>
  packs.every(
    ({ contents }, i) =>
      counts[i] === 0 ||
      contents.some((litres, p) => (need[p] as number) > DROP && litres > (left[p] as number) + DROP),
  );

/** Runs through the sets cheaper than a limit; `take` says of each the limit from there on. */
function branch(search: Search, take: (covering: Covering) => number, start: number): void {
  const { need, packs, still, worths } = search;
  const counts = Array<number>(packs.length).fill(0);
  const wanting = [...need];
  let limit = start;
  const go = (i: number, cost: number): void => {
    if (++search.branches > MOST_BRANCHES) {
      search.cut = true;
      return;
    }
    let open = false;
    for (let p = 0; p < wanting.length; p++) {
      if ((wanting[p] as number) <= DROP) continue;
      if (!still[i]?.[p]) return;
      open = true;
    }
    for (const worth of open ? (worths[i] ?? []) : []) {
      let bound = cost;
      for (let p = 0; p < wanting.length; p++)
        bound += Math.max(0, wanting[p] as number) * (worth[p] as number);
      if (bound - tolerance(bound) > limit) return;
    }
    if (!open) {
      if (cost - tolerance(cost) > limit) return;
      limit = take({ counts: [...counts], cost, left: wanting.map((litres) => Math.max(0, -litres)) });
      return;
    }
    const pack = packs[i] as SearchPack;
    let [most, least] = [0, 0];
    pack.contents.forEach((litres, p) => {
      const wants = wanting[p] as number;
      if (litres <= 0 || wants <= DROP) return;
      const covers = Math.ceil((wants - DROP) / litres);
      most = Math.max(most, covers);
      // What no later pack holds has to come from this one.
      if (!still[i + 1]?.[p]) least = Math.max(least, covers);
    });
    for (let count = Math.min(most, pack.most); count >= least; count--) {
      counts[i] = count;
      pack.contents.forEach((litres, p) => {
        wanting[p] = (wanting[p] as number) - count * litres;
      });
      go(i + 1, cost + count * pack.price);
      pack.contents.forEach((litres, p) => {
        wanting[p] = (wanting[p] as number) + count * litres;
      });
    }
    counts[i] = 0;
  };
  go(0, 0);
}
