import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type DayJob, dayOrder } from './index.ts';

const H = 3_600_000;
const job = (id: string, hours: number, ...stretches: [from: number, to: number][]): DayJob => ({
  id,
  applyMs: hours * H,
  stretches: stretches.map(([from, to]) => ({ fromMs: from * H, toMs: to * H })),
});
const orderOf = (jobs: DayJob[], nowH = 8) => {
  const { placed, left } = dayOrder({ jobs, nowMs: nowH * H });
  return [placed.map(({ id, startMs, endMs }) => `${id} ${startMs / H}-${endMs / H}`), left];
};

describe('the order that gets the most of the day’s coats on', () => {
  it('what must begin first goes first, though it takes longest', () => {
    expect(orderOf([job('topsides', 1, [8, 15]), job('bottom', 3, [8, 9])])).toEqual([
      ['bottom 8-11', 'topsides 11-12'],
      [],
    ]);
  });
  it('a short one is put before a late one that opens later, and time is not waited away', () => {
    // By last start alone the deck (11) would go first and wait until 10; the cabin fits before it.
    expect(orderOf([job('deck', 2, [10, 11]), job('cabin', 1, [8, 13])])).toEqual([
      ['cabin 8-9', 'deck 10-12'],
      [],
    ]);
  });
  it('what does not fit is named, and what no start passes for', () => {
    expect(orderOf([job('a', 4, [8, 9]), job('b', 4, [8, 9]), job('c', 1)])).toEqual([
      ['a 8-12'],
      ['b', 'c'],
    ]);
  });
  it('a mixed pot goes first, whatever else would fit before it; of two the one that ends first', () => {
    const pot = { ...job('bottom', 1.25), potEndsMs: 16 * H };
    const other = { ...job('keel', 1), potEndsMs: 11 * H };
    expect(orderOf([job('deck', 1, [8, 8.5]), job('cabin', 1, [8, 15]), pot, other])[0]).toEqual([
      'keel 8-9',
      'bottom 9-10.25',
      'cabin 10.25-11.25',
    ]);
  });
  it('a mixed pot still standing is not used before it is ready', () => {
    const pot = { ...job('bottom', 1), potEndsMs: 12 * H, potReadyMs: 8.25 * H };
    expect(orderOf([job('cabin', 1, [8, 15]), pot])[0]).toEqual(['bottom 8.25-9.25', 'cabin 9.25-10.25']);
  });
  it('a start between two stretches waits for the second', () => {
    expect(orderOf([job('a', 1, [6, 7], [12, 13])])).toEqual([['a 12-13'], []]);
  });
  it('never two at once, every start in a stretch of its own, and no more than were asked', () => {
    const jobs = fc.array(
      fc.record({
        hours: fc.integer({ min: 0, max: 6 }),
        from: fc.integer({ min: 6, max: 18 }),
        long: fc.integer({ min: 0, max: 6 }),
      }),
      { maxLength: 9 },
    );
    fc.assert(
      fc.property(jobs, (drawn) => {
        const all = drawn.map(({ hours, from, long }, i) => job(`${i}`, hours, [from, from + long]));
        const { placed, left } = dayOrder({ jobs: all, nowMs: 7 * H });
        expect(placed.length + left.length).toBe(all.length);
        for (const [i, { id, startMs, endMs }] of placed.entries()) {
          const own = all[Number(id)] as DayJob;
          expect(own.stretches.some(({ fromMs, toMs }) => startMs >= fromMs && startMs <= toMs)).toBe(true);
          expect(endMs - startMs).toBe(own.applyMs);
          expect(startMs).toBeGreaterThanOrEqual(placed[i - 1]?.endMs ?? 7 * H);
        }
      }),
      { numRuns: 60 },
    );
  });
  it('an id given twice is refused', () => {
    expect(() => orderOf([job('a', 1, [8, 9]), job('a', 1, [8, 9])])).toThrow(
      'Coat must be named once, but is in the list twice (a)',
    );
  });
});
