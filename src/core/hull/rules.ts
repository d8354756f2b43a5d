import { positive, within } from '../units/index.ts';
import type { BoatKind, Dimensions, Zone } from './boat.ts';

/** Typical spread of a rule of thumb: ±15 % [T]. Of a figure from memory: ±30 % [M]. */
export const RULE_SPREAD = 0.15;
export const MEMORY_SPREAD = 0.3;
/** Typical spread of an area reckoned back from paint used: ±10 % [T]. */
export const PAINT_SPREAD = 0.1;

/** Beam of each hull of a catamaran as a share of the whole beam [M]. */
export const CATAMARAN_HULL_SHARE = 1 / 6;

/** Beam on the waterline where only the greatest beam is known [M]. */
const BWL_SHARE = 0.9;

/** Factor k of the bottom's rule: light displacement with a fin keel 0.50, medium 0.65, full with a long keel 0.75 [T]. */
const BOTTOM_FACTOR: Record<Exclude<BoatKind, 'hard-chine-motor' | 'flat-bottomed' | 'catamaran'>, number> = {
  'fin-keel': 0.5,
  'open-dinghy': 0.5,
  'bilge-keel': 0.65,
  'long-keel': 0.75,
  workboat: 0.75,
};

/**
 * m² of the bottom, both sides, by rule of thumb.
 *
 * LWL × (BWL + draught) × k [T]; a hard-chine motor boat's LOA × beam × 0.85 [T]. A flat-bottomed craft is taken like
 * the hard chine, a catamaran as two hulls of a sixth of the beam each [M].
 *
 * @throws {QuantityError} on a dimension of 0 or less
 */
export function bottomByRule({ kind, dimensions }: { kind: BoatKind; dimensions: Dimensions }): number {
  const loa = positive('length overall', dimensions.loaM, 200);
  const lwl = positive('waterline length', dimensions.lwlM, 200);
  const beam = positive('beam', dimensions.beamM, 60);
  const draught = positive('draught', dimensions.draughtM, 30);
  if (kind === 'hard-chine-motor' || kind === 'flat-bottomed') return loa * beam * 0.85;
  if (kind === 'catamaran') return 2 * lwl * (beam * CATAMARAN_HULL_SHARE + draught) * 0.75;
  return lwl * (beam * BWL_SHARE + draught) * BOTTOM_FACTOR[kind];
}

/**
 * m² of the topsides with transom, both sides: 2 × (LOA + beam) × mean freeboard [T]; of a catamaran that of each hull,
 * the faces under the bridge too [M].
 */
export function topsidesByRule({ loaM, beamM, freeboardM, kind }: Dimensions & { kind?: BoatKind }): number {
  const loa = positive('length overall', loaM, 200);
  const beam = positive('beam', beamM, 60);
  const freeboard = positive('freeboard', freeboardM, 30);
  if (kind === 'catamaran') return 2 * 2 * (loa + beam * CATAMARAN_HULL_SHARE) * freeboard;
  return 2 * (loa + beam) * freeboard;
}

/** m² of the deck before houses and hatches are taken off: LOA × beam × 0.75 [T]. */
export function deckByRule({ loaM, beamM }: Dimensions): number {
  return positive('length overall', loaM, 200) * positive('beam', beamM, 60) * 0.75;
}

/**
 * Wetted surface by Mumford's formula, 1.7 × L × T + ∇/T [S: standard naval-architecture texts]; lengths in m,
 * displaced volume in m³. A check on other ways, within a few per cent for ordinary hulls.
 */
export function mumfordM2(input: { lwlM: number; draughtM: number; volumeM3: number }): number {
  const draught = positive('draught', input.draughtM, 30);
  return (
    1.7 * positive('waterline length', input.lwlM, 200) * draught +
    within('volume', input.volumeM3, 0, 1e6) / draught
  );
}

/** m² from last time's paint: litres used × real spreading rate, m²/l. 12 l at 8 m²/l → 96 m². */
export function areaFromPaint(input: { litres: number; m2PerLitre: number }): number {
  return positive('litres', input.litres, 10_000) * positive('spreading rate', input.m2PerLitre, 100);
}

/** One area of a starting set, with the m² its rule gives. */
export interface StartingArea {
  name: string;
  zone: Zone;
  side: 'port' | 'starboard' | 'both' | 'centre';
  areaM2: number;
  spread: number;
  /** The rule in words, with its mark. */
  basis: string;
}

