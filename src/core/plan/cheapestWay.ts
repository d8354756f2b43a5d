import { within } from '../units/index.ts';
import { type Chance, chanceOf } from './odds.ts';

/** A set of changes with what the plan costs with them, and whether it is in time where the weather is as forecast. */
export interface Way<Change> {
  changes: readonly Change[];
  cost: number;
  inTime: boolean;
  /** Areas that the plan leaves out: with fewer of them it is more work. */
  leftOut: number;
}

/** How far the search is, or what it found. */
export interface WaySought<Change> {
  /** Sets planned and sets there are; draws of the weather followed. */
  planned: number;
  sets: number;
  draws: number;
  /** Sets whose chance was looked at, the cheaper first; of one that fell short by far not all draws were followed. */
  tried: { way: Way<Change>; chance: Chance }[];
  /** The first of them that reaches the goal; null: none did, or not yet. */
  found: { way: Way<Change>; chance: Chance } | null;
  done: boolean;
}

/** Draws of a set after each of which it may be given up. */
const DRAWS_AT_A_TIME = 10;
/** Sets planned at once. */
const AT_ONCE = 2;
/** So many standard errors below the goal a set is given up. */
const FAR = 2;

/** All sets of these changes, the smaller first. */
export function setsOf<Change>(changes: readonly Change[], most: number): Change[][] {
  const sets: Change[][] = [[]];
  for (const change of changes)
    for (const set of [...sets]) if (set.length < most) sets.push([...set, change]);
  return sets.sort((a, b) => a.length - b.length);
}

/**
 * The cheapest set of changes with which a date is kept with a chance of so much: sets by what their plan costs, the cheaper
 * first; of each draws of the weather until it is far below the goal or all are followed.
 *
 * @param goal the chance wanted, 0–1
 * @param draws followed of a set at the most
 * @param plan the plan with some changes; null: there is none
 * @param follow of so many draws from a first one on how many keep the date
 * @throws {QuantityError} on a goal or count that cannot be
 */
export async function* cheapestWay<Change>(input: {
  changes: readonly Change[];
  mostTogether: number;
  goal: number;
  draws: number;
  plan: (changes: readonly Change[]) => Promise<Omit<Way<Change>, 'changes'> | null>;
  follow: (changes: readonly Change[], first: number, count: number) => Promise<number>;
}): AsyncGenerator<WaySought<Change>> {
  const goal = within('chance wanted', input.goal, 0, 1);
  const draws = within('draws', input.draws, 1, 10_000);
  const sets = setsOf(input.changes, within('changes together', input.mostTogether, 0, 6));
  const sought: WaySought<Change> = {
    planned: 0,
    sets: sets.length,
    draws: 0,
    tried: [],
    found: null,
    done: false,
  };
  const ways: Way<Change>[] = [];
  for (let i = 0; i < sets.length; i += AT_ONCE) {
    const some = sets.slice(i, i + AT_ONCE);
    const plans = await Promise.all(some.map((changes) => input.plan(changes)));
    for (const [k, plan] of plans.entries()) if (plan) ways.push({ changes: some[k] as Change[], ...plan });
    sought.planned += some.length;
    yield { ...sought };
  }
  // A set that is late even with the forecast weather can't be in time nine times out of ten.
  const cheapFirst = ways.filter(({ inTime }) => inTime).sort((a, b) => a.cost - b.cost || a.changes.length - b.changes.length); // biome-ignore format: one line
  for (const way of cheapFirst) {
    let [hits, followed] = [0, 0];
    let chance = chanceOf(0, 0);
    while (followed < draws) {
      const count = Math.min(DRAWS_AT_A_TIME, draws - followed);
      hits += await input.follow(way.changes, followed, count);
      followed += count;
      sought.draws += count;
      chance = chanceOf(hits, followed);
      yield { ...sought, tried: [...sought.tried, { way, chance }] };
      if (chance.chance + FAR * chance.error < goal) break;
    }
    sought.tried = [...sought.tried, { way, chance }];
    if (hits / followed >= goal && followed >= draws) {
      yield { ...sought, found: { way, chance }, done: true };
      return;
    }
  }
  yield { ...sought, done: true };
}
