/** What stands round an area and so decides how far its surface follows the air. */
export type Surroundings =
  | { kind: 'open' }
  | { kind: 'shaded' }
  | { kind: 'tent' }
  | { kind: 'shed' }
  | { kind: 'heated'; setPointC: number };

/** One hour of air. Times are the start of the hour, ms since the epoch. */
export interface AirHour {
  at: number;
  /** Air temperature, °C. */
  airC: number;
  /** Relative humidity, fraction 0–1. */
  rh: number;
  /** Wind, m/s, where known. */
  windMs?: number | undefined;
  /** Rain in the hour, mm, where known. */
  rainMm?: number | undefined;
  /** Whether the sun is above the horizon; unknown counts as day. */
  sunUp?: boolean | undefined;
  /** A surface temperature that was measured, °C: beats any estimate. */
  surfaceC?: number | undefined;
}

/** A clear, still night takes an open surface this far below the air [T, 3–4 °C]. */
const NIGHT_LOSS_C = 3.5;
/** At this wind the surface keeps to the air [M]. */
const CALM_ENDS_MS = 4;

/**
 * The temperature of a surface, and of a thin film on it, in one hour.
 *
 * Measured wins. In the open a night surface runs below the air, by 3.5 °C when still and dry and less
 * with wind [T, the fading with wind M]; by day it is taken as the air, since sun on it cannot be
 * foretold from air alone (dark topsides may run 10–20 °C above [T]). Under cover it follows the air;
 * heated, it does not fall below the set point.
 */
export function surfaceTempC(hour: AirHour, surroundings: Surroundings): number {
  if (hour.surfaceC !== undefined) return hour.surfaceC;
  switch (surroundings.kind) {
    case 'heated':
      return Math.max(hour.airC, surroundings.setPointC);
    case 'open': {
      if (hour.sunUp !== false || (hour.rainMm ?? 0) > 0) return hour.airC;
      const calm = Math.max(0, 1 - (hour.windMs ?? 0) / CALM_ENDS_MS);
      return hour.airC - NIGHT_LOSS_C * calm;
    }
    default:
      return hour.airC;
  }
}
