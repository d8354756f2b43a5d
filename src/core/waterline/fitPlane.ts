import { finite, positive, QuantityError, within } from '../units/index.ts';
import {
  type ErrorFit,
  errorFit,
  type NextMark,
  nextMarkOf,
  type Outliers,
  rmsOf,
  snoop,
} from './outliers.ts';
import { multiply } from './smallMatrix.ts';

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

export interface PlaneFit extends Plane {
  /** Nose up and starboard side up as it stands, degrees. */
  trimDeg: number;
  heelDeg: number;
  /** Height of each mark above the plane, mm, in the order given. */
  residualsMm: number[];
  rmsMm: number;
  outliers: Outliers;
  /** Set while it is not certain which mark is off. */
  nextMark: NextMark | null;
  error: ErrorFit;
  /** One standard error of the plane's height at a point, mm, from the stated error of a mark. */
  standardErrorMm(point: { xM: number; yM: number }): number;
}

/** What two people with a level read alike on a hull, one standard error, mm [M]. */
export const MARK_ERROR_MM = 3;
const row = (mark: { xM: number; yM: number }, heelKnown: boolean) =>
  heelKnown ? [1, mark.xM] : [1, mark.xM, mark.yM];

/**
 * The waterline's plane through reference marks: two with the heel known, three, or more by least squares. With one
 * mark more than needed it can be said *that* one is off, with two more mostly *which* (Baarda's data snooping): how sure
 * that is goes with it, and where one more mark would tell most.
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
  const { solved, used, outliers, open } = snoop(rows, heights, errorMm);
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
    outliers,
    nextMark: nextMarkOf(open, marks, centred),
    error: errorFit(solved, used, errorMm),
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

/**
 * Height above the datum, mm, of a point of the hull `riseMm` above the plane.
 *
 * @throws {QuantityError} on a figure that is none
 */
export const heightAboveDatum = (plane: Plane, point: { xM: number; yM: number; riseMm: number }): number =>
  finite(
    'height above the datum (mm)',
    plane.aMm + plane.bMmPerM * point.xM + plane.cMmPerM * point.yM + uprightness(plane) * point.riseMm,
  );
