import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aBoat, aCoat, aLot, anArea, aPlannedArea, HOUR, NOON, weatherCsv } from '../../test/examples.ts';
import { startPostgres } from '../../test/postgres.ts';
import { yardServer } from '../../test/yardServer.ts';
import type { Boat, BoatView, LogView, StoreView, WeatherView } from '../contract/index.ts';

type Server = Awaited<ReturnType<typeof yardServer>>;
let postgres: Awaited<ReturnType<typeof startPostgres>>;
beforeAll(async () => {
  postgres = await startPostgres();
});
afterAll(() => postgres.stop());

const jpeg = (tail: number) => new Uint8Array(300_000).fill(tail).map((b, i) => [0xff, 0xd8, 0xff][i] ?? b);
const sendPhoto = (server: Server, boatId: string, id: string, body: Uint8Array<ArrayBuffer>) =>
  fetch(`${server.address}/api/v1/boats/${boatId}/photos/${id}`, {
    method: 'PUT',
    body,
    headers: { 'content-type': 'image/jpeg' },
  });

describe('two processes on one PostgreSQL server', () => {
  let [one, other]: Server[] = [];
  beforeAll(async () => {
    const url = await postgres.database();
    // Both at once on an empty database: one makes the tables, the other waits for them.
    [one, other] = await Promise.all([yardServer(undefined, url), yardServer(undefined, url)]);
  });
  afterAll(() => Promise.all([one?.stop(), other?.stop()]));

  it('what one writes the other shows at once, and tells its pages', async () => {
    const [a, b] = [one as Server, other as Server];
    const stream = await fetch(`${b.address}/api/v1/events`, { headers: { accept: 'text/event-stream' } });
    const reader = (stream.body as ReadableStream<Uint8Array>).getReader();
    await a.ask('POST', '/weather', { csv: weatherCsv(NOON - 60 * HOUR, 200, () => 20), mode: 'import' });
    const planned = await aPlannedArea(a);
    expect((await b.ask<BoatView>('GET', `/boats/${planned.boat.id}`)).body.areas).toHaveLength(1);
    await b.ask('POST', '/log', aCoat(planned, NOON - 30 * HOUR));
    expect((await a.ask<LogView>('GET', `/boats/${planned.boat.id}/log`)).body.total).toBe(1);
    const receipt = { id: uuidv7(), at: new Date(NOON).toISOString(), purchaseId: null };
    await a.ask('POST', '/receipts', { ...receipt, lots: [aLot(planned.product.id, 'base', { amount: 2 })] });
    expect((await b.ask<StoreView>('GET', '/lots')).body.lots).toHaveLength(1);
    expect((await b.ask<WeatherView>('GET', '/weather')).body.hours.length).toBeGreaterThan(24);
    let heard = '';
    while (!heard.includes(planned.boat.id)) heard += new TextDecoder().decode((await reader.read()).value);
    await reader.cancel();
  });
  it('of two writes against one version one takes and the other is told; of two under one id likewise', async () => {
    const [a, b] = [one as Server, other as Server];
    for (let round = 0; round < 8; round++) {
      const boat = aBoat({ name: `Race ${round}` });
      const made = await Promise.all([a.ask('POST', '/boats', boat), b.ask('POST', '/boats', boat)]);
      expect(made.map(({ status }) => status).sort()).toEqual([200, 201]);
      const { archived: _, ...kept } = made[0]?.body as Boat & { archived: boolean };
      const renamed = await Promise.all(
        [a, b].map((server, i) =>
          server.ask('PUT', `/boats/${boat.id}`, { ...kept, name: `Race ${round} ${i}` }),
        ),
      );
      expect(renamed.map(({ status }) => status).sort()).toEqual([200, 409]);
    }
  });
  it('photographs are in the database: sent to one, handed out by the other, and of two at once one stands', async () => {
    const [a, b] = [one as Server, other as Server];
    const boat = (await a.ask<Boat>('POST', '/boats', aBoat({ name: 'Pictured' }))).body;
    const id = uuidv7();
    const answers = await Promise.all([
      sendPhoto(a, boat.id, id, jpeg(1)),
      sendPhoto(b, boat.id, id, jpeg(2)),
    ]);
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
    const kept = new Uint8Array(await (await fetch(`${b.address}/api/v1/photos/${id}`)).arrayBuffer());
    expect(kept).toEqual(jpeg(answers[0]?.status === 201 ? 1 : 2));
  });
  it('a station may post twelve times a minute, whichever process it posts to', async () => {
    const [a, b] = [one as Server, other as Server];
    const station = { id: uuidv7(), name: 'Mast', gives: 'measured', way: 'posts', url: null, everyMin: 30, privateNet: false, on: true, rank: 0 }; // biome-ignore format: one line
    await a.ask('POST', '/stations', station);
    const { token } = (await a.ask<{ token: string }>('POST', `/stations/${station.id}/token`)).body;
    const post = async (server: Server) =>
      (
        await fetch(`${server.address}/api/v1/stations/${station.id}/readings`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', authorization: `Bearer ${token}` },
          body: JSON.stringify({ readings: [{ at: new Date(NOON).toISOString(), airC: 12, rhPercent: 70 }] }),
        })
      ).status;
    const statuses: number[] = [];
    for (let i = 0; i < 13; i++) statuses.push(await post(i % 2 ? a : b));
    expect(statuses).toEqual([...Array<number>(12).fill(200), 429]);
  });
  it('writers on both at once: nothing lost, nothing doubled, both show the same', async () => {
    const [a, b] = [one as Server, other as Server];
    const boat = (await a.ask<Boat>('POST', '/boats', aBoat({ name: 'Busy' }))).body;
    const areas = Array.from({ length: 30 }, (_, i) => anArea(boat.id, { name: `Area ${i}` }));
    const answers = await Promise.all(areas.map((area, i) => (i % 2 ? a : b).ask('POST', '/areas', area)));
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([201]));
    const shown = await Promise.all(
      [a, b].map(async (server) =>
        (await server.ask<BoatView>('GET', `/boats/${boat.id}`)).body.areas.map(({ id }) => id).sort(),
      ),
    );
    expect(shown[0]).toEqual(areas.map(({ id }) => id).sort());
    expect(shown[1]).toEqual(shown[0]);
  });
});
