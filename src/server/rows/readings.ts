import { and, desc, eq, gte, lt, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { StationInput } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { weatherHour, weatherReading, weatherSeries } from '../db/schema.ts';
import { aggregateHours } from './aggregateHours.ts';

/** A reading as its source gave it, at its own moment; canonical units; null: not given. */
export interface Reading {
  at: number;
  airC: number;
  rh: number;
  windMs: number | null;
  rainMm: number | null;
  surfaceC: number | null;
  cloudTenths: number | null;
}

const HOUR_MS = 3_600_000;
/** Rows a statement, and hours worked out in one: few enough that the embedded database holds nobody up. */
const CHUNK = 250;
const HOURS_AT_ONCE = 24 * 30;

const hourOf = (ms: number) => Math.floor(ms / HOUR_MS) * HOUR_MS;

/**
 * A moment within the stretch in which a reading's rain fell. Rain before the timestamp ends at it, so that of a reading on
 * the hour it belongs to the hour that ends there.
 */
const rainMoment = (at: number, interval: StationInput['rainInterval']) =>
  interval === 'before' ? at - 1 : at;

/** A reading as a row. */
const toRow = (seriesId: string, { at, ...figures }: Reading, interval: StationInput['rainInterval']) => ({
  ...figures,
  seriesId,
  at: new Date(at),
  rainAt: new Date(rainMoment(at, interval)),
});

type Row = Omit<ReturnType<typeof toRow>, 'airC' | 'rh'> & { airC: number | null; rh: number | null };

/** A row with only the rain of an hour whose temperatures come from another series. */
const rainOnly = (seriesId: string, rainMm: number, at: number): Row => ({
  seriesId,
  at: new Date(at),
  rainAt: new Date(at),
  rainMm,
  airC: null,
  rh: null,
  windMs: null,
  surfaceC: null,
  cloudTenths: null,
});

/** A station's one series of a kind, made when it is first needed. */
async function seriesOfStation(
  db: Queries,
  of: { source: string; stationId: string; kind: 'measured' | 'forecast'; issuedAt: Date },
): Promise<string> {
  const [row] = await db
    .insert(weatherSeries)
    .values({ id: uuidv7(), continuous: true, ...of })
    .onConflictDoUpdate({
      target: [weatherSeries.stationId, weatherSeries.kind],
      targetWhere: sql`${weatherSeries.continuous}`,
      set: { issuedAt: of.issuedAt, source: of.source },
    })
    .returning({ id: weatherSeries.id });
  return (row as { id: string }).id;
}

async function newSeries(
  db: Queries,
  of: { source: string; kind: 'measured' | 'forecast'; stationId: string | null; issuedAt: Date },
): Promise<string> {
  const id = uuidv7();
  await db.insert(weatherSeries).values({ id, ...of });
  return id;
}

async function insertRows(db: Queries, rows: readonly Row[]): Promise<void> {
  for (let i = 0; i < rows.length; i += CHUNK) {
    await db
      .insert(weatherReading)
      .values(rows.slice(i, i + CHUNK))
      // The same moment given again is a correction.
      .onConflictDoUpdate({
        target: [weatherReading.seriesId, weatherReading.at],
        set: {
          airC: sql`excluded.air_c`,
          rh: sql`excluded.rh`,
          windMs: sql`excluded.wind_ms`,
          rainMm: sql`excluded.rain_mm`,
          rainAt: sql`excluded.rain_at`,
          surfaceC: sql`excluded.surface_c`,
          cloudTenths: sql`excluded.cloud_tenths`,
        },
      });
    // Others may be answered between two statements.
    await new Promise(setImmediate);
  }
}

/** Keeps readings and works out the hours they touch. */
async function keep(db: Queries, seriesId: string, rows: readonly Row[]): Promise<void> {
  if (rows.length === 0) return;
  await insertRows(db, rows);
  const last = hourOf(Math.max(...rows.map(({ at }) => at.getTime())));
  const first = hourOf(Math.min(...rows.map(({ rainAt, at }) => Math.min(rainAt.getTime(), at.getTime()))));
  for (let from = first; from <= last; from += HOURS_AT_ONCE * HOUR_MS) {
    await aggregateHours(db, seriesId, from, Math.min(from + HOURS_AT_ONCE * HOUR_MS, last + HOUR_MS));
    await new Promise(setImmediate);
  }
}

/** What a source gives at one time. */
export interface Given {
  source: string;
  kind: 'measured' | 'forecast';
  issuedAt: number;
  rainInterval: StationInput['rainInterval'];
  readings: readonly Reading[];
  stationId?: string;
}

/**
 * Keeps what a station's last issue said of hours that are past now, in its one series of forecasts: what each hour was last forecast
 * as. To be done before its next issue is kept.
 */
async function settlePast(
  db: Queries,
  of: { source: string; stationId: string; issuedAt: Date },
): Promise<void> {
  const [last] = await db
    .select({ id: weatherSeries.id })
    .from(weatherSeries)
    .where(
      and(
        eq(weatherSeries.stationId, of.stationId),
        eq(weatherSeries.kind, 'forecast'),
        eq(weatherSeries.continuous, false),
      ),
    )
    .orderBy(desc(weatherSeries.issuedAt), desc(weatherSeries.id))
    .limit(1);
  if (!last) return;
  // Just before the next issue: where that speaks of the same hour, it counts.
  const justBefore = new Date(of.issuedAt.getTime() - 1);
  const settled = await seriesOfStation(db, { ...of, issuedAt: justBefore, kind: 'forecast' });
  await db.execute(sql`
    insert into weather_hour (series_id, at, air_c, rh, wind_ms, rain_mm, surface_c, cloud_tenths)
    select ${settled}::uuid, at, air_c, rh, wind_ms, rain_mm, surface_c, cloud_tenths from weather_hour
    where series_id = ${last.id} and at <= ${of.issuedAt.toISOString()}::timestamptz
    on conflict (series_id, at) do update set air_c = excluded.air_c, rh = excluded.rh, wind_ms = excluded.wind_ms,
      rain_mm = excluded.rain_mm, surface_c = excluded.surface_c, cloud_tenths = excluded.cloud_tenths`);
}

/** Keeps what a source gave: what a station measures is added to its one series, a file or a forecast is a series of its own. */
export async function insertReadings(db: Queries, given: Given): Promise<void> {
  const { source, kind, readings, rainInterval, stationId = null } = given;
  if (readings.length === 0) return;
  const issuedAt = new Date(given.issuedAt);
  if (stationId !== null && kind === 'forecast') await settlePast(db, { source, stationId, issuedAt });
  const seriesId =
    stationId !== null && kind === 'measured'
      ? await seriesOfStation(db, { source, kind, stationId, issuedAt })
      : await newSeries(db, { source, kind, stationId, issuedAt });
  await keep(
    db,
    seriesId,
    readings.map((reading) => toRow(seriesId, reading, rainInterval)),
  );
}

/**
 * Keeps a file: its readings up to now as measured, those after as a forecast. Rain that fell before its timestamp may lie in
 * an hour whose air the file measured, though it stands with the first reading of the forecast.
 */
export async function insertFile(db: Queries, given: Omit<Given, 'kind' | 'stationId'>): Promise<void> {
  const { readings, issuedAt, rainInterval, source } = given;
  const measured = readings.filter(({ at }) => at <= issuedAt);
  const ahead = readings.filter(({ at }) => at > issuedAt);
  const last = measured.at(-1);
  const at = new Date(issuedAt);
  if (measured.length > 0) {
    const id = await newSeries(db, { source, kind: 'measured', stationId: null, issuedAt: at });
    const rows: Row[] = measured.map((reading) => toRow(id, reading, rainInterval));
    const first = ahead[0];
    const rainAt = first && rainMoment(first.at, rainInterval);
    if (first && first.rainMm !== null && last && rainAt !== undefined && hourOf(rainAt) === hourOf(last.at))
      rows.push(rainOnly(id, first.rainMm, Math.max(rainAt, last.at + 1)));
    await keep(db, id, rows);
  }
  if (ahead.length > 0) {
    const id = await newSeries(db, { source, kind: 'forecast', stationId: null, issuedAt: at });
    await keep(
      db,
      id,
      ahead.map((reading) => toRow(id, reading, rainInterval)),
    );
  }
}

/** As {@link readingsOfStation}, hour by hour: of long ago, when every reading would be too many. */
export async function hoursOfStation(
  db: Queries,
  stationId: string,
  { from, to }: { from: number; to: number },
): Promise<{ at: number; airC: number; rh: number }[]> {
  const rows = await db
    .select({ at: weatherHour.at, airC: weatherHour.airC, rh: weatherHour.rh })
    .from(weatherHour)
    .innerJoin(weatherSeries, eq(weatherSeries.id, weatherHour.seriesId))
    .where(
      and(
        eq(weatherSeries.stationId, stationId),
        eq(weatherSeries.kind, 'measured'),
        gte(weatherHour.at, new Date(from)),
        lt(weatherHour.at, new Date(to)),
      ),
    )
    .orderBy(weatherHour.at);
  return rows.map(({ at, ...air }) => ({ at: at.getTime(), ...air }));
}

/** Air and humidity that a station measured in a stretch of time, reading by reading, in order. */
export async function readingsOfStation(
  db: Queries,
  stationId: string,
  { from, to }: { from: number; to: number },
): Promise<{ at: number; airC: number; rh: number }[]> {
  const rows = await db
    .select({ at: weatherReading.at, airC: weatherReading.airC, rh: weatherReading.rh })
    .from(weatherReading)
    .innerJoin(weatherSeries, eq(weatherSeries.id, weatherReading.seriesId))
    .where(
      and(
        eq(weatherSeries.stationId, stationId),
        eq(weatherSeries.kind, 'measured'),
        gte(weatherReading.at, new Date(from)),
        lt(weatherReading.at, new Date(to)),
      ),
    )
    .orderBy(weatherReading.at);
  return rows.flatMap(({ at, airC, rh }) =>
    airC === null || rh === null ? [] : [{ at: at.getTime(), airC, rh }],
  );
}
