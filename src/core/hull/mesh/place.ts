import { positive, QuantityError, within } from '../../units/index.ts';
import { boundsOf, type Progress, TELL_EVERY, type Triangles } from './triangles.ts';

export type MeshUnit = 'mm' | 'cm' | 'm' | 'in' | 'ft';
/** Metres in each unit a mesh comes in; inch and foot by definition [S: NIST SP 811]. */
export const MESH_UNITS: Record<MeshUnit, number> = { mm: 0.001, cm: 0.01, m: 1, in: 0.0254, ft: 0.3048 };

export type Axis = '+x' | '-x' | '+y' | '-y' | '+z' | '-z';
export const AXES: readonly Axis[] = ['+x', '-x', '+y', '-y', '+z', '-z'];

/** How a mesh lies in its file, and how it is set on the waterline. */
export interface Placement {
  unit: MeshUnit;
  /** The file's axis that points up, and the one that points to the bow. */
  up: Axis;
  bow: Axis;
  /** Only one side was drawn: the other is made by mirroring. */
  half: boolean;
  /** Turned by these before it is cut, degrees: starboard side up, bow up. */
  heelDeg: number;
  trimDeg: number;
  /** Height of the waterline above the mesh's lowest point once turned, m. */
  waterlineM: number;
}

const AXIS_INDEX = { x: 0, y: 1, z: 2 } as const;
const indexOf = (axis: Axis) => AXIS_INDEX[axis[1] as 'x' | 'y' | 'z'];
const signOf = (axis: Axis) => (axis[0] === '-' ? -1 : 1);

/**
 * The mesh in the boat's own axes: x forward from its aftermost point, y to starboard of the centreline, z up from
 * the waterline, metres. With y to starboard these axes are left-handed: drawn as (x, z, y) they are right-handed.
 *
 * @throws {QuantityError} when up and bow are one axis, or an angle or height is out of range
 */
export function placeMesh(
  triangles: Triangles,
  placement: Placement,
  onProgress: Progress = () => {},
): Triangles {
  const { up, bow } = placement;
  if (indexOf(up) === indexOf(bow))
    throw new QuantityError('bow axis', bow, `at right angles to the up axis (${up})`);
  const heel = (within('heel (°)', placement.heelDeg, -45, 45) * Math.PI) / 180;
  const trim = (within('trim (°)', placement.trimDeg, -45, 45) * Math.PI) / 180;
  within('height of the waterline (m)', placement.waterlineM, -50, 50);
  const unit = MESH_UNITS[placement.unit];
  const [ix, iz] = [indexOf(bow), indexOf(up)];
  const iy = 3 - ix - iz;
  const [sx, sz] = [signOf(bow), signOf(up)];
  // Starboard is forward × up in the file's right-handed axes.
  const even = (ix + 1) % 3 === iz ? 1 : -1;
  const sy = sx * sz * even;
  const [ch, sh, ct, st] = [Math.cos(heel), Math.sin(heel), Math.cos(trim), Math.sin(trim)];
  const own = boundsOf(triangles);
  // Half a hull has its centreline at the file's 0; a whole one half-way across.
  const midY = placement.half ? 0 : ((own.min[iy] as number) + (own.max[iy] as number)) / 2;
  const whole = placement.half ? withMirrored(triangles, iy) : triangles;
  const placed = new Float32Array(whole.length);
  let [minX, minZ] = [Infinity, Infinity];
  for (let i = 0; i < whole.length; i += 3) {
    const x = sx * unit * (whole[i + ix] as number);
    const y = sy * unit * ((whole[i + iy] as number) - midY);
    const z = sz * unit * (whole[i + iz] as number);
    // Heel about the length, then trim about the breadth; starboard up and bow up are positive.
    const hz = sh * y + ch * z;
    const px = ct * x - st * hz;
    const pz = st * x + ct * hz;
    placed[i] = px;
    placed[i + 1] = ch * y - sh * z;
    placed[i + 2] = pz;
    if (px < minX) minX = px;
    if (pz < minZ) minZ = pz;
    if (i % (TELL_EVERY * 9) === 0) onProgress(i / whole.length);
  }
  const lift = minZ + placement.waterlineM;
  for (let i = 0; i < whole.length; i += 3) {
    placed[i] = (placed[i] as number) - minX;
    placed[i + 2] = (placed[i + 2] as number) - lift;
  }
  return placed;
}

