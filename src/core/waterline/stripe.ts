import {
  alongSkinM,
  checkOffsets,
  halfBreadthAt,
  hullsOf,
  type OffsetTable,
  sectionAt,
} from '../hull/index.ts';
import { within } from '../units/index.ts';

export interface StripeShape {
  /** Gap between the top of the antifouling and the stripe's lower edge, mm: about 20 [T]. */
  gapMm: number;
  /** Vertical height of the stripe amidships, mm: constant in height, so wider along the skin where the hull flares. */
  heightMm: number;
  /** How much higher the stripe is at the bow and the stern, mm; 0 for constant height. */
  bowSweepMm: number;
  sternSweepMm: number;
}

/** Common gap between antifouling and stripe, mm [T]. */
export const STRIPE_GAP_MM = 20;

export interface StripeRow {
  xM: number;
  /** Edges above the plane, mm, and the width along the skin, mm. */
  lowerMm: number;
  upperMm: number;
  widthSkinMm: number;
}

export interface Stripe {
  rows: StripeRow[];
  /** Tape for each edge of one side, m; one side of a boat of two hulls is a hull, both its faces. */
  lowerTapeM: number;
  upperTapeM: number;
  /** m² of both sides. */
  areaM2: number;
}

/** Beyond the middle half of the length the swept edge rises with the square of the distance. */
export function sweepMm(shape: StripeShape, u: number): number {
  if (u > 0.75) return shape.bowSweepMm * ((u - 0.75) / 0.25) ** 2;
  if (u < 0.25) return shape.sternSweepMm * ((0.25 - u) / 0.25) ** 2;
  return 0;
}

type Vec = readonly [number, number, number];
const distance = (a: Vec, b: Vec) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

function triangle(a: Vec, b: Vec, c: Vec): number {
  const u = [b[0] - a[0], b[1] - a[1], b[2] - a[2]] as const;
  const v = [c[0] - a[0], c[1] - a[1], c[2] - a[2]] as const;
  return Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]) / 2;
}

const ACROSS = 4;

/**
 * The boot stripe above a line: its edges, widths along the skin, tape lengths and area.
 *
 * @param topOfPaintMm height of the antifouling's top above the form's z = 0, mm
 * @throws {QuantityError} on a gap or height out of range
 */
export function stripe(input: {
  form: OffsetTable;
  shape: StripeShape;
  topOfPaintMm: number;
  stations?: number;
}): Stripe {
  const { form, shape } = input;
  within('gap below the stripe (mm)', shape.gapMm, -20, 500);
  within('height of the stripe (mm)', shape.heightMm, 1, 1000);
  within('sweep at the bow (mm)', shape.bowSweepMm, 0, 1000);
  within('sweep at the stern (mm)', shape.sternSweepMm, 0, 1000);
  checkOffsets(form);
  const [first, last] = [form.stationsM[0] as number, form.stationsM.at(-1) as number];
  const n = within('stations of the stripe', input.stations ?? 120, 1, 5000);
  within('top of the paint (mm)', input.topOfPaintMm, -50_000, 50_000);
  const lowerMm = input.topOfPaintMm + shape.gapMm;
  const rows: StripeRow[] = [];
  const ladders: Vec[][] = [];
  for (let i = 0; i <= n; i++) {
    const xM = first + ((last - first) * i) / n;
    const upperMm = lowerMm + shape.heightMm + sweepMm(shape, i / n);
    const ladder = Array.from({ length: ACROSS + 1 }, (_, k) => {
      const z = (lowerMm + ((upperMm - lowerMm) * k) / ACROSS) / 1000;
      const y = halfBreadthAt(form, xM, z);
      return y === null ? null : ([xM, y, z] as Vec);
    });
    if (ladder.some((p) => p === null) || (ladder as Vec[]).every((p) => p[1] < 1e-9)) continue;
    ladders.push(ladder as Vec[]);
    rows.push({
      xM,
      lowerMm,
      upperMm,
      widthSkinMm: 1000 * alongSkinM(sectionAt(form, xM), lowerMm / 1000, upperMm / 1000),
    });
  }
  let [lowerTapeM, upperTapeM, oneSide] = [0, 0, 0];
  for (let i = 0; i + 1 < ladders.length; i++) {
    const [a, b] = [ladders[i] as Vec[], ladders[i + 1] as Vec[]];
    lowerTapeM += distance(a[0] as Vec, b[0] as Vec);
    upperTapeM += distance(a[ACROSS] as Vec, b[ACROSS] as Vec);
    for (let k = 0; k < ACROSS; k++) {
      const [p, q, r, s] = [a[k], b[k], b[k + 1], a[k + 1]] as [Vec, Vec, Vec, Vec];
      oneSide += (triangle(p, q, r) + triangle(p, r, s) + triangle(p, q, s) + triangle(q, r, s)) / 2;
    }
  }
  const hulls = hullsOf(form);
  return {
    rows,
    lowerTapeM: hulls * lowerTapeM,
    upperTapeM: hulls * upperTapeM,
    areaM2: 2 * hulls * oneSide,
  };
}
