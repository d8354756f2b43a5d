import { type AirHour, type Surroundings, surfaceTempC } from '../air/index.ts';
import { QuantityError } from '../units/index.ts';

export const HOUR_MS = 3_600_000;

/**
 * Film temperatures hour by hour without gaps. Each value holds for its whole hour,
 * from `startMs + i × 1 h` on. Never changed once made: clocks over it are kept with it.
 */
export interface TempSeries {
  startMs: number;
  valuesC: readonly number[];
}

export interface HourOf {
  tempC: number;
  atMs: number;
}

/** The coldest and the hottest hour of a series from a moment on; null where it has none. */
export function extremesFrom(temps: TempSeries, fromMs: number): { coldest: HourOf; hottest: HourOf } | null {
  const first = Math.max(0, Math.floor((fromMs - temps.startMs) / HOUR_MS));
  const ahead = temps.valuesC.slice(first);
  if (ahead.length === 0) return null;
  const hour = (tempC: number): HourOf => ({
    tempC,
    atMs: temps.startMs + (first + ahead.indexOf(tempC)) * HOUR_MS,
  });
  return { coldest: hour(Math.min(...ahead)), hottest: hour(Math.max(...ahead)) };
}

/** Makes sure of a usable series; throws naming the first bad hour. */
export function checkSeries(temps: TempSeries): void {
  if (temps.valuesC.length === 0)
    throw new QuantityError('temperature series', 'without an hour', '1 hour or more');
}

/** The first hour after the series' last, ms. */
export function seriesEnd(temps: TempSeries): number {
  return temps.startMs + temps.valuesC.length * HOUR_MS;
}

/**
 * The mean of the day at one end of the series: what is assumed beyond that end, and said to be assumed.
 * A whole day, so that a series ending at dawn does not make every later day a dawn.
 */
export function assumedC(temps: TempSeries, end: 'before' | 'after'): number {
  const day = end === 'after' ? temps.valuesC.slice(-24) : temps.valuesC.slice(0, 24);
  return day.reduce((sum, value) => sum + value, 0) / day.length;
}

export interface SplicedHour extends AirHour {
  source: 'measured' | 'forecast' | 'filled';
  simulated: boolean;
}

/**
 * Measured hours up to now, forecast ones after, gaps filled on a straight line and said to be filled.
 *
 * An hour measured after `now` cannot be; one forecast before `now` serves only where nothing was measured.
 * Returns consecutive hours, empty when nothing is known.
 */
export function spliceHours(input: {
  measured: readonly (AirHour & { simulated?: boolean })[];
  forecast: readonly (AirHour & { simulated?: boolean })[];
  now: number;
}): SplicedHour[] {
  const byHour = new Map<number, SplicedHour>();
  const put = (hour: AirHour & { simulated?: boolean }, source: 'measured' | 'forecast') => {
    const at = Math.floor(hour.at / HOUR_MS) * HOUR_MS;
    byHour.set(at, { ...hour, at, source, simulated: hour.simulated ?? false });
  };
  for (const hour of input.forecast) put(hour, 'forecast');
  for (const hour of input.measured) if (hour.at <= input.now) put(hour, 'measured');
  const known = [...byHour.values()].sort((a, b) => a.at - b.at);
  const hours: SplicedHour[] = [];
  for (const hour of known) {
    const before = hours.at(-1);
    if (before) {
      const missing = (hour.at - before.at) / HOUR_MS - 1;
      for (let i = 1; i <= missing; i++) {
        const share = i / (missing + 1);
        hours.push({
          at: before.at + i * HOUR_MS,
          airC: before.airC + share * (hour.airC - before.airC),
          rh: before.rh + share * (hour.rh - before.rh),
          source: 'filled',
          simulated: before.simulated || hour.simulated,
        });
      }
    }
    hours.push(hour);
  }
  return hours;
}

/** The film temperatures of an area in these surroundings. @throws {QuantityError} when `hours` is empty */
export function filmTemps(hours: readonly AirHour[], surroundings: Surroundings): TempSeries {
  const first = hours[0];
  if (!first) throw new QuantityError('temperature series', 'without an hour', '1 hour or more');
  return { startMs: first.at, valuesC: hours.map((hour) => surfaceTempC(hour, surroundings)) };
}
