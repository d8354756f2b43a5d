import { memoised, within } from '../units/index.ts';
import { type BoatKind, checkDimensions, type Dimensions, type Point } from './boat.ts';
import { lerpAt } from './form.ts';
import { checkOffsets, type OffsetTable } from './offsets.ts';
import { profileLines } from './profile.ts';
import { CATAMARAN_HULL_SHARE } from './rules.ts';

interface Shape {
  /** Half-breadth of the transom as a share of the half-beam, and where the beam is greatest, from aft. */
  transom: number;
  widest: number;
  /** How blunt the bow is in plan: 1 straight, 3 bluff. */
  bow: number;
  /** Half-breadth from keel (0) to sheer (1) as a share of the sheer's, by height and by share. */
  section: readonly (readonly [height: number, share: number])[] | 'round';
}

/** Plans and sections usual for each kind [M]: for drawing, and for flare where nothing better is known. */
const SHAPES: Record<BoatKind, Shape> = {
  'long-keel': { transom: 0.5, widest: 0.48, bow: 1.8, section: 'round' },
  'fin-keel': { transom: 0.68, widest: 0.42, bow: 1.6, section: 'round' },
  'bilge-keel': { transom: 0.66, widest: 0.45, bow: 1.8, section: 'round' },
  'hard-chine-motor': {
    transom: 0.9,
    widest: 0.4,
    bow: 2,
    section: [
      [0, 0],
      [0.3, 0.84],
      [1, 1],
    ],
  },
  'flat-bottomed': {
    transom: 0.9,
    widest: 0.5,
    bow: 5,
    section: [
      [0, 0],
      [0.02, 0.96],
      [1, 1],
    ],
  },
  'open-dinghy': { transom: 0.7, widest: 0.45, bow: 2, section: 'round' },
  catamaran: { transom: 0.95, widest: 0.45, bow: 4, section: 'round' },
  workboat: {
    transom: 0.8,
    widest: 0.45,
    bow: 2.4,
    section: [
      [0, 0],
      [0.34, 0.88],
      [1, 1],
    ],
  },
};

const range = (n: number) => Array.from({ length: n + 1 }, (_, i) => i / n);

function share(shape: Shape, height: number): number {
  const h = Math.min(1, Math.max(0, height));
  // A superellipse, fuller than a quarter circle: turn of the bilge low, sides near upright.
  if (shape.section === 'round') return (1 - (1 - h) ** 3.2) ** 0.5;
  return lerpAt(
    shape.section.map(([z]) => z),
    shape.section.map(([, y]) => y),
    h,
  );
}

function planShare(shape: Shape, u: number): number {
  if (u <= shape.widest) return 1 - (1 - shape.transom) * ((shape.widest - u) / shape.widest) ** 2;
  return 1 - ((u - shape.widest) / (1 - shape.widest)) ** shape.bow;
}

const rising = (points: readonly Point[]) => points.toSorted((a, b) => a.x - b.x);

/** The canoe body's lower edge in profile: stern, belly, stem, from aft. */
function lowerEdge(lines: ReturnType<typeof profileLines>): Point[] {
  const belly = lines.zones.bottom ?? [];
  const bow = lines.sheer.at(-1) as Point;
  const stern = lines.sheer[0] as Point;
  const stem = (lines.zones.topsides ?? []).filter((p) => p.z > 0 && p.z < bow.z && p.x > bow.x * 0.6);
  return [stern, ...rising([...belly, ...stem.filter((p) => !lines.sheer.includes(p))]), bow];
}

/**
 * A hull of this kind and these dimensions as a table of offsets: what the drawings and the waterline use while
 * neither a table nor a mesh is known. Its lengths, beam, draught and freeboard are as given, the curves between
 * them this kind's usual ones [M]; keels and rudders are left off.
 *
 * @param fine how many times as many stations and waterlines as usual (41 by 33)
 * @throws {QuantityError} on a dimension of 0 or less
 */
export function formFromDimensions(input: {
  kind: BoatKind;
  dimensions: Dimensions;
  fine?: number;
}): OffsetTable {
  const { kind, dimensions } = input;
  checkDimensions(dimensions);
  const fine = within('fineness', input.fine ?? 1, 1, 16);
  const lines = profileLines(input);
  const shape = SHAPES[kind];
  const edge = lowerEdge(lines);
  const xs = edge.map((p) => p.x);
  const zs = edge.map((p) => p.z);
  const stationsM = range(40 * fine).map((u) => u * dimensions.loaM);
  const depth = Math.min(...zs);
  const top = Math.max(...lines.sheer.map((p) => p.z));
  const waterlinesM = [
    ...range(16 * fine).map((u) => depth * (1 - u) + 0),
    ...range(16 * fine)
      .slice(1)
      .map((u) => u * top),
  ];
  const twin = kind === 'catamaran';
  const half = (twin ? dimensions.beamM * CATAMARAN_HULL_SHARE : dimensions.beamM) / 2;
  const sheer = stationsM.map((x) => ({
    zM: lerpAt(
      lines.sheer.map((p) => p.x),
      lines.sheer.map((p) => p.z),
      x,
    ),
    yM: half * Math.max(0, planShare(shape, x / dimensions.loaM)),
  }));
  const halfBreadthsM = stationsM.map((x, s) => {
    const at = sheer[s] as { zM: number; yM: number };
    const keel = Math.min(lerpAt(xs, zs, x), at.zM - 0.001);
    return waterlinesM.map((z) => (z >= at.zM ? null : at.yM * share(shape, (z - keel) / (at.zM - keel))));
  });
  const table = { stationsM, waterlinesM, halfBreadthsM, sheer };
  return twin ? { ...table, apartM: dimensions.beamM / 2 - half } : table;
}

/**
 * A table as the boat it is of has it: one of a catamaran that is far narrower than the boat is of one hull, about its
 * own centreline, and the hulls stand so far apart that the boat's beam comes out.
 *
 * A table of half-breadths up to 0.6 m on a beam of 6 m: each hull's centreline is 2.4 m out.
 *
 * @throws {QuantityError} on a dimension of 0 or less
 */
export function ofItsHulls(
  table: OffsetTable,
  { kind, dimensions }: { kind: BoatKind; dimensions: Dimensions },
): OffsetTable {
  checkOffsets(table);
  if (kind !== 'catamaran' || table.apartM !== undefined) return table;
  checkDimensions(dimensions);
  const half = widestOf(table);
  // As wide as the boat: it is of both hulls together, and stays what it is.
  return half > dimensions.beamM / 4 ? table : twinned(table, dimensions.beamM / 2 - half);
}

const widestOf = ({ halfBreadthsM, sheer }: OffsetTable): number =>
  Math.max(...halfBreadthsM.flat().map((y) => y ?? 0), ...(sheer ?? []).map((point) => point?.yM ?? 0));

/** The same table once more for the same distance, so that what is worked out over it is kept. */
const twinned = memoised((table: OffsetTable, apartM: number): OffsetTable => ({ ...table, apartM }));
