import { type AirHour, checkHour } from '../air/index.ts';
import { moment, QuantityError, within } from '../units/index.ts';

export const HOUR_MS = 3_600_000;

/**
 * Film temperatures hour by hour without gaps. Each value is a reading at `startMs + i × 1 h`; between two readings the
 * temperature runs on a straight line. Never changed once made: clocks over it are kept with it.
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
  checkSeries(temps);
  moment('moment from which on', fromMs);
  const first = Math.max(0, Math.floor((fromMs - temps.startMs) / HOUR_MS));
  const ahead = temps.valuesC.slice(first);
  if (ahead.length === 0) return null;
  const hour = (tempC: number): HourOf => ({
    tempC,
    atMs: temps.startMs + (first + ahead.indexOf(tempC)) * HOUR_MS,
  });
  return { coldest: hour(Math.min(...ahead)), hottest: hour(Math.max(...ahead)) };
}

/** Series already looked through. */
const sound = new WeakSet<TempSeries>();

/** Makes sure of a usable series, once; throws naming the first bad hour. */
export function checkSeries(temps: TempSeries): void {
  if (sound.has(temps)) return;
  if (temps.valuesC.length === 0)
    throw new QuantityError('number of hours in the temperature series', 0, '1 or more');
  moment('start of the temperature series', temps.startMs);
  temps.valuesC.forEach((tempC, i) => {
    within(`film temperature of hour ${i}`, tempC, -60, 120);
  });
  sound.add(temps);
}

/** The series' last reading, ms. */
export function seriesEnd(temps: TempSeries): number {
  return temps.startMs + (temps.valuesC.length - 1) * HOUR_MS;
}

const DAY_HOURS = 24;

/**
 * The day that is assumed beyond one end of the series, again and again: the nearest day hour by hour, not its mean, since nights
 * below a stop temperature and days above it still cure. 25 readings from that end outwards, an hour apart, the last of them at
 * the same hour of the day as the first. Of a series shorter than a day its mean is all that can be assumed.
 */
export function assumedDay({ valuesC }: TempSeries, end: 'before' | 'after'): number[] {
  const count = valuesC.length;
  if (count < DAY_HOURS) {
    const mean = valuesC.reduce((sum, value) => sum + value, 0) / count;
    return Array<number>(DAY_HOURS + 1).fill(mean);
  }
  const day = end === 'after' ? valuesC.slice(count - DAY_HOURS) : valuesC.slice(0, DAY_HOURS).toReversed();
  return [end === 'after' ? (valuesC.at(-1) as number) : (valuesC[0] as number), ...day];
}

/** A year: no gap longer than that says anything of a hull's film. */
const LONGEST_GAP_H = 366 * 24;

export interface SplicedHour extends AirHour {
  source: 'measured' | 'forecast' | 'filled';
  simulated: boolean;
}

/**
 * Measured hours up to now, forecast ones after, gaps filled on a straight line and said to be filled.
 *
 * An hour measured after `now` cannot be; one forecast before `now` serves only where nothing was measured.
 * Returns consecutive hours, empty when nothing is known. A gap of more than a year is not bridged: what lies before it
 * is left out.
 *
 * @throws {QuantityError} on an impossible hour
 */
export function spliceHours(input: {
  measured: readonly (AirHour & { simulated?: boolean })[];
  forecast: readonly (AirHour & { simulated?: boolean })[];
  now: number;
}): SplicedHour[] {
  moment('now', input.now);
  const byHour = new Map<number, SplicedHour>();
  const put = (hour: AirHour & { simulated?: boolean }, source: 'measured' | 'forecast') => {
    checkHour(hour);
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
      if (missing > LONGEST_GAP_H) hours.length = 0;
      for (let i = 1; i <= missing && missing <= LONGEST_GAP_H; i++) {
        const share = i / (missing + 1);
        hours.push(bridged(before, hour, share));
      }
    }
    hours.push(hour);
  }
  return hours;
}

/**
 * An hour between two that are known, on straight lines. Where only one side knows a thing it is not made up; but what
 * is measured of the surface is carried as its distance from the air, and a bridge that touches the night counts as
 * night, so that a damp still night is judged as one.
 */
function bridged(before: SplicedHour, after: SplicedHour, share: number): SplicedHour {
  const between = (a: number, b: number) => a + share * (b - a);
  const airC = between(before.airC, after.airC);
  const offset = surfaceOffset(before, after, between);
  const wind = before.windMs !== undefined && after.windMs !== undefined;
  const cloud = before.cloudTenths !== undefined && after.cloudTenths !== undefined;
  const sun = [before.sunUp, after.sunUp].filter((up) => up !== undefined);
  return {
    at: Math.round(between(before.at, after.at) / HOUR_MS) * HOUR_MS,
    airC,
    rh: between(before.rh, after.rh),
    ...(wind ? { windMs: between(before.windMs as number, after.windMs as number) } : {}),
    ...(cloud ? { cloudTenths: between(before.cloudTenths as number, after.cloudTenths as number) } : {}),
    ...(sun.length > 0 ? { sunUp: sun.every(Boolean) } : {}),
    ...(offset === null ? {} : { surfaceC: airC + offset }),
    source: 'filled',
    simulated: before.simulated || after.simulated,
  };
}

/** How far the surface stands from the air in a bridged hour, K; null where neither side measured it. */
function surfaceOffset(
  before: SplicedHour,
  after: SplicedHour,
  between: (a: number, b: number) => number,
): number | null {
  const of = ({ surfaceC, airC }: SplicedHour) => (surfaceC === undefined ? null : surfaceC - airC);
  const [a, b] = [of(before), of(after)];
  // One side alone: only a colder surface is carried on, as far as the other side.
  if (a !== null && b !== null) return between(a, b);
  const one = a ?? b;
  return one === null || one >= 0 ? null : one;
}
