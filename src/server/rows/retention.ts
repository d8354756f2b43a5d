import { type SQL, sql } from 'drizzle-orm';
import type { Queries } from '../db/open.ts';

const DAY_MS = 24 * 3_600_000;

/**
 * How long what grows by itself is kept, days; docs/operations.md says the same to people. Hours, log entries and stock
 * movements are kept for good.
 */
export const KEPT_DAYS = {
  /** Readings closer than an hour; their hours stay. */
  readings: 60,
  /** Every issue of a forecast; after that the first of each day. What each past hour was last forecast as is kept apart. */
  everyIssue: 1,
  /** The first issue of each day, by which forecasts are judged. */
  dailyIssue: 135,
  /** Writes known again when they are sent twice. */
  writes: 180,
  /** Changed times and their causes. */
  shifts: 180,
  /** Notices between processes. */
  notices: 1,
} as const;

/** Rows removed in one step: few enough that nobody waits for it. */
const STEP_ROWS = 1000;
/** Series removed in one step. */
const STEP_SERIES = 8;

const before = (now: number, days: number) => new Date(now - days * DAY_MS).toISOString();

/** Removes some of the rows that are due. @returns how many */
async function removeSome(db: Queries, table: string, key: string, due: SQL): Promise<number> {
  const [name, column] = [sql.raw(table), sql.raw(key)];
  const { rows } = await db.execute<{ n: number }>(sql`
    with gone as (
      delete from ${name} where (${column}) in (select ${column} from ${name} where ${due} limit ${STEP_ROWS}) returning 1
    ) select count(*)::int as n from gone`);
  return Number(rows[0]?.n ?? 0);
}

interface Due {
  id: string;
  kind: string;
}

/** The series of stations that are due: issues of forecasts, and what earlier versions kept of each posting. */
async function dueSeries(db: Queries, now: number): Promise<Due[]> {
  const { rows } = await db.execute<{ id: string; kind: string }>(sql`
    with ranked as (
      select id, kind, issued_at,
        row_number() over (partition by station_id, kind, date_bin('1 day', issued_at, timestamptz 'epoch') order by issued_at, id) = 1 as first,
        row_number() over (partition by station_id, kind order by issued_at desc, id desc) = 1 as newest
      from weather_series
      where station_id is not null and not continuous and kind in ('forecast', 'measured')
    )
    select id, kind from ranked
    where kind = 'measured'
      or (not newest and issued_at < ${before(now, KEPT_DAYS.dailyIssue)}::timestamptz)
      or (not newest and not first and issued_at < ${before(now, KEPT_DAYS.everyIssue)}::timestamptz)
    order by issued_at desc, id limit ${STEP_SERIES}`);
  return rows.map(({ id, kind }) => ({ id, kind }));
}

/** Removes a series; what was measured in it goes to its station's one series first, where that has no such hour yet. */
async function removeSeries(db: Queries, series: Due): Promise<void> {
  if (series.kind === 'measured') {
    await db.execute(sql`
      insert into weather_series (id, source, kind, station_id, issued_at, continuous)
      select gen_random_uuid(), source, kind, station_id, issued_at, true from weather_series where id = ${series.id}
      on conflict (station_id, kind) where continuous do nothing`);
    await db.execute(sql`
      insert into weather_hour (series_id, at, air_c, rh, wind_ms, rain_mm, surface_c, cloud_tenths)
      select o.id, h.at, h.air_c, h.rh, h.wind_ms, h.rain_mm, h.surface_c, h.cloud_tenths
      from weather_hour h
        join weather_series s on s.id = h.series_id
        join weather_series o on o.station_id = s.station_id and o.kind = s.kind and o.continuous
      where h.series_id = ${series.id}
      on conflict (series_id, at) do nothing`);
  }
  for (const table of ['weather_hour', 'weather_reading'])
    await db.execute(sql`delete from ${sql.raw(table)} where series_id = ${series.id}`);
  await db.execute(sql`delete from weather_series where id = ${series.id}`);
}

/** Of the lock that lets one process of several do it. */
const LOCK = 7_312_001;

/** Whether no other process is at it; this one then is, until its transaction ends. */
export async function isRetentionTurn(db: Queries): Promise<boolean> {
  const { rows } = await db.execute<{ mine: boolean }>(
    sql`select pg_try_advisory_xact_lock(${LOCK}::bigint) as mine`,
  );
  return rows[0]?.mine ?? false;
}

/**
 * One small step of what has to be thinned or dropped.
 *
 * @returns how many rows and series it removed, 0: nothing is due; and whether weather data became another
 */
export async function retentionStep(db: Queries, now: number): Promise<{ done: number; weather: boolean }> {
  const due = await dueSeries(db, now);
  for (const series of due) await removeSeries(db, series);
  let done = due.length;
  // Measured readings are kept in full elsewhere; deleting a forecast deletes its hours.
  const weather = due.some(({ kind }) => kind === 'forecast');
  const old = (column: string, days: number) => sql`${sql.raw(column)} < ${before(now, days)}::timestamptz`;
  done += await removeSome(db, 'weather_reading', 'series_id, at', old('at', KEPT_DAYS.readings));
  done += await removeSome(db, 'write_seen', 'key', old('at', KEPT_DAYS.writes));
  done += await removeSome(db, 'shift', 'id', old('at', KEPT_DAYS.shifts));
  done += await removeSome(db, 'change_notice', 'n', old('at', KEPT_DAYS.notices));
  done += await removeSome(db, 'rate_count', 'key', old('ends_at', 0));
  return { done, weather };
}

/** Tables whose size decides how they are best read. */
const SIZED = [
  'weather_hour',
  'weather_reading',
  'weather_series',
  'log_entry',
  'batch_use',
  'lot_movement',
  'shift',
];

/** Counts the tables that grow, so that queries are planned by what they hold; a database server does that by itself. */
export async function countTables(db: Queries): Promise<void> {
  for (const table of SIZED) await db.execute(sql.raw(`analyze ${table}`));
}
