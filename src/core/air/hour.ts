import { moment, within } from '../units/index.ts';

/** One reading of the air, at its time; between two readings everything runs on straight lines. */
export interface AirHour {
  /** ms since the epoch. */
  at: number;
  /** Air temperature, °C. */
  airC: number;
  /** Relative humidity, fraction 0–1. */
  rh: number;
  /** Wind, m/s, where known. */
  windMs?: number | undefined;
  /** Rain in the hour that begins here, mm, where known. */
  rainMm?: number | undefined;
  /** Cloud, tenths 0–10, where known. */
  cloudTenths?: number | undefined;
  /** Whether the sun is above the horizon; unknown counts as night, the colder case. */
  sunUp?: boolean | undefined;
  /** A surface temperature that was measured, °C: beats any estimate. */
  surfaceC?: number | undefined;
}

/** Returns the hour when every figure in it can be, else throws naming the figure, its value and its limit. */
export function checkHour<T extends AirHour>(hour: T): T {
  moment('time of a reading', hour.at);
  within('air temperature', hour.airC, -40, 60);
  within('relative humidity', hour.rh, 0.001, 1);
  if (hour.windMs !== undefined) within('wind', hour.windMs, 0, 100);
  if (hour.rainMm !== undefined) within('rain', hour.rainMm, 0, 500);
  if (hour.cloudTenths !== undefined) within('cloud (tenths)', hour.cloudTenths, 0, 10);
  if (hour.surfaceC !== undefined) within('surface temperature', hour.surfaceC, -40, 90);
  return hour;
}

/** Hours in their order, each checked once. */
const sound = new WeakSet<readonly AirHour[]>();

/** Makes sure of a usable series: every hour possible, each later than the one before. */
export function checkHours(hours: readonly AirHour[]): void {
  if (sound.has(hours)) return;
  hours.forEach((hour, i) => {
    checkHour(hour);
    const before = hours[i - 1];
    if (before) within(`time of reading ${i}`, hour.at, before.at + 1, Number.MAX_VALUE);
  });
  sound.add(hours);
}
