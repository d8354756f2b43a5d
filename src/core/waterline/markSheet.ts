import {
  alongSkinM,
  breadthOutAt,
  checkOffsets,
  halfBreadthAt,
  hullsOf,
  type OffsetTable,
  sectionAt,
  sheerAt,
} from '../hull/index.ts';
import { within } from '../units/index.ts';
import { heightAboveDatum, type Plane } from './fitPlane.ts';

export type LineSide = 'port' | 'starboard';

/** What to measure at one station to put the line there. */
export interface SheetRow {
  xM: number;
  side: LineSide;
  /** Up from the plane fitted through the marks to the line struck, in the boat's own height, mm. */
  riseMm: number;
  /** Up from the datum, mm: what the laser or the water level reads. */
  aboveDatumMm: number;
  /** The same on the face that looks at the other hull; null: the boat has one hull. */
  innerAboveDatumMm: number | null;
  /** Plumb in the boat's own height below the sheer, mm. */
  belowSheerMm: number;
  /** Along the skin: down from the sheer, and up from the unraised line, mm. */
  belowSheerSkinMm: number;
  raiseSkinMm: number;
  /** Flare of the skin at the line from the boat's vertical, degrees; tumblehome is negative. */
  flareDeg: number;
  /** From the boat's centreline to the outer face, m. */
  halfBreadthM: number;
}

const SIGN: Record<LineSide, 1 | -1> = { starboard: 1, port: -1 };

/** Flare from the vertical at a height, degrees, over 4 cm of the section's height. */
export function flareDegAt(form: OffsetTable, xM: number, zM: number): number {
  const sheer = sheerAt(form, xM);
  if (!sheer) return 0;
  const high = Math.min(sheer.z, zM + 0.02);
  const low = high - 0.04;
  const [a, b] = [halfBreadthAt(form, xM, low), halfBreadthAt(form, xM, high)];
  return a === null || b === null ? 0 : (Math.atan2(b - a, high - low) * 180) / Math.PI;
}

/**
 * The mark sheet of both sides: at each station the heights and distances that put the line on the hull.
 * The form's own waterline (z = 0) is taken to be the plane through the marks.
 *
 * @param riseMmAt from the plane up to the line at x, mm: the raise, with the stripe's or the swept ends' share
 * @returns rows of both sides by station; stations where the line does not meet the hull are left out
 */
export function markSheet(input: {
  form: OffsetTable;
  plane: Plane;
  stationsM: readonly number[];
  riseMmAt: (xM: number, side: LineSide) => number;
}): SheetRow[] {
  return input.stationsM.flatMap((xM) => {
    within('station (m)', xM, -200, 200);
    const sheer = sheerAt(input.form, xM);
    if (!sheer) return [];
    return (['port', 'starboard'] as const).flatMap((side) => {
      const riseMm = input.riseMmAt(xM, side);
      const z = riseMm / 1000;
      const y = halfBreadthAt(input.form, xM, z);
      if (y === null || y <= 0.0005) return [];
      const section = sectionAt(input.form, xM);
      const above = (yM: number) => heightAboveDatum(input.plane, { xM, yM: SIGN[side] * yM, riseMm });
      const outM = breadthOutAt(input.form, xM, z) ?? y;
      const inM = hullsOf(input.form) === 2 ? breadthOutAt(input.form, xM, z, 'inner') : null;
      return [
        {
          xM,
          side,
          riseMm,
          aboveDatumMm: above(outM),
          innerAboveDatumMm: inM === null ? null : above(inM),
          belowSheerMm: 1000 * (sheer.z - z),
          belowSheerSkinMm: 1000 * alongSkinM(section, z, sheer.z),
          raiseSkinMm: Math.sign(riseMm) * 1000 * alongSkinM(section, 0, z),
          flareDeg: flareDegAt(input.form, xM, z),
          halfBreadthM: outM,
        },
      ];
    });
  });
}

/** Stations every `stepM` along the hull, the ends of the form included where the step does not meet them. */
export function stationsEvery(form: OffsetTable, stepM: number): number[] {
  checkOffsets(form);
  const step = within('distance between stations (m)', stepM, 0.05, 10);
  const [first, last] = [form.stationsM[0] as number, form.stationsM.at(-1) as number];
  const from = Math.ceil(first / step - 1e-9);
  const to = Math.floor(last / step + 1e-9);
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => Number(((from + i) * step).toFixed(4)));
}

/** The same mark on the other side: equally far below the sheer. Its height above the datum differs by the heel. */
export const otherSide = (side: LineSide): LineSide => (side === 'port' ? 'starboard' : 'port');
