import { between } from 'drizzle-orm';
import { getPosition } from 'suncalc';
import type { WeatherHour } from '../../contract/index.ts';
import type { Surroundings } from '../../core/air/index.ts';
import { filmTemps, HOUR_MS, type SplicedHour, spliceHours, type TempSeries } from '../../core/cure/index.ts';
import type { Queries } from '../db/open.ts';
import { weatherHour, yard } from '../db/schema.ts';

type Row = typeof weatherHour.$inferSelect;

const optional = (value: number | null) => value ?? undefined;

/** Rows of the table as hours of air, the sun's place reckoned for the yard. */
export function toAirHours(rows: readonly Row[], place: { latitude: number; longitude: number }) {
  return rows.map((row) => ({
    at: row.at.getTime(),
    airC: row.airC,
    rh: row.rh,
    windMs: optional(row.windMs),
    rainMm: optional(row.rainMm),
    surfaceC: optional(row.surfaceC),
    simulated: row.simulated,
    sunUp: sunIsUp(row.at, place),
  }));
}

function sunIsUp(hourStart: Date, place: { latitude: number; longitude: number }): boolean {
  const middle = new Date(hourStart.getTime() + HOUR_MS / 2);
  return getPosition(middle, place.latitude, place.longitude).altitude > 0;
}

/** The yard's air hour by hour: measured up to now, forecast after, gaps filled and marked. */
export async function yardAir(
  db: Queries,
  now: number,
  range: { from: number; to: number },
): Promise<SplicedHour[]> {
  const [place] = await db.select().from(yard).limit(1);
  if (!place) return [];
  const rows = await db
    .select()
    .from(weatherHour)
    .where(between(weatherHour.at, new Date(range.from), new Date(range.to)));
  const bySource = (source: Row['source']) =>
    toAirHours(
      rows.filter((row) => row.source === source),
      place,
    );
  return spliceHours({ measured: bySource('measured'), forecast: bySource('forecast'), now });
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
