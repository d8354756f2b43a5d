import { QuantityError, within } from '../../units/index.ts';
import { type Progress, TELL_EVERY, type Triangles } from './triangles.ts';

/** A plane n·p = at; its upper side is where n·p is greater. `n` need not be of length 1. */
export interface CutPlane {
  name: string;
  n: readonly [number, number, number];
  at: number;
}

/** A piece of the boat: on the stated sides of the named planes. The first zone that fits a place has it. */
export interface CutZone {
  name: string;
  where: readonly (readonly [plane: string, side: 'above' | 'below'])[];
}

export interface ZoneArea {
  name: string;
  /** m² to either side of the centreline. */
  portM2: number;
  starboardM2: number;
}

export interface MeshAreas {
  zones: ZoneArea[];
  /** The zone of each face's middle, by index; 255 for none. */
  faceZone: Uint8Array;
  /** m² that no zone claims. */
  restM2: number;
}

/** A plane that divides space. @throws {QuantityError} naming it */
function checkPlane({ name, n, at }: CutPlane): void {
  within(`level of plane ${name}`, at, -1e6, 1e6);
  const length = Math.hypot(...n);
  if (!(length > 1e-12 && Number.isFinite(length)))
    throw new QuantityError(
      `normal of plane ${name}`,
      `(${n.join(', ')})`,
      'a direction: not all zero, all finite',
    );
}

const MOST_PLANES = 14;
const NO_ZONE = 255;

function areaOf(p: Float64Array, corners: number): number {
  let [nx, ny, nz] = [0, 0, 0];
  const [ox, oy, oz] = [p[0] as number, p[1] as number, p[2] as number];
  for (let i = 1; i + 1 < corners; i++) {
    const ux = (p[i * 3] as number) - ox;
    const uy = (p[i * 3 + 1] as number) - oy;
    const uz = (p[i * 3 + 2] as number) - oz;
    const vx = (p[i * 3 + 3] as number) - ox;
    const vy = (p[i * 3 + 4] as number) - oy;
    const vz = (p[i * 3 + 5] as number) - oz;
    nx += uy * vz - uz * vy;
    ny += uz * vx - ux * vz;
    nz += ux * vy - uy * vx;
  }
  return Math.sqrt(nx * nx + ny * ny + nz * nz) / 2;
}

/**
 * m² of each zone of a surface, cut by planes: faces that a plane crosses are cut, not counted whole.
 *
 * A face lies in one cell of all planes' sides; only those whose corners differ are cut, so a million faces take
 * well under a second.
 *
 * @param triangles in the boat's axes, see `placeMesh`: y above 0 is starboard
 * @throws {QuantityError} on more planes than 14, or a zone that names a plane which is not there
 * @example areasFromMesh({ triangles: box, planes: [{ name: 'waterline', n: [0, 0, 1], at: 0 }], zones: [...] })
 */
