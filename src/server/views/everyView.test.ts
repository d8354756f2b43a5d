import fc from 'fast-check';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { cases } from '../../../test/cases.ts';
import { aBoat, aCoat, anArea, aPlannedArea, HOUR, NOON, weatherCsv } from '../../../test/examples.ts';
import { type MadeWrite, writesOf } from '../../../test/writes.ts';
import { yardServer } from '../../../test/yardServer.ts';
import type { Area, Boat, ChangeSet } from '../../contract/index.ts';
import { READS, staleKeys, type ViewName } from '../../contract/index.ts';
import type { Context } from '../context.ts';
import { YardSnapshots } from '../memory/yardSnapshots.ts';
import { benchView } from './bench.ts';
import { logView } from './log.ts';
import { todayView } from './today.ts';

/**
 * Random writes let loose on a yard: what memory answers is what a cold read finds, and no view changes that the write's
 * change set does not name. So neither a screen nor the table of what to ask for again can be forgotten.
 */
let server: Awaited<ReturnType<typeof yardServer>>;
let planned: Awaited<ReturnType<typeof aPlannedArea>>;
let other: Boat;
let piece: string;

beforeAll(async () => {
  server = await yardServer();
  await server.ask('POST', '/weather', { csv: weatherCsv(NOON - 99 * HOUR, 240, () => 20), mode: 'import' });
  planned = await aPlannedArea(server);
  other = (await server.ask<Boat>('POST', '/boats', aBoat({ name: 'Beside her' }))).body;
  await server.ask('POST', '/log', aCoat(planned, NOON - 30 * HOUR));
  const part = { areaId: planned.area.id, kind: 'piece' as const, standId: null, sharesSystem: true };
  const cut = anArea(planned.boat.id, {
    name: 'Piece of it',
    part: { ...part, at: new Date(NOON - 20 * HOUR).toISOString() },
    measures: [],
    estimates: [{ way: 'rule', areaM2: 3, spread: 0.1, basis: 'cut' }],
  });
  piece = (await server.ask<Area>('POST', '/areas', cut)).body.id;
  WRITES = writesOf(server, { planned, other, piece, noon: NOON });
});
afterAll(() => server.stop());

const get = async <T>(path: string) => (await server.ask<T>('GET', path)).body;

/** Addresses of every view, of both boats. */
const addresses = (): [ViewName, string | null, string][] => [
  ['yard', null, '/yard'],
  ['board', null, '/board'],
  ['boats', null, '/boats'],
  ...[planned.boat.id, other.id].flatMap((id): [ViewName, string | null, string][] => [
    ['boat', id, `/boats/${id}`],
    ['stacks', id, `/boats/${id}/stacks`],
    ['log', id, `/boats/${id}/log`],
    ['form', id, `/boats/${id}/form`],
    ['waterline', id, `/boats/${id}/waterline`],
  ]),
  ...[planned.area.id, piece].flatMap((id): [ViewName, string | null, string][] => [
    ['bench', null, `/bench/${id}`],
    ['clock', null, `/areas/${id}/clock`],
    ['strip', null, `/strip?areaId=${id}`],
  ]),
  ['today', null, '/today'],
  ['weather', null, '/weather'],
  ['strip', null, '/strip'],
  ['running', null, '/running'],
  ['products', null, '/products'],
  ['pace', null, `/products/${planned.product.id}/pace`],
  ['templates', null, '/templates'],
  ['materials', null, '/materials'],
  ['materials', null, `/materials?boatId=${planned.boat.id}`],
  ['buying', null, '/buying'],
  ['stock', null, '/lots'],
  ['movements', null, '/movements'],
  ['tins', null, `/products/${planned.product.id}/tins`],
  ['trade', null, '/trade'],
  ['workRates', null, '/work-rates'],
  ['costs', null, `/boats/${planned.boat.id}/costs`],
];
const everyView = async () =>
  Promise.all(
    addresses().map(async ([view, boatId, path]) => ({
      key: boatId === null ? view : `${view},${boatId}`,
      view,
      text: JSON.stringify(await get(path)),
    })),
  );

const plain = (reply: unknown) => JSON.parse(JSON.stringify(reply));

/** Writes by name; each makes one from a number. */
let WRITES: Record<string, MadeWrite>;

