import { mkdtempSync, rmSync } from 'node:fs';
import os, { tmpdir } from 'node:os';
import path from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { layDemo } from '../demo/layDemo.ts';
import { projectRoot } from '../src/server/db/places.ts';
import { start } from '../src/server/start.ts';
import { firstPaintBytes } from '../test/firstPaint.ts';
import { startsOfTenDays, surfacesOfASeason, windowsOfASeason } from './clocks.ts';
import { grow } from './grow.ts';
import { largeMesh } from './mesh.ts';
import { needOfAYard } from './need.ts';
import { packsOfThirtyProducts } from './packs.ts';
import { p95, say } from './say.ts';

/** The budgets of the design, part 5, that can be measured so far. Prints the machine and each figure beside its budget. */

async function boardOfALargeYard(): Promise<void> {
  const folder = path.join(mkdtempSync(path.join(tmpdir(), 'jack-plane-bench-')), 'data');
  const web = path.join(projectRoot(), 'dist/web');
  const first = await start({
    folder,
    port: 0,
    webFolder: web,
    quiet: true,
    prepare: (db) => layDemo(db, { folder: null, now: Date.now() }),
  });
  await grow(first.db);
  await first.stop();
  const from = performance.now();
  const server = await start({ folder, port: 0, webFolder: web, quiet: true });
  say(
    'server up on existing data (200 boats, 20 000 entries)',
    `${((performance.now() - from) / 1000).toFixed(1)} s`,
    '3 s',
  );
  const board = (await (await fetch(`${server.address}/api/v1/board`)).json()) as {
    clocks: { areaId: string; boatId: string }[];
  };
  const { areaId, boatId } = board.clocks[0] as { areaId: string; boatId: string };
  const screens = [
    '/board',
    `/boats/${boatId}`,
    `/boats/${boatId}/stacks`,
    `/bench/${areaId}`,
    `/areas/${areaId}/clock`,
    `/boats/${boatId}/log`,
    '/products',
    '/weather',
    '/materials',
    `/materials?boatId=${boatId}`,
    '/buying',
    '/lots',
    '/movements',
    `/boats/${boatId}/costs`,
  ];
  for (const screen of screens) {
    const times: number[] = [];
    for (let i = 0; i < 40; i++) {
      const began = performance.now();
      await (await fetch(`${server.address}/api/v1${screen}`)).arrayBuffer();
      if (i >= 5) times.push(performance.now() - began);
    }
    say(`GET ${screen.replace(/[0-9a-f-]{36}/, ':id')}, p95`, `${p95(times).toFixed(1)} ms`, '50 ms');
  }
  await afterEveryWrite(server.address, screens, areaId);
  await sideBySide(server.address);
  await server.stop();
  rmSync(path.dirname(folder), { recursive: true, force: true });
}

/** The first answer of any screen after each kind of write, and the writes themselves. */
async function afterEveryWrite(address: string, screens: readonly string[], areaId: string): Promise<void> {
  const ask = async (method: string, route: string, body?: object) => {
    const response = await fetch(`${address}/api/v1${route}`, {
      method,
      ...(body && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
    if (!response.ok) throw new Error(`${method} ${route}: ${response.status} ${await response.text()}`);
    return (await response.json()) as Record<string, unknown> & { version: number };
  };
  const note = () =>
    ask('POST', '/log', {
      id: uuidv7(),
      areaId,
      at: new Date().toISOString(),
      corrects: null,
      kind: 'note',
      body: { text: 'measured' },
    });
  const changed = async (route: string, over: (n: number) => object) => {
    const { archived: _a, demo: _d, ...record } = await ask('GET', route);
    if (route === '/yard') delete record.id;
    return ask('PUT', route, { ...record, ...over(record.version) });
  };
  const products = (await ask('GET', '/products')) as unknown as { id: string }[];
  const { lots } = (await ask('GET', '/lots')) as unknown as { lots: { id: string }[] };
  const moved = () =>
    ask('POST', '/movements', {
      id: uuidv7(),
      lotId: lots[0]?.id,
      kind: 'used',
      amount: 0.01,
      at: new Date().toISOString(),
      areaId: null,
      note: '',
      corrects: null,
    });
  const writes: [string, () => Promise<unknown>, rounds: number][] = [
    ['an entry', note, 30],
    ['a movement', moved, 20],
    ['an area', () => changed(`/areas/${areaId}`, (n) => ({ note: `round ${n}` })), 10],
    ['a sheet', () => changed(`/products/${products[0]?.id}`, () => ({})), 6],
    ['the yard', () => changed('/yard', (n) => ({ latitude: 50 + (n % 10) / 10 })), 4],
    ['the air', () => ask('POST', '/weather/stand-in', { days: 10 }), 4],
  ];
  for (const [what, write, rounds] of writes) {
    const [took, next]: [number[], number[]] = [[], []];
    for (let i = 0; i < rounds; i++) {
      let began = performance.now();
      await write();
      took.push(performance.now() - began);
      for (const screen of screens) {
        began = performance.now();
        await (await fetch(`${address}/api/v1${screen}`)).arrayBuffer();
        next.push(performance.now() - began);
      }
    }
    say(`write of ${what}, p95`, `${p95(took).toFixed(1)} ms`, what === 'an entry' ? '50 ms' : 'none set');
    say(`  next GET of any screen after it, p95`, `${p95(next).toFixed(1)} ms`, '50 ms');
  }
}

/** Twenty connections asking for the board at once, again and again. */
async function sideBySide(address: string): Promise<void> {
  const times: number[] = [];
  const asker = async () => {
    for (let i = 0; i < 10; i++) {
      const began = performance.now();
      await (await fetch(`${address}/api/v1/board`)).arrayBuffer();
      if (i >= 2) times.push(performance.now() - began);
    }
  };
  await Promise.all(Array.from({ length: 20 }, asker));
  say('GET /board, 20 connections side by side, p95', `${p95(times).toFixed(0)} ms`, '250 ms');
}

console.log(
  `${os.cpus()[0]?.model ?? 'unknown processor'}, ${os.cpus().length} cores, Node ${process.version}`,
);
// First, while the heap is as empty as that of the worker it runs in.
await largeMesh();
windowsOfASeason();
startsOfTenDays();
surfacesOfASeason();
await packsOfThirtyProducts();
needOfAYard();
say('script for first paint, gzipped', `${Math.round(firstPaintBytes() / 1000)} kB`, '165 kB');
await boardOfALargeYard();
