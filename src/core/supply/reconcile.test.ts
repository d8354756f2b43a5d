import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { reconcile, type TinsLeft } from './index.ts';

const PARTS = [
  { name: 'base', ratio: 2, densityKgPerL: null },
  { name: 'hardener', ratio: 1, densityKgPerL: null },
];
const tins = (more: Partial<TinsLeft>): TinsLeft => ({
  parts: PARTS,
  ratioBy: 'volume',
  measuredBy: 'volume',
  tolerance: null,
  start: [12, 6],
  left: [6, 2],
  mark: 0.1,
  ...more,
});

describe('what the tins say', () => {
  it('12 and 6, of which 6 and 2 are left: a third too much hardener, or one of it spilt (handbook part 7)', () => {
    const found = reconcile(tins({}));
    expect(found.used).toEqual([6, 4]);
    expect(found.verdict).toBe('too-much');
    expect(found.worst?.error).toBeCloseTo(1 / 3, 9);
    expect(found.worst?.low).toBeLessThan(1 / 3);
    expect(found.astray).toEqual([{ part: 'hardener', amount: expect.closeTo(1, 9) }]);
    // 2 of hardener take 4 of base: the other 2 of base are never mixed by guess.
    expect(found.reach).toEqual({ mixed: expect.closeTo(6, 9), limitedBy: 'hardener' });
    expect(found.end).toEqual({
      kind: 'short',
      part: 'hardener',
      buy: expect.closeTo(1, 9),
      leave: [{ part: 'base', amount: expect.closeTo(2, 9) }],
    });
  });

  it('names what is missing for the coats to come, part by part', () => {
    const { missing } = reconcile(tins({ ahead: 9 }));
    expect(missing).toEqual([{ part: 'hardener', amount: expect.closeTo(1, 9) }]);
  });

  it('ends both tins together where what is left is within the tolerance', () => {
    const found = reconcile(tins({ left: [6, 3.1] }));
    expect(found.end).toMatchObject({ kind: 'together', error: expect.closeTo(0.0333, 3) });
  });

  it('cannot tell where the marks leave room for both', () => {
    expect(reconcile(tins({ left: [11.4, 5.6], mark: 0.25 })).verdict).toBe('cannot-tell');
    // Four per cent too much, to a mark that leaves room for seven: within is not proven.
    expect(reconcile(tins({ left: [6, 2.88], mark: 0.2 })).verdict).toBe('cannot-tell');
    expect(reconcile(tins({ left: [6, 2.88], mark: 0.01 })).verdict).toBe('in-ratio');
    expect(reconcile(tins({ left: [12, 6] })).verdict).toBe('nothing-used');
    expect(reconcile(tins({ left: [0, 0] })).verdict).toBe('in-ratio');
  });

  it('weighs where the sheet goes by volume: 2 : 1 at 1.5 and 1.0 kg/l is 3 : 1 by weight', () => {
    const parts = [
      { ...PARTS[0], densityKgPerL: 1.5 },
      { ...PARTS[1], densityKgPerL: 1 },
    ] as never;
    const found = reconcile(tins({ parts, measuredBy: 'weight', start: [9, 3], left: [3, 1] }));
    expect(found.verdict).toBe('in-ratio');
  });

  it('follows a ratio chosen on purpose', () => {
    const parts = PARTS.map((part) => ({ ...part, ratio: 1 }));
    const found = reconcile(tins({ parts, ownParts: [6, 5], start: [12, 12], left: [6, 7] }));
    expect(found.verdict).toBe('in-ratio');
    expect(reconcile(tins({ parts, start: [12, 12], left: [6, 7] })).verdict).toBe('too-little');
  });

  it('refuses more left than there was, and a paint of one part', () => {
    expect(() => reconcile(tins({ left: [13, 6] }))).toThrow(
      'Base left must be between 0 and 12.05, but is 13',
    );
    expect(() => reconcile(tins({ parts: PARTS.slice(0, 1) }))).toThrow('one part has no ratio');
  });

  it('of batches simulated with one of them wrong names that one first', () => {
    const kinds = ['twice', 'left-out', 'swapped'] as const;
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 3, max: 20 }), { minLength: 2, maxLength: 6 }),
        fc.nat(),
        fc.constantFrom(...kinds),
        fc.nat(1),
        (sizes, at, kind, part) => {
          const wrong = at % sizes.length;
          const batches = sizes.map((size, i) => ({ id: `${i}`, poured: [2 * size, size] }));
          const used = [0, 0];
          batches.forEach(({ poured: [a = 0, b = 0] }, i) => {
            const really =
              i !== wrong
                ? [a, b]
                : kind === 'swapped'
                  ? [b, a]
                  : [a, b].map((each, p) => (p !== part ? each : kind === 'twice' ? 2 * each : 0));
            really.forEach((each, p) => {
              used[p] = (used[p] as number) + each;
            });
          });
          const start = [500, 500];
          const left = start.map((each, p) => each - (used[p] as number));
          const [first, second] = reconcile(tins({ start, left, batches, mark: 0.2 })).explanations;
          expect(first).toMatchObject({ kind, batchId: `${wrong}` });
          expect(first?.fits).toBeCloseTo(1, 6);
          expect(second?.fits ?? 0).toBeLessThan(1);
        },
      ),
    );
  });

  it('names the batch that the log itself has off ratio, and a spill where nothing else fits', () => {
    const batches = [
      { id: 'a', poured: [4, 2] },
      { id: 'b', poured: [2, 2] },
    ];
    expect(reconcile(tins({ batches })).explanations[0]).toMatchObject({ kind: 'logged-off', batchId: 'b' });
    const clean = [{ id: 'a', poured: [6, 3] }];
    expect(reconcile(tins({ batches: clean })).explanations).toEqual([
      { kind: 'spilt', batchId: null, part: 'hardener', amount: 1, fits: 0.5 },
    ]);
  });
});
