import { finite, memoised, QuantityError, within } from '../units/index.ts';
import { checkOffsets, type OffsetTable } from './offsets.ts';

/** A point of a section: half-breadth y and height z above the designed waterline, m. */
export interface SectionPoint {
  y: number;
  z: number;
}

/** Linear between the entries of two rising columns; beyond them the end value. */
export function lerpAt(xs: readonly number[], ys: readonly number[], x: number): number {
  if (xs.length === 0 || xs.length !== ys.length)
    throw new QuantityError('points of a curve', ys.length, `one for each of ${xs.length}, 1 or more`);
  finite('place on a curve', x);
  let [low, high] = [0, xs.length - 1];
  if (x <= (xs[low] as number)) return finite('curve', ys[low] as number);
  if (x >= (xs[high] as number)) return finite('curve', ys[high] as number);
  while (high - low > 1) {
    const mid = (low + high) >> 1;
    if ((xs[mid] as number) <= x) low = mid;
    else high = mid;
  }
  const [x0, x1] = [xs[low] as number, xs[high] as number];
  const [y0, y1] = [ys[low] as number, ys[high] as number];
  return finite('curve', y0 + ((x - x0) / (x1 - x0)) * (y1 - y0));
}

/** A station's heights and half-breadths from keel to sheer. */
interface Station {
  zs: number[];
  ys: number[];
}

/** The stations of a table, read once for each table: a mark sheet asks for them thousands of times. */
const stationsOf = memoised((form: OffsetTable): Station[] =>
  form.stationsM.map((_, s) => {
    const station: Station = { zs: [], ys: [] };
    form.waterlinesM.forEach((z, w) => {
      const y = form.halfBreadthsM[s]?.[w];
      if (y == null) return;
      station.zs.push(z);
      station.ys.push(y);
    });
    const sheer = form.sheer?.[s];
    if (sheer && sheer.zM > (station.zs.at(-1) ?? Number.NEGATIVE_INFINITY)) {
      station.zs.push(sheer.zM);
      station.ys.push(sheer.yM);
    }
    return station;
  }),
);

function topOf(form: OffsetTable, s: number): SectionPoint {
  const station = stationsOf(form)[s];
  return { y: station?.ys.at(-1) ?? 0, z: station?.zs.at(-1) ?? 0 };
}

/** The neighbouring stations of x and how far it lies between them, 0–1; null off the ends of the table. */
function between(form: OffsetTable, x: number): { s: number; t: number } | null {
  within('place along the boat (m)', x, -1000, 1000);
  checkOffsets(form);
  const last = form.stationsM.length - 1;
  if (x < (form.stationsM[0] as number) - 1e-9 || x > (form.stationsM[last] as number) + 1e-9) return null;
  const upper = form.stationsM.findIndex((each) => each >= x - 1e-9);
  const s = Math.min(Math.max(upper - 1, 0), last - 1);
  const [x0, x1] = [form.stationsM[s] as number, form.stationsM[s + 1] as number];
  return { s, t: Math.min(1, Math.max(0, (x - x0) / (x1 - x0))) };
}

/** The sheer at x: its height and half-breadth, m; null off the ends of the hull. */
export function sheerAt(form: OffsetTable, x: number): SectionPoint | null {
  const at = between(form, x);
  if (!at) return null;
  const [a, b] = [topOf(form, at.s), topOf(form, at.s + 1)];
  return { y: a.y + at.t * (b.y - a.y), z: a.z + at.t * (b.z - a.z) };
}

/**
 * Half-breadth of the hull, m, at x (from the aftermost point) and height z (from the designed waterline), linear
 * between the points of the table; null above the sheer and off the ends.
 */
export function halfBreadthAt(form: OffsetTable, x: number, z: number): number | null {
  within('height (m)', z, -1000, 1000);
  const at = between(form, x);
  const sheer = sheerAt(form, x);
  if (!at || !sheer || z > sheer.z + 1e-9) return null;
  const row = (s: number) => {
    const { zs, ys } = stationsOf(form)[s] as Station;
    return zs.length === 0 || z < (zs[0] as number) - 1e-9 ? 0 : lerpAt(zs, ys, z);
  };
  const [a, b] = [row(at.s), row(at.s + 1)];
  return a + at.t * (b - a);
}

/**
 * From the boat's centreline to her outer side, m, at x and height z: of one hull its half-breadth, of two how far out each
 * is also given. `inner`: to the side that looks at the other hull. null above the sheer and off the ends.
 */
export function breadthOutAt(form: OffsetTable, x: number, z: number, face: 'outer' | 'inner' = 'outer') {
  const y = halfBreadthAt(form, x, z);
  if (y === null) return null;
  return face === 'outer' ? (form.apartM ?? 0) + y : Math.max(0, (form.apartM ?? 0) - y);
}

/** The section of one side at x from keel to sheer. */
export function sectionAt(form: OffsetTable, x: number): SectionPoint[] {
  const sheer = sheerAt(form, x);
  if (!sheer) return [];
  const below = form.waterlinesM.flatMap((z) => {
    const y = z < sheer.z - 1e-9 ? halfBreadthAt(form, x, z) : null;
    return y === null ? [] : [{ y, z }];
  });
  // Breadths of 0 below the keel are the air under it.
  const keel = below.findIndex((p) => p.y > 1e-9);
  const hull = keel < 0 ? below.slice(-1) : below.slice(Math.max(0, keel - 1));
  return [...hull, sheer];
}

/** Length along the skin of a section between two heights, m: what a tape laid on the planking reads. */
export function alongSkinM(section: readonly SectionPoint[], fromZ: number, toZ: number): number {
  within('lower height (m)', fromZ, -1000, 1000);
  within('upper height (m)', toZ, -1000, 1000);
  const [low, high] = fromZ <= toZ ? [fromZ, toZ] : [toZ, fromZ];
  for (const { y, z } of section) {
    within('half-breadth of a section', y, 0, 60);
    within('height of a section', z, -1000, 1000);
  }
  let length = 0;
  for (let i = 0; i + 1 < section.length; i++) {
    const [a, b] = [section[i] as SectionPoint, section[i + 1] as SectionPoint];
    const rise = b.z - a.z;
    const whole = Math.hypot(b.y - a.y, rise);
    if (rise <= 0) continue;
    const part = Math.min(b.z, high) - Math.max(a.z, low);
    if (part > 0) length += (whole * part) / rise;
  }
  return length;
}
