import { describe, expect, it } from 'vitest';
import { formFromDimensions, type OffsetTable } from '../hull/index.ts';
import {
  alongSkinByFlare,
  fairMarks,
  fitPlane,
  heightAboveDatum,
  markSheet,
  type PlaneMark,
  sinkageMm,
  stationsEvery,
  stripe,
  waterplaneByRule,
} from './index.ts';

const at = (xM: number, yM: number, heightMm: number): PlaneMark => ({ xM, yM, heightMm });
/** A boat standing bow down and heeled: heights by geometry, not by the code under test. */
const standing = (trimDeg: number, heelDeg: number) => {
  const [b, c] = [Math.sin((trimDeg * Math.PI) / 180), Math.sin((heelDeg * Math.PI) / 180)];
  return (xM: number, yM: number, off = 0) => at(xM, yM, 1500 + 1000 * (b * xM + c * yM) + off);
};
/** A seeded normal deviate (Box–Muller over a small linear congruential generator). */
const noise = (seed: number) => {
  let state = seed;
  const next = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return (state + 1) / 4294967297;
  };
  return () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
};

const wall = (y: (z: number) => number, zs: number[]): OffsetTable => ({
  stationsM: [0, 5, 10],
  waterlinesM: zs,
  halfBreadthsM: [0, 5, 10].map(() => zs.map(y)),
});
const zs = (n: number, from: number, to: number) =>
  Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n);
/** Sides flaring 30° from the vertical. */
const wedge = wall((z) => 1.5 + z * Math.tan(Math.PI / 6), [-1, 0, 1]);
/** A round hull of 2 m radius lying with its axis at the waterline, by angle. */
const cylinder = wall(
  (z) => Math.sqrt(Math.max(0, 4 - z * z)),
  zs(240, -Math.PI / 2, Math.PI / 2 - 0.3).map((a) => 2 * Math.sin(a)),
);

