import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aBoat, aCoat, anArea, aPlannedArea, aStep, HOUR, NOON, weatherCsv } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type {
  Area,
  BenchView,
  BoardView,
  BoatView,
  LogView,
  Problem,
  ProblemKind,
  StackView,
} from '../contract/index.ts';

let now = NOON;
let server: Awaited<ReturnType<typeof yardServer>>;
beforeAll(async () => {
  server = await yardServer(() => now);
  await server.ask('POST', '/weather', {
    csv: weatherCsv(NOON - 48 * HOUR, 30 * 24, () => 20),
    mode: 'import',
  });
});
afterAll(() => server.stop());

interface Described {
  paths: Record<
    string,
    Record<string, { requestBody?: { content: { 'application/json'?: { schema: object } } } }>
  >;
}
const described = async () => (await server.ask<Described>('GET', '/openapi.json')).body;

describe('the published description of the API', () => {
  it('every route it names is there: asked with nothing, none of them is unknown', async () => {
    const { paths } = await described();
    const routes = Object.entries(paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => [method.toUpperCase(), path] as const),
    );
    expect(routes.length).toBeGreaterThan(60);
    for (const [method, path] of routes) {
      if (path === '/events') continue;
      const url = path.replace(/\{\w+\}/g, () => uuidv7());
      const answer = await fetch(`${server.address}/api/v1${url}`, {
        method,
        ...(method === 'GET' || method === 'DELETE'
          ? {}
          : { body: '{}', headers: { 'content-type': 'application/json' } }),
      });
      const isProblem = answer.headers.get('content-type')?.includes('problem+json')
        ? ((await answer.json()) as Problem).detail
        : '';
      expect([method, path, /No route found/.test(isProblem)]).toEqual([method, path, false]);
      expect([method, path, answer.status < 500]).toEqual([method, path, true]);
    }
  });
  it('a refusal names its kind, and the kinds are described where their type leads', async () => {
    const kinds = (await server.ask<ProblemKind[]>('GET', '/problems')).body;
    const refusals = await Promise.all([
      server.ask<Problem>('POST', '/boats', {}),
      server.ask<Problem>('GET', '/nowhere'),
      server.ask<Problem>('GET', `/boats/${uuidv7()}`),
      server.ask<Problem>('POST', `/stations/${uuidv7()}/readings`, {}),
    ]);
    const codes = refusals.map(({ body: { type, title } }) => {
      const [path, code] = type.split('#');
      expect(path).toBe('/api/v1/problems');
      expect(kinds.find((kind) => kind.code === code)?.title).toBe(title);
      return code;
    });
    expect(codes.slice(0, 3)).toEqual(['invalid-data', 'not-found', 'not-found']);
  });
  it('each body it describes is an object with every field it requires', async () => {
    const { paths } = await described();
    const bodies = Object.entries(paths).flatMap(([path, methods]) =>
      Object.values(methods).flatMap(({ requestBody }) =>
        requestBody?.content['application/json']
          ? [[path, requestBody.content['application/json'].schema] as const]
          : [],
      ),
    );
    expect(bodies.length).toBeGreaterThan(20);
    for (const [path, schema] of bodies) {
      const {
        type,
        properties = {},
        required = [],
      } = schema as {
        type: string;
        properties?: object;
        required?: string[];
      };
      expect([path, type]).toEqual([path, 'object']);
      expect([path, required.filter((field) => !(field in properties))]).toEqual([path, []]);
    }
  });
  it('a boat that is not there is a 404 on each of her pages, with a sentence', async () => {
    const gone = uuidv7();
    for (const page of ['', '/stacks', '/log', '/form', '/waterline', '/marks.csv', '/offsets.csv']) {
      const { status, body } = await server.problem('GET', `/boats/${gone}${page}`);
      expect([page, status, body.detail]).toEqual([page, 404, expect.stringContaining(gone)]);
    }
  });
});

