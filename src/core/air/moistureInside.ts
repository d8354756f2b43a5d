import { positive, within } from '../units/index.ts';

/** Vapour pressure over water, hPa, at 0 °C [S: Alduchov & Eskridge 1996]. */
const AT_ZERO_HPA = 6.1094;
const saturationHPa = (tempC: number) => AT_ZERO_HPA * Math.exp((17.625 * tempC) / (243.04 + tempC));
/** Water in a cubic metre for each hPa of vapour at a temperature, g K/(hPa m³): 100 / 461.5 J/(kg K) × 1000 [S: gas constant of water vapour]. */
const G_K_PER_HPA_M3 = 216.7;

/**
 * The relative humidity of air inside a tent or shed while something wet dries there: the water given off, spread over the
 * air that passes through, comes on top of what the air brings [S: ASHRAE Fundamentals ch. 1, a steady moisture balance].
 *
 * A litre an hour in a tent of 60 m³ whose air changes once an hour adds 16.7 g/m³: at 20 °C and 50 % more than the air can
 * hold, and it is 1: everything is wet.
 *
 * `rhWithMoisture({ airC: 20, rh: 0.5, litresPerH: 0.2, roomM3: 60, airChangesPerH: 1 })` → 0.69.
 *
 * @param airC, rh the air inside without it: temperature °C, humidity as a fraction
 * @param litresPerH water given off by washing, wet blasting or what dries after them
 * @param roomM3 air inside, m³
 * @param airChangesPerH how often an hour that air is changed
 * @returns fraction, above 0 up to 1
 * @throws {QuantityError} on an impossible figure
 */
export function rhWithMoisture(input: {
  airC: number;
  rh: number;
  litresPerH: number;
  roomM3: number;
  airChangesPerH: number;
}): number {
  const airC = within('air temperature', input.airC, -40, 60);
  const rh = within('relative humidity', input.rh, 0.001, 1);
  const litresPerH = within('Water evaporating (l/h)', input.litresPerH, 0, 1000);
  const roomM3 = positive('Air volume inside (m³)', input.roomM3, 1e6);
  const changes = positive('Air changes per hour', input.airChangesPerH, 100);
  const holdsG = (G_K_PER_HPA_M3 * saturationHPa(airC)) / (airC + 273.15);
  const addedG = (litresPerH * 1000) / (roomM3 * changes);
  return Math.min(1, rh + addedG / holdsG);
}
