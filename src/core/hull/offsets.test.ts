import { describe, expect, it } from 'vitest';
import {
  areaFromOffsets,
  areasFromOffsets,
  formFromDimensions,
  hydrostatics,
  mumfordM2,
  type OffsetTable,
} from './index.ts';

const steps = (n: number, from: number, to: number) =>
  Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n);

/** A table over a function of the hull's half-breadth. */
const tableOf = (
  stationsM: number[],
  waterlinesM: number[],
  y: (x: number, z: number) => number,
): OffsetTable => ({
  stationsM,
  waterlinesM,
  halfBreadthsM: stationsM.map((x) => waterlinesM.map((z) => y(x, z))),
});

/** The Wigley parabolic hull [S], handbook part 3: L : B : T = 1 : 0.1 : 0.0625. */
const wigley = (L: number) => {
  const [B, T] = [0.1 * L, 0.0625 * L];
  return tableOf(steps(80, -L / 2, L / 2), steps(40, -T, 0), (x, z) =>
    Math.max(0, (B / 2) * (1 - ((2 * x) / L) ** 2) * (1 - (z / T) ** 2)),
  );
};

describe('the Wigley hull from offsets', () => {
  const L = 12;
  const found = hydrostatics({ table: wigley(L), densityKgM3: 1000 });
  it('wetted surface S/L² = 0.1488 ± 0.5 %', () => {
    expect(Math.abs(found.wettedM2 / (L * L) / 0.1488 - 1)).toBeLessThan(0.005);
  });
  it('block coefficient 4/9 and waterplane coefficient 2/3 exactly', () => {
    expect(found.cb).toBeCloseTo(4 / 9, 3);
    expect(found.cwp).toBeCloseTo(2 / 3, 3);
  });
  it('displaces 4/9 of its box and sinks 1 cm for its waterplane in kilograms', () => {
    expect(found.displacementKg / ((4 / 9) * L * 0.1 * L * 0.0625 * L * 1000)).toBeCloseTo(1, 3);
    expect(found.kgPerCm / ((2 / 3) * L * 0.1 * L * 10)).toBeCloseTo(1, 3);
  });
  it("Mumford's formula comes within a few per cent of it", () => {
    const mumford = mumfordM2({ lwlM: L, draughtM: 0.0625 * L, volumeM3: found.volumeM3 });
    expect(Math.abs(mumford / found.wettedM2 - 1)).toBeLessThan(0.02);
  });
});

describe('shapes with closed forms', () => {
  it('a box: its two sides and its flat of bottom, and the volume of a box', () => {
    const box = tableOf([0, 4], [-1, 0, 1], () => 1.5);
    expect(areaFromOffsets({ table: box, fromZ: -10, toZ: 0 })).toBeCloseTo(2 * 4 * 1 + 4 * 3, 12);
    expect(areaFromOffsets({ table: box, fromZ: -0.5, toZ: 0 })).toBeCloseTo(2 * 4 * 0.5, 12);
    expect(areaFromOffsets({ table: box, fromZ: 0, toZ: 10 })).toBeCloseTo(2 * 4 * 1, 12);
    const found = hydrostatics({ table: box });
    expect(found.volumeM3).toBeCloseTo(4 * 3 * 1, 12);
    expect([found.cb, found.cwp]).toEqual([1, 1]);
  });

  it('a half cylinder lying in the water: πrL of skin, half its volume', () => {
    const r = 1;
    const angles = steps(200, -Math.PI / 2, 0);
    const zs = angles.map((a) => r * Math.sin(a));
    const table = tableOf([0, 6], zs, (_x, z) => Math.sqrt(Math.max(0, r * r - z * z)));
    expect(areaFromOffsets({ table, fromZ: -2, toZ: 0 }) / (Math.PI * r * 6)).toBeCloseTo(1, 4);
    expect(hydrostatics({ table }).volumeM3 / ((Math.PI / 2) * r * r * 6)).toBeCloseTo(1, 4);
  });

  it('a wedge of 45°: the skin is √2 times its height', () => {
    const wedge = tableOf([0, 5], [-2, 0], (_x, z) => 2 + z);
    expect(areaFromOffsets({ table: wedge, fromZ: -5, toZ: 5 })).toBeCloseTo(2 * 5 * 2 * Math.SQRT2, 12);
  });

  it('a cone on its side, breadths of 0 beyond it: πrs of skin within the 2 % of the method', () => {
    const [r, h] = [1, 3];
    // Waterlines by angle at the wide end; each section is a circle of its own radius, cut where it ends.
    const fine = steps(120, -1, 1).map((u) => r * Math.sin((u * Math.PI) / 2));
    const table = tableOf(steps(120, 0, h), fine, (x, z) =>
      Math.sqrt(Math.max(0, (r * (1 - x / h)) ** 2 - z * z)),
    );
    const slant = Math.hypot(r, h);
    expect(Math.abs(areaFromOffsets({ table, fromZ: -2, toZ: 2 }) / (Math.PI * r * slant) - 1)).toBeLessThan(
      0.02,
    );
  });

  it('areas cut by heights add up to the whole, wherever the cuts fall', () => {
    const table = wigley(10);
    const whole = areaFromOffsets({ table, fromZ: -10, toZ: 10 });
    const cuts = [-10, -0.513, -0.301, -0.07, 10];
    const parts = cuts.slice(1).map((toZ, i) => areaFromOffsets({ table, fromZ: cuts[i] as number, toZ }));
    expect(parts.reduce((sum, part) => sum + part, 0)).toBeCloseTo(whole, 9);
  });

  it('where the table has no point there is no skin', () => {
    const table: OffsetTable = {
      stationsM: [0, 1, 2],
      waterlinesM: [-1, 0],
      halfBreadthsM: [
        [1, 1],
        [1, 1],
        [null, 1],
      ],
    };
    // Between the first two stations: a metre of side on each hand, and two of flat bottom.
    expect(areaFromOffsets({ table, fromZ: -2, toZ: 2 })).toBeCloseTo(2 + 2, 12);
  });
});