describe('the plane through reference marks', () => {
  const level = standing(0, 0);
  it('two marks fix it when the heel is known, three without', () => {
    const down = standing(-2, 1);
    const two = fitPlane({ marks: [down(0, 1), down(8, 1.2)], heelDeg: 1 });
    expect(two.trimDeg).toBeCloseTo(-2, 6);
    const three = fitPlane({ marks: [down(0, 1), down(8, 1.2), down(4, -1.5)] });
    expect([three.trimDeg, three.outliers.verdict]).toEqual([expect.closeTo(-2, 6), 'agree']);
    expect(Math.asin(three.cMmPerM / 1000) * (180 / Math.PI)).toBeCloseTo(1, 6);
  });

  it('refuses marks that fix no plane, saying what is missing', () => {
    expect(() => fitPlane({ marks: [level(0, 1), level(5, 1)] })).toThrow(
      'Number of marks must be 3 or more (one fewer for each of trim and heel that is measured), but is 2',
    );
    expect(() => fitPlane({ marks: [level(0, 1), level(4, 1), level(8, 1)] })).toThrow(
      /Marks must be spread out\. Add a mark off that line, or enter the measured heel, but is in one line/,
    );
  });

  it('with trim and heel measured one good mark strikes it, less surely the further from that mark', () => {
    const down = standing(-2, 1);
    const fit = fitPlane({ marks: [down(3, 1)], heelDeg: 1, trimDeg: -2 });
    const far = down(9, -1.2);
    expect(heightAboveDatum(fit, { ...far, riseMm: 0 })).toBeCloseTo(far.heightMm, 6);
    const errorAt = (xM: number) => fit.standardErrorMm({ xM, yM: 1 });
    // 3 mm at the mark; ten metres on, 0.05° of the level besides: √(3² + 8.7²).
    expect([errorAt(3), errorAt(13)]).toEqual([expect.closeTo(3, 6), expect.closeTo(9.23, 1)]);
    expect(() => fitPlane({ marks: [], heelDeg: 1, trimDeg: -2 })).toThrow(
      'Number of marks must be 1 or more, but is 0',
    );
  });

  it('marks read unequally well count by their variances [S: Gauss, weighted mean], and a blurred one is no outlier', () => {
    const [sharp, blurred] = [level(0, 1), { ...level(0, -1, 10), errorMm: 6 }];
    const fit = fitPlane({ marks: [sharp, blurred], heelDeg: 0, trimDeg: 0 });
    // 1/3² and 1/6²: a fifth of the ten millimetres.
    expect(heightAboveDatum(fit, { xM: 0, yM: 0, riseMm: 0 }) - sharp.heightMm).toBeCloseTo(2, 6);
    expect(fit.standardErrorMm({ xM: 0, yM: 0 })).toBeCloseTo(Math.sqrt(1 / (1 / 9 + 1 / 36)), 6);
    expect(fit.residualsMm).toEqual([expect.closeTo(-2, 6), expect.closeTo(8, 6)]);
    const round = [0, 2, 4, 6, 8].flatMap((x) => [level(x, 1), level(x, -1)]);
    const stain = { ...level(4, 1, 25), errorMm: 15 };
    expect(fitPlane({ marks: [...round, stain] }).outliers.verdict).toBe('agree');
    expect(fitPlane({ marks: [...round, { ...stain, errorMm: null }] }).outliers.verdict).toBe('named');
    expect(() => fitPlane({ marks: [...round, { ...stain, errorMm: 0 }] })).toThrow(
      /Mark 11: error \(mm\) must be above 0, but is 0/,
    );
  });

  it('four marks show that one is off, not which', () => {
    const four = [level(0, 1), level(8, 1), level(8, -1, 40), level(0, -1)];
    expect(fitPlane({ marks: four }).outliers).toEqual({ verdict: 'one-is-off' });
  });

  it('of six marks on a boat 2° down by the bow the one 40 mm out is named and left out', () => {
    const s = standing(-2, 0.5);
    const marks = [s(0.5, 1), s(5, 1.6), s(9, 0.6), s(0.5, -1), s(5, -1.6, 40), s(9, -0.6)];
    const fit = fitPlane({ marks });
    expect(fit.outliers).toMatchObject({ verdict: 'named', indices: [4] });
    expect(fit.trimDeg).toBeCloseTo(-2, 6);
    expect(fit.residualsMm[4]).toBeCloseTo(40, 6);
  });

  it('two wrong marks of nine are both named', () => {
    const marks = [0, 2, 4, 6, 8].flatMap((x, i) =>
      i < 4 ? [level(x, 1.2), level(x, -1.2)] : [level(x, 0.4)],
    );
    (marks[1] as PlaneMark).heightMm += 35;
    (marks[6] as PlaneMark).heightMm -= 50;
    const { outliers } = fitPlane({ marks });
    expect(outliers.verdict === 'named' && outliers.indices.toSorted()).toEqual([1, 6]);
  });

  it('with five marks it says how sure it is, and where a sixth would tell most', () => {
    // Five on one side of the boat and across: the two at the far end explain each other away.
    const five = [level(0, 1), level(0, -1), level(8, 0.6), level(8, -0.6, 22), level(4, 1.3)];
    const { outliers, nextMark } = fitPlane({ marks: five });
    expect(outliers.verdict).toBe('one-of');
    if (outliers.verdict !== 'one-of') return;
    expect(outliers.sure.every((each) => each >= 0.05 && each < 0.95)).toBe(true);
    expect(outliers.sure).toEqual(outliers.sure.toSorted((a, b) => b - a));
    expect(nextMark?.differMm).toBeGreaterThan(3);
  });

  it('of marks that are named few are honest: one off among six, two among eight, 500 draws each', () => {
    const wrong = { one: 0, two: 0 };
    const named = { one: 0, two: 0 };
    for (let seed = 1; seed <= 500; seed++) {
      const off = noise(seed);
      const s = standing(-1, 0.5);
      const draw = (n: number, bad: Record<number, number>) =>
        Array.from({ length: n }, (_, i) =>
          s(0.5 + (8 * (i >> 1)) / (n / 2 - 1), i % 2 ? -1.2 : 1.2, 3 * off() + (bad[i] ?? 0)),
        );
      const size = 20 + 30 * Math.abs(off());
      const check = (kind: 'one' | 'two', n: number, bad: Record<number, number>) => {
        const { outliers } = fitPlane({ marks: draw(n, bad) });
        if (outliers.verdict !== 'named') return;
        named[kind]++;
        if (outliers.indices.some((i) => !(i in bad))) wrong[kind]++;
      };
      check('one', 6, { [seed % 6]: size });
      check('two', 8, { [seed % 8]: size, [(seed + 1 + (seed % 5)) % 8]: seed % 2 ? size : -size });
    }
    expect(named.one).toBeGreaterThan(250);
    expect(named.two).toBeGreaterThan(150);
    expect(wrong.one / named.one).toBeLessThan(0.05);
    expect(wrong.two / named.two).toBeLessThan(0.05);
  });

  it('tells when the error stated does not fit what the marks show', () => {
    const s = standing(-1, 0.5);
    const off = noise(7);
    const marks = Array.from({ length: 24 }, (_, i) => s(i / 3, i % 2 ? -1.2 : 1.2, 3 * off()));
    const verdict = (errorMm: number) => fitPlane({ marks, errorMm }).error.verdict;
    expect(verdict(3)).toBe('fits');
    expect(verdict(15)).toBe('stated-too-large');
    expect(fitPlane({ marks: marks.slice(0, 3) }).error).toEqual({ verdict: 'not-known', foundMm: null });
    // Spread evenly no single mark stands out, and still the whole is too far off for a millimetre and a half.
    expect(verdict(1.5)).not.toBe('fits');
    expect(fitPlane({ marks, errorMm: 3 }).error.foundMm).toBeCloseTo(3, 0);
  });

  it('is recovered from marks with 3 mm of noise within its stated error, as often as a normal error would be', () => {
    let inside = 0;
    let runs = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const off = noise(seed);
      const s = standing(-1.5, 0.8);
      const marks = [1, 3, 5, 7, 9].flatMap((x) => [s(x, 1.3, 3 * off()), s(x, -1.3, 3 * off())]);
      const fit = fitPlane({ marks });
      if (fit.outliers.verdict !== 'agree') continue;
      const probe = s(10, 1);
      const error = heightAboveDatum(fit, { xM: 10, yM: 1, riseMm: 0 }) - probe.heightMm;
      runs++;
      if (Math.abs(error) <= fit.standardErrorMm({ xM: 10, yM: 1 })) inside++;
    }
    // 68 % of normal errors lie within one standard error; 200 draws spread by about 3.3 points.
    expect(runs).toBeGreaterThan(180);
    expect(inside / runs).toBeGreaterThan(0.58);
    expect(inside / runs).toBeLessThan(0.78);
  });
});

