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
