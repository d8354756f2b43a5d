/** A pack as the search sees it: litres of each part in it, its lowest price, and how many can be had. */
export interface SearchPack {
  contents: readonly number[];
  price: number;
  most: number;
  /** What so many cost, where more of them are cheaper each; left out: `price` each. */
  costOf?: (count: number) => number;
  /** Counts from which on each is cheaper. */
  steps?: readonly number[];
}

/** The number of each pack, the cost, and the leftover of each part. */
export interface Covering {
  counts: number[];
  cost: number;
  left: number[];
}

/** A search through sets of packs, in the order they are tried. */
export interface Search {
  need: readonly number[];
  packs: readonly SearchPack[];
  /** For each pack whether it or a later one holds each part. */
  still: readonly (readonly boolean[])[];
  /** For each pack, what a litre of each part is worth where only it and later ones are left to buy: more than one answer. */
  worths: readonly (readonly (readonly number[])[])[];
  branches: number;
  /** Branches after which it is broken off. */
  most: number;
  /** It was broken off: what it found need not be the cheapest. */
  cut: boolean;
}

/** Litres below which there is no need: a millionth of a litre. */
export const DROP = 1e-6;
/** What two costs may differ by and be the same. */
export const tolerance = (cost: number) => 1e-9 * (1 + cost);

/** Runs through the sets no dearer than a limit; `take` says of each what the limit is from there on. */
export function branch(search: Search, take: (covering: Covering) => number, start: number): void {
  const { packs } = search;
  const counts = Array<number>(packs.length).fill(0);
  const wanting = [...search.need];
  let limit = start;
  const buy = ({ contents }: SearchPack, count: number) => {
    for (let p = 0; p < wanting.length; p++)
      wanting[p] = (wanting[p] as number) - count * (contents[p] as number);
  };
  const go = (i: number, cost: number): void => {
    if (++search.branches > search.most) {
      search.cut = true;
      return;
    }
    const stands = standing(search, wanting, i);
    if (stands === 'hopeless' || leastCost(search, wanting, i, cost) > limit) return;
    if (stands === 'covered') {
      limit = take({ counts: [...counts], cost, left: wanting.map((litres) => Math.max(0, -litres)) });
      return;
    }
    const pack = packs[i] as SearchPack;
    const { most, least } = howMany(search, wanting, i);
    // Broken off, it is left at once: a thimble of a pack would otherwise be counted down by the million.
    for (let count = most; count >= least && !search.cut; count--) {
      counts[i] = count;
      buy(pack, count);
      go(i + 1, cost + (pack.costOf?.(count) ?? count * pack.price));
      buy(pack, -count);
    }
    counts[i] = 0;
  };
  go(0, 0);
}

/** Whether every need is covered, a need is left, or a need is left that no pack from here on covers. */
function standing({ still }: Search, wanting: readonly number[], i: number): 'covered' | 'open' | 'hopeless' {
  let stands: 'covered' | 'open' = 'covered';
  for (let p = 0; p < wanting.length; p++) {
    if ((wanting[p] as number) <= DROP) continue;
    if (!still[i]?.[p]) return 'hopeless';
    stands = 'open';
  }
  return stands;
}

/** Lower bound of the cost of every set beyond this branch: the packs bought, and the highest fractional price of the need left. */
function leastCost({ worths }: Search, wanting: readonly number[], i: number, cost: number): number {
  let most = cost;
  for (const worth of worths[i] ?? []) {
    let bound = cost;
    for (let p = 0; p < wanting.length; p++)
      bound += Math.max(0, wanting[p] as number) * (worth[p] as number);
    most = Math.max(most, bound);
  }
  return most - tolerance(most);
}

/** The useful numbers of a pack: no more than cover the need, and at least as many as no later pack can replace. */
function howMany(
  { packs, still }: Search,
  wanting: readonly number[],
  i: number,
): { most: number; least: number } {
  const pack = packs[i] as SearchPack;
  let [most, least] = [0, 0];
  pack.contents.forEach((litres, p) => {
    const wants = wanting[p] as number;
    if (litres <= 0 || wants <= DROP) return;
    const covers = Math.ceil((wants - DROP) / litres);
    most = Math.max(most, covers);
    if (!still[i + 1]?.[p]) least = Math.max(least, covers);
  });
  // So many as are cheaper each may cost less than fewer do.
  if (most > 0) for (const step of pack.steps ?? []) most = Math.max(most, step);
  return { most: Math.min(most, pack.most), least };
}