describe('raising the line', () => {
  it('a 10 m × 3 m boat sinks about 1 cm for 200 kg (handbook part 11)', () => {
    const sunk = sinkageMm({ addedKg: 200, waterplaneM2: waterplaneByRule({ lwlM: 9.2, beamM: 3 }) });
    expect(sunk).toBeGreaterThan(9);
    expect(sunk).toBeLessThan(11);
  });
  it('eight centimetres up a counter stern may be twenty along the plank (handbook part 11)', () => {
    expect(alongSkinByFlare({ riseMm: 80, flareDeg: 66.42 })).toBeCloseTo(200, 0);
  });
});

describe('the mark sheet', () => {
  const plane = fitPlane({ marks: [at(0, 1, 1000), at(10, 1, 1000), at(5, -1, 1000)] });
  const sheet = (form: OffsetTable, riseMm: number, over = plane) =>
    markSheet({ form, plane: over, stationsM: [5], riseMmAt: () => riseMm });

  it('on a wedge of 30° flare a rise is 1/cos 30° longer along the skin', () => {
    const [port] = sheet(wedge, 80);
    expect(port?.raiseSkinMm).toBeCloseTo(80 / Math.cos(Math.PI / 6), 9);
    expect(port?.flareDeg).toBeCloseTo(30, 9);
    expect(port?.belowSheerMm).toBeCloseTo(920, 9);
    expect(port?.belowSheerSkinMm).toBeCloseTo(920 / Math.cos(Math.PI / 6), 9);
  });
  it('on a cylinder the rise along the skin is the arc r·asin(z/r)', () => {
    const [port] = sheet(cylinder, 500);
    expect(port?.raiseSkinMm).toBeCloseTo(2000 * Math.asin(0.25), 0);
  });
  it('a symmetric hull gives both sides alike at no heel, and 2·y·sin 2° apart when heeled 2°', () => {
    const [port, starboard] = sheet(wedge, 60);
    expect(starboard?.aboveDatumMm).toBeCloseTo(port?.aboveDatumMm as number, 9);
    const s = standing(0, 2);
    const heeled = fitPlane({ marks: [s(0, 1.5), s(10, 1.5), s(5, -1.5)] });
    const [p, q] = sheet(wedge, 60, heeled);
    const y = 1.5 + 0.06 * Math.tan(Math.PI / 6);
    expect((q?.aboveDatumMm as number) - (p?.aboveDatumMm as number)).toBeCloseTo(
      2000 * y * Math.sin((2 * Math.PI) / 180),
      6,
    );
    expect(q?.belowSheerMm).toBeCloseTo(p?.belowSheerMm as number, 9);
    // Standing askew, a rise is a little less than its own height plumb.
    expect((p?.aboveDatumMm as number) + (q?.aboveDatumMm as number)).toBeCloseTo(
      2 * (1500 + 60 * Math.cos((2 * Math.PI) / 180)),
      6,
    );
  });
  it('a station every 200 mm gives about a hundred marks on a 20 m boat (handbook part 11)', () => {
    const form = formFromDimensions({
      kind: 'long-keel',
      dimensions: { loaM: 20, lwlM: 17, beamM: 4.8, draughtM: 2.4, freeboardM: 1.5 },
    });
    expect(stationsEvery(form, 0.2)).toHaveLength(101);
    const rows = markSheet({ form, plane, stationsM: stationsEvery(form, 0.2), riseMmAt: () => 50 });
    // Overhangs carry no waterline.
    expect(rows.length / 2).toBeGreaterThan(80);
    expect(rows.length / 2).toBeLessThan(100);
  });
});

