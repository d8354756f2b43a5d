import { getPosition } from 'suncalc';
import type { WeatherHour } from '../../contract/index.ts';
import type { Surroundings } from '../../core/air/index.ts';
import { filmTemps, HOUR_MS, type SplicedHour, spliceHours, type TempSeries } from '../../core/cure/index.ts';
import type { Queries } from '../db/open.ts';
import { type KnownHour, latestHours } from '../rows/weather.ts';
import { theYard } from '../rows/yard.ts';

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
  simulated: hour.kind === 'simulated',
  sunUp: sunIsUp(hour.at, place),
});

/** What a simulated hour stands for: it was past or to come when it was issued. */
const natureOf = ({ kind, at, issuedAt }: KnownHour) =>
  kind === 'simulated' ? (at <= issuedAt ? 'measured' : 'forecast') : kind;

/** The yard's air hour by hour: measured up to now, forecast after, gaps filled and marked. */
export async function yardAir(
  db: Queries,
  now: number,
  range: { from: number; to: number },
): Promise<SplicedHour[]> {
  const place = await theYard(db);
  const known = await latestHours(db, range);
  // A season of hours takes a while to read and to splice: others are answered in between.
  await new Promise(setImmediate);
  // What is real comes after what is simulated, and so takes its place.
  const ranked = [...known].sort((a, b) => Number(b.kind === 'simulated') - Number(a.kind === 'simulated'));
  const by = (nature: 'measured' | 'forecast') =>
    ranked.filter((hour) => natureOf(hour) === nature).map((hour) => toAirHour(hour, place));
  const [measured, forecast] = [by('measured'), by('forecast')];
  await new Promise(setImmediate);
  // A gap may hold a night that neither of its ends saw.
  return spliceHours({ measured, forecast, now }).map((hour) =>
    hour.source === 'filled' ? { ...hour, sunUp: sunIsUp(hour.at, place) } : hour,
  );
}

const tempsOf = new WeakMap<readonly SplicedHour[], Map<string, TempSeries>>();

/** The film temperatures of surroundings in this air: one series for all areas alike, so their clocks can share it. */
export function tempsFor(hours: readonly SplicedHour[], surroundings: Surroundings): TempSeries {
  const known = tempsOf.get(hours) ?? new Map<string, TempSeries>();
  tempsOf.set(hours, known);
  const key = JSON.stringify(surroundings);
  const temps = known.get(key) ?? filmTemps(hours, surroundings);
  known.set(key, temps);
  return temps;
}

const sameSeries = (a: TempSeries, b: TempSeries) =>
  a.startMs === b.startMs &&
  a.valuesC.length === b.valuesC.length &&
  a.valuesC.every((value, i) => value === b.valuesC[i]);

/** Air read again gives the same series where nothing in it changed: what was worked out over it still holds. */
export function carryTemps(from: readonly SplicedHour[], to: readonly SplicedHour[]): void {
  if (to.length === 0) return;
  const carried = new Map<string, TempSeries>();
  for (const [key, old] of tempsOf.get(from) ?? []) {
    const fresh = filmTemps(to, JSON.parse(key) as Surroundings);
    carried.set(key, sameSeries(old, fresh) ? old : fresh);
  }
  tempsOf.set(to, carried);
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
    source: hour.source,
    simulated: hour.simulated,
  };
}

/** The hour that holds `now`, if the series has one. */
export function hourAt(hours: readonly SplicedHour[], now: number): SplicedHour | undefined {
  return hours.find((hour) => hour.at <= now && now < hour.at + HOUR_MS);
}
