import { QuantityError, within } from '../../units/index.ts';
import { checkNumbers } from './readStl.ts';
import { boundsOf, type Triangles } from './triangles.ts';

/** A hash table of whole numbers to whole numbers, in flat arrays: some ten times as fast as a Map for millions. */
class WholeNumberTable {
  readonly #keys: Float64Array;
  readonly #values: Int32Array;
  readonly #mask: number;

  constructor(entries: number) {
    let size = 16;
    while (size < entries * 2) size *= 2;
    this.#keys = new Float64Array(size).fill(-1);
    this.#values = new Int32Array(size);
    this.#mask = size - 1;
  }

  /** The value kept under `key`; `fresh` is kept and returned when there was none. */
  get(key: number, fresh: number): number {
    let slot =
      (Math.imul((key % 4294967296) | 0, 0x9e3779b1) ^ Math.imul((key / 4294967296) | 0, 0x85ebca6b)) >>> 7;
    for (;;) {
      slot &= this.#mask;
      const there = this.#keys[slot] as number;
      if (there === key) return this.#values[slot] as number;
      if (there < 0) {
        this.#keys[slot] = key;
        this.#values[slot] = fresh;
        return fresh;
      }
      slot++;
    }
  }

  /** Adds to the value under `key` and returns the sum. */
  add(key: number, amount: number): number {
    let slot =
      (Math.imul((key % 4294967296) | 0, 0x9e3779b1) ^ Math.imul((key / 4294967296) | 0, 0x85ebca6b)) >>> 7;
    for (;;) {
      slot &= this.#mask;
      const there = this.#keys[slot] as number;
      if (there < 0) this.#keys[slot] = key;
      if (there < 0 || there === key) {
        this.#values[slot] = (this.#values[slot] as number) + amount;
        return this.#values[slot] as number;
      }
      slot++;
    }
  }

