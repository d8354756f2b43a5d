import { finite, moment, QuantityError } from '../units/index.ts';

/** A reading as a logger or a feed gives it; left out: it has no such sensor. */
export interface StationReading {
  /** ms since the epoch. */
  at: number;
  airC: number;
  /** Relative humidity, fraction. */
  rh: number;
  windMs?: number | undefined;
  rainMm?: number | undefined;
  surfaceC?: number | undefined;
  cloudTenths?: number | undefined;
}

/** Why a reading was left out. */
export type ReadingFault = 'out-of-range' | 'dead-sensor' | 'stuck' | 'double' | 'too-far';

/** A reading that was left out: when it is of, why, and which figure. */
export interface BadReading {
  at: number;
  fault: ReadingFault;
  figure: string;
  value: number;
}

/** What a figure of the air can be: [least, most], in the reading's own units. */
const RANGES: Record<Exclude<keyof StationReading, 'at'>, readonly [least: number, most: number]> = {
  airC: [-40, 60],
  rh: [0.01, 1],
  windMs: [0, 90],
  rainMm: [0, 300],
  surfaceC: [-40, 90],
  cloudTenths: [0, 10],
};
/** Without these a reading is none. */
const NEEDED: ReadonlySet<string> = new Set(['airC', 'rh']);
const NAMES: Record<keyof typeof RANGES, string> = {
  airC: 'air temperature',
  rh: 'relative humidity',
  windMs: 'wind',
  rainMm: 'rain',
  surfaceC: 'surface temperature',
  cloudTenths: 'Cloud cover (tenths)',
};
/** What dead or unplugged sensors say: the end of a scale, a power-on figure [M]. */
const DEAD: Partial<Record<keyof StationReading, readonly number[]>> = {
  airC: [-40, 85, -127],
  rh: [0],
  surfaceC: [-40, 85, -127],
};
/** Air and humidity alike to the last digit for so many hours are no weather [M]. */
const STUCK_MS = 12 * 3_600_000;
/** A measured reading may be this far ahead of our clock, and so old at most. */
const AHEAD_MS = 15 * 60_000;

function faultOf(reading: StationReading): Omit<BadReading, 'at'> | null {
  for (const [figure, [least, most]] of Object.entries(RANGES) as [
    keyof typeof RANGES,
    readonly [number, number],
  ][]) {
    const value = reading[figure];
    if (value === undefined && !NEEDED.has(figure)) continue;
    const known = finite(NAMES[figure], value as number);
    if (DEAD[figure]?.includes(known)) return { fault: 'dead-sensor', figure, value: known };
    if (known < least || known > most) return { fault: 'out-of-range', figure, value: known };
  }
  return null;
}

/**
 * Readings sorted into what can be used and what cannot, each left out by name: outside what air can be, the figure of a
 * dead sensor, a sensor stuck for half a day, the same moment twice (the later given one stands), measured in the future.
 *
 * @param measuredBy readings that claim to be measured cannot be later than this, ms; null: a forecast
 * @returns sound readings in the order of time, and those left out in the same order
 * @throws {QuantityError} on a moment or a figure that is no number
 */
export function soundReadings(input: { readings: readonly StationReading[]; measuredBy: number | null }): {
  sound: StationReading[];
  bad: BadReading[];
} {
  const measuredBy = input.measuredBy === null ? null : moment('now', input.measuredBy);
  const bad: BadReading[] = [];
  const byMoment = new Map<number, StationReading>();
  for (const reading of input.readings) {
    if (typeof reading !== 'object' || reading === null)
      throw new QuantityError('reading', String(reading), 'a weather reading');
    const at = moment('time of a reading', reading.at);
    const fault = faultOf(reading);
    if (fault) bad.push({ at, ...fault });
    else if (measuredBy !== null && at > measuredBy + AHEAD_MS)
      bad.push({ at, fault: 'too-far', figure: 'at', value: at });
    else {
      const twin = byMoment.get(at);
      if (twin) bad.push({ at, fault: 'double', figure: 'airC', value: twin.airC });
      byMoment.set(at, reading);
    }
  }
  const sound: StationReading[] = [];
  let since: StationReading | null = null;
  for (const reading of [...byMoment.values()].sort((a, b) => a.at - b.at)) {
    const same = since !== null && since.airC === reading.airC && since.rh === reading.rh;
    if (!same) since = reading;
    if (same && since && measuredBy !== null && reading.at - since.at >= STUCK_MS)
      bad.push({ at: reading.at, fault: 'stuck', figure: 'airC', value: reading.airC });
    else sound.push(reading);
  }
  return { sound, bad: bad.sort((a, b) => a.at - b.at) };
}
