import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { correctPour, gramsInLine, isSettled, weighIn } from './index.ts';

describe('a line that a scale sends', () => {
  it.each([
    ['ST,GS,+  0.4500 kg', 450],
    ['S S      123.4 g', 123.4],
    ['  12,5g\r', 12.5],
    ['N -   3.0 g', -3],
    ['-1.5kg', -1500],
    // International yard and pound agreement: 1 oz = 28.349523125 g, 1 lb = 453.59237 g.
    ['NET  2.00 oz', 56.69904625],
    ['1 lb', 453.59237],
    ['0,450 kg', 450],
    ['1.450 kg', 1450],
  ])('%j', (line, grams) => expect(gramsInLine(line)).toBeCloseTo(grams as number, 9));
  it.each([
    '',
    'ST,GS',
    'OL',
    '---- g',
    '12.3',
    '2026-11-30 12:00',
    '12.3 pcs',
    '9999999 kg',
    'scale 5 mg',
    '1,450 g',
    '1,234.5 g',
    '12 450 g',
    '1.234,5 g',
  ])('no weight: %j', (line) => expect(gramsInLine(line)).toBeNull());
});

describe('a pot weighed in', () => {
  it('the second part follows what was really poured of the first', () => {
    const input = { ratios: [2, 1], firstG: 100 };
    expect(weighIn({ ...input, poured: [], onScaleG: 40 })).toEqual({
      amounts: [40, 0],
      part: 0,
      wanted: 100,
      left: 60,
    });
    expect(weighIn({ ...input, poured: [110], onScaleG: 130 })).toEqual({
      amounts: [110, 20],
      part: 1,
      wanted: 55,
      left: 35,
    });
    // The pot was lifted: nothing more is in than was.
    expect(weighIn({ ...input, poured: [110], onScaleG: 0 })).toMatchObject({ amounts: [110, 0], left: 55 });
    expect(weighIn({ ...input, poured: [110, 55], onScaleG: 165 })).toMatchObject({
      amounts: [110, 55],
      part: null,
    });
  });
  it('poured until nothing is left, it is in ratio, whatever the first parts came to', () => {
    const ratio = fc.double({ min: 0.1, max: 10, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(ratio, { minLength: 2, maxLength: 4 }),
        fc.double({ min: 10, max: 5000, noNaN: true }),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (ratios, firstG, off) => {
          const poured: number[] = [];
          for (const i of ratios.keys()) {
            const { wanted, left } = weighIn({
              ratios,
              firstG,
              poured,
              onScaleG: poured.reduce((sum, each) => sum + each, 0),
            });
            expect(left).toBeCloseTo(wanted, 6);
            poured.push(i === 0 ? wanted * off : wanted);
          }
          const parts = ratios.map((each, i) => ({ name: String(i), ratio: each }));
          expect(correctPour({ parts, poured, tolerance: 0.001 }).state).toBe('in-ratio');
        },
      ),
    );
  });
});

it('a scale has settled once its readings have stayed for a while', () => {
  const at = (grams: number[], every = 200) =>
    grams.map((each, i) => ({ atMs: 1000 + i * every, grams: each }));
  expect(isSettled([], 5000)).toBe(false);
  expect(isSettled(at([0, 50, 100, 100, 100]), 1800)).toBe(false);
  expect(isSettled(at([0, 50, 100, 100.1, 100, 100, 100.2]), 2200)).toBe(true);
  // One that sends only what changes is quiet.
  expect(isSettled(at([0, 100]), 1300)).toBe(false);
  expect(isSettled(at([0, 100]), 2100)).toBe(true);
});
