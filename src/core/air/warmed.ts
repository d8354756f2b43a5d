import { moment, QuantityError, within } from '../units/index.ts';

/** Saturation vapour pressure over water, as a ratio to that at 0 °C, by the same coefficients as the dew point. [S] */
const saturation = (tempC: number) => Math.exp((17.625 * tempC) / (243.04 + tempC));

/**
 * The relative humidity of air that is warmed or cooled to another temperature with its moisture kept.
 *
 * Vapour pressure stays, saturation pressure changes [S: ASHRAE Fundamentals ch. 1; Magnus form, Alduchov & Eskridge
 * 1996]. Cooled below its dew point it stays at 1: the rest is dew.
 * `rhWhenWarmed({ airC: 5, rh: 0.9, toC: 20 })` → 0.34.
 *
 * @param airC temperature before, °C, −40…60
 * @param rh fraction before, above 0 up to 1
 * @param toC temperature after, °C, −40…60
 * @returns fraction, above 0 up to 1
 * @throws {QuantityError} outside those ranges
 */
export function rhWhenWarmed({ airC, rh, toC }: { airC: number; rh: number; toC: number }): number {
  within('air temperature', airC, -40, 60);
  within('relative humidity', rh, 0.001, 1);
  within('Temperature after heating', toC, -40, 60);
  return Math.min(1, (rh * saturation(airC)) / saturation(toC));
}

/**
 * What a heater takes at most between two moments, running all the time: energy, and what it costs.
 *
 * `heatingCost({ watts: 2000, fromMs: 0, toMs: 12 h, pricePerKWh: 0.3 })` → 24 kWh, 7.2.
 *
 * @param watts rated power, W
 * @param pricePerKWh in the yard's money
 * @throws {QuantityError} outside what a yard's heater is, or on times out of their order
 */
export function heatingCost(input: { watts: number; fromMs: number; toMs: number; pricePerKWh: number }): {
  kWh: number;
  cost: number;
} {
  const watts = within('Heater power (W)', input.watts, 0, 1_000_000);
  const price = within('Price per kWh', input.pricePerKWh, 0, 1_000_000);
  const fromMs = moment('Heating start', input.fromMs);
  const toMs = moment('Heating end', input.toMs);
  if (toMs < fromMs) throw new QuantityError('Heating end', toMs, `${fromMs} or later`);
  const kWh = (watts / 1000) * ((toMs - fromMs) / 3_600_000);
  return { kWh, cost: kWh * price };
}
