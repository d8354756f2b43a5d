import { within } from '../../units/index.ts';
import type { OffsetTable, SheerPoint } from '../offsets.ts';
import { boundsOf, type Triangles } from './triangles.ts';

/** A section's outermost point still counts as the hull's side, not the deck's edge, from this share of its breadth [M]. */
const SIDE_SHARE = 0.9;

/**
 * A table of offsets read off a surface: the outermost half-breadth at each station and waterline, and the sheer where
 * the side ends. What the drawing and the mark sheet use; areas are taken from the surface itself.
 *
 * @param triangles in the boat's axes, see `placeMesh`
 */
export function offsetsFromMesh(input: {
  triangles: Triangles;
  stations?: number;
  waterlines?: number;
}): OffsetTable {
  const { triangles } = input;
  const { min, max } = boundsOf(triangles);
  const ns = within('number of stations', input.stations ?? 61, 3, 2000);
  const nw = within('number of waterlines', input.waterlines ?? 60, 3, 2000);
  const length = max[0];
  // The very ends are points: stations stand a little inside them.
  const stationsM = Array.from({ length: ns }, (_, s) =>
    s === 0 ? length * 0.0005 : s === ns - 1 ? length * 0.9995 : (length * s) / (ns - 1),
  );
  const [low, high] = [min[2], max[2]];
  const wet = Math.max(1, Math.round((nw * -low) / Math.max(high - low, 1e-9)));
  // A waterline at 0 exactly, wherever the others fall.
  const waterlinesM =
    low < 0 && high > 0
      ? [
          ...Array.from({ length: wet }, (_, w) => low * (1 - w / wet)),
          ...Array.from({ length: nw - wet + 1 }, (_, w) => (high * w) / (nw - wet || 1)),
        ]
      : Array.from({ length: nw + 1 }, (_, w) => low + ((high - low) * w) / nw);
  const widest = stationsM.map(() => new Float64Array(waterlinesM.length).fill(-1));
  const tops: { y: number; z: number }[][] = stationsM.map(() => []);
  const keels = stationsM.map(() => Infinity);
  const step = length / (ns - 1);
  for (let i = 0; i < triangles.length; i += 9) {
    const xs = [triangles[i], triangles[i + 3], triangles[i + 6]] as [number, number, number];
    const from = Math.max(0, Math.floor(Math.min(...xs) / step));
    const to = Math.min(ns - 1, Math.ceil(Math.max(...xs) / step));
    for (let s = from; s <= to; s++) {
      const segment = across(triangles, i, stationsM[s] as number);
      if (!segment) continue;
      const [[y0, z0], [y1, z1]] = segment;
      keels[s] = Math.min(keels[s] as number, z0, z1);
      tops[s]?.push({ y: Math.abs(y0), z: z0 }, { y: Math.abs(y1), z: z1 });
      const row = widest[s] as Float64Array;
      const [zl, zh] = [Math.min(z0, z1), Math.max(z0, z1)];
      for (let w = 0; w < waterlinesM.length; w++) {
        const z = waterlinesM[w] as number;
        if (z < zl || z > zh) continue;
        const y =
          zh === zl
            ? Math.max(Math.abs(y0), Math.abs(y1))
            : Math.abs(y0 + ((z - z0) / (z1 - z0)) * (y1 - y0));
        if (y > (row[w] as number)) row[w] = y;
      }
    }
  }
  const sheer = tops.map((points): SheerPoint | null => {
    if (points.length === 0) return null;
    const broadest = Math.max(...points.map((p) => p.y));
    const side = points.filter((p) => p.y >= broadest * SIDE_SHARE);
    const top = side.reduce((best, p) => (p.z > best.z ? p : best));
    return { zM: top.z, yM: top.y };
  });
  const halfBreadthsM = stationsM.map((_, s) => {
    const at = sheer[s];
    return waterlinesM.map((z, w) => {
      if (!at || z > at.zM + 1e-6) return null;
      const y = widest[s]?.[w] ?? -1;
      return y >= 0 ? y : z < (keels[s] as number) ? 0 : null;
    });
  });
  return { stationsM, waterlinesM, halfBreadthsM, sheer };
}

/** Where a face is cut by the plane x = `at`: two points (y, z), or null. */
function across(t: Triangles, i: number, at: number): [[number, number], [number, number]] | null {
  const found: [number, number][] = [];
  for (let k = 0; k < 3; k++) {
    const p = i + k * 3;
    const q = i + ((k + 1) % 3) * 3;
    const [xp, xq] = [t[p] as number, t[q] as number];
    if (xp <= at === xq <= at) continue;
    const u = (at - xp) / (xq - xp);
    found.push([
      (t[p + 1] as number) + u * ((t[q + 1] as number) - (t[p + 1] as number)),
      (t[p + 2] as number) + u * ((t[q + 2] as number) - (t[p + 2] as number)),
    ]);
  }
  return found.length === 2 ? (found as [[number, number], [number, number]]) : null;
}
