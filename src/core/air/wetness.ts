import { dewPointC } from './dewPoint.ts';
import type { AirHour } from './hour.ts';
import { dryIfUnknown } from './unknownAir.ts';

/** Hours of drying air that a wetted surface wants before it counts as dry [M]; the hand on the surface decides. */
export const DRYING_H = 3;
/** Air that dries: RH below this, and the surface this far above the dew point, K [T]. */
const DRYING_RH = 0.85;
const DRYING_MARGIN_C = 1;

/**
 * Hours of drying air still wanting before each hour's surface counts as dry; 0 where it is dry.
 *
 * Rain in the open and dew anywhere leave a film of water that has to go first. What was before the first hour is not
 * known and taken as dry; so is an hour whose rain nobody gave, which the verdict names as a condition.
 */
export function hoursStillWet(
  hours: readonly (AirHour & { surfaceC: number })[],
  underCover: boolean,
): number[] {
  let wanting = 0;
  let lastMs = hours[0]?.at ?? 0;
  let wasDrying = false;
  return hours.map((hour) => {
    if (wasDrying) wanting = Math.max(0, wanting - (hour.at - lastMs) / 3_600_000);
    lastMs = hour.at;
    const marginC = hour.surfaceC - dewPointC(hour);
    const rained = !underCover && dryIfUnknown(hour.rainMm) > 0;
    if (rained || marginC <= 0) wanting = DRYING_H;
    wasDrying = !rained && hour.rh < DRYING_RH && marginC > DRYING_MARGIN_C;
    return wanting;
  });
}
