import { getPosition } from 'suncalc';
import type { WeatherHour } from '../../contract/index.ts';
import { HOUR_MS, type SplicedHour, spliceHours } from '../../core/cure/index.ts';
import type { Queries } from '../db/open.ts';
import { type KnownHour, latestHours } from '../rows/weather.ts';
import { theYard } from '../rows/yard.ts';
import type { Air } from './surfaces.ts';

interface Place {
  latitude: number;
  longitude: number;
}

function sunIsUp(hourStart: number, place: Place): boolean {
  const middle = new Date(hourStart + HOUR_MS / 2);
  return getPosition(middle, place.latitude, place.longitude).altitude > 0;
}

const optional = (value: number | null) => value ?? undefined;

const toAirHour = (hour: KnownHour, place: Place) => ({
  at: hour.at,
  airC: hour.airC,
  rh: hour.rh,
  windMs: optional(hour.windMs),
  rainMm: optional(hour.rainMm),
  surfaceC: optional(hour.surfaceC),
  cloudTenths: optional(hour.cloudTenths),
  simulated: hour.kind === 'simulated',
  sunUp: sunIsUp(hour.at, place),
});

/** What a simulated hour stands for: it was past or to come when it was issued. */
const natureOf = ({ kind, at, issuedAt }: KnownHour) =>
  kind === 'simulated' ? (at <= issuedAt ? 'measured' : 'forecast') : kind;

/** The yard's air hour by hour: measured up to now, forecast after, gaps filled and marked. */
export async function yardAir(db: Queries, now: number, range: { from: number; to: number }): Promise<Air> {
  const place = await theYard(db);
  const known = await latestHours(db, range);
  // A season of hours takes a while to read and to splice: others are answered in between.
  await new Promise(setImmediate);
  // What comes later takes the place of what came before: simulated air first, then the stations from the last of their
  // order to the first, then what was brought as a file or typed.
  const ranked = [...known].sort(
    (a, b) => Number(b.kind === 'simulated') - Number(a.kind === 'simulated') || b.rank - a.rank,
  );
  const by = (nature: 'measured' | 'forecast') =>
    ranked.filter((hour) => natureOf(hour) === nature).map((hour) => toAirHour(hour, place));
  const [measured, forecast] = [by('measured'), by('forecast')];
  await new Promise(setImmediate);
  // A gap may hold a night that neither of its ends saw.
  const hours = spliceHours({ measured, forecast, now }).map((hour) =>
    hour.source === 'filled' ? { ...hour, sunUp: sunIsUp(hour.at, place) } : hour,
  );
  const { latitude, longitude } = place;
  return { hours, site: { latitude, longitude } };
}

/** An hour as the API gives it. */
export function toWeatherHour(hour: SplicedHour): WeatherHour {
  return {
    at: new Date(hour.at).toISOString(),
    airC: hour.airC,
    rh: hour.rh,
    windMs: hour.windMs ?? null,
    rainMm: hour.rainMm ?? null,
    surfaceC: hour.surfaceC ?? null,
    cloudTenths: hour.cloudTenths ?? null,
    source: hour.source,
    simulated: hour.simulated,
  };
}

/** The hour that holds `now`, if the series has one. */
export function hourAt(hours: readonly SplicedHour[], now: number): SplicedHour | undefined {
  return hours.find((hour) => hour.at <= now && now < hour.at + HOUR_MS);
}