export function areasFromMesh(input: {
  triangles: Triangles;
  planes: readonly CutPlane[];
  zones: readonly CutZone[];
  onProgress?: Progress;
}): MeshAreas {
  const { triangles, zones } = input;
  input.planes.forEach(checkPlane);
  const centre: CutPlane = { name: ' centreline', n: [0, 1, 0], at: 0 };
  const planes = [...input.planes, centre];
  if (planes.length > MOST_PLANES + 1)
    throw new QuantityError('number of planes', input.planes.length, `0–${MOST_PLANES}`);
  const starboardBit = planes.length - 1;
  const zoneOf = zoneTable(planes, zones);
  const n = planes.length;
  const A = Float64Array.from(planes, (p) => p.n[0]);
  const B = Float64Array.from(planes, (p) => p.n[1]);
  const C = Float64Array.from(planes, (p) => p.n[2]);
  const D = Float64Array.from(planes, (p) => p.at);
  // One sum for each cell of sides.
  const sums = new Float64Array(1 << n);
  const faces = triangles.length / 9;
  const faceZone = new Uint8Array(faces);

  // A polygon gains at most one corner from each plane; each depth has its own room, used again for every face.
  const room = () => planes.map(() => new Float64Array((n + 4) * 3));
  const [aboveAt, belowAt] = [room(), room()];

  /** Cuts the polygon by the planes from `k` on, adding each piece to its cell. */
  const cut = (polygon: Float64Array, corners: number, k: number, mask: number): void => {
    if (k === n) {
      sums[mask] = (sums[mask] as number) + areaOf(polygon, corners);
      return;
    }
    const [a, b, c, d] = [A[k] as number, B[k] as number, C[k] as number, D[k] as number];
    const above = aboveAt[k] as Float64Array;
    const below = belowAt[k] as Float64Array;
    let up = 0;
    let down = 0;
    let last = (corners - 1) * 3;
    let px = polygon[last] as number;
    let py = polygon[last + 1] as number;
    let pz = polygon[last + 2] as number;
    let p = a * px + b * py + c * pz - d;
    for (let i = 0; i < corners; i++) {
      last = i * 3;
      const qx = polygon[last] as number;
      const qy = polygon[last + 1] as number;
      const qz = polygon[last + 2] as number;
      const q = a * qx + b * qy + c * qz - d;
      if (p > 0 !== q > 0) {
        const t = p / (p - q);
        above[up] = below[down] = px + t * (qx - px);
        above[up + 1] = below[down + 1] = py + t * (qy - py);
        above[up + 2] = below[down + 2] = pz + t * (qz - pz);
        up += 3;
        down += 3;
      }
      if (q > 0) {
        above[up++] = qx;
        above[up++] = qy;
        above[up++] = qz;
      } else {
        below[down++] = qx;
        below[down++] = qy;
        below[down++] = qz;
      }
      px = qx;
      py = qy;
      pz = qz;
      p = q;
    }
    if (up >= 9) cut(above, up / 3, k + 1, mask | (1 << k));
    if (down >= 9) cut(below, down / 3, k + 1, mask);
  };

  const cells = cellsOf(triangles, planes);
  const whole = new Float64Array(9);
  for (let face = 0; face < faces; face++) {
    const i = face * 9;
    for (let k = 0; k < 9; k++) whole[k] = triangles[i + k] as number;
    const cell = cells[face * 3] as number;
    if (cell === cells[face * 3 + 1] && cell === cells[face * 3 + 2]) {
      sums[cell] = (sums[cell] as number) + areaOf(whole, 3);
      faceZone[face] = zoneOf[cell] as number;
    } else {
      cut(whole, 3, 0, 0);
      faceZone[face] = zoneOf[cellOfMiddle(whole, planes)] as number;
    }
    if (face % TELL_EVERY === 0) input.onProgress?.(face / faces);
  }

  // A corner that is no number shows in the sum of all faces, at no cost to the million that are sound.
  const allM2 = sums.reduce((sum, m2) => sum + m2, 0);
  if (!Number.isFinite(allM2)) throw new QuantityError('area of the mesh', allM2, 'a finite number');
  const found = zones.map((zone): ZoneArea => ({ name: zone.name, portM2: 0, starboardM2: 0 }));
  let restM2 = 0;
  sums.forEach((m2, mask) => {
    const zone = found[zoneOf[mask] as number];
    if (!zone) restM2 += m2;
    else if (mask & (1 << starboardBit)) zone.starboardM2 += m2;
    else zone.portM2 += m2;
  });
  return { zones: found, faceZone, restM2 };
}

/** The cell of each corner: a bit for each plane it lies above. Plane by plane, which is several times as fast as corner by corner. */
function cellsOf(triangles: Triangles, planes: readonly CutPlane[]): Uint16Array {
  const cells = new Uint16Array(triangles.length / 3);
  planes.forEach((plane, k) => {
    const axis = plane.n.findIndex((component) => component !== 0);
    const square = plane.n.every((component, i) => component === 0 || i === axis);
    if (square)
      markAlong(
        cells,
        triangles,
        axis,
        (plane.n[axis] as number) > 0,
        plane.at / (plane.n[axis] as number),
        1 << k,
      );
    else markAcross(cells, triangles, plane, 1 << k);
  });
  return cells;
}

/** A plane square to an axis needs but one coordinate of each corner. */
function markAlong(
  cells: Uint16Array,
  triangles: Triangles,
  axis: number,
  up: boolean,
  at: number,
  bit: number,
): void {
  for (let corner = 0, i = axis; corner < cells.length; corner++, i += 3) {
    const v = triangles[i] as number;
    if (up ? v > at : v < at) cells[corner] = (cells[corner] as number) | bit;
  }
}

function markAcross(
  cells: Uint16Array,
  triangles: Triangles,
  { n: [a, b, c], at }: CutPlane,
  bit: number,
): void {
  for (let corner = 0, i = 0; corner < cells.length; corner++, i += 3) {
    const side =
      a * (triangles[i] as number) + b * (triangles[i + 1] as number) + c * (triangles[i + 2] as number);
    if (side > at) cells[corner] = (cells[corner] as number) | bit;
  }
}

function cellOfMiddle(p: Float64Array, planes: readonly CutPlane[]): number {
  const mean = (axis: number) =>
    ((p[axis] as number) + (p[axis + 3] as number) + (p[axis + 6] as number)) / 3;
  return planes.reduce(
    (cell, { n, at }, k) => (n[0] * mean(0) + n[1] * mean(1) + n[2] * mean(2) > at ? cell | (1 << k) : cell),
    0,
  );
}

/** The zone of every cell: the first whose sides all fit. */
function zoneTable(planes: readonly CutPlane[], zones: readonly CutZone[]): Uint8Array {
  const wanted = zones.map((zone) =>
    zone.where.map(([name, side]) => {
      const k = planes.findIndex((plane) => plane.name === name);
      if (k < 0) throw new QuantityError(`plane of zone ${zone.name}`, name, 'one of the planes given');
      return [1 << k, side === 'above' ? 1 << k : 0] as const;
    }),
  );
  return Uint8Array.from({ length: 1 << planes.length }, (_, mask) => {
    const zone = wanted.findIndex((all) => all.every(([bit, value]) => (mask & bit) === value));
    return zone < 0 ? NO_ZONE : zone;
  });
}
