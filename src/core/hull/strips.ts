import { finite, QuantityError, within } from '../units/index.ts';
import type { Point } from './boat.ts';

/** A share of the area this small is none: where the outline is cut is found to it. */
const EXACT = 1e-9;

/** Largest distance of a point from the origin, m. */
const FARTHEST_M = 10_000;

/** The enclosed area by the shoelace formula, whichever way round the outline runs. */
const enclosed = (outline: readonly Point[]): number =>
  Math.abs(
    outline.reduce((sum, { x, z }, i) => {
      const next = outline[(i + 1) % outline.length] as Point;
      return sum + (x * next.z - next.x * z);
    }, 0),
  ) / 2;

/** The part of an outline on one side of a line across it [Sutherland and Hodgman 1974]. */
function cutAt(outline: readonly Point[], atX: number, keep: 'aft' | 'forward'): Point[] {
  const inside = ({ x }: Point) => (keep === 'aft' ? x <= atX : x >= atX);
  return outline.flatMap((point, i) => {
    const next = outline[(i + 1) % outline.length] as Point;
    const here = inside(point) ? [point] : [];
    if (inside(point) === inside(next)) return here;
    const share = (atX - point.x) / (next.x - point.x);
    return [...here, { x: atX, z: point.z + share * (next.z - point.z) }];
  });
}

function checkPoints(outline: readonly Point[]): void {
  for (const { x, z } of outline) for (const m of [x, z]) within('Point (m)', m, -FARTHEST_M, FARTHEST_M);
}

/**
 * The part of an outline between two places along the boat, m; none where nothing lies between them.
 *
 * @throws {QuantityError} on a figure that is none
 */
export function between(outline: readonly Point[], fromX: number, toX: number): Point[] {
  checkPoints(outline);
  return cutAt(cutAt(outline, finite('From (m)', fromX), 'forward'), finite('To (m)', toX), 'aft');
}

/**
 * Closed outlines beside each other cut straight across into strips of equal area, from aft: an area as it is worked along, section by
 * section. A strip may reach from one outline into the next.
 *
 * @param outlines of at least three points each, m; along the boat x, and across it z
 * @param count strips wanted, 1 to 200
 * @returns the outlines of as many strips, in order
 * @throws {QuantityError} on outlines that enclose nothing, or a count that is none
 */
export function equalStrips(outlines: readonly (readonly Point[])[], count: number): Point[][][] {
  if (!Number.isInteger(within('Strips', count, 1, 200)))
    throw new QuantityError('Strips', count, 'a whole number');
  outlines.forEach(checkPoints);
  const upTo = (x: number) => outlines.reduce((sum, each) => sum + enclosed(cutAt(each, x, 'aft')), 0);
  const xs = outlines.flat().map(({ x }) => x);
  const [aft, fore] = [Math.min(...xs), Math.max(...xs)];
  const whole = upTo(fore);
  if (!(whole > 0)) throw new QuantityError('Area of the outline', whole, 'more than 0');
  const cuts = Array.from({ length: count + 1 }, (_, i) => {
    if (i === 0) return aft;
    if (i === count) return fore;
    let [low, high] = [aft, fore];
    while (high - low > EXACT * (fore - aft)) {
      const middle = (low + high) / 2;
      if (upTo(middle) < (whole * i) / count) low = middle;
      else high = middle;
    }
    return high;
  });
  return cuts
    .slice(1)
    .map((to, i) =>
      outlines.map((each) => between(each, cuts[i] as number, to)).filter((each) => enclosed(each) > 0),
    );
}
