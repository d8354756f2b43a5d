import { within } from '../units/index.ts';

/** Magnus coefficients over liquid water, Alduchov & Eskridge 1996; form as in WMO Guide No. 8. [S] */
const A = 17.625;
const B_C = 243.04;

/**
 * The temperature at which air of this humidity begins to leave dew on a surface.
 *
 * Magnus form over liquid water throughout, as meteorology does [S: WMO Guide No. 8].
 * `dewPointC({ airC: 20, rh: 0.5 })` → 9.3.
 *
 * @param airC air temperature, °C, −40…60
 * @param rh relative humidity as a fraction, above 0 up to 1
 * @returns dew point, °C
 * @throws {QuantityError} outside those ranges
 */
export function dewPointC({ airC, rh }: { airC: number; rh: number }): number {
  within('air temperature', airC, -40, 60);
  within('relative humidity', rh, 0.001, 1);
  const gamma = Math.log(rh) + (A * airC) / (B_C + airC);
  return (B_C * gamma) / (A - gamma);
}
