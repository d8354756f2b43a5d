import { describe, expect, it } from 'vitest';
import { areaFromMeasures, BOAT_KINDS, profileLines, shapeArea, simpson, trapezoid } from './index.ts';

const ordinates = (n: number, f: (u: number) => number) => Array.from({ length: n + 1 }, (_, i) => f(i / n));

describe('girths at stations', () => {
  it("Simpson's rule is exact for a parabolic waterplane: 2/3 of its rectangle", () => {
    // The waterplane of the Wigley hull, handbook part 3: C_wp exactly 2/3.
    expect(
      simpson(
        10 / 8,
        ordinates(8, (u) => 1 - (2 * u - 1) ** 2),
      ),
    ).toBeCloseTo((2 / 3) * 10, 12);
  });

  it('a quarter circle by both rules comes near π/4, Simpson nearer', () => {
    const quarter = ordinates(40, (u) => Math.sqrt(1 - u * u));
    const errors = [simpson(1 / 40, quarter), trapezoid(1 / 40, quarter)].map((a) =>
      Math.abs(a - Math.PI / 4),
    );
    expect(errors[0]).toBeLessThan(errors[1] as number);
    expect(errors[1]).toBeLessThan(0.002);
  });

  it('says why it will not take an even number of girths', () => {
    expect(() => simpson(1, [1, 2, 3, 4])).toThrow(
      'Number of girths must be an odd number, 3 or more, for Simpson’s rule (or use the trapezoid rule), but is 4',
    );
  });
});

describe('a sheet of hand measures', () => {
  it('closed forms, both sides, openings off, ±5 % carried along', () => {
    const area = areaFromMeasures({
      measures: [
        { shape: { kind: 'rectangle', lengthM: 4, widthM: 2 }, count: 2, opening: false },
        { shape: { kind: 'triangle', baseM: 3, heightM: 2 }, count: 1, opening: false },
        { shape: { kind: 'trapezium', sideAM: 1, sideBM: 2, heightM: 2 }, count: 1, opening: false },
        { shape: { kind: 'rectangle', lengthM: 1, widthM: 0.5 }, count: 1, opening: true },
      ],
    });
    expect(area.lines).toEqual([16, 3, 3, -0.5]);
    expect(area.areaM2).toBeCloseTo(21.5);
    expect(area.highM2).toBeCloseTo(21.5 * 1.05);
    expect(shapeArea({ kind: 'circle', diameterM: 2 })).toBeCloseTo(Math.PI);
  });

  it('refuses negative lengths and openings that leave nothing, by name', () => {
    const rect = (lengthM: number, opening: boolean) =>
      ({ shape: { kind: 'rectangle', lengthM, widthM: 1 }, count: 1, opening }) as const;
    expect(() => areaFromMeasures({ measures: [rect(-2, false)] })).toThrow(
      'Length must be above 0, but is -2',
    );
    expect(() => areaFromMeasures({ measures: [rect(2, false), rect(3, true)] })).toThrow(
      'Area after openings must be above 0 m², but is -1.00 m²',
    );
  });
});

describe('the drawn profile keeps the boat’s own proportions', () => {
  it.each(BOAT_KINDS)('%s: as long, as deep and about as high as the boat', (kind) => {
    const dimensions = { loaM: 10, lwlM: 8.5, beamM: 3.2, draughtM: 1.5, freeboardM: 1.1 };
    const { zones, minZ } = profileLines({ kind, dimensions });
    const xs = Object.values(zones).flatMap((outline) => outline.map((p) => p.x));
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(-1e-9);
    expect(Math.max(...xs)).toBeCloseTo(10, 6);
    expect(minZ).toBeGreaterThanOrEqual(-1.5 - 1e-9);
    expect(minZ).toBeLessThan(-1.05);
  });
});
