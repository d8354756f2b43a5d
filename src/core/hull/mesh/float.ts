import { positive, QuantityError, within } from '../../units/index.ts';
import { type Hydrostatics, SEA_WATER } from '../hydrostatics.ts';
import { hullsOf } from '../offsets.ts';
import type { Triangles } from './triangles.ts';

/** A corner this near the waterline, as a share of the draught, lies on it: single precision over a hull's length. */
const RIM_SHARE = 1e-4;

/**
 * What a hull given as a surface displaces at z = 0. Volume and waterplane are surface integrals over the wetted faces
 * (divergence theorem), for which the surface must be closed below the water; above it may be open.
 *
 * @param triangles in the boat's axes, see `placeMesh`
 * @param apartM of two hulls: from the boat's centreline to that of each, see `offsetsFromMesh`
 * @throws {QuantityError} when the mesh has no part under water, or doesn’t enclose a volume there
 */
export function hydrostaticsOfMesh(input: {
  triangles: Triangles;
  apartM?: number | undefined;
  densityKgM3?: number;
}): Hydrostatics {
  const { triangles } = input;
  const density = positive('density of the water', input.densityKgM3 ?? SEA_WATER, 1100);
  let [volume, plane, wetted, deepest] = [0, 0, 0, 0];
  let [aft, fore, widest] = [Infinity, -Infinity, 0];
  const add = (
    ax: number,
    ay: number,
    az: number,
    bx: number,
    by: number,
    bz: number,
    cx: number,
    cy: number,
    cz: number,
  ) => {
    const nx = (by - ay) * (cz - az) - (bz - az) * (cy - ay);
    const ny = (bz - az) * (cx - ax) - (bx - ax) * (cz - az);
    const nz = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
    wetted += Math.sqrt(nx * nx + ny * ny + nz * nz) / 2;
    plane -= nz / 2;
    volume += (nz / 2) * ((az + bz + cz) / 3);
  };
  // A body that ends at the waterline has its rim there but for the rounding of its numbers.
  let lowest = 0;
  for (let i = 2; i < triangles.length; i += 3)
    if ((triangles[i] as number) < lowest) lowest = triangles[i] as number;
  const rim = lowest * RIM_SHARE;
  const meets = (x: number, y: number) => {
    if (x < aft) aft = x;
    if (x > fore) fore = x;
    if (Math.abs(y) > widest) widest = Math.abs(y);
  };
  const below = new Float64Array(12);
  for (let i = 0; i < triangles.length; i += 9) {
    const za = triangles[i + 2] as number;
    const zb = triangles[i + 5] as number;
    const zc = triangles[i + 8] as number;
    if (za < deepest) deepest = za;
    if (zb < deepest) deepest = zb;
    if (zc < deepest) deepest = zc;
    if (za >= 0 && zb >= 0 && zc >= 0) continue;
    let size = 0;
    for (let k = 0; k < 3; k++) {
      const p = i + k * 3;
      const q = i + ((k + 1) % 3) * 3;
      const [px, py, pz] = [triangles[p] as number, triangles[p + 1] as number, triangles[p + 2] as number];
      const qz = triangles[q + 2] as number;
      if (pz <= 0) {
        if (pz >= rim) meets(px, py);
        below[size++] = px;
        below[size++] = py;
        below[size++] = pz;
      }
      if (pz * qz < 0) {
        const t = pz / (pz - qz);
        const x = px + t * ((triangles[q] as number) - px);
        const y = py + t * ((triangles[q + 1] as number) - py);
        meets(x, y);
        below[size++] = x;
        below[size++] = y;
        below[size++] = 0;
      }
    }
    const at = (k: number) => below[k] as number;
    for (let k = 3; k + 3 < size; k += 3) {
      add(at(0), at(1), at(2), at(k), at(k + 1), at(k + 2), at(k + 3), at(k + 4), at(k + 5));
    }
  }
  if (deepest >= 0) throw new QuantityError('lowest point', `${deepest} m`, 'below the waterline (0 m)');
  // Faces run the other way round all over: the same hull seen from inside.
  const volumeM3 = Math.abs(volume);
  const waterplaneM2 = Math.abs(plane);
  const lwlM = fore - aft;
  const hulls = hullsOf(input);
  const bwlM =
    2 * (widest - within('centreline of a hull from that of the boat (m)', input.apartM ?? 0, 0, 30));
  if (!(volumeM3 > 0 && lwlM > 0 && bwlM > 0)) {
    throw new QuantityError(
      'volume under water',
      `${volumeM3} m³`,
      'above 0, so the mesh isn’t closed there',
    );
  }
  return {
    volumeM3,
    displacementKg: volumeM3 * density,
    waterplaneM2,
    wettedM2: wetted,
    lwlM,
    bwlM,
    draughtM: -deepest,
    cb: volumeM3 / (hulls * lwlM * bwlM * -deepest),
    cwp: waterplaneM2 / (hulls * lwlM * bwlM),
    kgPerCm: (waterplaneM2 * density) / 100,
  };
}
