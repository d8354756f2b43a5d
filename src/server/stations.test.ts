import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { aCoat, aPlannedArea, HOUR, NOON, weatherCsv, wrongToken } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type { ClockDetail, ReadingsTaken, Station, StationsView, WeatherView } from '../contract/index.ts';
import { ask, isPrivate } from './feeds/ask.ts';

let now = NOON;
let server: Awaited<ReturnType<typeof yardServer>>;
beforeEach(async () => {
  now = NOON;
  server = await yardServer(() => now);
});
afterEach(() => server.stop());

const aStation = (over: Partial<Station> = {}) => ({
  id: uuidv7(),
  name: 'Mast logger',
  gives: 'measured',
  way: 'posts',
  url: null,
  everyMin: 30,
  privateNet: false,
  on: true,
  rank: 0,
  ...over,
});
const iso = (ms: number) => new Date(ms).toISOString();
const readings = (from: number, count: number, airC: (i: number) => number, over = {}) => ({
  readings: Array.from({ length: count }, (_, i) => ({
    at: iso(from + i * HOUR),
    airC: airC(i),
    rhPercent: 70 + (i % 3),
    ...over,
  })),
});

/** As a logger posts: no page of ours, a token in its header. */
async function post(id: string, token: string, body: unknown) {
  const answer = await fetch(`${server.address}/api/v1/stations/${id}/readings`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', authorization: `Bearer ${token}` },
    body: JSON.stringify(body),
  });
  return { status: answer.status, body: (await answer.json()) as ReadingsTaken & { detail: string } };
}

async function aToken(station: ReturnType<typeof aStation>): Promise<string> {
  expect((await server.ask('POST', '/stations', station)).status).toBe(201);
  return (await server.ask<{ token: string }>('POST', `/stations/${station.id}/token`)).body.token;
}
const air = async () => (await server.ask<WeatherView>('GET', '/weather?back=3&ahead=3')).body.hours;
const list = async () => (await server.ask<StationsView>('GET', '/stations')).body;

