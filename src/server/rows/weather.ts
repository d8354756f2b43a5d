import { and, asc, between, eq, gte, ne, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Queries } from '../db/open.ts';
import { station, weatherHour, weatherSeries } from '../db/schema.ts';
import type { Reading } from './readings.ts';

/** One hour of weather data at its beginning, canonical units; null: not given. */
export type SeriesHour = Reading;

export type SeriesKind = 'measured' | 'forecast' | 'simulated';

/** An hour with the series it comes from. */
export interface KnownHour extends SeriesHour {
  kind: SeriesKind;
  issuedAt: number;
  /** Where its station stands in the order; −1: brought as a file or typed, which counts before any. */
  rank: number;
}

/** Rows a statement: what the embedded database takes without holding everything else up. */
const CHUNK = 200;

/** Keeps hours that are hours already, of simulated weather, as a series of their own; what was given before stays. */
export async function insertSimulated(
  db: Queries,
  series: { source: string; issuedAt: number; hours: readonly SeriesHour[] },
): Promise<void> {
  const { source, hours } = series;
  if (hours.length === 0) return;
  const seriesId = uuidv7();
  await db
    .insert(weatherSeries)
    .values({ id: seriesId, source, kind: 'simulated', issuedAt: new Date(series.issuedAt) });
  for (let i = 0; i < hours.length; i += CHUNK) {
    const rows = hours.slice(i, i + CHUNK).map((hour) => ({ ...hour, seriesId, at: new Date(hour.at) }));
    await db.insert(weatherHour).values(rows);
    // Others may be answered between two statements.
    await new Promise(setImmediate);
  }
}

/**
 * The series that hours are read from. Of a station's forecasts those of its last day of issues: older ones are kept to judge it by, and
 * their past hours stay in the series of the last forecast of each hour.
 */
const counts = sql`${weatherSeries.id} in (
  select s.id from weather_series s
    left join (
      select station_id, max(issued_at) as newest from weather_series where kind = 'forecast' and not continuous group by station_id
    ) n on n.station_id = s.station_id
  where s.kind <> 'forecast' or s.continuous or s.station_id is null or s.issued_at > n.newest - interval '1 day'
)`;

/**
 * The hours of a stretch of time, for each hour, kind and station what was issued last; oldest first. A simulated hour is of the
 * past or of the future as it was when it was issued.
 */
export async function latestHours(db: Queries, range: { from: number; to: number }): Promise<KnownHour[]> {
  const future = sql`(${weatherHour.at} > ${weatherSeries.issuedAt})`;
  const rows = await db
    .selectDistinctOn([weatherHour.at, weatherSeries.kind, future, weatherSeries.stationId], {
      hour: weatherHour,
      series: weatherSeries,
      rank: station.rank,
    })
    .from(weatherHour)
    .innerJoin(weatherSeries, eq(weatherSeries.id, weatherHour.seriesId))
    .leftJoin(station, eq(station.id, weatherSeries.stationId))
    .where(and(between(weatherHour.at, new Date(range.from), new Date(range.to)), counts))
    .orderBy(
      weatherHour.at,
      weatherSeries.kind,
      future,
      weatherSeries.stationId,
      sql`${weatherSeries.issuedAt} desc, ${weatherSeries.id} desc`,
    );
  return rows.map(({ hour, series, rank }) => ({
    at: hour.at.getTime(),
    airC: hour.airC,
    rh: hour.rh,
    windMs: hour.windMs,
    rainMm: hour.rainMm,
    surfaceC: hour.surfaceC,
    cloudTenths: hour.cloudTenths,
    kind: series.kind,
    issuedAt: series.issuedAt.getTime(),
    rank: rank ?? -1,
  }));
}

/** Hours from a moment on for which a real source gave something. */
export async function hoursGiven(db: Queries, from: number): Promise<Set<number>> {
  const rows = await db
    .selectDistinct({ at: weatherHour.at })
    .from(weatherHour)
    .innerJoin(weatherSeries, eq(weatherSeries.id, weatherHour.seriesId))
    .where(and(ne(weatherSeries.kind, 'simulated'), gte(weatherHour.at, new Date(from))));
  return new Set(rows.map((row) => row.at.getTime()));
}

/** The first hour that is known; null where none is. */
export async function firstHour(db: Queries): Promise<number | null> {
  const [row] = await db
    .select({ at: weatherHour.at })
    .from(weatherHour)
    .orderBy(asc(weatherHour.at))
    .limit(1);
  return row?.at.getTime() ?? null;
}
