import { positive, QuantityError, within } from '../units/index.ts';
import { inverse, type Matrix, multiply } from './smallMatrix.ts';

/** A point that the waterline should pass through, as the boat stands. */
export interface PlaneMark {
  /** Along the boat from the aftermost point, m. */
  xM: number;
  /** Athwart, to starboard, m; port is negative. */
  yM: number;
  /** Height above the level datum, mm. */
  heightMm: number;
}

/**
 * The plane that will be level when afloat, over the boat's own lengths and breadths:
 * height above datum, mm = aMm + bMm·x + cMm·y (+ nz per mm up the boat's own height).
 */
export interface Plane {
  aMm: number;
  /** mm up per metre forward, and per metre to starboard. */
  bMmPerM: number;
  cMmPerM: number;
}

/** What is wrong with the marks, if anything. */
export type Lying =
  | { verdict: 'agree' }
  /** One of them lies, but too few are there to tell which. */
  | { verdict: 'one-lies' }
  /** These, by index, lie; the plane is fitted without them. */
  | { verdict: 'named'; indices: number[] }
  /** Any one of these explains the misfit; none was left out. */
  | { verdict: 'one-of'; indices: number[] };

export interface PlaneFit extends Plane {
  /** Nose up and starboard side up as she stands, degrees. */
  trimDeg: number;
  heelDeg: number;
  /** Height of each mark above the plane, mm, in the order given. */
  residualsMm: number[];
  rmsMm: number;
  lying: Lying;
  /** One standard error of the plane's height at a point, mm, from the stated error of a mark. */
  standardErrorMm(point: { xM: number; yM: number }): number;
}

/** What two people with a level read alike on a hull, one standard error, mm [M]. */
export const MARK_ERROR_MM = 3;
/** A mark beyond this many of its own standard errors lies: Baarda's test at 0.1 % [S: Baarda 1968, data snooping]. */
const CRITICAL = 3.29;

interface Solved {
  coefficients: number[];
  cofactor: Matrix;
  /** Residual of each mark over its own standard error. */
  w: number[];
  residuals: number[];
}

const row = (mark: { xM: number; yM: number }, heelKnown: boolean) =>
  heelKnown ? [1, mark.xM] : [1, mark.xM, mark.yM];

/** Least squares over the rows used; residuals are of all rows. */
function solve(rows: number[][], heights: number[], used: boolean[], errorMm: number): Solved | null {
  const A = rows.filter((_, i) => used[i]);
  const h = heights.filter((_, i) => used[i]);
  const p = (rows[0] as number[]).length;
  if (A.length < p) return null;
  // Centred lengths keep the normal equations well conditioned.
  const normal = Array.from({ length: p }, (_, i) =>
    Array.from({ length: p }, (_, j) => A.reduce((sum, r) => sum + (r[i] as number) * (r[j] as number), 0)),
  );
  const cofactor = inverse(normal);
  if (!cofactor) return null;
  const right = Array.from({ length: p }, (_, i) =>
    A.reduce((sum, r, k) => sum + (r[i] as number) * (h[k] as number), 0),
  );
  const coefficients = multiply(cofactor, right);
  const residuals = rows.map(
    (r, i) =>
      (heights[i] as number) - r.reduce((sum, each, j) => sum + each * (coefficients[j] as number), 0),
  );
  const w = rows.map((r, i) => {
    const own = r.reduce((sum, each, j) => sum + each * (multiply(cofactor, r)[j] as number), 0);
    // A mark left out is judged by the error of the prediction, one kept by that of its residual.
    const share = used[i] ? 1 - own : 1 + own;
    return share < 1e-9 ? 0 : Math.abs(residuals[i] as number) / (errorMm * Math.sqrt(share));
  });
  return { coefficients, cofactor, w, residuals };
}

const consistent = (solved: Solved, used: boolean[]) => solved.w.every((w, i) => !used[i] || w <= CRITICAL);

/** Leaves the lying marks out, as far as there are enough others to tell. */
function snoop(
  rows: number[][],
  heights: number[],
  errorMm: number,
): { solved: Solved; used: boolean[]; lying: Lying } {
  const used = rows.map(() => true);
  const p = (rows[0] as number[]).length;
  let solved = solve(rows, heights, used, errorMm);
  if (!solved)
    throw new QuantityError(
      'marks',
      'in one line',
      'what fixes a plane: add one off that line, or give the heel',
    );
  const out: number[] = [];
  for (;;) {
    if (consistent(solved, used)) {
      return { solved, used, lying: out.length ? { verdict: 'named', indices: out } : { verdict: 'agree' } };
    }
    const spare = used.filter(Boolean).length - p;
    if (spare < 2)
      return {
        solved,
        used,
        lying: out.length ? { verdict: 'one-of', indices: [...out, ...kept(used)] } : { verdict: 'one-lies' },
      };
    const without = kept(used).flatMap((i) => {
      const fewer = used.map((each, j) => each && j !== i);
      const fit = solve(rows, heights, fewer, errorMm);
      return fit ? [{ i, fit, rms: rmsOf(fit, fewer), fine: consistent(fit, fewer) }] : [];
    });
    const fine = without.filter((each) => each.fine);
    if (fine.length > 1)
      return { solved, used, lying: { verdict: 'one-of', indices: fine.map((each) => each.i) } };
    const best = fine[0] ?? without.reduce((a, b) => (a.rms <= b.rms ? a : b));
    used[best.i] = false;
    out.push(best.i);
    solved = best.fit;
  }
}

