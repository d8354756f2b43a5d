import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { correctPour } from './index.ts';

const parts = (...ratios: number[]) => ratios.map((ratio, i) => ({ name: `part ${i + 1}`, ratio }));

/** Worked by hand from handbook section 7: the part poured furthest sets the pot. */
describe('what was really poured', () => {
  it('too much hardener is met by base', () => {
    const advice = correctPour({ parts: parts(2, 1), poured: [400, 250], tolerance: 0.05 });
    // 250 of 650 is 38.5 %, where a third is asked: 15.4 % too much of it.
    expect(advice).toEqual({ state: 'add', add: [100, 0], error: expect.closeTo(0.1538, 4), total: 650 });
  });

  it.each([
    ['within the tolerance, with what would make it exact', [400, 205], 'in-ratio', [10, 0]],
    ['exact', [400, 200], 'in-ratio', [0, 0]],
    ['hardener not in yet', [400, 0], 'pouring', [0, 200]],
    ['nothing in yet', [0, 0], 'pouring', [0, 0]],
  ] as const)('%s', (_, poured, state, add) => {
    expect(correctPour({ parts: parts(2, 1), poured, tolerance: 0.05 })).toMatchObject({ state, add });
  });

  it('three parts 4 : 1 : 1, the third far over: both others come up to it', () => {
    const { add } = correctPour({ parts: parts(4, 1, 1), poured: [400, 100, 150], tolerance: 0.05 });
    expect(add).toEqual([200, 50, 0]);
  });

  it('a pot that would pass the most wanted is discarded, one that just holds it is not', () => {
    const poured = [400, 250];
    const pot = (maxTotal: number) =>
      correctPour({ parts: parts(2, 1), poured, tolerance: 0.05, wanted: { maxTotal } }).state;
    expect([pot(750), pot(749)]).toEqual(['add', 'discard']);
  });

  it('refuses by name what can’t be', () => {
    const pour = (ratios: number[], poured: number[]) => () =>
      correctPour({ parts: parts(...ratios), poured, tolerance: 0.05 });
    expect(pour([2, 0], [1, 1])).toThrow('Parts of part 2 must be above 0, but is 0');
    expect(pour([2, 1], [1, -1])).toThrow(/^Part 2 poured must be /);
    expect(pour([2, 1], [1])).toThrow(/^Number of amounts poured must be 2, one a part/);
    expect(pour([2, 1], [1, Number.NaN])).toThrow(/^Part 2 poured must be /);
  });

  it('whatever is poured, after the advice the ratio is exact, and nothing is ever taken out', () => {
    const amount = fc.double({ min: 0.001, max: 5000, noNaN: true });
    const pot = fc.integer({ min: 1, max: 4 }).chain((n) =>
      fc.record({
        ratios: fc.array(fc.integer({ min: 1, max: 12 }), { minLength: n, maxLength: n }),
        poured: fc.array(amount, { minLength: n, maxLength: n }),
      }),
    );
    fc.assert(
      fc.property(pot, ({ ratios, poured }) => {
        const { add, error, total } = correctPour({ parts: parts(...ratios), poured, tolerance: 0.05 });
        expect(add.every((each) => each >= 0)).toBe(true);
        expect(add.some((each) => each === 0)).toBe(true);
        expect(Number.isFinite(error) && total > 0).toBe(true);
        const after = correctPour({
          parts: parts(...ratios),
          poured: poured.map((each, i) => each + (add[i] as number)),
          tolerance: 0,
        });
        expect(after.state).toBe('in-ratio');
        expect(Math.max(...after.add)).toBeLessThanOrEqual(1e-6 * total);
      }),
    );
  });
});