/** Half a hull with its reflection in the plane at 0 of one axis, whose faces run the other way round. */
function withMirrored(triangles: Triangles, axis: number): Triangles {
  const whole = new Float32Array(triangles.length * 2);
  whole.set(triangles);
  for (let i = 0; i < triangles.length; i += 9) {
    for (let corner = 0; corner < 3; corner++) {
      const to = triangles.length + i + ((3 - corner) % 3) * 3;
      for (let k = 0; k < 3; k++) {
        const value = triangles[i + corner * 3 + k] as number;
        whole[to + k] = k === axis ? -value : value;
      }
    }
  }
  return whole;
}

/** Mean distance of the corners in a slice of one axis from the middle of another, and the same with its sign. */
function lie(
  triangles: Triangles,
  slice: { axis: number; from: number; to: number },
  across: number,
  mid: number,
) {
  let [far, signed, count] = [0, 0, 0];
  const step = Math.max(1, Math.floor(triangles.length / 300_000)) * 3;
  for (let i = 0; i < triangles.length; i += step) {
    const at = triangles[i + slice.axis] as number;
    if (at < slice.from || at > slice.to) continue;
    const off = (triangles[i + across] as number) - mid;
    far += Math.abs(off);
    signed += off;
    count++;
  }
  return count ? { far: far / count, signed: signed / count } : { far: 0, signed: 0 };
}

/**
 * How a mesh probably lies: its longest axis along the boat, the evenest other one across, the bow at the finer end,
 * up where the hull is wider; the unit that comes nearest to the length overall. A guess to be looked at, never silent.
 */
export function guessPlacement(triangles: Triangles, boat: { loaM: number; draughtM: number }): Placement {
  positive('length over all', boat.loaM, 200);
  positive('draught', boat.draughtM, 30);
  const { min, max } = boundsOf(triangles);
  const size = ([0, 1, 2] as const).map((k) => max[k] - min[k]) as [number, number, number];
  const along = size.indexOf(Math.max(...size)) as 0 | 1 | 2;
  const others = ([0, 1, 2] as const).filter((k) => k !== along) as [0 | 1 | 2, 0 | 1 | 2];
  const unit = (Object.keys(MESH_UNITS) as MeshUnit[]).reduce((best, each) => {
    const off = (u: MeshUnit) => Math.abs(Math.log((size[along] * MESH_UNITS[u]) / boat.loaM));
    return off(each) < off(best) ? each : best;
  });
  // Drawn to one side of a plane at 0, an axis is that of half a hull.
  const oneSided = (k: 0 | 1 | 2) =>
    size[k] > 0 && (Math.abs(min[k]) < 1e-3 * size[k] || Math.abs(max[k]) < 1e-3 * size[k]);
  const middle = (k: 0 | 1 | 2) => (min[k] + max[k]) / 2;
  const third = (axis: 0 | 1 | 2, upper: boolean) =>
    upper
      ? { axis, from: max[axis] - size[axis] / 3, to: max[axis] }
      : { axis, from: min[axis], to: min[axis] + size[axis] / 3 };
  // Across, both sides of a boat are alike; upright, top and foot are not.
  const uneven = (k: 0 | 1 | 2) => {
    const other = others.find((each) => each !== k) as 0 | 1 | 2;
    const [low, high] = [false, true].map((upper) =>
      lie(triangles, third(k, upper), other, middle(other)),
    ) as [ReturnType<typeof lie>, ReturnType<typeof lie>];
    return (Math.abs(high.far - low.far) + Math.abs(high.signed - low.signed)) / (size[other] || 1);
  };
  const byEvenness = others.toSorted((a, b) => uneven(a) - uneven(b));
  let across = byEvenness[0] as 0 | 1 | 2;
  let half = false;
  // Even to a hundredth is a whole boat; else an axis that starts at 0 is that of one side.
  if (uneven(across) > 0.01 && others.some(oneSided)) {
    across = others.find((k) => oneSided(k) && k !== 2) ?? (others.find(oneSided) as 0 | 1 | 2);
    half = true;
  }
  const upright = others.find((k) => k !== across) as 0 | 1 | 2;
  const mid = half ? 0 : middle(across);
  const breadth = (k: 0 | 1 | 2, upper: boolean) => lie(triangles, third(k, upper), across, mid).far;
  const letters = ['x', 'y', 'z'] as const;
  const bow: Axis = `${breadth(along, true) <= breadth(along, false) ? '+' : '-'}${letters[along]}`;
  const up: Axis = `${breadth(upright, true) >= breadth(upright, false) ? '+' : '-'}${letters[upright]}`;
  return { unit, up, bow, half, heelDeg: 0, trimDeg: 0, waterlineM: boat.draughtM };
}
