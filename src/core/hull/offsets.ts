import { QuantityError, within } from '../units/index.ts';

/**
 * A table of offsets: half-breadths, m, of the hull's one side at stations (x forward from the aftermost, m) and
 * waterlines (z up from the designed waterline, m; below it negative). `halfBreadthsM[station][waterline]`; null where
 * the table has no point.
 */
export interface OffsetTable {
  stationsM: readonly number[];
  waterlinesM: readonly number[];
  halfBreadthsM: readonly (readonly (number | null)[])[];
  /** The sheer at each station: its height and half-breadth, m; null where it is not known. */
  sheer?: readonly (SheerPoint | null)[] | undefined;
  /**
   * A boat of two hulls: from her centreline to that of each hull, m. The table then is of one hull about its own centreline,
   * and areas, volumes and lengths are those of both. Left out: one hull, about the boat's centreline.
   */
  apartM?: number | undefined;
}

/** How many hulls a table stands for. */
export const hullsOf = ({ apartM }: Pick<OffsetTable, 'apartM'>): 1 | 2 => (apartM === undefined ? 1 : 2);

export interface SheerPoint {
  zM: number;
  yM: number;
}

/** Typical spread of areas from a table of offsets: ±2 % [T]. */
export const OFFSETS_SPREAD = 0.02;

/** Tables already looked through. */
const sound = new WeakSet<OffsetTable>();

/** Throws naming the row and column that cannot be used: order, shape, letters, negative breadths. */
export function checkOffsets(table: OffsetTable): void {
  if (sound.has(table)) return;
  const rising = (name: string, values: readonly number[]) => {
    if (values.length < 2) throw new QuantityError(`number of ${name}`, values.length, '2 or more');
    values.forEach((value, i) => {
      within(`${name} ${i + 1}`, value, -200, 200);
      if (i > 0 && value <= (values[i - 1] as number)) {
        throw new QuantityError(
          `${name} ${i + 1}`,
          `${value} m`,
          `above the previous one (${values[i - 1]} m)`,
        );
      }
    });
  };
  rising('stations', table.stationsM);
  rising('waterlines', table.waterlinesM);
  if (table.halfBreadthsM.length !== table.stationsM.length) {
    throw new QuantityError(
      'number of rows of offsets',
      table.halfBreadthsM.length,
      `${table.stationsM.length}, one for each station`,
    );
  }
  table.halfBreadthsM.forEach((row, s) => {
    if (row.length !== table.waterlinesM.length) {
      throw new QuantityError(
        `number of offsets of station ${s + 1}`,
        row.length,
        `${table.waterlinesM.length}, one for each waterline`,
      );
    }
    row.forEach((y, w) => {
      if (y !== null) within(`half-breadth at station ${s + 1}, waterline ${w + 1}`, y, 0, 60);
    });
  });
  checkSheer(table);
  if (table.apartM !== undefined)
    within('centreline of a hull from that of the boat (m)', table.apartM, 0, 30);
  sound.add(table);
}

function checkSheer(table: OffsetTable): void {
  if (!table.sheer) return;
  if (table.sheer.length !== table.stationsM.length) {
    throw new QuantityError(
      'number of sheer points',
      table.sheer.length,
      `${table.stationsM.length}, one for each station`,
    );
  }
  table.sheer.forEach((point, s) => {
    if (!point) return;
    within(`half-breadth of the sheer at station ${s + 1}`, point.yM, 0, 60);
    const top = table.waterlinesM.findLast((_, w) => table.halfBreadthsM[s]?.[w] != null);
    within(`height of the sheer at station ${s + 1}`, point.zM, top ?? -200, 200);
  });
}

/**
 * Height of the keel, m: the lowest waterline that the hull reaches. Rows of breadths 0 written below it are the water
 * under it; one such row, next to the first with breadth, is the keel's own edge.
 */
export function keelHeightM(table: OffsetTable): number {
  const { waterlinesM, halfBreadthsM } = table;
  const wide = waterlinesM.findIndex((_, w) => halfBreadthsM.some((row) => (row[w] ?? 0) > 1e-9));
  return waterlinesM[Math.max(0, wide - 1)] as number;
}

type Vec = readonly [number, number, number];

function triangleArea(a: Vec, b: Vec, c: Vec): number {
  const u = [b[0] - a[0], b[1] - a[1], b[2] - a[2]] as const;
  const v = [c[0] - a[0], c[1] - a[1], c[2] - a[2]] as const;
  return Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]) / 2;
}

/** Two heights in their order; ±∞ stand for keel and sheer. @throws {QuantityError} */
export function checkHeights(fromZ: number, toZ: number): void {
  if (Number.isNaN(fromZ)) throw new QuantityError('lower height (m)', fromZ, 'a height of the hull');
  if (!(toZ >= fromZ))
    throw new QuantityError('upper height (m)', toZ, `at or above the lower one (${fromZ})`);
}