describe('photographs', () => {
  const PNG = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2, 3]);
  const send = (boatId: string, id: string, bytes: Uint8Array, type = 'image/png') =>
    fetch(`${server.address}/api/v1/boats/${boatId}/photos/${id}`, {
      method: 'PUT',
      body: bytes as BodyInit,
      headers: { 'content-type': type },
    });
  it('are kept once, byte for byte, and never change under their address', async () => {
    const boat = aBoat();
    await server.ask('POST', '/boats', boat);
    const id = uuidv7();
    expect((await send(boat.id, id, PNG)).status).toBe(201);
    expect((await send(boat.id, id, PNG)).status).toBe(200);
    const answer = await fetch(`${server.address}/api/v1/photos/${id}`);
    expect(new Uint8Array(await answer.arrayBuffer())).toEqual(PNG);
    expect(answer.headers.get('content-type')).toBe('image/png');
    expect(answer.headers.get('cache-control')).toContain('immutable');
  });
  it('are pictures by their bytes, whatever they are called', async () => {
    const boat = aBoat();
    await server.ask('POST', '/boats', boat);
    const page = new TextEncoder().encode('<html>');
    const answer = await send(boat.id, uuidv7(), page);
    expect([answer.status, ((await answer.json()) as Problem).detail]).toEqual([
      415,
      'A photo must be a JPEG, PNG or WebP file of up to 12 MB.',
    ]);
    expect((await send(boat.id, uuidv7(), PNG, 'text/html')).status).toBe(415);
    expect((await send(uuidv7(), uuidv7(), PNG)).status).toBe(404);
  });
});

describe('work on an area and on what was cut out of it', () => {
  const work = (areaId: string, stepId: string, taskId: string, coatNo = 0) => ({
    id: uuidv7(),
    areaId,
    at: new Date(now).toISOString(),
    corrects: null,
    kind: 'work' as const,
    body: {
      stepId,
      coatNo,
      taskId,
      kind: 'sand' as const,
      amount: 120,
      note: '',
      outcome: 'done' as const,
      remark: '',
    },
  });
  it('sanding the whole does not sand the piece that was cut out before', async () => {
    now = NOON;
    const planned = await aPlannedArea(server);
    await server.ask('POST', '/log', aCoat(planned, NOON));
    now = NOON + 150 * HOUR;
    const part = {
      areaId: planned.area.id,
      kind: 'piece' as const,
      standId: null,
      sharesSystem: true,
      at: new Date(now).toISOString(),
    };
    const piece = anArea(planned.boat.id, { name: 'Piece', part });
    expect((await server.ask<Area>('POST', '/areas', piece)).status).toBe(201);
    const state = async (id: string) => (await server.ask<BenchView>('GET', `/bench/${id}`)).body.clock.state;
    expect([await state(planned.area.id), await state(piece.id)]).toEqual(['key-first', 'key-first']);
    await server.ask('POST', '/log', work(planned.area.id, planned.step.id, 'key', 1));
    expect([await state(planned.area.id), await state(piece.id)]).toEqual(['keyed', 'key-first']);
    await server.ask('POST', '/log', work(piece.id, planned.step.id, 'key', 1));
    expect(await state(piece.id)).toBe('keyed');
  });
  it('an area keyed leads no longer among those to be sanded, and stays open for good', async () => {
    now = NOON;
    const planned = await aPlannedArea(server);
    await server.ask('POST', '/log', aCoat(planned, NOON));
    now = NOON + 150 * HOUR;
    await server.ask('POST', '/log', work(planned.area.id, planned.step.id, 'key', 1));
    now = NOON + 400 * HOUR;
    const { body: board } = await server.ask<BoardView>('GET', '/board');
    expect(board.clocks.find(({ areaId }) => areaId === planned.area.id)).toMatchObject({
      state: 'keyed',
      until: null,
    });
    // Coated at last, the joint is by tooth, and the next window begins anew.
    await server.ask('POST', '/log', aCoat(planned, now, { coatNo: 1 }));
    const { body: stacks } = await server.ask<StackView[]>('GET', `/boats/${planned.boat.id}/stacks`);
    expect(stacks[0]?.bonds[planned.step.id]?.[1]).toEqual({ bond: 'keyed', fault: null });
    const { body: bench } = await server.ask<BenchView>('GET', `/bench/${planned.area.id}`);
    expect(bench.clock.state).toBe('too-soon');
    // Keying is asked for only once this window too has been missed.
    const [key] = bench.clock.work;
    expect([key?.taskId, key?.doneAt, Date.parse(key?.fromAt ?? '') > now]).toEqual(['key', null, true]);
  });
  it('a task taken out of the stack leaves its tick in the log, and nothing to do', async () => {
    now = NOON;
    const taskId = uuidv7();
    const before = [{ id: taskId, kind: 'sand' as const, amount: 120, note: '' }];
    const planned = await aPlannedArea(server, { before });
    await server.ask('POST', '/log', work(planned.area.id, planned.step.id, taskId));
    const steps = [{ ...planned.step, before: [] }];
    await server.ask('PUT', `/areas/${planned.area.id}/stack`, { version: 2, steps });
    const { body: bench } = await server.ask<BenchView>('GET', `/bench/${planned.area.id}`);
    expect(bench.clock.work).toEqual([]);
    const { body: log } = await server.ask<LogView>('GET', `/boats/${planned.boat.id}/log`);
    expect(log.entries.map(({ kind }) => kind)).toEqual(['work']);
  });
  it('a tick is corrected by a tick, and a coat cannot take its place', async () => {
    now = NOON;
    const planned = await aPlannedArea(server);
    const first = work(planned.area.id, planned.step.id, 'key');
    await server.ask('POST', '/log', first);
    const wrong = { ...aCoat(planned, NOON), corrects: first.id };
    expect((await server.problem('POST', '/log', wrong)).body.errors?.[0]?.message).toContain(
      'An entry of type coat can’t replace one of type work',
    );
    const again = { ...work(planned.area.id, planned.step.id, 'key'), corrects: first.id };
    expect((await server.ask('POST', '/log', again)).status).toBe(201);
  });
});

