import { QuantityError, within } from '../units/index.ts';
import { type AirHour, checkHour, checkHours } from './hour.ts';
import { calmIfUnknown, dryIfUnknown } from './unknownAir.ts';
import { rhWhenWarmed } from './warmed.ts';

/** The shelter round an area; it decides how closely the surface follows the air temperature. */
export type Surroundings =
  | { kind: 'open' }
  | { kind: 'shaded' }
  | { kind: 'tent' }
  | { kind: 'shed' }
  /** `warmsK`: what its heater brings at most above the outside air, K; left out: enough to hold the set point. */
  | { kind: 'heated'; setPointC: number; warmsK?: number };

/** A clear, still night takes an open surface this far below the air [T, 3–4 °C]. */
const NIGHT_LOSS_C = 3.5;
/** A shaded one sees about half of the sky [M]. */
const SHADED_SHARE = 0.5;
/** At this wind the surface keeps to the air [M]. */
const CALM_ENDS_MS = 4;
/** After sunrise what the night took comes back with this time constant, hours [M, a hull's skin and what is behind it]. */
const RECOVERY_H = 2.5;

const KINDS: readonly Surroundings['kind'][] = ['open', 'shaded', 'tent', 'shed', 'heated'];

/** Makes sure that the surroundings are some that there are. @throws {QuantityError} */
function checkSurroundings(surroundings: Surroundings): void {
  if (!KINDS.includes(surroundings?.kind))
    throw new QuantityError('surroundings', surroundings?.kind, `one of ${KINDS.join(', ')}`);
  if (surroundings.kind !== 'heated') return;
  within('Set temperature of the heating', surroundings.setPointC, -10, 60);
  if (surroundings.warmsK !== undefined)
    within('warmer than outside (K)', surroundings.warmsK, 0, Number.MAX_VALUE);
}

/** How far the night sky takes the surface below the air in this hour alone, K. */
function nightLossC(hour: AirHour, surroundings: Surroundings): number {
  if (surroundings.kind !== 'open' && surroundings.kind !== 'shaded') return 0;
  // Rain comes with cloud. Whether the sun is up, where not known, is taken for the colder case.
  if (hour.sunUp === true || dryIfUnknown(hour.rainMm) > 0) return 0;
  const calm = Math.max(0, 1 - calmIfUnknown(hour.windMs) / CALM_ENDS_MS);
  return NIGHT_LOSS_C * calm * (surroundings.kind === 'shaded' ? SHADED_SHARE : 1);
}

/**
 * Air inside a heated space while it is so cold outside, °C: at its set point, or as near to it as the heater brings it.
 *
 * `heatedAirC(-4, { setPointC: 20, warmsK: 8 })` → 4.
 *
 * @throws {QuantityError} on an impossible figure
 */
export function heatedAirC(airC: number, heated: { setPointC: number; warmsK?: number }): number {
  within('air temperature', airC, -60, 70);
  const setPointC = within('Set temperature of the heating', heated.setPointC, -10, 60);
  if (heated.warmsK === undefined) return Math.max(airC, setPointC);
  const warmsK = within('warmer than outside (K)', heated.warmsK, 0, Number.MAX_VALUE);
  return Math.max(airC, Math.min(setPointC, airC + warmsK));
}

const beforeSky = (hour: AirHour, surroundings: Surroundings) =>
  surroundings.kind === 'heated' ? heatedAirC(hour.airC, surroundings) : hour.airC;

/**
 * The temperature of a surface, and of a thin film on it, in one hour seen alone.
 *
 * Measured wins. In the open a night surface runs below the air, by 3.5 °C when still and dry, half of that in the
 * shade, and less with wind [T, the fading with wind and the shade M]; by day it is taken as the air, since sun on it
 * cannot be foretold from air alone (dark topsides may run 10–20 °C above [T]). Under cover it follows the air; heated,
 * it does not fall below the set point.
 *
 * @throws {QuantityError} on an impossible figure
 */
export function surfaceTempC(hour: AirHour, surroundings: Surroundings): number {
  checkHour(hour);
  checkSurroundings(surroundings);
  return hour.surfaceC ?? beforeSky(hour, surroundings) - nightLossC(hour, surroundings);
}

/**
 * As {@link surfaceTempC} hour after hour: what a night took does not come back at the stroke of sunrise but over some
 * hours.
 *
 * @returns °C, one for each hour
 * @throws {QuantityError} on an impossible hour, or hours out of their order
 */
export function surfaceTemps(hours: readonly AirHour[], surroundings: Surroundings): number[] {
  checkHours(hours);
  checkSurroundings(surroundings);
  let loss = 0;
  let lastMs = hours[0]?.at ?? 0;
  return hours.map((hour) => {
    const kept = loss * Math.exp(-(hour.at - lastMs) / 3_600_000 / RECOVERY_H);
    lastMs = hour.at;
    const now = nightLossC(hour, surroundings);
    const airC = beforeSky(hour, surroundings);
    // A measured surface is what it is; what it stands below the air is what comes back later.
    loss = hour.surfaceC === undefined ? Math.max(now, kept) : Math.max(0, airC - hour.surfaceC);
    return hour.surfaceC ?? airC - loss;
  });
}

/** Surroundings that keep rain off. */
export function isUnderCover(surroundings: Surroundings): boolean {
  return surroundings.kind !== 'open' && surroundings.kind !== 'shaded';
}

/** The air that the surface stands in: warmed air keeps its moisture, so its relative humidity falls. */
export function airAround(hour: AirHour, surroundings: Surroundings): { airC: number; rh: number } {
  checkHour(hour);
  checkSurroundings(surroundings);
  const airC = beforeSky(hour, surroundings);
  return {
    airC,
    rh: airC === hour.airC ? hour.rh : rhWhenWarmed({ airC: hour.airC, rh: hour.rh, toC: airC }),
  };
}
