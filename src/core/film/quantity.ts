import { positive, QuantityError, within } from '../units/index.ts';
import { spreadingRateM2PerL } from './thickness.ts';

/** How a coat is put on. */
export type Method =
  | 'brush'
  | 'roller'
  | 'roll-and-tip'
  | 'conventional-spray'
  | 'airless-spray'
  /** Fillers: a trowel, a spreader or a long board. */
  | 'trowel'
  /** A can that sprays by itself. */
  | 'aerosol';

export const METHODS: readonly Method[] = [
  'brush',
  'roller',
  'roll-and-tip',
  'conventional-spray',
  'airless-spray',
  'trowel',
  'aerosol',
];

/**
 * Paint that does not end on the boat, as a fraction [T]: brush 5 %, roller 5–10 %, roll and tip as a
 * roller, conventional spray 40–50 %, airless 20–30 % indoors and 30–40 % outdoors. Middle of each span. Trowel 10 %,
 * what stays on the board and is scraped off [M]; aerosol as conventional spray [M].
 */
export const TYPICAL_LOSS: Record<Method, number> = {
  brush: 0.05,
  roller: 0.075,
  'roll-and-tip': 0.075,
  'conventional-spray': 0.45,
  'airless-spray': 0.3,
  trowel: 0.1,
  aerosol: 0.45,
};

/**
 * The upper end of those spans, for a need that is to be safe: brush 7 % [M, the trade gives no span], roller 10 %,
 * conventional spray 50 %, airless 40 % outdoors [T]; trowel 20 %, aerosol 50 % [M].
 */
export const UPPER_LOSS: Record<Method, number> = {
  brush: 0.07,
  roller: 0.1,
  'roll-and-tip': 0.1,
  'conventional-spray': 0.5,
  'airless-spray': 0.4,
  trowel: 0.2,
  aerosol: 0.5,
};

/**
 * Loss of a coat by where it is applied, as a fraction: the middle of the trade's span and its upper end [T]. Airless
 * indoors 20–30 %, outdoors 30–40 %; a roller 5–10 %, in wind 10–15 %, so that outdoors the upper end is the wind's.
 *
 * `lossAt('airless-spray', true)` → `{ likely: 0.25, upper: 0.3 }`.
 *
 * @param underCover in a shed, a tent or heated room; null: not told, and the method's own span holds
 * @throws {QuantityError} on a method that is none
 */
export function lossAt(method: Method, underCover: boolean | null): { likely: number; upper: number } {
  if (!METHODS.includes(method)) throw new QuantityError('method', method, `one of ${METHODS.join(', ')}`);
  if (method === 'airless-spray' && underCover !== null)
    return underCover ? { likely: 0.25, upper: 0.3 } : { likely: 0.35, upper: 0.4 };
  const rolled = method === 'roller' || method === 'roll-and-tip';
  return { likely: TYPICAL_LOSS[method], upper: rolled && underCover === false ? 0.15 : UPPER_LOSS[method] };
}

/**
 * How much more than a smooth coat the coats that seal a broadcast aggregate take: the first two to three times, the
 * second about half of that [T, handbook part 5]. Middle of the span, and its upper end against that.
 */
export const SEALING: readonly number[] = [2.5, 1.25];
export const SEALING_UPPER = 1.2;

/** How much more the first coat takes on an old weathered or textured surface: 10–30 % [T, handbook part 6]. */
export const TEXTURED = { likely: 1.2, upper: 1.3 } as const;

/**
 * m² per hour that one person covers (roll and tip: a pair), middle of the trade's span [T]; by trowel one round of fill
 * and fair [T, handbook part 19]; an aerosol can [M].
 */
export const TYPICAL_RATE_M2_PER_H: Record<Method, number> = {
  brush: 4,
  roller: 12,
  'roll-and-tip': 8,
  'conventional-spray': 40,
  'airless-spray': 100,
  trowel: 1.5,
  aerosol: 6,
};

/** The shortest that a coat is taken to need, hours: a patch is brushed in minutes, but not in none [M]. */
const LEAST_HOURS = 0.1;

/** Hours to apply a coat at so many m²/h. @throws {QuantityError} on an area or rate that is none */
export const hoursAt = (areaM2: number, rateM2PerH: number): number =>
  Math.max(
    LEAST_HOURS,
    within('area', areaM2, 0, 100_000) / positive('work rate (m²/h)', rateM2PerH, 100_000),
  );

/** Hours to apply a coat by this method at the typical rate [T]: 24 m² by roller → 2 h. @throws {QuantityError} on an area that is none */
export const applyHours = (areaM2: number, method: Method): number =>
  hoursAt(areaM2, TYPICAL_RATE_M2_PER_H[method]);

/** Paint that fills a blast profile before it builds film: 30 µm → 0.02, 75 → 0.05, 105 → 0.07 l/m² [M]. */
export function deadVolumeLPerM2(profileMicrons: number): number {
  return ((2 / 3) * within('profile', profileMicrons, 0, 400)) / 1000;
}

/**
 * Litres of unthinned paint for one coat: A × DFT / (1000 × VS × (1 − loss)) + A × dead volume.
 *
 * `paintLitres({ areaM2: 20, dryMicrons: 100, volumeSolids: 0.5, loss: 0 })` → 4.
 *
 * @param areaM2 0…100 000
 * @param dryMicrons dry film of this coat, µm
 * @param loss fraction 0–0.9
 * @param deadVolume l/m², first coat on a blasted surface only
 * @throws {QuantityError} outside those ranges
 */
export function paintLitres(input: {
  areaM2: number;
  dryMicrons: number;
  volumeSolids: number;
  loss: number;
  deadVolume?: number;
}): number {
  const areaM2 = within('area', input.areaM2, 0, 100_000);
  const loss = within('loss', input.loss, 0, 0.9);
  const dead = within('dead volume', input.deadVolume ?? 0, 0, 1);
  return areaM2 / (spreadingRateM2PerL(input) * (1 - loss)) + areaM2 * dead;
}

/**
 * Mean dry film from litres really used: (used − A × dead volume) × VS × (1 − loss) / A. The counterpart of
 * {@link paintLitres}; thinner does not count, since it evaporates.
 */
export function dryMicronsFromLitres(input: {
  litres: number;
  areaM2: number;
  volumeSolids: number;
  loss: number;
  deadVolume?: number;
}): number {
  positive('volume solids', input.volumeSolids, 1);
  const areaM2 = positive('area', input.areaM2, 100_000);
  const dead = areaM2 * within('dead volume', input.deadVolume ?? 0, 0, 1);
  const filming = Math.max(0, within('litres', input.litres, 0, 100_000) - dead);
  return (1000 * filming * (1 - within('loss', input.loss, 0, 0.9)) * input.volumeSolids) / areaM2;
}

/**
 * Coats needed to reach a target dry film: ceil(target / film a coat).
 *
 * Above the sheet's maximum a coat sags and traps solvent: refused, never averaged away [T].
 *
 * @throws {QuantityError} when a coat is thicker than `maxDryMicronsPerCoat`
 */
export function coatsNeeded(input: {
  targetDryMicrons: number;
  dryMicronsPerCoat: number;
  maxDryMicronsPerCoat: number | null;
}): number {
  const perCoat = positive('dry film a coat', input.dryMicronsPerCoat, input.maxDryMicronsPerCoat ?? 20_000);
  // A billionth of slack, or 3 × 0.1 would need four coats of 0.1.
  return Math.ceil(within('target dry film', input.targetDryMicrons, 0, 20_000) / perCoat - 1e-9);
}