describe('the coldest and hottest that an area will see', () => {
  it('is that of the forecast through its surroundings: a heated shed knows no frost', async () => {
    now = NOON;
    const frost = weatherCsv(NOON + 24 * HOUR, 24, (hour) => (hour >= 2 && hour <= 8 ? -6 : 8));
    await server.ask('POST', '/weather', { csv: frost, mode: 'import' });
    const boat = aBoat();
    await server.ask('POST', '/boats', boat);
    const open = anArea(boat.id, { surroundings: { kind: 'shaded' } });
    const heated = anArea(boat.id, { name: 'Inside', surroundings: { kind: 'heated', setPointC: 16 } });
    for (const area of [open, heated]) await server.ask('POST', '/areas', area);
    const { body: stacks } = await server.ask<StackView[]>('GET', `/boats/${boat.id}/stacks`);
    const extremes = (id: string) => stacks.find(({ areaId }) => areaId === id)?.extremes;
    const coldest = (id: string) => extremes(id)?.coldest;
    // Skin and air come together once the frost has lasted; the sky takes a little more.
    expect(coldest(open.id)?.tempC).toBeLessThan(-5.9);
    expect(coldest(open.id)?.tempC).toBeGreaterThan(-8);
    expect(Date.parse(coldest(open.id)?.at ?? '')).toBe(NOON + 32 * HOUR);
    expect(coldest(heated.id)?.tempC).toBeCloseTo(16, 1);
    // A bottom looks down and gets no sun: no warmer than the air.
    expect(extremes(open.id)?.hottest.tempC).toBeCloseTo(20, 0);
  });
});

describe('a boat’s areas, counted once', () => {
  it('bands, patches and pieces never make more m² than were measured', async () => {
    now = NOON;
    const planned = await aPlannedArea(server, { coats: 1, band: { name: 'too large', areaM2: 90 } });
    const spot = anArea(planned.boat.id, {
      name: 'Spot',
      measures: [{ shape: { kind: 'rectangle', lengthM: 1, widthM: 2 }, count: 1, opening: false }],
      part: {
        areaId: planned.area.id,
        kind: 'spot',
        standId: null,
        sharesSystem: false,
        at: new Date(now).toISOString(),
      },
    });
    await server.ask('POST', '/areas', spot);
    await server.ask('PUT', `/areas/${spot.id}/stack`, { version: 1, steps: [aStep(planned.product.id)] });
    const { body: view } = await server.ask<BoatView>('GET', `/boats/${planned.boat.id}`);
    const m2 = Object.fromEntries(
      view.clocks.map(({ areaName, areaM2, next }) => [areaName, [areaM2, next?.areaM2]]),
    );
    expect(m2).toEqual({ Bottom: [18, 18], Spot: [2, 2] });
  });
});
