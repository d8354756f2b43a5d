import { expect, it } from 'vitest';
import { cheapestWay, setsOf, type WaySought } from './cheapestWay.ts';

const COSTS: Record<string, number> = { '': 100, tent: 300, crew: 250, 'tent crew': 420, heat: 180 };
/** Of 20 draws so many keep the date; heat alone is late by the forecast already. */
const HITS: Record<string, number> = { '': 6, crew: 16, tent: 19, 'tent crew': 20, heat: 20 };
const key = (changes: readonly string[]) => changes.join(' ');

async function sought(goal: number) {
  const followed: string[] = [];
  let last: WaySought<string> | null = null;
  for await (const each of cheapestWay<string>({
    changes: ['tent', 'crew', 'heat'],
    mostTogether: 2,
    goal,
    draws: 60,
    plan: async (changes) => {
      const cost = COSTS[key(changes)];
      return cost === undefined ? null : { cost, inTime: key(changes) !== 'heat', leftOut: 0 };
    },
    follow: async (changes, _first, count) => {
      followed.push(key(changes));
      return Math.floor((HITS[key(changes)] ?? 0) * (count / 20));
    },
  }))
    last = each;
  return { last: last as WaySought<string> | null, followed };
}

it('names the cheapest set that reaches the goal, gives up what is far below it early, and leaves out what is late anyway', async () => {
  const { last, followed } = await sought(0.9);
  expect(last?.found?.way.changes).toEqual(['tent']);
  expect(last?.done).toBe(true);
  // As it is 30 %: given up after the first ten. A second person, 80 %, is followed longer. Heat is late as forecast.
  const times = (set: string) => followed.filter((each) => each === set).length;
  expect([times(''), times('tent'), times('heat'), times('tent crew')]).toEqual([1, 6, 0, 0]);
  expect(times('crew')).toBeGreaterThan(2);
  expect([last?.planned, last?.sets]).toEqual([7, 7]);
});

it('says that nothing reaches the goal, with what was tried', async () => {
  const { last } = await sought(1);
  expect(last?.found?.way.changes).toEqual(['tent', 'crew']);
  HITS['tent crew'] = 18;
  const none = (await sought(0.99)).last;
  expect([none?.found, none?.done]).toEqual([null, true]);
  expect(none?.tried.map(({ way }) => way.cost)).toEqual([100, 250, 300, 420]);
  await expect(sought(1.2)).rejects.toThrow(/Chance wanted must be between 0 and 1, but is 1\.2/);
});

it('sets of changes: each by itself before two together', () => {
  expect(setsOf(['a', 'b', 'c'], 2).map((set) => set.join(''))).toEqual([
    '',
    'a',
    'b',
    'c',
    'ab',
    'ac',
    'bc',
  ]);
});
