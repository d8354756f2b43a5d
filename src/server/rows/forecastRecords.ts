import { sql } from 'drizzle-orm';
import type { LeadRecord } from '../../core/cure/index.ts';
import type { Queries } from '../db/open.ts';

/** Past this nobody remembers how a forecast came out. */
const LOOKED_BACK_MS = 120 * 24 * 3_600_000;

/**
 * How forecasts came out against what was measured for the same hour, by lead time of the handbook's table.
 *
 * Forecasts issued hour after hour repeat each other's errors, so that of each lead time and day one issue counts, the first,
 * against one measurement an hour, the one that the yard uses. Simulated hours are left out.
 */
export async function forecastRecords(db: Queries, now: number): Promise<LeadRecord[]> {
  const from = new Date(now - LOOKED_BACK_MS).toISOString();
  const until = new Date(now).toISOString();
  const { rows } = await db.execute<{ bucket: number; hours: number; squares: number }>(sql`
    with measured as (
      select distinct on (h.at) h.at, h.air_c
      from weather_hour h join weather_series s on s.id = h.series_id left join station t on t.id = s.station_id
      where s.kind = 'measured' and h.at >= ${from}::timestamptz and h.at <= ${until}::timestamptz
      order by h.at, (s.station_id is null) desc, t.rank, s.issued_at desc
    ), firsts as (
      select distinct on (station_id, source, date_bin('1 day', issued_at, timestamptz 'epoch')) id, issued_at
      from weather_series where kind = 'forecast' and not continuous
        and issued_at >= ${from}::timestamptz - interval '16 days' and issued_at <= ${until}::timestamptz
      order by station_id, source, date_bin('1 day', issued_at, timestamptz 'epoch'), issued_at, id
    ), issues as (
      select s.id, s.issued_at,
        date_bin('1 day', h.at, timestamptz 'epoch') as day,
        case when lead < 12 then 0 when lead < 48 then 24 when lead < 96 then 72 when lead < 180 then 120 else 240 end as bucket,
        count(*) as hours, sum(power(h.air_c - m.air_c, 2)) as squares
      from firsts s
        join weather_hour h on h.series_id = s.id
        join measured m on m.at = h.at
        cross join lateral (select extract(epoch from h.at - s.issued_at) / 3600 as lead) l
      where h.at > s.issued_at and h.at >= ${from}::timestamptz and h.at <= ${until}::timestamptz
      group by 1, 2, 3, 4
    ), chosen as (
      select distinct on (bucket, day) bucket, hours, squares from issues order by bucket, day, issued_at, id
    )
    select bucket, sum(hours)::int as hours, sum(squares)::float8 as squares from chosen group by bucket`);
  return rows.map((row) => ({
    leadH: Number(row.bucket),
    hours: Number(row.hours),
    squaresK2: Number(row.squares),
  }));
}