const kept = (used: boolean[]) => used.flatMap((each, i) => (each ? [i] : []));

function rmsOf(solved: Solved, used: boolean[]): number {
  const mine = solved.residuals.filter((_, i) => used[i]);
  return Math.sqrt(mine.reduce((sum, r) => sum + r * r, 0) / mine.length);
}

/**
 * The waterline's plane through reference marks: two with the heel known, three, or more by least squares. With one
 * mark more than needed it can be said *that* one lies, with two more *which* (Baarda's data snooping).
 *
 * @param heelDeg starboard side up, degrees, where it was measured
 * @param errorMm one standard error of a mark, mm
 * @throws {QuantityError} on too few marks, or marks in one line
 * @example fitPlane({ marks: [at(0, 0, 1000), at(8, 0, 1080)], heelDeg: 0 }) // 10 mm up per metre forward
 */
export function fitPlane(input: {
  marks: readonly PlaneMark[];
  heelDeg?: number | null;
  errorMm?: number;
}): PlaneFit {
  const { marks } = input;
  const heelKnown = input.heelDeg !== undefined && input.heelDeg !== null;
  const heel = heelKnown ? within('heel (°)', input.heelDeg as number, -45, 45) : 0;
  const errorMm = positive('error of a mark (mm)', input.errorMm ?? MARK_ERROR_MM, 200);
  const needed = heelKnown ? 2 : 3;
  if (marks.length < needed) {
    throw new QuantityError(
      'number of marks',
      marks.length,
      `${needed} or more${heelKnown ? '' : ' (2 with the heel measured)'}`,
    );
  }
  for (const [i, mark] of marks.entries()) {
    within(`mark ${i + 1}: place along the boat (m)`, mark.xM, -200, 200);
    within(`mark ${i + 1}: half-breadth (m)`, mark.yM, -60, 60);
    within(`mark ${i + 1}: height (mm)`, mark.heightMm, -50_000, 50_000);
  }
  const known = 1000 * Math.sin((heel * Math.PI) / 180);
  const midX = marks.reduce((sum, m) => sum + m.xM, 0) / marks.length;
  const midY = marks.reduce((sum, m) => sum + m.yM, 0) / marks.length;
  const centred = (m: { xM: number; yM: number }) => row({ xM: m.xM - midX, yM: m.yM - midY }, heelKnown);
  const rows = marks.map(centred);
  const heights = marks.map((m) => m.heightMm - (heelKnown ? known * m.yM : 0));
  const { solved, used, lying } = snoop(rows, heights, errorMm);
  const [mean, b, c] = solved.coefficients as [number, number, number?];
  const cMmPerM = heelKnown ? known : (c as number);
  const aMm = mean - b * midX - (heelKnown ? 0 : cMmPerM * midY);
  const degrees = (sine: number) => (Math.asin(Math.min(1, Math.max(-1, sine))) * 180) / Math.PI;
  const trim = b / 1000;
  return {
    aMm,
    bMmPerM: b,
    cMmPerM,
    trimDeg: degrees(trim),
    heelDeg: degrees(cMmPerM / 1000 / Math.sqrt(1 - Math.min(0.99, trim * trim))),
    residualsMm: solved.residuals,
    rmsMm: rmsOf(solved, used),
    lying,
    standardErrorMm: (point) => {
      const r = centred(point);
      const q = multiply(solved.cofactor, r);
      return errorMm * Math.sqrt(r.reduce((sum, each, i) => sum + each * (q[i] as number), 0));
    },
  };
}

/** mm up from the datum for each mm up the boat's own height: a little under 1 on a boat that stands askew. */
export const uprightness = (plane: Plane): number =>
  Math.sqrt(Math.max(0, 1 - (plane.bMmPerM / 1000) ** 2 - (plane.cMmPerM / 1000) ** 2));

/** Height above the datum, mm, of a point of the hull `riseMm` above the plane. */
export const heightAboveDatum = (plane: Plane, point: { xM: number; yM: number; riseMm: number }): number =>
  plane.aMm + plane.bMmPerM * point.xM + plane.cMmPerM * point.yM + uprightness(plane) * point.riseMm;
