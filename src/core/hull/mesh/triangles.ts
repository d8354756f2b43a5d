import { QuantityError } from '../../units/index.ts';

/** Faces of a surface one after another: nine numbers a face, three corners of x, y, z. */
export type Triangles = Float32Array;

/** Told now and then while a long computation runs: the share done, 0–1. */
export type Progress = (share: number) => void;

/** Faces between two tellings: often enough for a bar, seldom enough to cost nothing. */
export const TELL_EVERY = 65_536;

/** Largest file that is read, bytes. */
export const LARGEST_MESH_BYTES = 300 * 1024 * 1024;

/** Typical spread of areas from a surface mesh: ±1 % [T]. */
export const MESH_SPREAD = 0.01;

export const facesOf = (triangles: Triangles): number => triangles.length / 9;

/** Least and greatest of each axis. */
export interface Bounds {
  min: [number, number, number];
  max: [number, number, number];
}

export function boundsOf(triangles: Triangles): Bounds {
  if (triangles.length === 0 || triangles.length % 9 !== 0)
    throw new QuantityError('numbers of the mesh', triangles.length, 'nine for each face, 1 face or more');
  const min: Bounds['min'] = [Infinity, Infinity, Infinity];
  const max: Bounds['max'] = [-Infinity, -Infinity, -Infinity];
  for (let axis = 0; axis < 3; axis++) {
    let [low, high, sum] = [Infinity, -Infinity, 0];
    for (let i = axis; i < triangles.length; i += 3) {
      const v = triangles[i] as number;
      if (v < low) low = v;
      if (v > high) high = v;
      sum += v;
    }
    // A corner that is no number shows in the sum, at the cost of an addition.
    if (!Number.isFinite(sum)) throw new QuantityError('corners of the mesh', sum, 'finite numbers');
    min[axis] = low;
    max[axis] = high;
  }
  return { min, max };
}
