import { sql } from 'drizzle-orm';
import type { Queries } from '../db/open.ts';

/** A mean over the time that each reading covers: up to the next one, or the end of the hour. All alike: that figure, exactly. */
const weighted = (column: string) =>
  sql.raw(
    `case when min(${column}) = max(${column}) then min(${column}) else sum(${column} * seconds) / sum(seconds) filter (where ${column} is not null) end`,
  );

/**
 * Works the hours of a series out from its readings: temperatures and humidity weighted by the time they cover, wind as
 * their mean, rain as its sum, cloud as last seen. Hours without an air temperature are left out.
 */
export async function aggregateHours(
  db: Queries,
  seriesId: string,
  fromMs: number,
  toMs: number,
): Promise<void> {
  const [from, to] = [new Date(fromMs).toISOString(), new Date(toMs).toISOString()];
  await db.execute(sql`
    with readings as (
      select r.*, date_bin('1 hour', at, timestamptz 'epoch') as hour,
        extract(epoch from coalesce(
          lead(at) over (partition by date_bin('1 hour', at, timestamptz 'epoch') order by at),
          date_bin('1 hour', at, timestamptz 'epoch') + interval '1 hour') - at) as seconds
      from weather_reading r
      where series_id = ${seriesId} and at >= ${from}::timestamptz and at < ${to}::timestamptz and air_c is not null
    ), air as (
      select hour, ${weighted('air_c')} as air_c, ${weighted('rh')} as rh, avg(wind_ms) as wind_ms,
        ${weighted('surface_c')} as surface_c,
        (array_agg(cloud_tenths order by at desc) filter (where cloud_tenths is not null))[1] as cloud_tenths
      from readings group by hour
    ), rain as (
      select date_bin('1 hour', rain_at, timestamptz 'epoch') as hour, sum(rain_mm) as rain_mm
      from weather_reading
      where series_id = ${seriesId} and rain_mm is not null and rain_at >= ${from}::timestamptz
        and rain_at < ${to}::timestamptz and at >= ${from}::timestamptz and at <= ${to}::timestamptz
      group by 1
    )
    insert into weather_hour (series_id, at, air_c, rh, wind_ms, rain_mm, surface_c, cloud_tenths)
    select ${seriesId}::uuid, hour, air_c, rh, wind_ms, rain_mm, surface_c, cloud_tenths
    from air left join rain using (hour)
    on conflict (series_id, at) do update set air_c = excluded.air_c, rh = excluded.rh, wind_ms = excluded.wind_ms,
      rain_mm = excluded.rain_mm, surface_c = excluded.surface_c, cloud_tenths = excluded.cloud_tenths`);
}