/** The corners of the hull's skin on one side: between neighbouring stations and waterlines, where all four are known. */
function* panels(table: OffsetTable): Generator<[Vec, Vec, Vec, Vec]> {
  const { stationsM, waterlinesM, halfBreadthsM } = table;
  const at = (s: number, w: number): Vec | null => {
    const y = halfBreadthsM[s]?.[w];
    return y === null || y === undefined ? null : [stationsM[s] as number, y, waterlinesM[w] as number];
  };
  for (let s = 0; s + 1 < stationsM.length; s++) {
    for (let w = 0; w + 1 < waterlinesM.length; w++) {
      const corners = [at(s, w), at(s + 1, w), at(s + 1, w + 1), at(s, w + 1)];
      if (corners.some((c) => c === null)) continue;
      // Breadths of 0 all round are the air beyond the hull, written into the table: no skin.
      if ((corners as Vec[]).every((c) => c[1] === 0)) continue;
      yield corners as [Vec, Vec, Vec, Vec];
    }
  }
}

/** The flat of bottom on one side: from the centreline out to where the skin begins on the lowest waterline. */
function* flatPanels(table: OffsetTable): Generator<Vec[]> {
  const { stationsM, waterlinesM, halfBreadthsM } = table;
  const z = waterlinesM[0] as number;
  for (let s = 0; s + 1 < stationsM.length; s++) {
    const [x0, x1] = [stationsM[s] as number, stationsM[s + 1] as number];
    const [y0, y1] = [halfBreadthsM[s]?.[0], halfBreadthsM[s + 1]?.[0]];
    if (y0 == null || y1 == null) continue;
    if (y0 + y1 > 0)
      yield [
        [x0, 0, z],
        [x1, 0, z],
        [x1, y1, z],
        [x0, y0, z],
      ];
  }
}

/** From the highest waterline that two neighbouring stations share up to their sheer, as triangles of one side. */
function* topStrake(table: OffsetTable): Generator<[Vec, Vec, Vec]> {
  const rise = (s: number, from: number): Vec[] => {
    const x = table.stationsM[s] as number;
    const points: Vec[] = table.waterlinesM.flatMap((z, w) => {
      const y = table.halfBreadthsM[s]?.[w];
      return w >= from && y != null ? [[x, y, z] as Vec] : [];
    });
    const sheer = table.sheer?.[s];
    return sheer ? [...points, [x, sheer.yM, sheer.zM]] : points;
  };
  for (let s = 0; s + 1 < table.stationsM.length; s++) {
    if (!table.sheer?.[s] || !table.sheer[s + 1]) continue;
    const shared = table.waterlinesM.findLastIndex(
      (_, w) => table.halfBreadthsM[s]?.[w] != null && table.halfBreadthsM[s + 1]?.[w] != null,
    );
    if (shared < 0) continue;
    const [aft, fore] = [rise(s, shared), rise(s + 1, shared)];
    for (let [i, j] = [0, 0]; i + 1 < aft.length || j + 1 < fore.length; ) {
      const [a, f] = [aft[i] as Vec, fore[j] as Vec];
      const up =
        j + 1 >= fore.length || (i + 1 < aft.length && (aft[i + 1] as Vec)[2] <= (fore[j + 1] as Vec)[2]);
      if (up) yield [a, f, aft[++i] as Vec];
      else yield [a, f, fore[++j] as Vec];
    }
  }
}

/** The part of a polygon with z on one side of `level`. */
function clip(polygon: readonly Vec[], level: number, keep: 'below' | 'above'): Vec[] {
  const side = (p: Vec) => (keep === 'below' ? level - p[2] : p[2] - level);
  return polygon.flatMap((p, i) => {
    const q = polygon[(i + 1) % polygon.length] as Vec;
    const [a, b] = [side(p), side(q)];
    const kept: Vec[] = a >= 0 ? [p] : [];
    if ((a > 0 && b < 0) || (a < 0 && b > 0)) {
      const t = a / (a - b);
      kept.push([p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1]), level]);
    }
    return kept;
  });
}

function polygonArea(polygon: readonly Vec[]): number {
  let area = 0;
  for (let i = 1; i + 1 < polygon.length; i++) {
    area += triangleArea(polygon[0] as Vec, polygon[i] as Vec, polygon[i + 1] as Vec);
  }
  return area;
}

/**
 * m² of the skin, both sides of each hull, between two heights: wetted surface up to the waterline, topsides above it.
 * A flat of bottom, where the lowest waterline has breadth, belongs to it.
 * Each panel is split both ways and the mean taken, so that a twisted one is not favoured either way.
 *
 * @param fromZ lower height, m; −∞ for the keel
 * @param toZ upper height, m; +∞ for the sheer
 * @throws {QuantityError} see {@link checkOffsets}; a height that is none, or an upper one below the lower
 */
export function areaFromOffsets(input: { table: OffsetTable; fromZ: number; toZ: number }): number {
  checkOffsets(input.table);
  checkHeights(input.fromZ, input.toZ);
  const within2 = (polygon: readonly Vec[]) =>
    polygonArea(clip(clip(polygon, input.toZ, 'below'), input.fromZ, 'above'));
  let area = 0;
  for (const [a, b, c, d] of panels(input.table)) {
    area += (within2([a, b, c]) + within2([a, c, d]) + within2([a, b, d]) + within2([b, c, d])) / 2;
  }
  for (const triangle of topStrake(input.table)) area += within2(triangle);
  for (const flat of flatPanels(input.table)) area += within2(flat);
  return 2 * hullsOf(input.table) * area;
}