it('memory equals a cold read, and nothing changes unannounced, whatever is written', async () => {
  const writes = fc.array(fc.tuple(fc.constantFrom(...Object.keys(WRITES)), fc.nat(1000)), {
    minLength: 4,
    maxLength: 9,
  });
  await fc.assert(
    fc.asyncProperty(writes, async (plan) => {
      let before = await everyView();
      for (const [name, n] of plan) {
        const [method, path, body] = await (WRITES[name] as MadeWrite)(n);
        const response = await fetch(`${server.address}/api/v1${path}`, {
          method,
          ...(body === undefined
            ? {}
            : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
        });
        expect([name, response.status < 300]).toEqual([name, true]);
        const changes = JSON.parse(response.headers.get('x-changes') ?? '[]') as ChangeSet;
        const stale = new Set(staleKeys(changes).map(String));
        const after = await everyView();
        const changed = after.filter(({ text }, i) => text !== before[i]?.text);
        const missed = changed.filter(({ key, view }) => !stale.has(key) && !stale.has(view));
        expect([name, missed.map(({ key }) => key)]).toEqual([name, []]);
        before = after;
      }
      const [warm, cold] = [await server.memory.at(NOON), await new YardSnapshots(server.db).at(NOON)];
      const facts = ({ boats, clocks, states }: typeof warm) => ({
        boats: boats.map(({ boat, pots, shape }) => ({ boat, pots, shape })),
        clocks,
        states,
      });
      expect(JSON.stringify(facts(warm))).toBe(JSON.stringify(facts(cold)));
      // What is remembered of a log is what stands in it.
      const afresh = { db: server.db, memory: new YardSnapshots(server.db), now: () => NOON } as Context;
      const [id, area] = [planned.boat.id, planned.area.id];
      const otherPlace = { heatC: 16, watts: 2000, shell: null, outsideM2: null, airChangesPerH: null, litresPerH: 0, roomM3: 20 }; // biome-ignore format: one line
      expect(await get(`/boats/${id}/log`)).toEqual(plain(await logView(afresh, id, {})));
      const shown = new Set(warm.states.map((state) => state.area.id));
      for (const each of [area, piece].filter((areaId) => shown.has(areaId))) {
        const { bare, progress, session, paintedFrom, alike, tins } = await benchView(afresh, each, { safeHours: null, otherPlace }); // biome-ignore format: one line
        expect(await get(`/bench/${each}`)).toMatchObject(plain({ bare, progress, session, paintedFrom, alike, tins })); // biome-ignore format: one line
      }
      expect(await get('/today')).toEqual(plain(await todayView(afresh)));
    }),
    { numRuns: cases(2, 40), seed: 4870, endOnFailure: true },
  );
});

it('every kind of change is read by some view', () => {
  const kinds = [
    'yard',
    'weather',
    'products',
    'templates',
    'boat',
    'areas',
    'stacks',
    'log',
    'survey',
    'form',
    'waterline',
    'stock',
    'trade',
    'plan',
  ];
  const read = new Set(Object.values(READS).flat());
  expect(kinds.filter((kind) => !read.has(kind as never))).toEqual([]);
});

it('readers among writers see one yard: nothing of two states in one answer, nothing acknowledged missing', async () => {
  const bench = `/bench/${planned.area.id}`;
  type Named = { boat: Boat; clock: { boatName: string; areaName: string }; area: Area };
  let [acknowledged, writing] = [0, true];
  const named = (n: number) => `Renamed ${n}`;
  const numberOf = (name: string) => Number(/^Renamed (\d+)$/.exec(name)?.[1] ?? 0);
  const write = async () => {
    for (let n = 1; n <= 12; n++) {
      const { boat } = await get<{ boat: Boat }>(`/boats/${planned.boat.id}`);
      const { archived: _a, ...input } = { ...boat, name: named(n) };
      expect((await server.ask('PUT', `/boats/${planned.boat.id}`, input)).status).toBe(200);
      acknowledged = n;
      // Beside it what no boat is made of, so that snapshots follow each other while others are read.
      await server.ask('POST', '/templates', { id: uuidv7(), name: `Beside ${n}`, steps: [planned.step] });
    }
    writing = false;
  };
  const read = async () => {
    while (writing) {
      const least = acknowledged;
      const view = await get<Named>(bench);
      expect(view.clock.boatName).toBe(view.boat.name);
      expect(numberOf(view.boat.name)).toBeGreaterThanOrEqual(least);
      const { boat, clocks } = await get<{ boat: Boat; clocks: { boatName: string }[] }>(
        `/boats/${planned.boat.id}`,
      );
      expect(new Set(clocks.map(({ boatName }) => boatName))).toEqual(new Set([boat.name]));
    }
  };
  await Promise.all([write(), read(), read(), read()]);
  const [warm, cold] = [await server.memory.at(NOON), await new YardSnapshots(server.db).at(NOON)];
  expect(JSON.stringify(warm.clocks)).toBe(JSON.stringify(cold.clocks));
});

it('a snapshot never changes once it is handed out', async () => {
  const before = await server.memory.at(NOON);
  const asHandedOut = JSON.stringify([
    before.boats.map(({ boat }) => boat),
    before.clocks,
    before.stock.lots,
  ]);
  const [method, path, body] = await (WRITES.money as MadeWrite)(7);
  await server.ask(method, path, body);
  await server.ask('POST', '/log', aCoat(planned, NOON - 12 * HOUR));
  await server.memory.at(NOON);
  expect(JSON.stringify([before.boats.map(({ boat }) => boat), before.clocks, before.stock.lots])).toBe(
    asHandedOut,
  );
});
