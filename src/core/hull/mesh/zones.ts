import { positive, QuantityError, within } from '../../units/index.ts';
import type { Zone } from '../boat.ts';
import type { CutPlane, CutZone } from './cut.ts';

/** Where a hull is cut into areas; heights from the waterline, places from the aftermost point, m. */
export interface HullCuts {
  /** Top of the antifouling. */
  topOfPaintM: number;
  /** Edges of the boot stripe; null without one. */
  stripe: { lowerM: number; upperM: number } | null;
  /** Aft of here and above the antifouling is transom; null without one. */
  transomXM: number | null;
  /** The keel's box: below `topM` between two places; null where it is not told apart from the bottom. */
  keel: { aftM: number; foreM: number; topM: number } | null;
  /** The sheer as a straight line by its heights aft and forward: above it is deck; null where there is none. */
  sheer: { aftM: number; foreM: number; lengthM: number } | null;
  /** Places at which bottom and topsides are divided, from aft; at most 4. */
  stationsM: readonly number[];
}

/** Planes that stations may take. */
const MOST_STATIONS = 4;

/** The planes and zones of a hull's cuts, for `areasFromMesh`. The stripe is level: swept ends are struck on the line. */
export function hullCuts(cuts: HullCuts): { planes: CutPlane[]; zones: (CutZone & { zone: Zone })[] } {
  const level = (name: string, at: number): CutPlane => ({
    name,
    n: [0, 0, 1],
    at: within(`${name} (m)`, at, -50, 50),
  });
  const upright = (name: string, at: number): CutPlane => ({
    name,
    n: [1, 0, 0],
    at: within(`${name} (m)`, at, -200, 200),
  });
  const planes: CutPlane[] = [level('top of the antifouling', cuts.topOfPaintM)];
  const zones: (CutZone & { zone: Zone })[] = [];
  if (cuts.sheer) {
    positive('length of the sheer (m)', cuts.sheer.lengthM, 200);
    within('sheer aft (m)', cuts.sheer.aftM, -50, 50);
    within('sheer forward (m)', cuts.sheer.foreM, -50, 50);
    const slope = (cuts.sheer.foreM - cuts.sheer.aftM) / cuts.sheer.lengthM;
    planes.push({ name: 'sheer', n: [-slope, 0, 1], at: cuts.sheer.aftM });
    zones.push({ name: 'Deck', zone: 'deck', where: [['sheer', 'above']] });
  }
  if (cuts.keel) {
    planes.push(
      level('top of the keel', cuts.keel.topM),
      upright('after end of the keel', cuts.keel.aftM),
      upright('fore end of the keel', cuts.keel.foreM),
    );
    zones.push({
      name: 'Keel',
      zone: 'keel',
      where: [
        ['top of the keel', 'below'],
        ['after end of the keel', 'above'],
        ['fore end of the keel', 'below'],
      ],
    });
  }
  const lengths = between(cuts.stationsM, planes);
  for (const { suffix, where } of lengths) {
    zones.push({
      name: `Bottom${suffix}`,
      zone: 'bottom',
      where: [['top of the antifouling', 'below'], ...where],
    });
  }
  if (cuts.stripe) {
    planes.push(
      level('lower edge of the stripe', cuts.stripe.lowerM),
      level('upper edge of the stripe', cuts.stripe.upperM),
    );
    zones.push({
      name: 'Boot stripe',
      zone: 'boot-stripe',
      where: [
        ['lower edge of the stripe', 'above'],
        ['upper edge of the stripe', 'below'],
      ],
    });
  }
  if (cuts.transomXM !== null) {
    planes.push(upright('transom', cuts.transomXM));
    zones.push({ name: 'Transom', zone: 'transom', where: [['transom', 'below']] });
  }
  for (const { suffix, where } of lengths) zones.push({ name: `Topsides${suffix}`, zone: 'topsides', where });
  return { planes, zones };
}

/** The lengths between stations, from aft, each by the planes it lies between; the whole length where there are none. */
function between(
  stationsM: readonly number[],
  planes: CutPlane[],
): { suffix: string; where: CutZone['where'] }[] {
  if (stationsM.length > MOST_STATIONS) {
    throw new QuantityError('number of stations', stationsM.length, `0–${MOST_STATIONS}`);
  }
  const places = [...stationsM].sort((a, b) => a - b);
  const name = (x: number) => `station at ${x} m`;
  for (const x of places) {
    planes.push({ name: name(x), n: [1, 0, 0], at: within('station (m)', x, -200, 200) });
  }
  return [...places, Infinity].map((to, i) => {
    const from = places[i - 1];
    const where: [string, 'above' | 'below'][] = [];
    if (from !== undefined) where.push([name(from), 'above']);
    if (to !== Infinity) where.push([name(to), 'below']);
    const suffix =
      places.length === 0
        ? ''
        : from === undefined
          ? `, aft of ${to} m`
          : to === Infinity
            ? `, forward of ${from} m`
            : `, ${from}–${to} m`;
    return { suffix: suffix, where };
  });
}
