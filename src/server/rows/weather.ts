import { and, asc, between, eq, gte, ne, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Queries } from '../db/open.ts';
import { station, weatherHour, weatherSeries } from '../db/schema.ts';

/** One hour of air as a source gives it, canonical units; null: not given. */
export interface SeriesHour {
  at: number;
  airC: number;
  rh: number;
  windMs: number | null;
  rainMm: number | null;
  surfaceC: number | null;
  /** Cloud, tenths. */
  cloudTenths: number | null;
}

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

/** Keeps what a source gave at one time as a series of its own; what was given before stays. */
export async function insertSeries(
  db: Queries,
  series: {
    source: string;
    kind: SeriesKind;
    issuedAt: number;
    hours: readonly SeriesHour[];
    stationId?: string;
  },
): Promise<void> {
  const { source, kind, hours, stationId = null } = series;
  if (hours.length === 0) return;
  const seriesId = uuidv7();
  await db
    .insert(weatherSeries)
    .values({ id: seriesId, source, kind, stationId, issuedAt: new Date(series.issuedAt) });
  for (let i = 0; i < hours.length; i += CHUNK) {
    const rows = hours.slice(i, i + CHUNK).map((hour) => ({ ...hour, seriesId, at: new Date(hour.at) }));
    await db.insert(weatherHour).values(rows);
    // Others may be answered between two statements.
    await new Promise(setImmediate);
  }
}

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
    .where(between(weatherHour.at, new Date(range.from), new Date(range.to)))
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

/** Air and humidity that a station gave for a stretch of time, in order. */
export async function hoursOfStation(
  db: Queries,
  stationId: string,
  { from, to }: { from: number; to: number },
): Promise<{ at: number; airC: number; rh: number }[]> {
  const rows = await db
    .select({ at: weatherHour.at, airC: weatherHour.airC, rh: weatherHour.rh })
    .from(weatherHour)
    .innerJoin(weatherSeries, eq(weatherSeries.id, weatherHour.seriesId))
    .where(and(eq(weatherSeries.stationId, stationId), between(weatherHour.at, new Date(from), new Date(to))))
    .orderBy(asc(weatherHour.at), asc(weatherSeries.issuedAt));
  // Of an hour given twice the later one stands.
  return [...new Map(rows.map((row) => [row.at.getTime(), { ...row, at: row.at.getTime() }])).values()];
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
