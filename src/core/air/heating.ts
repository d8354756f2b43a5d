import { positive, within } from '../units/index.ts';

/** A space that is heated: what it loses heat through, and how often its air is changed. */
export interface HeatedSpace {
  /** Surface to the outside, m². */
  areaM2: number;
  /** Heat through each m² of it, W/m²K. */
  uWPerM2K: number;
  /** Air inside, m³. */
  volumeM3: number;
  /** How often an hour that air is changed. */
  airChangesPerH: number;
}

/** Heat that air holds, Wh/m³K and kJ/m³K. [S: handbook part 21] */
const AIR_WH_PER_M3K = 0.33;
const AIR_KJ_PER_M3K = 1.2;

/** What keeps a space from the outside: transmittance, W/m²K, usual air changes, 1/h, and heat stored, kJ/m²K. */
interface Shell {
  uWPerM2K: number;
  airChangesPerH: number;
  storeKJPerM2K: number;
}

/** What a space may be enclosed by. */
export const SHELLS = [
  'tent',
  'tent-two-films',
  'shed-metal',
  'shed-boards',
  'shed-insulated',
  'hull-metal',
  'hull-grp',
  'hull-sandwich',
  'hull-timber',
] as const;
export type ShellKind = (typeof SHELLS)[number];

/**
 * Defaults, all from memory and to be replaced where they are known [M: handbook part 21]. What a film or a board stores
 * is small beside the air, and counts as nothing; a sandwich is taken as its inner skin, half of a single one.
 */
export const SHELL_DEFAULTS: Readonly<Record<ShellKind, Shell>> = {
  tent: { uWPerM2K: 6, airChangesPerH: 2, storeKJPerM2K: 0 },
  'tent-two-films': { uWPerM2K: 3.5, airChangesPerH: 2, storeKJPerM2K: 0 },
  'shed-metal': { uWPerM2K: 6, airChangesPerH: 1, storeKJPerM2K: 0 },
  'shed-boards': { uWPerM2K: 3, airChangesPerH: 1, storeKJPerM2K: 0 },
  'shed-insulated': { uWPerM2K: 0.6, airChangesPerH: 1, storeKJPerM2K: 0 },
  'hull-metal': { uWPerM2K: 5.6, airChangesPerH: 1, storeKJPerM2K: 22 },
  'hull-grp': { uWPerM2K: 4.5, airChangesPerH: 1, storeKJPerM2K: 14 },
  'hull-sandwich': { uWPerM2K: 1.5, airChangesPerH: 1, storeKJPerM2K: 7 },
  'hull-timber': { uWPerM2K: 2.5, airChangesPerH: 1, storeKJPerM2K: 27 },
};

/**
 * Surface to the outside of a space where only its volume is given: that of a cube, m² [M]. A space that is longer or
 * flatter has more.
 *
 * `cubeAreaM2(60)` → 92.
 *
 * @throws {QuantityError} on a volume that is none
 */
export const cubeAreaM2 = (volumeM3: number): number =>
  6 * positive('air inside (m³)', volumeM3, 1e6) ** (2 / 3);

/**
 * Heat that a space loses for each kelvin it is warmer than outside: U·A + 0.33·n·V, W/K [S: simplified heat-loss
 * calculation as in EN 12831].
 *
 * `heatLossWPerK({ areaM2: 90, uWPerM2K: 5.6, volumeM3: 60, airChangesPerH: 1 })` → 524.
 *
 * @throws {QuantityError} on an impossible figure
 */
export function heatLossWPerK(space: HeatedSpace): number {
  const areaM2 = positive('surface to the outside (m²)', space.areaM2, 1e6);
  const u = positive('heat through the surface (W/m²K)', space.uWPerM2K, 1000);
  const volumeM3 = positive('air inside (m³)', space.volumeM3, 1e6);
  const changes = within('air changes (1/h)', space.airChangesPerH, 0, 100);
  return u * areaM2 + AIR_WH_PER_M3K * changes * volumeM3;
}

/**
 * How much warmer than outside a heater keeps a space at most, K: watts over what the space loses.
 *
 * `heaterWarmsK({ ...bow, watts: 2000 })` → 3.8 in the bow of {@link heatLossWPerK}. A bigger heater only warms further; a
 * warmer set point than that is never reached.
 *
 * @throws {QuantityError} on an impossible figure
 */
export const heaterWarmsK = ({ watts, ...space }: HeatedSpace & { watts: number }): number =>
  within('heater (W)', watts, 0, 1_000_000) / heatLossWPerK(space);

/**
 * Watts that keep a space so much warmer than outside.
 *
 * `heatNeededW({ ...bow, warmerK: 20 })` → 10 476.
 *
 * @param warmerK inside less outside, K, 0 or more
 * @throws {QuantityError} on an impossible figure
 */
export const heatNeededW = ({ warmerK, ...space }: HeatedSpace & { warmerK: number }): number =>
  within('warmer than outside (K)', warmerK, 0, 150) * heatLossWPerK(space);

/**
 * Hours until 63 % of the way to the final temperature; 95 % after three times as long [S: first-order response].
 *
 * `warmUpHours({ ...bow, storeKJPerM2K: 22 })` → 1.09.
 *
 * @param storeKJPerM2K heat that each m² of the shell stores, kJ/m²K
 * @throws {QuantityError} on an impossible figure
 */
export function warmUpHours({ storeKJPerM2K, ...space }: HeatedSpace & { storeKJPerM2K: number }): number {
  const stored = within('heat stored (kJ/m²K)', storeKJPerM2K, 0, 10_000) * space.areaM2;
  return ((stored + AIR_KJ_PER_M3K * space.volumeM3) * 1000) / heatLossWPerK(space) / 3600;
}

/**
 * Energy that a thermostat takes over hours of known outside air: in each no more than what holds the set point, and no
 * more than the heater gives.
 *
 * @param hours outside air, each reading holding until the next, the last for none; ms and °C
 * @returns kWh
 * @throws {QuantityError} on an impossible figure
 */
export function thermostatKWh({
  hours,
  setPointC,
  watts,
  ...space
}: HeatedSpace & {
  watts: number;
  setPointC: number;
  hours: readonly { at: number; airC: number }[];
}): number {
  const loss = heatLossWPerK(space);
  const most = within('heater (W)', watts, 0, 1_000_000);
  const set = within('set point of the heating', setPointC, -10, 60);
  let wattHours = 0;
  for (let i = 0; i + 1 < hours.length; i++) {
    const [hour, next] = [hours[i], hours[i + 1]] as [(typeof hours)[number], (typeof hours)[number]];
    const airC = within('air temperature', hour.airC, -60, 70);
    const spanH = within('hours to the next reading', (next.at - hour.at) / 3_600_000, 0, 1e6);
    wattHours += Math.min(most, loss * Math.max(0, set - airC)) * spanH;
  }
  return wattHours / 1000;
}
