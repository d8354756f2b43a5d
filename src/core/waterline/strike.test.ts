import { describe, expect, it } from 'vitest';
import { formFromDimensions, halfBreadthAt, sheerAt } from '../hull/index.ts';
import {
  type LinePlan,
  type MadeMark,
  type MarkKind,
  planeOf,
  type ReferenceMark,
  strikeLine,
} from './index.ts';

const form = formFromDimensions({
  kind: 'long-keel',
  dimensions: { loaM: 10, lwlM: 8.6, beamM: 3.2, draughtM: 1.5, freeboardM: 1.1 },
});
const rad = Math.PI / 180;
/** Height above a datum 1.2 m below the line's aft end, of a hull point, as she stands: by turning the boat, not by the code under test. */
const standing =
  (trimDeg: number, heelDeg: number) =>
  (xM: number, yM: number, zM: number): number => {
    const heeled = Math.sin(heelDeg * rad) * yM + Math.cos(heelDeg * rad) * zM;
    return 1200 + 1000 * (Math.sin(trimDeg * rad) * xM + Math.cos(trimDeg * rad) * heeled);
  };
const mark = (
  stand: ReturnType<typeof standing>,
  kind: MarkKind,
  side: 'port' | 'starboard',
  xM: number,
  aboveLineMm = 0,
  wrongMm = 0,
): ReferenceMark => {
  const sheer = sheerAt(form, xM);
  const up = kind === 'sheer' ? (sheer?.z ?? 0) * 1000 : aboveLineMm;
  const y = kind === 'sheer' ? (sheer?.y ?? 0) : (halfBreadthAt(form, xM, up / 1000) ?? 0);
  return {
    id: `${kind}${xM}${side}`,
    name: kind,
    kind,
    side,
    xM,
    yM: null,
    readingMm: stand(xM, side === 'port' ? -y : y, up / 1000) + wrongMm,
    aboveLineMm: up,
  };
};
const plan = (marks: ReferenceMark[], over: Partial<LinePlan> = {}): LinePlan => ({
  marks,
  heelDeg: null,
  markErrorMm: 3,
  addedKg: 0,
  densityKgM3: 1025,
  waterplaneM2: null,
  slopMm: 0,
  stationStepM: 0.5,
  madeMarks: [],
  stiffness: 0.5,
  useFair: false,
  stripe: null,
  ...over,
});
const down = standing(-2, 1.5);
const six = (wrong = 0) => [
  mark(down, 'line', 'port', 1.5),
  mark(down, 'old-line', 'port', 5, 35),
  mark(down, 'sheer', 'port', 8.5),
  mark(down, 'line', 'starboard', 1.5),
  mark(down, 'fitting', 'starboard', 4.5, -120, wrong),
  mark(down, 'sheer', 'starboard', 8.5),
];

describe('striking a line on a boat that stands 2° down by the bow', () => {
  it('marks of all kinds agree on the plane: the line, the old line, a fitting and the sheer', () => {
    const fit = planeOf({ form, plan: plan(six()) });
    expect(fit.trimDeg).toBeCloseTo(-2, 3);
    expect(fit.heelDeg).toBeCloseTo(1.5, 2);
    expect(fit.outliers.verdict).toBe('agree');
    expect(Math.max(...fit.residualsMm.map(Math.abs))).toBeLessThan(0.5);
  });
  it('six marks, one 40 mm wrong: that one is named, whatever it was read on', () => {
    const { fit } = strikeLine({ form, plan: plan(six(40)) });
    expect(fit.outliers).toMatchObject({ verdict: 'named', indices: [4] });
    expect(fit.trimDeg).toBeCloseTo(-2, 2);
  });
  it('four marks say only that one of them lies', () => {
    const four = six(40).filter((_, i) => i !== 1 && i !== 2);
    expect(planeOf({ form, plan: plan(four) }).outliers).toEqual({ verdict: 'one-is-off' });
  });
  it('the sheet puts the raised line where the turned boat has it', () => {
    const struck = strikeLine({ form, plan: plan(six(), { addedKg: 400, slopMm: 40 }) });
    expect(struck.sinkageMm).toBeGreaterThan(15);
    expect(struck.raiseMm).toBeCloseTo(struck.sinkageMm + 40, 9);
    for (const row of struck.sheet) {
      const y = (row.side === 'port' ? -1 : 1) * row.halfBreadthM;
      expect(Math.abs(row.aboveDatumMm - down(row.xM, y, row.riseMm / 1000))).toBeLessThan(1);
    }
  });
  it('marks made by hand are faired, the bad one named, and the sheet follows them when asked', () => {
    const wave = (x: number) => 8 * Math.sin(x / 3);
    const made: MadeMark[] = Array.from({ length: 16 }, (_, i) => {
      const xM = 1.5 + i * 0.4;
      const z = (wave(xM) + (i === 6 ? 35 : 0)) / 1000;
      const y = halfBreadthAt(form, xM, 0) ?? 0;
      return { id: String(i), side: 'port', xM, readingMm: down(xM, -y, z) };
    });
    const struck = strikeLine({
      form,
      plan: plan(six(), { madeMarks: made, useFair: true, stiffness: 0.35 }),
    });
    expect(struck.fair.starboard).toBeNull();
    expect(struck.fair.port?.line.outliers).toEqual([6]);
    const row = struck.sheet.find((each) => each.side === 'port' && each.xM === 4);
    expect(Math.abs((row?.riseMm ?? 0) - wave(4))).toBeLessThan(2.5);
    expect(struck.sheet.find((each) => each.side === 'starboard' && each.xM === 4)?.riseMm).toBeCloseTo(0, 9);
  });
  it('a mark beyond the bow is refused by name', () => {
    expect(() => planeOf({ form, plan: plan([...six(), mark(down, 'line', 'port', 12)]) })).toThrow(
      'Mark 7: place along the boat (m) must be within the hull (0.00–10.00 m) at a height on the hull, but is 12',
    );
  });
  it('the stripe stands on the raised line and has its area', () => {
    const shape = { gapMm: 20, heightMm: 80, bowSweepMm: 40, sternSweepMm: 0 };
    const { stripe } = strikeLine({ form, plan: plan(six(), { slopMm: 50, stripe: shape }) });
    expect(stripe?.rows[0]?.lowerMm).toBeCloseTo(70, 9);
    // About 2 × 8.8 m × 80 mm, more for the sweep, the flare and the curve of the sides.
    expect(stripe?.areaM2).toBeGreaterThan(1.4);
    expect(stripe?.areaM2).toBeLessThan(2.2);
  });
});