describe('a logger posts under its token', () => {
  it('twelve times a minute and no more; wrong tokens use none of them up', async () => {
    const station = aStation();
    const token = await aToken(station);
    const one = readings(NOON - HOUR, 1, () => 12);
    for (let i = 0; i < 15; i++) expect((await post(station.id, wrongToken(token), one)).status).toBe(401);
    const answers = [];
    for (let i = 0; i < 13; i++) answers.push((await post(station.id, token, one)).status);
    expect(answers).toEqual([...Array<number>(12).fill(200), 429]);
    const answer = await post(station.id, token, one);
    expect(answer.body.detail).toMatch(/12 requests a minute/);
    // Another station has its own.
    const other = aStation({ name: 'Shed logger' });
    expect((await post(other.id, await aToken(other), one)).status).toBe(200);
  });
  it('its readings are the yard’s air at once, a window moves by them and says by what; nothing without the token', async () => {
    const planned = await aPlannedArea(server);
    await server.ask('POST', '/weather', { csv: weatherCsv(NOON - 24 * HOUR, 72, () => 20), mode: 'import' });
    now = NOON + 6 * HOUR;
    await server.ask('POST', '/log', aCoat(planned, NOON));
    const station = aStation({ gives: 'forecast' });
    const token = await aToken(station);
    expect(token.length).toBeGreaterThanOrEqual(32);
    expect(JSON.stringify(await list())).not.toContain(token);
    const cold = readings(now + HOUR, 24, () => 8);
    expect((await post(station.id, wrongToken(token), cold)).status).toBe(401);
    const { status, body } = await post(station.id, token, cold);
    expect([status, body]).toEqual([200, { hours: 24, bad: [] }]);
    // What was brought as a file counts before any station.
    expect((await air()).find(({ at }) => at === iso(now + 2 * HOUR))?.airC).toBe(20);
    const later = readings(NOON + 50 * HOUR, 5, () => 9);
    await post(station.id, token, later);
    expect((await air()).find(({ at }) => at === iso(NOON + 51 * HOUR))?.airC).toBe(9);
    const [known] = (await list()).stations;
    expect(known).toMatchObject({
      name: 'Mast logger',
      lastHours: 5,
      lastAt: iso(now),
      fault: null,
      hasToken: true,
    });
    await server.ask('DELETE', `/stations/${station.id}/token`);
    expect((await post(station.id, token, later)).status).toBe(401);
    await server.ask<ClockDetail>('GET', `/areas/${planned.area.id}/clock`);
  });

  it('nonsense is left out by name, what is sound beside it is taken, and the list says so', async () => {
    const station = aStation();
    const token = await aToken(station);
    const body = readings(NOON - 5 * HOUR, 5, (i) => [11, -40, 12, 99, 13][i] as number);
    (body.readings[4] as { rhPercent: number }).rhPercent = 0;
    body.readings.push({ at: iso(NOON + 3 * HOUR), airC: 14, rhPercent: 70 });
    const { body: taken } = await post(station.id, token, body);
    expect(taken.hours).toBe(2);
    expect(taken.bad.map(({ fault, figure, value }) => `${fault} ${figure} ${value}`)).toEqual([
      'dead-sensor airC -40',
      'out-of-range airC 99',
      'dead-sensor rh 0',
      `too-far at ${NOON + 3 * HOUR}`,
    ]);
    expect((await list()).stations[0]?.fault).toBe(
      '4 readings ignored: air -40 °C is typical of a failed sensor; and 3 more',
    );
    const stuck = readings(NOON - 40 * HOUR, 24, () => 10, { rhPercent: 80 });
    expect((await post(station.id, token, stuck)).body.bad.map(({ fault }) => fault)).toEqual(
      Array(12).fill('stuck'),
    );
  });

  it('a stuck sensor is found too where it posts one reading at a time', async () => {
    const station = aStation();
    const token = await aToken(station);
    const faults: (string | undefined)[] = [];
    for (const h of [0, 3, 6, 9, 12, 15]) {
      now = NOON + h * HOUR;
      const { body } = await post(
        station.id,
        token,
        readings(now, 1, () => 10),
      );
      faults.push(body.bad[0]?.fault);
    }
    expect(faults).toEqual([undefined, undefined, undefined, undefined, 'stuck', 'stuck']);
  });

  it('of two stations the first in the order counts; put away, it gives nothing more and what it gave stays', async () => {
    const [first, second] = [aStation({ rank: 1 }), aStation({ name: 'Shed logger', rank: 2 })];
    const tokens = [await aToken(first), await aToken(second)];
    await post(
      second.id,
      tokens[1] as string,
      readings(NOON - 3 * HOUR, 3, () => 5),
    );
    await post(
      first.id,
      tokens[0] as string,
      readings(NOON - 3 * HOUR, 2, () => 9),
    );
    const shown = async () =>
      (await air()).filter(({ at }) => Date.parse(at) >= NOON - 3 * HOUR).map(({ airC }) => airC);
    expect(await shown()).toEqual([9, 9, 5]);
    const {
      hasToken: _t,
      lastAt: _a,
      lastHours: _h,
      fault: _f,
      ...kept
    } = (await list()).stations[0] as Station;
    expect((await server.ask('PUT', `/stations/${first.id}`, { ...kept, rank: 9 })).status).toBe(200);
    expect(await shown()).toEqual([5, 5, 5]);
    expect((await server.ask('DELETE', `/stations/${second.id}`)).status).toBe(204);
    expect(
      (
        await post(
          second.id,
          tokens[1] as string,
          readings(NOON - HOUR, 1, () => 7),
        )
      ).status,
    ).toBe(401);
    expect(await shown()).toEqual([5, 5, 5]);
  });
});

