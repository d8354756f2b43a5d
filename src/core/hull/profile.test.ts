import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  areaFromMeasures,
  BOAT_KINDS,
  type Measure,
  type Point,
  profileLines,
  shapeArea,
  simpson,
  trapezoid,
} from './index.ts';

const polygonArea = (outline: readonly Point[]) =>
  Math.abs(
    outline.reduce((sum, p, i) => {
      const q = outline[(i + 1) % outline.length] as Point;
      return sum + p.x * q.z - q.x * p.z;
    }, 0) / 2,
  );

describe('a profile that could be drawn', () => {
  const dimensions = fc.record({
    loaM: fc.double({ min: 2, max: 30, noNaN: true }),
    overhang: fc.double({ min: 0, max: 0.3, noNaN: true }),
    draughtM: fc.double({ min: 0.1, max: 3, noNaN: true }),
    freeboardM: fc.double({ min: 0.2, max: 3, noNaN: true }),
  });

  it.each(BOAT_KINDS)('%s of any size: every zone is a closed shape of its own within the boat', (kind) => {
    fc.assert(
      fc.property(dimensions, ({ loaM, overhang, draughtM, freeboardM }) => {
        const lwlM = loaM * (1 - overhang);
        const { zones, minZ, maxZ } = profileLines({
          kind,
          dimensions: { loaM, lwlM, beamM: 3, draughtM, freeboardM },
        });
        for (const outline of Object.values(zones)) {
          expect(outline.length).toBeGreaterThanOrEqual(4);
          expect(polygonArea(outline)).toBeGreaterThan(0);
          for (const p of outline) {
            expect(Number.isFinite(p.x) && Number.isFinite(p.z)).toBe(true);
            expect(p.x).toBeGreaterThanOrEqual(-1e-6);
            expect(p.x).toBeLessThanOrEqual(loaM + 0.31);
          }
        }
        expect(minZ).toBeGreaterThanOrEqual(-draughtM - 1e-9);
        expect(maxZ).toBeGreaterThan(freeboardM * 0.8);
      }),
      { numRuns: 30 },
    );
  });

  it('what lies under water lies below the waterline, what does not above it', () => {
    for (const kind of BOAT_KINDS) {
      const { zones } = profileLines({
        kind,
        dimensions: { loaM: 10, lwlM: 8.6, beamM: 3, draughtM: 1.4, freeboardM: 1.1 },
      });
      for (const wet of ['bottom', 'keel', 'rudder', 'bilge'] as const) {
        for (const p of zones[wet] ?? []) expect(p.z).toBeLessThanOrEqual(1e-9);
      }
      for (const dry of ['topsides', 'deck', 'cabin', 'boot-stripe'] as const) {
        for (const p of zones[dry] ?? []) expect(p.z).toBeGreaterThanOrEqual(-1e-9);
      }
    }
  });

  it('only boats that have one are given a keel or a cabin', () => {
    const dims = { loaM: 6, lwlM: 5.5, beamM: 2, draughtM: 0.4, freeboardM: 0.6 };
    expect(profileLines({ kind: 'open-dinghy', dimensions: dims }).zones).not.toHaveProperty('cabin');
    expect(profileLines({ kind: 'flat-bottomed', dimensions: dims }).zones).not.toHaveProperty('keel');
    expect(profileLines({ kind: 'long-keel', dimensions: dims }).zones).toHaveProperty('keel');
  });

  it('refuses a boat without length', () => {
    const dims = { loaM: 0, lwlM: 5, beamM: 2, draughtM: 1, freeboardM: 1 };
    expect(() => profileLines({ kind: 'fin-keel', dimensions: dims })).toThrow(
      'Length over all must be above 0, but is 0',
    );
  });
});

describe('measures', () => {
  it('the two rules agree on straight lines, and Simpson’s is exact up to the third degree (textbook)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 4, maxLength: 4 }),
        (c) => {
          const f = (x: number) =>
            10 +
            (c[0] as number) +
            (c[1] as number) * x +
            (c[2] as number) * x * x +
            (c[3] as number) * x ** 3;
          const exact =
            10 + (c[0] as number) + (c[1] as number) / 2 + (c[2] as number) / 3 + (c[3] as number) / 4;
          const ordinates = Array.from({ length: 7 }, (_, i) => f(i / 6));
          expect(simpson(1 / 6, ordinates)).toBeCloseTo(exact, 10);
        },
      ),
    );
    expect(trapezoid(2, [1, 3, 5])).toBe(simpson(2, [1, 3, 5]));
  });

  it('a hemisphere by its half-girths: 2πr² within half a per cent (closed form)', () => {
    // Stations across the sphere's axis: the girth of a half circle of radius √(r² − x²), times the slope of the skin.
    const r = 2;
    const n = 400;
    const girths = Array.from({ length: n + 1 }, (_, i) => {
      const theta = (Math.PI * i) / n;
      return Math.PI * r * Math.sin(theta) * r;
    });
    const area = shapeArea({ kind: 'girths', spacingM: Math.PI / n, girthsM: girths, rule: 'simpson' });
    expect(area / (2 * Math.PI * r * r)).toBeCloseTo(1, 4);
  });

  it('a larger measure never gives less area, an opening never more', () => {
    const len = fc.double({ min: 0.1, max: 50, noNaN: true });
    fc.assert(
      fc.property(len, len, fc.double({ min: 1, max: 3, noNaN: true }), (a, b, more) => {
        const rect = (lengthM: number): Measure => ({
          shape: { kind: 'rectangle', lengthM, widthM: b },
          count: 1,
          opening: false,
        });
        const hole: Measure = { ...rect(a / 4), opening: true };
        const plain = areaFromMeasures({ measures: [rect(a)] }).areaM2;
        expect(areaFromMeasures({ measures: [rect(a * more)] }).areaM2).toBeGreaterThanOrEqual(plain);
        expect(areaFromMeasures({ measures: [rect(a), hole] }).areaM2).toBeLessThan(plain);
      }),
    );
  });

  it.each<[string, Measure['shape'], string]>([
    ['a circle of no width', { kind: 'circle', diameterM: 0 }, 'Diameter must be above 0, but is 0'],
    [
      'a trapezium of letters',
      { kind: 'trapezium', sideAM: Number.NaN, sideBM: 1, heightM: 1 },
      'First side must be above 0, but is NaN',
    ],
    [
      'a negative girth',
      { kind: 'girths', spacingM: 1, girthsM: [1, -1, 1], rule: 'simpson' },
      'Girth 2 must be between 0 and 200, but is -1',
    ],
    [
      'a single girth',
      { kind: 'girths', spacingM: 1, girthsM: [1], rule: 'trapezoid' },
      'Number of girths must be 2 or more, but is 1',
    ],
    [
      'a mile of hull',
      { kind: 'rectangle', lengthM: 1609, widthM: 1 },
      'Length must be between 0 and 200, but is 1609',
    ],
  ])('%s is refused by name', (_what, shape, message) => {
    expect(() => areaFromMeasures({ measures: [{ shape, count: 1, opening: false }] })).toThrow(message);
  });

  it('nothing measured is no area, not an error', () => {
    expect(areaFromMeasures({ measures: [] })).toMatchObject({ areaM2: 0, lines: [] });
  });
});
