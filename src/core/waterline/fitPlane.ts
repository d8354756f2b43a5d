import { finite, positive, QuantityError, within } from '../units/index.ts';
import {
  type ErrorFit,
  errorFit,
  findOutliers,
  type NextMark,
  nextMarkOf,
  type Outliers,
  rmsOf,
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
  /** One standard error of this mark, mm, where it is read better or worse than the others; null or left out: as they are. */
  errorMm?: number | null | undefined;
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
/** What a level laid along or across reads alike, one standard error, degrees [M]. */
const ANGLE_ERROR_DEG = 0.05;

/** The angles at which the boat stands, degrees, as far as they were measured; null or left out: solved from the marks. */
export interface MeasuredAngles {
  /** Starboard side up. */
  heelDeg?: number | null | undefined;
  /** Bow up. */
  trimDeg?: number | null | undefined;
}

/** A boat on her supports that seems to tilt further than this, °, has more likely been read or entered wrongly: common practice, no source. */
export const STEEP_TILT_DEG = 10;

/** How many marks fix the plane: three, one fewer for each angle that was measured. */
export const marksNeeded = ({ heelDeg, trimDeg }: MeasuredAngles): number =>
  3 - Number(heelDeg != null) - Number(trimDeg != null);

/** mm of height a metre of an angle measured; null: it was not. */
const slopeOf = (name: string, degrees: number | null | undefined): number | null =>
  degrees == null ? null : 1000 * Math.sin((within(`${name} (°)`, degrees, -45, 45) * Math.PI) / 180);

/**
 * The waterline's plane through reference marks: as many as `marksNeeded`, or more by least squares, each weighed by its
 * own error. With one
 * mark more than needed it can be said *that* one is off, with two more mostly *which* (Baarda's data snooping): how sure
 * that is goes with it, and where one more mark would tell most.
 *
 * @param errorMm one standard error of a mark that has none of its own, mm
 * @throws {QuantityError} on too few marks, or marks in one line
 * @example fitPlane({ marks: [at(0, 0, 1000), at(8, 0, 1080)], heelDeg: 0 }) // 10 mm up per metre forward
 */
export function fitPlane(
  input: MeasuredAngles & { marks: readonly PlaneMark[]; errorMm?: number },
): PlaneFit {
  const { marks } = input;
  const [knownB, knownC] = [slopeOf('trim', input.trimDeg), slopeOf('heel', input.heelDeg)];
  const errorMm = positive('error of a mark (mm)', input.errorMm ?? MARK_ERROR_MM, 200);
  const needed = marksNeeded(input);
  if (marks.length < needed)
    throw new QuantityError(
      'number of marks',
      marks.length,
      `${needed} or more${needed === 3 ? ' (one fewer for each of trim and heel that is measured)' : ''}`,
    );
  for (const [i, mark] of marks.entries()) {
    within(`mark ${i + 1}: place along the boat (m)`, mark.xM, -200, 200);
    within(`mark ${i + 1}: half-breadth (m)`, mark.yM, -60, 60);
    within(`mark ${i + 1}: height (mm)`, mark.heightMm, -50_000, 50_000);
  }
  // A mark read twice as badly counts as one of the usual error whose row and height are halved.
  const times = marks.map(
    ({ errorMm: own }, i) =>
      (own == null ? errorMm : positive(`mark ${i + 1}: error (mm)`, own, 200)) / errorMm,
  );
  const midX = marks.reduce((sum, m) => sum + m.xM, 0) / marks.length;
  const midY = marks.reduce((sum, m) => sum + m.yM, 0) / marks.length;
  const centred = (m: { xM: number; yM: number }) => [
    1,
    ...(knownB === null ? [m.xM - midX] : []),
    ...(knownC === null ? [m.yM - midY] : []),
  ];
  const rows = marks.map((mark, i) => centred(mark).map((each) => each / (times[i] as number)));
  const heights = marks.map(
    (m, i) => (m.heightMm - (knownB ?? 0) * m.xM - (knownC ?? 0) * m.yM) / (times[i] as number),
  );
  const { solved, used, outliers, open } = findOutliers(rows, heights, errorMm);
  const [mean, ...slopes] = solved.coefficients as [number, ...number[]];
  const bMmPerM = knownB ?? (slopes.shift() as number);
  const cMmPerM = knownC ?? (slopes.shift() as number);
  const aMm = mean - (knownB === null ? bMmPerM * midX : 0) - (knownC === null ? cMmPerM * midY : 0);
  const degrees = (sine: number) => (Math.asin(Math.min(1, Math.max(-1, sine))) * 180) / Math.PI;
  const trim = bMmPerM / 1000;
  const residualsMm = solved.residuals.map((each, i) => each * (times[i] as number));
  const perMetre = 1000 * ((ANGLE_ERROR_DEG * Math.PI) / 180);
  return {
    aMm,
    bMmPerM,
    cMmPerM,
    trimDeg: degrees(trim),
    heelDeg: degrees(cMmPerM / 1000 / Math.sqrt(1 - Math.min(0.99, trim * trim))),
    residualsMm,
    rmsMm: rmsOf(residualsMm, used),
    outliers,
    nextMark: nextMarkOf(open, marks, centred),
    error: errorFit(solved, used, errorMm),
    standardErrorMm: (point) => {
      const r = centred(point);
      const q = multiply(solved.cofactor, r);
      const ofMarks = errorMm ** 2 * r.reduce((sum, each, i) => sum + each * (q[i] as number), 0);
      // A measured angle is off by the same all along: the further from the marks, the more it tells.
      const ofTrim = knownB === null ? 0 : (perMetre * (point.xM - midX)) ** 2;
      const ofHeel = knownC === null ? 0 : (perMetre * (point.yM - midY)) ** 2;
      return Math.sqrt(ofMarks + ofTrim + ofHeel);
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
