import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { aPlannedArea, HOUR, NOON } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type { Area, BenchView, StationsView, WeatherView } from '../contract/index.ts';

let now = NOON;
let server: Awaited<ReturnType<typeof yardServer>>;
beforeEach(async () => {
  now = NOON;
  server = await yardServer(() => now);
});
afterEach(() => server.stop());

const MINUTE = 60_000;
const iso = (ms: number) => new Date(ms).toISOString();
const hourAt = async (at: number) =>
  (await server.ask<WeatherView>('GET', '/weather?back=9&ahead=9')).body.hours.find((h) => h.at === iso(at));

async function station(over: object = {}) {
  const id = uuidv7();
  const input = { id, name: 'Mast', gives: 'measured', way: 'posts', url: null, everyMin: 30, privateNet: false, on: true, rank: 0, ...over }; // biome-ignore format: one line
  expect((await server.ask('POST', '/stations', input)).status).toBe(201);
  const { token } = (await server.ask<{ token: string }>('POST', `/stations/${id}/token`)).body;
  return async (...readings: object[]) => {
    const answer = await fetch(`${server.address}/api/v1/stations/${id}/readings`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${token}` },
      body: JSON.stringify({ readings }),
    });
    expect(answer.status).toBe(200);
  };
}
const reading = (at: number, over: object = {}) => ({ at: iso(at), airC: 12, rhPercent: 70, ...over });
const importCsv = (rows: string[], more: object = {}, header = 'time,air,rh,rain mm') =>
  server.ask('POST', '/weather', { csv: [header, ...rows].join('\n'), mode: 'import', ...more });

describe('every reading of an hour counts', () => {
  it('three postings of 4, 0 and 0 mm are 4 mm; temperatures weigh by the time they cover', async () => {
    const post = await station();
    const hour = NOON - 2 * HOUR;
    await post(reading(hour + 5 * MINUTE, { airC: 10, rainMm: 4, windMs: 1, cloudTenths: 2 }));
    await post(reading(hour + 15 * MINUTE, { airC: 10, rainMm: 0, windMs: 2 }));
    await post(reading(hour + 25 * MINUTE, { airC: 20, rainMm: 0, windMs: 6, cloudTenths: 7 }));
    const known = await hourAt(hour);
    expect(known).toMatchObject({ rainMm: 4, windMs: 3, cloudTenths: 7, source: 'measured' });
    // 10 min and 10 min at 10 °C, then 35 min at 20 °C.
    expect(known?.airC).toBeCloseTo((20 * 10 + 35 * 20) / 55, 9);
    // A reading sent again for its moment is a correction.
    await post(reading(hour + 5 * MINUTE, { airC: 10, rainMm: 1 }));
    expect((await hourAt(hour))?.rainMm).toBe(1);
  });
  it('rain belongs to the hour before its timestamp or after it, as the file, its header or the station says', async () => {
    const rows = [-3, -2, -1].map((i) => `${iso(NOON + i * HOUR)},12,70,${i === -2 ? 5 : 0}`);
    await importCsv(rows);
    expect([(await hourAt(NOON - 3 * HOUR))?.rainMm, (await hourAt(NOON - 2 * HOUR))?.rainMm]).toEqual([
      5, 0,
    ]);
    // The last row's own hour: nobody has said yet whether it rained in it.
    expect((await hourAt(NOON - HOUR))?.rainMm).toBeNull();
    await importCsv(rows, { rainInterval: 'after' });
    expect([(await hourAt(NOON - 3 * HOUR))?.rainMm, (await hourAt(NOON - 2 * HOUR))?.rainMm]).toEqual([
      0, 5,
    ]);
    const post = await station({ rainInterval: 'before' });
    await post(reading(NOON - 30 * HOUR), reading(NOON - 29 * HOUR, { rainMm: 2 }));
    expect((await hourAt(NOON - 30 * HOUR))?.rainMm).toBe(2);
  });
  it('rain that a file foretells for the present hour stands with that hour; its own export read again says the same', async () => {
    now = NOON + 30 * MINUTE;
    await importCsv([-1, 0, 1, 2].map((i) => `${iso(NOON + i * HOUR)},12,70,${i === 1 ? 3 : 0}`));
    expect((await hourAt(NOON))?.rainMm).toBe(3);
    const csv = await (await fetch(`${server.address}/api/v1/weather.csv`)).text();
    await server.ask('POST', '/weather', { csv, mode: 'import' });
    expect([(await hourAt(NOON))?.rainMm, (await hourAt(NOON - HOUR))?.rainMm]).toEqual([3, 0]);
  });
});

describe('what nobody gave', () => {
  const dry = (rain: string) =>
    Array.from({ length: 96 }, (_, i) => `${iso(NOON + (i - 24) * HOUR)},20,40${rain}`);
  it('is a condition, never a plain yes; known to be dry there is none', async () => {
    const planned = await aPlannedArea(server);
    const { archived: _a, ...input } = planned.area as Area;
    const open = { ...input, surroundings: { kind: 'open' }, version: 1 };
    expect((await server.ask('PUT', `/areas/${open.id}`, open)).body).toMatchObject({ version: 2 });
    await importCsv(dry(''), {}, 'time,air,rh');
    const bench = async () =>
      (await server.ask<BenchView>('GET', `/bench/${planned.area.id}?safeHours=4`)).body;
    const unknown = await bench();
    expect(unknown.air).toMatchObject({ rainMm: null, windMs: null, cloudTenths: null });
    expect(unknown.outlook?.failures).toEqual([]);
    const both = ['no-rain-data', 'no-wind-data'];
    expect(unknown.outlook?.conditions.map(({ code }) => code)).toEqual(both);
    expect(unknown.outlook?.starts[0]?.conditions).toEqual(both);
    await importCsv(dry(',0,1'), { rainInterval: 'after' }, 'time,air,rh,rain mm,wind m/s');
    const known = await bench();
    expect([known.outlook?.failures, known.outlook?.conditions]).toEqual([[], []]);
  });
});

describe('forecast accuracy', () => {
  it('one bad day forecast anew every hour weighs no more than forecast once', async () => {
    const forecast = await station({ gives: 'forecast' });
    const measured = await station({ name: 'Shed', rank: 1 });
    for (let i = 0; i < 10; i++) {
      now = NOON - 40 * HOUR + i * HOUR;
      await forecast(
        ...Array.from({ length: 48 }, (_, k) => reading(now + (k + 1) * HOUR, { airC: 22 + (k % 3) })),
      );
      now += 90_000;
    }
    now = NOON + 10 * HOUR;
    await measured(
      ...Array.from({ length: 48 }, (_, k) => reading(NOON - (40 - k) * HOUR, { airC: 10 + (k % 2) })),
    );
    const { forecastErrors } = (await server.ask<StationsView>('GET', '/stations')).body;
    const ahead = forecastErrors.find(({ leadH }) => leadH === 24);
    // Some 12 K off for a day or two: at most as many hours as those days have, against the 120 of the usual figure.
    expect(ahead?.hours).toBeGreaterThan(0);
    expect(ahead?.hours).toBeLessThanOrEqual(48);
    const record = ahead as NonNullable<typeof ahead>;
    expect(record.sdC ** 2 * (record.hours + 120) - 120 * 1.4 ** 2).toBeLessThan(48 * 15 ** 2);
  });
});

describe('what grows is thinned', () => {
  it('in small steps: readings and old issues go, hours and what each was last forecast as stay', async () => {
    const forecast = await station({ gives: 'forecast' });
    const measured = await station({ name: 'Shed', rank: 1 });
    const issue = async (at: number, airC: number) => {
      now = at;
      await forecast(
        ...Array.from({ length: 30 }, (_, k) => reading(at + k * HOUR, { airC: airC + (k % 2) / 10 })),
      );
    };
    const day = Math.floor(NOON / (24 * HOUR)) * 24 * HOUR;
    await issue(day + HOUR, 5);
    await issue(day + 2 * HOUR, 6);
    await issue(day + 3 * HOUR, 7);
    await measured(...[0, 10, 20].map((m) => reading(day - 4 * HOUR + m * MINUTE, { airC: 9, rainMm: 1 })));
    await issue(day + 50 * HOUR, 8);
    const before = await hourAt(day + 8 * HOUR);
    const seen = async () =>
      (
        (await server.db.execute(
          `select (select count(*)::int from weather_series where kind = 'forecast' and not continuous) as issues,
            (select count(*)::int from weather_reading r join weather_series s on s.id = r.series_id where s.kind = 'measured') as readings`,
        )) as unknown as { rows: { issues: number; readings: number }[] }
      ).rows[0];
    expect(await seen()).toEqual({ issues: 4, readings: 3 });
    now = day + 6 * 24 * HOUR;
    while ((await server.housekeeping.step()) > 0);
    expect(await seen()).toEqual({ issues: 2, readings: 3 });
    // An hour that was past when it was thinned is as it was last forecast.
    expect(await hourAt(day + 8 * HOUR)).toEqual(before);
    now = day + 70 * 24 * HOUR;
    while ((await server.housekeeping.step()) > 0);
    expect((await seen())?.readings).toBe(0);
    const range = await server.ask<WeatherView>('GET', '/weather?back=100&ahead=1');
    expect(range.body.hours.find(({ at }) => at === iso(day - 4 * HOUR))).toMatchObject({
      airC: 9,
      rainMm: 3,
    });
  });
});
