import { within } from '../../units/index.ts';
import type { OffsetTable, SheerPoint } from '../offsets.ts';
import { boundsOf, type Triangles } from './triangles.ts';

/** A section's outermost point still counts as the hull's side, not the deck's edge, from this share of its breadth [M]. */
const SIDE_SHARE = 0.9;

/** Share of the length at the ends that is ignored when hulls are separated: stems and sterns run together there [M]. */
const ENDS_SHARE = 0.2;
/** With nothing under water this near the centreline, as a share of the breadth there, it is two hulls [M]. */
const GAP_SHARE = 0.15;

/**
 * A table of offsets read off a surface: the outermost half-breadth at each station and waterline, and the sheer where
 * the side ends. What the drawing and the mark sheet use; areas are taken from the surface itself.
 *
 * A boat without a part in the water near the centreline has two hulls: the table then is of one of them,
 * by its outer face, about the middle between both its faces.
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
  const wetOut = stationsM.map(() => 0);
  const wetIn = stationsM.map(() => Infinity);
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
      for (const y of underWater(segment)) {
        wetOut[s] = Math.max(wetOut[s] as number, y);
        wetIn[s] = Math.min(wetIn[s] as number, y);
      }
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
  const apartM = centreOfHulls(
    stationsM.flatMap((x, s) => {
      const amidships = x >= ENDS_SHARE * length && x <= (1 - ENDS_SHARE) * length;
      return amidships && (wetOut[s] as number) > 0
        ? [{ inM: wetIn[s] as number, outM: wetOut[s] as number }]
        : [];
    }),
  );
  const fromCentre = (y: number) => Math.max(0, y - (apartM ?? 0));
  const sheer = tops.map((all): SheerPoint | null => {
    if (all.length === 0) return null;
    const points = all.map(({ y, z }) => ({ y: fromCentre(y), z }));
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
      return y >= 0 ? fromCentre(y) : z < (keels[s] as number) ? 0 : null;
    });
  });
  const table = { stationsM, waterlinesM, halfBreadthsM, sheer };
  return apartM === null ? table : { ...table, apartM };
}

/** How far from the centreline a cut through a face reaches below z = 0, m: its nearest and its farthest; none if dry. */
function underWater([[y0, z0], [y1, z1]]: [[number, number], [number, number]]): number[] {
  if (z0 > 0 && z1 > 0) return [];
  const atWater = () => y0 + (z0 / (z0 - z1)) * (y1 - y0);
  const [a, b] = [z0 > 0 ? atWater() : y0, z1 > 0 ? atWater() : y1];
  return [a * b <= 0 ? 0 : Math.min(Math.abs(a), Math.abs(b)), Math.max(Math.abs(a), Math.abs(b))];
}

/** From the boat's centreline to that of each of two hulls, m, by what is wet amidships; null: it is one hull. */
function centreOfHulls(wet: readonly { inM: number; outM: number }[]): number | null {
  const widest = Math.max(0, ...wet.map(({ outM }) => outM));
  if (wet.length === 0 || wet.some(({ inM }) => inM < GAP_SHARE * widest)) return null;
  const middles = wet.map(({ inM, outM }) => (inM + outM) / 2).toSorted((a, b) => a - b);
  return middles[Math.floor(middles.length / 2)] as number;
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