  *entries(): Generator<[key: number, value: number]> {
    for (let slot = 0; slot <= this.#mask; slot++) {
      if ((this.#keys[slot] as number) >= 0) yield [this.#keys[slot] as number, this.#values[slot] as number];
    }
  }
}

export interface Welded {
  /** Point of each corner, three a face. */
  ids: Int32Array;
  /** Number of points, and the corner at which each was met first. */
  count: number;
  first: Int32Array;
}

/**
 * Corners within one cell of a grid of `tolerance` (in the mesh's units) made one point. Corners that lie on either
 * side of a cell's wall stay two: with a tolerance far below an edge's length that is rare, and only warned of.
 */
export function weld(triangles: Triangles, tolerance: number): Welded {
  const { min, max } = boundsOf(triangles);
  const cells = (axis: 0 | 1 | 2) => Math.floor((max[axis] - min[axis]) / tolerance) + 2;
  const [nx, ny] = [cells(0), cells(1)];
  const corners = triangles.length / 3;
  const table = new WholeNumberTable(corners);
  const ids = new Int32Array(corners);
  const first = new Int32Array(corners);
  let count = 0;
  for (let i = 0; i < corners; i++) {
    // Half a cell off, so that coordinates on round figures lie in the middle of a cell.
    const x = Math.floor(((triangles[i * 3] as number) - min[0]) / tolerance + 0.5);
    const y = Math.floor(((triangles[i * 3 + 1] as number) - min[1]) / tolerance + 0.5);
    const z = Math.floor(((triangles[i * 3 + 2] as number) - min[2]) / tolerance + 0.5);
    const id = table.get((z * ny + y) * nx + x, count);
    if (id === count) first[count++] = i;
    ids[i] = id;
  }
  return { ids, count, first: first.slice(0, count) };
}

/** Faults of a surface. */
export interface MeshCheck {
  faces: number;
  /** Edges with a face on one side only: natural at the sheer and on the centreline of half a hull. */
  openEdges: number;
  /** Edges whose two faces run the same way round: one of them is inside out. */
  invertedEdges: number;
  /** Edges that more than two faces share. */
  crowdedEdges: number;
  /** Faces without area, and faces that stand there twice (by their number, from 0). */
  degenerate: number;
  duplicates: number[];
}

/** Grid for welding, as a share of the mesh's greatest extent. */
const WELD_SHARE = 1e-5;

/** Looks for open, inverted and duplicate faces. Areas bear with all but duplicates; volumes with none. */
export function checkMesh(triangles: Triangles): MeshCheck {
  const { min, max } = boundsOf(triangles);
  const extent = Math.max(max[0] - min[0], max[1] - min[1], max[2] - min[2]) || 1;
  const { ids, count } = weld(triangles, extent * WELD_SHARE);
  const faces = triangles.length / 9;
  const edges = new WholeNumberTable(faces * 3);
  const seen = new WholeNumberTable(faces);
  const duplicates: number[] = [];
  let degenerate = 0;
  // Two counts in one number: how often an edge runs upwards in its points' numbers, and how often downwards.
  const UP = 1;
  const DOWN = 1024;
  for (let face = 0; face < faces; face++) {
    const a = ids[face * 3] as number;
    const b = ids[face * 3 + 1] as number;
    const c = ids[face * 3 + 2] as number;
    if (a === b || b === c || c === a) {
      degenerate++;
      continue;
    }
    const low = Math.min(a, b, c);
    const high = Math.max(a, b, c);
    const mid = a + b + c - low - high;
    // Points are below 2³¹; three of them are folded into one number that rarely meets another's.
    const key = ((low * 1_000_003 + mid) % 9_007_199) * count + high;
    const earlier = seen.get(key, face);
    if (earlier !== face && sameCorners(triangles, face, earlier)) {
      duplicates.push(face);
      continue;
    }
    let p = c;
    for (let k = 0; k < 3; k++) {
      const q = ids[face * 3 + k] as number;
      if (p < q) edges.add(p * count + q, UP);
      else edges.add(q * count + p, DOWN);
      p = q;
    }
  }
  let [openEdges, invertedEdges, crowdedEdges] = [0, 0, 0];
  for (const [, value] of edges.entries()) {
    const [up, down] = [value % DOWN, Math.floor(value / DOWN)];
    if (up + down === 1) openEdges++;
    else if (up + down > 2) crowdedEdges++;
    else if (up !== down) invertedEdges++;
  }
  return { faces, openEdges, invertedEdges, crowdedEdges, degenerate, duplicates };
}

/** Do two faces stand on the very same corners? Welded points may still be a hair apart, as at a sharp stem. */
function sameCorners(triangles: Triangles, one: number, other: number): boolean {
  for (let i = one * 9; i < one * 9 + 9; i += 3) {
    let found = false;
    for (let j = other * 9; j < other * 9 + 9 && !found; j += 3) {
      found =
        triangles[i] === triangles[j] &&
        triangles[i + 1] === triangles[j + 1] &&
        triangles[i + 2] === triangles[j + 2];
    }
    if (!found) return false;
  }
  return true;
}

/** The mesh without some of its faces. */
export function withoutFaces(triangles: Triangles, faces: readonly number[]): Triangles {
  boundsOf(triangles);
  for (const face of faces)
    if (!Number.isInteger(face) || face < 0 || face >= triangles.length / 9)
      throw new QuantityError(
        'face to leave out',
        face,
        `the ${triangles.length / 9} faces of the mesh, from 0`,
      );
  if (faces.length === 0) return triangles;
  const gone = new Set(faces);
  const kept = new Float32Array(triangles.length - gone.size * 9);
  let at = 0;
  for (let face = 0; face < triangles.length / 9; face++) {
    if (gone.has(face)) continue;
    kept.set(triangles.subarray(face * 9, face * 9 + 9), at);
    at += 9;
  }
  return kept;
}

function everySoMany(triangles: Triangles, most: number): { triangles: Triangles; face: Int32Array } {
  const faces = triangles.length / 9;
  const count = Math.min(faces, Math.floor(most));
  const face = Int32Array.from({ length: count }, (_, i) => Math.floor((i * faces) / count));
  const thin = new Float32Array(count * 9);
  face.forEach((from, i) => {
    thin.set(triangles.subarray(from * 9, from * 9 + 9), i * 9);
  });
  return { triangles: thin, face };
}

/**
 * A coarser likeness for drawing: corners gathered in a grid until no more than `most` faces are left.
 * `face[i]` is the face of the mesh that face i of the likeness came from. For looking at, never for measuring.
 */
export function thinMesh(triangles: Triangles, most: number): { triangles: Triangles; face: Int32Array } {
  within('number of faces to keep', most, 1, 1e9);
  checkNumbers(triangles);
  const faces = triangles.length / 9;
  if (faces <= most) return { triangles, face: Int32Array.from({ length: faces }, (_, i) => i) };
  const { min, max } = boundsOf(triangles);
  const extent = Math.max(max[0] - min[0], max[1] - min[1], max[2] - min[2]) || 1;
  for (let cells = Math.ceil(Math.sqrt(most)); ; cells = Math.floor(cells * 0.8)) {
    // A mesh whose faces all lie in a few cells, or upon each other, is no hull: every so many of them are drawn.
    if (cells < 1) return everySoMany(triangles, most);
    const { ids, first } = weld(triangles, extent / cells);
    const kept: number[] = [];
    for (let face = 0; face < faces; face++) {
      const [a, b, c] = [ids[face * 3], ids[face * 3 + 1], ids[face * 3 + 2]];
      if (a !== b && b !== c && c !== a) kept.push(face);
    }
    if (kept.length > most) continue;
    const thin = new Float32Array(kept.length * 9);
    kept.forEach((face, i) => {
      for (let k = 0; k < 3; k++) {
        const corner = first[ids[face * 3 + k] as number] as number;
        thin.set(triangles.subarray(corner * 3, corner * 3 + 3), i * 9 + k * 3);
      }
    });
    return { triangles: thin, face: Int32Array.from(kept) };
  }
}
