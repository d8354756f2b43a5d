import { memoised } from '../units/index.ts';
import type { BoatKind, Dimensions, Point } from './boat.ts';
import { breadthOutAt, halfBreadthAt, type SectionPoint, sectionAt, sheerAt } from './form.ts';
import { keelHeightM, type OffsetTable } from './offsets.ts';
import { formFromDimensions, ofItsHulls } from './parametric.ts';
import { type ProfileLines, profileLines } from './profile.ts';
import { profileFromForm } from './profileFromForm.ts';

/** A point seen from above: x forward from the aftermost point, y from the centreline, m. */
export interface PlanPoint {
  x: number;
  y: number;
}

/** The lines of a boat as a loft floor shows them: profile, half-breadth plan and body plan. */
export interface HullLines {
  form: OffsetTable;
  profile: ProfileLines;
  /** Half-breadth of the sheer along the boat, and of level lines below and above the waterline. */
  plan: { sheer: PlanPoint[]; waterlines: { z: number; points: PlanPoint[] }[]; cabin: PlanPoint[] | null };
  /** Sections from keel to sheer; `fore` ones are drawn to the right. */
  sections: { x: number; points: SectionPoint[]; fore: boolean }[];
  lengthM: number;
  halfBeamM: number;
}

/** Level lines drawn below and above the waterline, and sections drawn. */
const BELOW = 3;
const ABOVE = 2;
const SECTIONS = 10;

/** Rise of a section from its foot to its sheer; the very ends of a hull are edges, not sections. */
const heightOf = (points: readonly SectionPoint[]) => (points.at(-1)?.z ?? 0) - (points[0]?.z ?? 0);

/**
 * The lines to draw a boat by: from her table of offsets or mesh where there is one, else from her main dimensions and
 * the usual curves of the boat type.
 *
 * @throws {QuantityError} on a dimension of 0 or less
 */
export function hullLines(input: {
  kind: BoatKind;
  dimensions: Dimensions;
  form: OffsetTable | null;
}): HullLines {
  const { loaM, lwlM, beamM, draughtM, freeboardM } = input.dimensions;
  return input.form
    ? linesOfForm(ofItsHulls(input.form, input), input.kind, loaM, lwlM, beamM, draughtM, freeboardM)
    : makeLines(input);
}

/** As drawn last from a table. */
const linesOfForm = memoised(
  (form: OffsetTable, kind: BoatKind, ...[loaM, lwlM, beamM, draughtM, freeboardM]: Five): HullLines =>
    makeLines({ form, kind, dimensions: { loaM, lwlM, beamM, draughtM, freeboardM } }),
);
type Five = [loaM: number, lwlM: number, beamM: number, draughtM: number, freeboardM: number];

function makeLines(input: Parameters<typeof hullLines>[0]): HullLines {
  const form = input.form ?? formFromDimensions(input);
  const profile = input.form
    ? profileFromForm({ form, kind: input.kind, dimensions: input.dimensions })
    : profileLines(input);
  const stations = form.stationsM;
  const [first, last] = [stations[0] as number, stations.at(-1) as number];
  const out = (y: number) => (form.apartM ?? 0) + y;
  const sheer = stations.flatMap((x) => {
    const at = sheerAt(form, x);
    return at ? [{ x, y: out(at.y) }] : [];
  });
  const depth = -Math.min(0, keelHeightM(form));
  const height = Math.min(...profile.sheer.map((p) => p.z));
  const levels = [
    ...Array.from({ length: BELOW }, (_, i) => (-depth * (BELOW - i)) / (BELOW + 1)),
    0,
    ...Array.from({ length: ABOVE }, (_, i) => (height * (i + 1)) / (ABOVE + 1)),
  ];
  const waterlines = levels.map((z) => ({
    z,
    points: levelPoints(form, z),
  }));
  const sections = Array.from({ length: SECTIONS + 1 }, (_, i) => {
    const x = first + ((last - first) * i) / SECTIONS;
    return { x, points: sectionAt(form, x), fore: i >= SECTIONS / 2 };
  }).filter(
    ({ points }) => points.some((p) => p.y > 0.01) && heightOf(points) > 0.15 * (profile.maxZ - profile.minZ),
  );
  const house = profile.zones.cabin;
  return {
    form,
    profile,
    plan: { sheer, waterlines, cabin: house ? cabinPlan(house, form) : null },
    sections,
    lengthM: last,
    halfBeamM: Math.max(...sheer.map((p) => p.y)),
  };
}

/** A level line seen from above: out along the outer side, and of two hulls back along the inner one. */
function levelPoints(form: OffsetTable, z: number): PlanPoint[] {
  const side = (face: 'outer' | 'inner') =>
    form.stationsM.flatMap((x): PlanPoint[] => {
      const wide = halfBreadthAt(form, x, z);
      const y = breadthOutAt(form, x, z, face);
      return wide === null || wide <= 0 || y === null ? [] : [{ x, y }];
    });
  const outer = side('outer');
  return form.apartM === undefined ? outer : [...outer, ...side('inner').toReversed(), ...outer.slice(0, 1)];
}

/** The house from above: its length as in profile, somewhat over half the breadth [M]. */
function cabinPlan(house: readonly Point[], form: OffsetTable): PlanPoint[] {
  const xs = house.map((p) => p.x);
  const [from, to] = [Math.min(...xs), Math.max(...xs)];
  return Array.from({ length: 9 }, (_, i) => {
    const x = from + ((to - from) * i) / 8;
    return { x, y: 0.58 * ((form.apartM ?? 0) + (sheerAt(form, x)?.y ?? 0)) };
  });
}