describe('fairing hand marks', () => {
  const off = noise(7);
  const marks = Array.from({ length: 24 }, (_, i) => ({ xM: i * 0.4, offMm: 6 * Math.sin(i / 8) + off() }));
  it('goes through every mark when limp', () => {
    const limp = fairMarks({ marks, stiffness: 0 });
    expect(Math.max(...limp.residualsMm.map(Math.abs))).toBeLessThan(1e-9);
  });
  it('is the straight line of least squares when stiff', () => {
    const n = marks.length;
    const mx = marks.reduce((s, m) => s + m.xM, 0) / n;
    const my = marks.reduce((s, m) => s + m.offMm, 0) / n;
    const slope =
      marks.reduce((s, m) => s + (m.xM - mx) * (m.offMm - my), 0) /
      marks.reduce((s, m) => s + (m.xM - mx) ** 2, 0);
    const stiff = fairMarks({ marks, stiffness: 1 });
    expect(stiff.outliers).toEqual([]);
    for (const [i, mark] of marks.entries())
      expect(stiff.fairMm[i]).toBeCloseTo(my + slope * (mark.xM - mx), 2);
  });
  it('in between it is nearer the true curve than the marks are, and a mark 30 mm off is named', () => {
    const bad = marks.map((m, i) => (i === 10 ? { ...m, offMm: m.offMm + 30 } : m));
    const fair = fairMarks({ marks: bad, stiffness: 0.4 });
    expect(fair.outliers).toEqual([10]);
    const truth = marks.map((_, i) => 6 * Math.sin(i / 8));
    const miss = (ys: number[]) =>
      Math.sqrt(ys.reduce((s, y, i) => s + (y - (truth[i] as number)) ** 2, 0) / ys.length);
    expect(miss(fair.fairMm)).toBeLessThan(0.7 * miss(marks.map((m) => m.offMm)));
  });
});

describe('the boot stripe', () => {
  const shape = { gapMm: 20, heightMm: 60, bowSweepMm: 0, sternSweepMm: 0 };
  it('on a wedge: width height/cos 30°, tape the length, area both sides of it', () => {
    const found = stripe({ form: wedge, shape, topOfPaintMm: 50 });
    const width = 0.06 / Math.cos(Math.PI / 6);
    expect(found.rows[3]?.widthSkinMm).toBeCloseTo(1000 * width, 9);
    expect(found.lowerTapeM).toBeCloseTo(10, 9);
    expect(found.areaM2).toBeCloseTo(2 * 10 * width, 9);
  });
  it('on a cylinder: the arc between its edges', () => {
    const found = stripe({ form: cylinder, shape: { ...shape, heightMm: 400 }, topOfPaintMm: 480 });
    const arc = 2 * (Math.asin(0.9 / 2) - Math.asin(0.5 / 2));
    expect(found.rows[0]?.widthSkinMm).toBeCloseTo(1000 * arc, 0);
    expect(found.areaM2 / (2 * 10 * arc)).toBeCloseTo(1, 3);
  });
  it('swept ends are higher at the bow by what was asked', () => {
    const found = stripe({ form: wedge, shape: { ...shape, bowSweepMm: 80 }, topOfPaintMm: 50 });
    const [stern, bow] = [found.rows[0], found.rows.at(-1)];
    expect((bow?.upperMm as number) - (stern?.upperMm as number)).toBeCloseTo(80, 9);
    expect(found.upperTapeM).toBeGreaterThan(found.lowerTapeM);
  });
});
