import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between, equalStrips, type Point, shapeArea } from './index.ts';

const xsOf = (outline: readonly Point[]) => outline.map(({ x }) => x);
const from = (outline: readonly Point[]) => Math.min(...xsOf(outline));
const to = (outline: readonly Point[]) => Math.max(...xsOf(outline));

/** The strips of a single outline, each one piece. */
const one = (outline: readonly Point[], count: number): Point[][] =>
  equalStrips([outline], count).map((pieces) => {
    expect(pieces.length).toBe(1);
    return pieces[0] as Point[];
  });

/** The area between heights that a function gives, counted in thin slices across: not the shoelace formula. */
const sliced = (outline: readonly Point[]): number => {
  const [aft, fore] = [from(outline), to(outline)];
  const thin = (fore - aft) / 1000;
  let sum = 0;
  for (let x = aft + thin / 2; x < fore; x += thin) {
    const zs = outline.flatMap((p, i) => {
      const q = outline[(i + 1) % outline.length] as Point;
      return p.x < x === q.x < x ? [] : [p.z + ((x - p.x) / (q.x - p.x)) * (q.z - p.z)];
    });
    sum += (Math.max(...zs) - Math.min(...zs)) * thin;
  }
  return sum;
};

describe('an area in strips of equal area', () => {
  it('a triangle is halved at 1 − 1/√2 of its height, and quartered at 1 − √(3/4) [Euclid VI.19: as the squares of the sides]', () => {
    const triangle = [{ x: 0, z: 0 }, { x: 0, z: 2 }, { x: 1, z: 0 }]; // biome-ignore format: one line
    expect(to(one(triangle, 2)[0] as Point[])).toBeCloseTo(1 - Math.SQRT1_2, 6);
    expect(to(one(triangle, 4)[0] as Point[])).toBeCloseTo(1 - Math.sqrt(3 / 4), 6);
  });

  it('a rectangle is cut evenly, whichever way round it runs', () => {
    const rectangle = [{ x: 1, z: 0 }, { x: 5, z: 0 }, { x: 5, z: 3 }, { x: 1, z: 3 }]; // biome-ignore format: one line
    for (const outline of [rectangle, [...rectangle].reverse()])
      for (const [i, strip] of one(outline, 8).entries()) {
        expect(from(strip)).toBeCloseTo(1 + i / 2, 6);
        expect(to(strip)).toBeCloseTo(1.5 + i / 2, 6);
        expect(sliced(strip)).toBeCloseTo(shapeArea({ kind: 'rectangle', lengthM: 0.5, widthM: 3 }), 6);
      }
  });

  it('strips of any side of a boat are in order, of equal area, and nothing of it is left', () => {
    const heights = fc.array(fc.double({ min: 0.05, max: 2, noNaN: true }), { minLength: 2, maxLength: 9 });
    fc.assert(
      fc.property(heights, heights, fc.integer({ min: 1, max: 12 }), (above, below, count) => {
        const along = (zs: readonly number[], sign: number) =>
          zs.map((z, i) => ({ x: (10 * i) / (zs.length - 1), z: sign * z }));
        const outline = [...along(above, 1), ...along(below, -1).reverse()];
        const strips = one(outline, count);
        const each = sliced(outline) / count;
        expect(strips.length).toBe(count);
        for (const [i, strip] of strips.entries()) {
          expect(Math.abs(sliced(strip) / each - 1)).toBeLessThan(0.02);
          expect(from(strip)).toBeCloseTo(i === 0 ? 0 : to(strips[i - 1] as Point[]), 6);
        }
        expect(to(strips.at(-1) as Point[])).toBeCloseTo(10, 6);
      }),
      { numRuns: 30, seed: 1 },
    );
  });

  it('both sides of a boat beside each other: of three sections the middle one goes round the bow, half of it on each side', () => {
    const side = (x: number) => [{ x, z: 0 }, { x: x + 6, z: 0 }, { x: x + 6, z: 1 }, { x, z: 1 }]; // biome-ignore format: one line
    const [first, middle, last] = equalStrips([side(0), side(6)], 3);
    expect([first?.length, middle?.length, last?.length]).toEqual([1, 2, 1]);
    expect(middle?.map((piece) => [from(piece), to(piece)].map((x) => Math.round(x * 1e6) / 1e6))).toEqual([[4, 6], [6, 8]]); // biome-ignore format: one line
  });

  it('what lies between two places is cut at both; beyond the outline nothing lies', () => {
    const square = [{ x: 0, z: 0 }, { x: 2, z: 0 }, { x: 2, z: 2 }, { x: 0, z: 2 }]; // biome-ignore format: one line
    const middle = between(square, 0.5, 1.25);
    expect([from(middle), to(middle)]).toEqual([0.5, 1.25]);
    expect(sliced(middle)).toBeCloseTo(1.5, 9);
    expect(between(square, 3, 4)).toEqual([]);
  });

  it('an outline that encloses nothing, a part of a strip and a figure that is none are refused by name', () => {
    const square = [{ x: 0, z: 0 }, { x: 2, z: 0 }, { x: 2, z: 2 }]; // biome-ignore format: one line
    expect(() => equalStrips([], 2)).toThrow(/^Area of the outline/);
    expect(() => equalStrips([square.map(({ x }) => ({ x, z: 1 }))], 2)).toThrow(/^Area of the outline/);
    expect(() => equalStrips([square], 1.5)).toThrow(/whole number/);
    expect(() => equalStrips([square], 0)).toThrow(/^Strips must be between 1 and 200/);
    expect(() => equalStrips([[...square, { x: Number.NaN, z: 0 }]], 2)).toThrow(/^Point \(m\)/);
  });
});
