import { mkdtempSync, rmSync } from 'node:fs';
import os, { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { layDemo } from '../demo/layDemo.ts';
import type { Db } from '../src/server/db/open.ts';
import { start } from '../src/server/start.ts';
import { grow } from './grow.ts';
import { p95, say } from './say.ts';

/** A yard with two years of weather: three stations every ten minutes and a forecast of 240 hours issued every hour, as retention leaves them. */
async function twoYears(db: Db): Promise<void> {
  const stations = [0, 1, 2].map((rank) => ({ id: uuidv7(), series: uuidv7(), rank, gives: 'measured' }));
  const forecast = { id: uuidv7(), rank: 3, gives: 'forecast' };
  for (const { id, rank, gives } of [...stations, forecast])
    await db.execute(
      sql`insert into station (id, name, gives, way, every_min, private_net, is_on, rank) values (${id}, ${`Station ${rank}`}, ${gives}, 'posts', 30, false, true, ${rank})`,
    );
  const figures = sql`10 + 8 * sin(extract(epoch from t) / 13750.99), 0.7 + 0.1 * cos(extract(epoch from t) / 13750.99), 2.0, 0.0`;
  for (const { id, series } of stations) {
    await db.execute(
      sql`insert into weather_series (id, source, kind, station_id, issued_at, continuous) values (${series}, 'station', 'measured', ${id}, now(), true)`,
    );
    await db.execute(
      sql`insert into weather_hour (series_id, at, air_c, rh, wind_ms, rain_mm) select ${series}::uuid, t, ${figures} from generate_series(date_trunc('hour', now()) - interval '730 days', date_trunc('hour', now()), interval '1 hour') t`,
    );
    await db.execute(
      sql`insert into weather_reading (series_id, at, air_c, rh, wind_ms, rain_mm, rain_at) select ${series}::uuid, t, ${figures}, t from generate_series(date_trunc('hour', now()) - interval '60 days', now(), interval '10 minutes') t`,
    );
  }
  // Every issue of one day, the first of each day before that.
  const issues = sql`select gen_random_uuid() as id, t from generate_series(now() - interval '135 days', now() - interval '1 day', interval '1 day') t
    union all select gen_random_uuid(), t from generate_series(now() - interval '1 day', now(), interval '1 hour') t`;
  const settled = uuidv7();
  await db.execute(
    sql`insert into weather_series (id, source, kind, station_id, issued_at, continuous) values (${settled}, 'forecast', 'forecast', ${forecast.id}, now(), true)`,
  );
  await db.execute(
    sql`insert into weather_hour (series_id, at, air_c, rh, wind_ms, rain_mm) select ${settled}::uuid, t, ${figures} from generate_series(date_trunc('hour', now()) - interval '730 days', date_trunc('hour', now()), interval '1 hour') t`,
  );
  await db.execute(
    sql`insert into weather_series (id, source, kind, station_id, issued_at, continuous) select i.id, 'forecast', 'forecast', ${forecast.id}, i.t, false from (${issues}) i`,
  );
  await db.execute(
    sql`insert into weather_hour (series_id, at, air_c, rh, wind_ms, rain_mm) select s.id, t, ${figures} from weather_series s, generate_series(date_trunc('hour', s.issued_at), date_trunc('hour', s.issued_at) + interval '240 hours', interval '1 hour') t where s.station_id = ${forecast.id} and not s.continuous`,
  );
}

console.log(
  `${os.cpus()[0]?.model ?? 'unknown processor'}, ${os.cpus().length} cores, Node ${process.version}`,
);
const home = mkdtempSync(path.join(tmpdir(), 'jack-plane-weather-'));
const server = await start({
  folder: path.join(home, 'yard'),
  port: 0,
  webFolder: '/nowhere',
  quiet: true,
  prepare: (db) => layDemo(db, { folder: null, now: Date.now() }),
});
try {
  await grow(server.db);
  await twoYears(server.db);
  await server.housekeeping.step();
  await server.touched([{ of: 'weather' }, { of: 'stations' }, { of: 'yard' }]);
  const ask = async (method: string, route: string, body?: object, headers: Record<string, string> = {}) =>
    (
      await fetch(`${server.address}/api/v1${route}`, {
        method,
        ...(body && {
          body: JSON.stringify(body),
          headers: { 'content-type': 'application/json', ...headers },
        }),
      })
    ).text();
  const board = JSON.parse(await ask('GET', '/board')) as { clocks: { areaId: string; boatId: string }[] };
  const { areaId, boatId } = board.clocks[0] as { areaId: string; boatId: string };
  const timed = async (rounds: number, work: () => Promise<unknown>) => {
    const times: number[] = [];
    for (let i = 0; i < rounds; i++) {
      const began = performance.now();
      await work();
      if (i >= 3) times.push(performance.now() - began);
    }
    return `${p95(times).toFixed(1)} ms`;
  };
  for (const route of [
    '/board',
    '/today',
    '/weather',
    '/strip',
    `/strip?areaId=${areaId}`,
    '/stations',
    `/bench/${areaId}`,
    `/areas/${areaId}/clock`,
    `/boats/${boatId}`,
  ])
    say(
      `two years of weather: GET ${route.replace(/[0-9a-f-]{36}/, ':id')}, p95`,
      await timed(30, () => ask('GET', route)),
      '50 ms',
    );
  const { stations } = JSON.parse(await ask('GET', '/stations')) as {
    stations: { id: string; gives: string }[];
  };
  const logger = stations.find(({ gives }) => gives === 'measured')?.id;
  const { token } = JSON.parse(await ask('POST', `/stations/${logger}/token`)) as { token: string };
  const reading = () => ({
    at: new Date().toISOString(),
    airC: 12 + Math.random(),
    rhPercent: 70,
    rainMm: 0,
  });
  say(
    '  a logger posts one reading, p95',
    await timed(9, () =>
      ask(
        'POST',
        `/stations/${logger}/readings`,
        { readings: [reading()] },
        { authorization: `Bearer ${token}` },
      ),
    ),
    'none set',
  );
  say('  one step of housekeeping, p95', await timed(6, () => server.housekeeping.step()), 'none set');
} finally {
  await server.stop();
  rmSync(home, { recursive: true, force: true });
}