describe('a table that cannot be used is refused by row and column', () => {
  const good: OffsetTable = {
    stationsM: [0, 1],
    waterlinesM: [-1, 0],
    halfBreadthsM: [
      [1, 1],
      [1, 1],
    ],
  };
  const area = (over: Partial<OffsetTable>) => () =>
    areaFromOffsets({ table: { ...good, ...over }, fromZ: -1, toZ: 0 });
  it.each<[string, Partial<OffsetTable>, string]>([
    [
      'stations out of order',
      { stationsM: [1, 0] },
      'Stations 2 must be above the previous one (1 m), but is 0 m',
    ],
    ['one waterline', { waterlinesM: [0] }, 'Number of waterlines must be 2 or more, but is 1'],
    [
      'a row too short',
      { halfBreadthsM: [[1, 1], [1]] },
      'Number of offsets of station 2 must be 2, one for each waterline, but is 1',
    ],
    [
      'a row missing',
      { halfBreadthsM: [[1, 1]] },
      'Number of rows of offsets must be 2, one for each station, but is 1',
    ],
    [
      'a negative breadth',
      {
        halfBreadthsM: [
          [1, 1],
          [1, -2],
        ],
      },
      'Half-breadth at station 2, waterline 2 must be between 0 and 60, but is -2',
    ],
    [
      'no number',
      {
        halfBreadthsM: [
          [1, Number.NaN],
          [1, 1],
        ],
      },
      'Half-breadth at station 1, waterline 2 must be between 0 and 60, but is NaN',
    ],
  ])('%s', (_what, over, message) => {
    expect(area(over)).toThrow(message);
  });
  it('nothing under water displaces nothing, and says so', () => {
    const dry = { ...good, waterlinesM: [0.5, 1] };
    expect(() => hydrostatics({ table: dry })).toThrow('Lowest waterline must be below 0 m, but is 0.5 m');
  });
});

describe('offsets as they come from elsewhere', () => {
  const wide = (y: number) => [y, y];
  const hull = (waterlinesM: number[], ys: number[]): OffsetTable => ({
    stationsM: [0, 10],
    waterlinesM,
    halfBreadthsM: [ys, ys],
  });

  it('rows of zeros under the keel are the water below it: draught and coefficients stay', () => {
    const own = hydrostatics({ table: hull([-1, 0, 1], [0, 2, 2]) });
    const padded = hydrostatics({ table: hull([-2, -1.5, -1, 0, 1], [0, 0, 0, 2, 2]) });
    expect(padded).toEqual(own);
    expect(own.draughtM).toBe(1);
  });

  it('a transom below the line of paint is painted with the bottom: nothing of a box is lost', () => {
    // A box of 10 × 4 m, 1 m deep and 1 m high, open at the bow: its stern is 4 × 2 m.
    const table = hull([-1, 0, 1], wide(2).concat(2));
    const areas = areasFromOffsets({ table, topOfPaintM: 0.5, stripe: null });
    const of = (zone: string) => areas.find((area) => area.zone === zone)?.areaM2;
    expect(of('bottom')).toBeCloseTo(10 * 4 + 2 * 10 * 1.5 + 4 * 1.5, 9);
    expect(of('transom')).toBeCloseTo(4 * 0.5, 9);
    const all = areas.reduce((sum, area) => sum + area.areaM2, 0);
    expect(all).toBeCloseTo(10 * 4 + 2 * 10 * 2 + 4 * 2, 9);
  });

  it('heights that are none, or the wrong way round, are refused by name', () => {
    const table = hull([-1, 0], [0, 2]);
    expect(() => areaFromOffsets({ table, fromZ: Number.NaN, toZ: 0 })).toThrow(
      'Lower height (m) must be a height of the hull, but is NaN',
    );
    expect(() => areaFromOffsets({ table, fromZ: 1, toZ: 0 })).toThrow(
      'Upper height (m) must be at or above the lower one (1), but is 0',
    );
    expect(() =>
      formFromDimensions({
        kind: 'fin-keel',
        dimensions: { loaM: 10, lwlM: 9, beamM: 55, draughtM: 2, freeboardM: 1 },
      }),
    ).toThrow('Beam must be between 0 and 10, but is 55');
  });
});