/** [T] and [M] in words a person reads. */
const RULE = 'rule of thumb (common practice)';
const MEMORY = 'usual share (from memory)';

/**
 * A full, named list of areas for a kind of boat, from main dimensions only: edit it before use, never buy from it
 * unseen. Keels and rudder lie within the bottom's rule; they are split off by their usual share [M].
 */
export function startingAreas(input: { kind: BoatKind; dimensions: Dimensions }): StartingArea[] {
  const { kind, dimensions } = input;
  const { loaM, lwlM, beamM, freeboardM, draughtM } = dimensions;
  const bottom = bottomByRule(input);
  const twin = kind === 'catamaran';
  const hulls = twin ? 2 : 1;
  const hullBeamM = twin ? beamM * CATAMARAN_HULL_SHARE : beamM;
  /** The rules for two hulls from the whole beam are from memory. */
  const ofHull = twin ? MEMORY : RULE;
  const topsides = topsidesByRule({ ...dimensions, kind });
  const transom = kind === 'open-dinghy' ? 0 : hulls * hullBeamM * freeboardM * 0.7;
  const keelShare =
    { 'fin-keel': 0.16, 'bilge-keel': 0.22, 'long-keel': 0, workboat: 0, catamaran: 0.08 }[kind as string] ??
    0;
  const rudder =
    kind === 'hard-chine-motor' ? 0 : Math.min(0.06 * bottom, hulls * lwlM * 0.06 * draughtM * 2);
  const area = (
    name: string,
    zone: Zone,
    side: StartingArea['side'],
    areaM2: number,
    basis = RULE,
  ): StartingArea => ({
    name,
    zone,
    side,
    areaM2,
    basis,
    spread: basis === RULE ? RULE_SPREAD : MEMORY_SPREAD,
  });
  const pair = (name: string, zone: Zone, both: number, basis = RULE) => [
    area(`${name} port`, zone, 'port', both / 2, basis),
    area(`${name} starboard`, zone, 'starboard', both / 2, basis),
  ];
  const keel = bottom * keelShare;
  const list = [
    ...pair('Bottom', 'bottom', bottom - keel - rudder, ofHull),
    area(kind === 'bilge-keel' || twin ? 'Keels' : 'Keel', 'keel', 'both', keel, MEMORY),
    area(twin ? 'Rudders' : 'Rudder', 'rudder', twin ? 'both' : 'centre', rudder, MEMORY),
    area('Boot stripe', 'boot-stripe', 'both', hulls * 2.1 * lwlM * 0.08, MEMORY),
    ...pair('Topsides', 'topsides', topsides - transom, ofHull),
    area(twin ? 'Transoms' : 'Transom', 'transom', twin ? 'both' : 'centre', transom, MEMORY),
    ...(kind === 'open-dinghy'
      ? [area('Inside', 'other', 'centre', 1.1 * (bottom + topsides), MEMORY)]
      : [
          area('Deck', 'deck', 'centre', deckByRule(dimensions) * 0.75, RULE),
          area('Cabin sides', 'cabin', 'both', 0.8 * loaM * 0.5, MEMORY),
          area(
            twin ? 'Bilges' : 'Bilge',
            'bilge',
            twin ? 'both' : 'centre',
            hulls * lwlM * hullBeamM * 0.25,
            MEMORY,
          ),
        ]),
  ];
  return list.filter((each) => each.areaM2 > 0.05);
}

/**
 * m² of one part of the boat by the rules of its starting set, for one side or both; null where no rule speaks of it.
 *
 * `areaByRule({ kind: 'fin-keel', dimensions, zone: 'topsides', side: 'port' })` is half of both topsides.
 *
 * @throws {QuantityError} on a dimension of 0 or less
 */
export function areaByRule(input: {
  kind: BoatKind;
  dimensions: Dimensions;
  zone: Zone;
  side: StartingArea['side'];
}): Omit<StartingArea, 'name'> | null {
  const { zone, side } = input;
  const there = startingAreas(input).filter((area) => area.zone === zone);
  const first = there[0];
  if (!first) return null;
  const whole = there.reduce((sum, area) => sum + area.areaM2, 0);
  const oneSide = (side === 'port' || side === 'starboard') && first.side !== 'centre';
  return { zone, side, areaM2: oneSide ? whole / 2 : whole, spread: first.spread, basis: first.basis };
}
