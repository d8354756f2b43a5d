import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aBoat, aCoat, aLot, anArea, aPlannedArea, HOUR, NOON, weatherCsv } from '../../test/examples.ts';
import { startPostgres } from '../../test/postgres.ts';
import { post, running, type ServerProcess } from '../../test/serverProcess.ts';
import { yardServer } from '../../test/yardServer.ts';
import type { Boat, BoatView, LogView, StockView, WeatherView } from '../contract/index.ts';

import { projectRoot } from './db/places.ts';
import { start } from './start.ts';

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
    expect((await b.ask<StockView>('GET', '/lots')).body.lots).toHaveLength(1);
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
      const { archived: _, ...kept } = (made[0] as { body: unknown }).body as Boat & { archived: boolean };
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

describe('three processes of the built server', () => {
  it('one killed in the middle of 200 writes: nothing acknowledged is lost, none doubled, the others up to date at once', async () => {
    const env = { DATABASE_URL: await postgres.database() };
    const servers = await Promise.all([1, 2, 3].map(() => running('/nowhere', [], env)));
    try {
      const boats = Array.from({ length: 200 }, () => aBoat({ name: 'Written once' }));
      const acknowledged: string[] = [];
      let left = [...boats];
      let alive = servers;
      /** A client goes on with another process when its own is gone, and sends again what was not answered. */
      const client = async (own: number) => {
        for (let boat = left.shift(); boat; boat = left.shift()) {
          for (let tries = 0; ; tries++) {
            const server = alive[(own + tries) % alive.length] as ServerProcess;
            const answer = await post(server.address, '/boats', boat).catch(() => null);
            if (answer && answer.status < 300) break;
            if (tries > 20) throw new Error(`not taken: ${answer?.status}`);
          }
          acknowledged.push(boat.id);
          if (acknowledged.length === 60) {
            void servers[0]?.end('SIGKILL');
            alive = servers.slice(1);
          }
        }
      };
      await Promise.all([client(0), client(1), client(2)]);
      left = [];
      expect(acknowledged).toHaveLength(200);
      const shown = await Promise.all(
        alive.map(async ({ address }) =>
          ((await (await fetch(`${address}/api/v1/boats`)).json()) as Boat[]).map(({ id }) => id),
        ),
      );
      for (const ids of shown) expect(ids.sort()).toEqual(boats.map(({ id }) => id).sort());
      const board = await Promise.all(
        alive.map(
          async ({ address }) =>
            ((await (await fetch(`${address}/api/v1/board`)).json()) as { boats: Boat[] }).boats.length,
        ),
      );
      expect(board).toEqual([200, 200]);
    } finally {
      await Promise.all(servers.map((server) => server.end('SIGKILL')));
    }
  });
});

describe('a yard moves', () => {
  it('from a folder to a server and back, every row and file equal; never over another yard', async () => {
    const home = mkdtempSync(path.join(tmpdir(), 'jack-plane-move-'));
    const [there, back] = [path.join(home, 'there'), path.join(home, 'back')];
    const url = await postgres.database();
    const move = (...args: string[]) =>
      spawnSync(process.execPath, [path.join(projectRoot(), 'dist/server/move.js'), ...args], {
        encoding: 'utf8',
      });
    try {
      const server = await start({
        folder: there,
        port: 0,
        webFolder: '/nowhere',
        quiet: true,
        now: () => NOON,
      });
      const ask = async (method: string, route: string, body: unknown) =>
        (
          await fetch(`${server.address}/api/v1${route}`, {
            method,
            body: JSON.stringify(body),
            headers: { 'content-type': 'application/json' },
          })
        ).json();
      const asks = {
        ask: async <T>(m: string, p: string, b?: unknown) => ({ status: 0, body: (await ask(m, p, b)) as T }),
      };
      await ask('POST', '/weather', { csv: weatherCsv(NOON - 60 * HOUR, 200, () => 20.1), mode: 'import' });
      const planned = await aPlannedArea(asks as never);
      const coat = aCoat(planned, NOON - 30 * HOUR);
      await ask('POST', '/log', coat);
      await ask('POST', '/log', { ...coat, id: uuidv7(), corrects: coat.id });
      const photo = uuidv7();
      await fetch(`${server.address}/api/v1/boats/${planned.boat.id}/photos/${photo}`, {
        method: 'PUT',
        body: jpeg(7),
        headers: { 'content-type': 'image/jpeg' },
      });
      const boatNames = async (address: string) =>
        Promise.all(
          [
            `/boats/${planned.boat.id}`,
            `/boats/${planned.boat.id}/log`,
            '/products',
            '/weather?back=5&ahead=5',
          ].map(async (route) => (await fetch(`${address}/api/v1${route}`)).text()),
        );
      const before = await boatNames(server.address);
      await server.stop();
      const out = move('--from', there, '--to', url);
      expect([out.status, out.stderr]).toEqual([0, '']);
      expect(out.stdout).toMatch(/Every table and file was compared and is equal/);
      const onServer = await yardServer(() => NOON, url);
      expect(await boatNames(onServer.address)).toEqual(before);
      expect(
        new Uint8Array(await (await fetch(`${onServer.address}/api/v1/photos/${photo}`)).arrayBuffer()),
      ).toEqual(jpeg(7));
      await onServer.stop();
      expect(move('--from', there, '--to', url).stderr).toMatch(/has a yard in it already/);
      expect([move('--from', url, '--to', back).status]).toEqual([0]);
      const again = await start({
        folder: back,
        port: 0,
        webFolder: '/nowhere',
        quiet: true,
        now: () => NOON,
      });
      expect(await boatNames(again.address)).toEqual(before);
      await again.stop();
    } finally {
      rmSync(home, { recursive: true, force: true });
    }
  });
});