describe('an address that is asked', () => {
  it('is asked only where it is no address of one’s own network, unless that is allowed; time, size and status are held', async () => {
    let answer: { status: number; text: string } = { status: 200, text: '{"readings":[]}' };
    const feed = createServer((_req, res) => res.writeHead(answer.status).end(answer.text));
    await new Promise<void>((done) => feed.listen(0, '127.0.0.1', done));
    const url = `http://127.0.0.1:${(feed.address() as AddressInfo).port}/air.json`;
    try {
      await expect(ask({ url, privateNet: false })).rejects.toThrow('own network');
      await expect(ask({ url: url.replace('127.0.0.1', 'localhost'), privateNet: false })).rejects.toThrow(
        'own network',
      );
      expect(await ask({ url, privateNet: true })).toBe('{"readings":[]}');
      answer = { status: 302, text: '' };
      await expect(ask({ url, privateNet: true })).rejects.toThrow('the address answered with status 302');
      answer = { status: 200, text: 'x'.repeat(1_000_001) };
      await expect(ask({ url, privateNet: true })).rejects.toThrow('larger than 1000000 bytes');
      // The server asks by itself: what comes is air, what fails is said, and it comes back.
      const station = aStation({ way: 'asked', url, privateNet: true, everyMin: 5 });
      await server.ask('POST', '/stations', station);
      const look = async () => {
        now += 6 * 60_000;
        await server.feeds.look();
        return (await list()).stations[0];
      };
      expect((await look())?.fault).toContain('larger than');
      answer = { status: 200, text: 'no json' };
      expect((await look())?.fault).toBe('readings not accepted: the answer isn’t valid JSON');
      answer = { status: 200, text: JSON.stringify(readings(NOON - 2 * HOUR, 2, () => 12)) };
      expect(await look()).toMatchObject({ fault: null, lastHours: 2 });
      expect((await air()).some(({ airC, source }) => airC === 12 && source === 'measured')).toBe(true);
    } finally {
      feed.close();
    }
  });

  it('and one’s own network is what the standards say it is', () => {
    const own = [
      '10.1.2.3',
      '172.31.0.1',
      '192.168.1.1',
      '169.254.1.1',
      '127.9.9.9',
      '::1',
      'fd00::1',
      'fe80::2',
      '::ffff:127.0.0.1',
      '::ffff:7f00:1',
      '::7f00:1',
      'fec0::1',
      '2002:7f00:1::',
      '64:ff9b:1::7f00:1',
    ];
    expect(own.filter((address) => !isPrivate(address))).toEqual([]);
    expect(['172.32.0.1', '203.0.113.5', '2001:db8::1'].filter(isPrivate)).toEqual([]);
  });
});

describe('forecasts are kept as issued', () => {
  it('and what they came to is the yard’s own error by lead time', async () => {
    const [forecast, measured] = [aStation({ gives: 'forecast' }), aStation({ name: 'Mast', rank: 1 })];
    const [a, b] = [await aToken(forecast), await aToken(measured)];
    // A day ahead always 4 K too warm, for ten days.
    for (let day = 0; day < 10; day++) {
      now = NOON + day * 24 * HOUR;
      await post(
        forecast.id,
        a,
        readings(now + 12 * HOUR, 24, (i) => 14 + (i % 4)),
      );
    }
    now = NOON + 12 * 24 * HOUR;
    await post(
      measured.id,
      b,
      readings(NOON + 12 * HOUR, 240, (i) => 10 + (i % 4)),
    );
    const { forecastErrors } = await list();
    const dayAhead = forecastErrors.find(({ leadH }) => leadH === 24);
    expect(dayAhead?.hours).toBe(240);
    // Drawn to the handbook's 1.4 K by 120 hours: √((240·16 + 120·1.96)/360).
    expect(dayAhead?.sdC).toBeCloseTo(Math.sqrt((240 * 16 + 120 * 1.96) / 360), 6);
    expect(forecastErrors.find(({ leadH }) => leadH === 240)).toEqual({ leadH: 240, sdC: 3.5, hours: 0 });
  });
});
