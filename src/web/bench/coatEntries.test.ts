import { expect, it } from 'vitest';
import { litresLikely, litresOn, noteWith } from './coatEntries.ts';

it('the litres used lie on each area by what was covered of it and what a square metre takes', () => {
  const part = (leftM2: number, litres: number, coveredM2 = leftM2) => ({ leftM2, litres, coveredM2 });
  expect(litresOn([part(10, 2), part(5, 1)], 3)).toEqual([2, 1]);
  // A first coat on bare blasted steel takes more a square metre than the one beside it.
  expect(litresOn([part(10, 3), part(10, 1)], 6)).toEqual([4.5, 1.5]);
  // Half of the second area only: its share halves.
  expect(litresOn([part(10, 2), part(10, 2, 5)], 3)).toEqual([2, 1]);
  expect(litresOn([part(10, 2)], 0.7)).toEqual([0.7]);
});

it('a part of the area begins with what was used on it, else with its share: never with the litres of the whole', () => {
  expect(litresLikely(4, 1, null)).toBe(4);
  expect(litresLikely(4, 1, 2.5)).toBe(4);
  // Noted once all of it was covered: the rest is left in the pot, or more went on than planned.
  expect([3.6, 5, null].map((used) => litresLikely(4, 1, used, true))).toEqual([3.6, 5, 4]);
  expect(litresLikely(4, 3 / 8, null)).toBe(1.5);
  expect(litresLikely(4, 3 / 8, 1.2)).toBe(1.2);
  expect([litresLikely(null, 0.5, null), litresLikely(null, 0.5, 1.2)]).toEqual([null, 1.2]);
});

it('a reason stays whole beside a long list of what spoke against the coat', () => {
  const reason = `${'r'.repeat(1500)} end`;
  const note = noteWith('a'.repeat(3000), reason);
  expect(note).toHaveLength(2000);
  expect(note.endsWith(` ${reason}`)).toBe(true);
  expect(noteWith('rain', 'short of time')).toBe('Applied although rain. short of time');
});
