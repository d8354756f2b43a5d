import { positive } from '../units/index.ts';

/** Kinds of boat told apart by what stands below the water and how the sides run. */
export type BoatKind =
  | 'long-keel'
  | 'fin-keel'
  | 'bilge-keel'
  | 'hard-chine-motor'
  | 'flat-bottomed'
  | 'open-dinghy'
  | 'catamaran'
  | 'workboat';

export const BOAT_KINDS: readonly BoatKind[] = [
  'long-keel',
  'fin-keel',
  'bilge-keel',
  'hard-chine-motor',
  'flat-bottomed',
  'open-dinghy',
  'catamaran',
  'workboat',
];

/** A boat's main dimensions, metres. */
export interface Dimensions {
  loaM: number;
  lwlM: number;
  beamM: number;
  draughtM: number;
  /** Mean freeboard: waterline to sheer. */
  freeboardM: number;
}

/** Kind of hull; or parts that are no hull: a tank, a locker, a pair of doors, loose panels. */
export type Craft = BoatKind | 'parts';

/** A boat whose hull can be drawn and worked with. */
export type Hull<T extends { kind: Craft; dimensions: Dimensions | null }> = T & {
  kind: BoatKind;
  dimensions: Dimensions;
};

/** Whether a boat is a hull whose dimensions are known. */
export const hasHull = <T extends { kind: Craft; dimensions: Dimensions | null }>(boat: T): boat is Hull<T> =>
  boat.kind !== 'parts' && boat.dimensions !== null;

/**
 * Dimensions that a boat can have: each above 0, the waterline no longer and the beam no wider than the boat is long.
 *
 * @throws {QuantityError} naming the dimension
 */
export function checkDimensions({ loaM, lwlM, beamM, draughtM, freeboardM }: Dimensions): void {
  positive('Length overall', loaM, 200);
  positive('Waterline length', lwlM, loaM * 1.001);
  positive('beam', beamM, Math.min(60, loaM));
  positive('draught', draughtM, Math.min(30, loaM));
  positive('freeboard', freeboardM, Math.min(30, loaM));
}

/** Part of the boat as its profile shows it. */
export type Zone =
  | 'bottom'
  | 'keel'
  | 'rudder'
  | 'boot-stripe'
  | 'topsides'
  | 'transom'
  | 'deck'
  | 'cabin'
  | 'bilge'
  | 'other';

export const ZONES: readonly Zone[] = [
  'topsides',
  'boot-stripe',
  'bottom',
  'keel',
  'rudder',
  'transom',
  'deck',
  'cabin',
  'bilge',
  'other',
];

/** x forward from the aftermost point, z up from the waterline, metres. */
export interface Point {
  x: number;
  z: number;
}
