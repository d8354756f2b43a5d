import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readlinkSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aBoat, aCoat, anArea, aPlannedArea, aProduct, HOUR, NOON, weatherCsv } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type {
  Area,
  BoardView,
  Entry,
  HullForm,
  LogView,
  Problem,
  WeatherImported,
} from '../contract/index.ts';
import { area as areaTable } from './db/schema.ts';
import { makeLogger, serializers } from './http/logger.ts';

let server: Awaited<ReturnType<typeof yardServer>>;
let planned: Awaited<ReturnType<typeof aPlannedArea>>;
beforeAll(async () => {
  server = await yardServer();
  planned = await aPlannedArea(server);
  await server.ask('POST', '/weather', { csv: weatherCsv(NOON - 24 * HOUR, 96, () => 20), mode: 'import' });
});
afterAll(() => server.stop());

const stand = (over: object = {}) => ({
  stand: {
    id: uuidv7(),
    boatId: planned.boat.id,
    name: 'Prop',
    kind: 'stand',
    side: 'port',
    xM: 3,
    zM: -0.5,
    lengthM: 0.2,
    widthM: 0.2,
    shiftOn: null,
    note: '',
    ...over,
  },
  patches: [{ id: uuidv7(), areaId: planned.area.id }],
});

describe('figures that no yard has are refused at the border', () => {
  const overcoat = (minutes: number) =>
    aProduct({
      cure: {
        stopC: 7,
        events: {},
        overcoat: [{ by: 'any', min: [{ tempC: 20, minutes }], chemicalMax: null, keyGrit: null }],
      },
    });
  it.each<[string, string, () => object, string]>([
    ['a stand 5e-324 m wide', '/stands', () => stand({ widthM: 5e-324 }), 'stand.widthM'],
    [
      'an overcoat time of 5e-324 minutes',
      '/products',
      () => overcoat(5e-324),
      'sheet.cure.overcoat.0.min.0.minutes',
    ],
    ['30 February', '/log', () => aCoat(planned, NOON, { endedAt: '2026-02-30T12:00:00Z' }), 'body.endedAt'],
    ['the year 0', '/log', () => ({ ...aCoat(planned, NOON), at: '0000-01-01T00:00:00Z' }), 'at'],
    ['a year below 0', '/log', () => ({ ...aCoat(planned, NOON), at: '-000001-01-01T00:00:00Z' }), 'at'],
    ['a day that is none', '/stands', () => stand({ shiftOn: '2026-04-31' }), 'stand.shiftOn'],
    ['NUL in a name', '/boats', () => aBoat({ name: 'a\u0000b' }), 'name'],
    ['half a character', '/boats', () => aBoat({ note: 'x\ud800y' }), 'note'],
  ])('%s', async (_what, route, make, field) => {
    const { status, body } = await server.problem('POST', route, make());
    expect([status, body.errors?.map(({ path: at }) => at)]).toEqual([422, [field]]);
  });
  it('a thinner of 1e-300 is none: where nothing is allowed, the noise of a sum is nothing', async () => {
    const { status, body } = await server.ask<Entry>(
      'POST',
      '/log',
      aCoat(planned, NOON, { thinner: 1e-300 }),
    );
    expect([status, body.body]).toEqual([201, expect.objectContaining({ thinner: 0 })]);
  });
  it('what cannot be printed in the words of a quote, which go into a document', async () => {
    const quote = { boatId: planned.boat.id, title: 'a\u0000b', intro: 'x\ud800y', closing: '', yardDays: 0, version: 0 }; // biome-ignore format: one line
    const { status, body } = await server.problem('PUT', `/boats/${planned.boat.id}/quote`, quote);
    expect([status, body.errors?.map(({ path: at }) => at)]).toEqual([422, ['title', 'intro']]);
  });
});

describe('one bad record takes nothing else down', () => {
  it('an area that cannot be worked out says so in its line; the others have their clocks', async () => {
    const bad = anArea(planned.boat.id, { name: 'Impossible' });
    await server.ask('POST', '/areas', bad);
    // As an earlier version, or somebody with the file, might have left it.
    const measures = [
      { shape: { kind: 'rectangle', lengthM: 5e-324, widthM: -1 }, count: 1, opening: false },
    ];
    await server.db.update(areaTable).set({ measures: measures as Area['measures'] });
    await server.touched([{ of: 'areas', boatId: planned.boat.id }]);
    const broken = (await server.ask<BoardView>('GET', '/board')).body.clocks;
    expect(broken.map(({ state }) => state)).toEqual(broken.map(() => 'failed'));
    expect(broken[0]?.failed).toMatch(/-1|5e-324|width|length/);
    await server.db.update(areaTable).set({ measures: planned.area.measures });
    await server.touched([{ of: 'areas', boatId: planned.boat.id }]);
    const mended = (await server.ask<BoardView>('GET', '/board')).body.clocks;
    expect(mended.some(({ state }) => state === 'failed')).toBe(false);
    await server.ask('DELETE', `/areas/${bad.id}`);
  });
});

describe('never a server error for what is sent', () => {
  const nested = (levels: number) => `${'{"a":'.repeat(levels)}1${'}'.repeat(levels)}`;
  const send = async (route: string, body: string, method = 'POST') => {
    const began = performance.now();
    const response = await fetch(`${server.address}/api/v1${route}`, {
      method,
      body,
      headers: { 'content-type': 'application/json' },
    });
    const problem = (await response.json()) as Problem;
    return { status: response.status, problem, ms: performance.now() - began };
  };
  it.each<[string, () => object | string]>([
    ['nesting of 8 000', () => nested(8000)],
    ['60 000 bad items', () => ({ areas: Array.from({ length: 60_000 }, () => ({})) })],
    ['2 400 000 ids', () => ({ areas: Array.from({ length: 1_200_000 }, () => 1) })],
    [
      '400 000 unknown keys',
      () => Object.fromEntries(Array.from({ length: 400_000 }, (_, i) => [`k${i}`, 1])),
    ],
  ])('%s: refused by name and limit, at once', async (_what, make) => {
    const made = make();
    const { status, problem } = await send(
      `/boats/${planned.boat.id}/areas`,
      typeof made === 'string' ? made : JSON.stringify(made),
    );
    expect([status, (problem.errors?.length ?? 0) <= 50]).toEqual([422, true]);
    expect(problem.detail).toMatch(/takes at most|nested deeper than/);
  });
  it('ids of other areas and stands, ids that are none, and paths that are none', async () => {
    const { body: elsewhere } = await server.ask<Area>(
      'POST',
      '/areas',
      anArea(planned.boat.id, { name: 'Else' }),
    );
    const stolen = { version: 1, steps: [planned.step] };
    expect(
      (await server.problem('PUT', `/areas/${elsewhere.id}/stack`, stolen)).body.errors?.[0]?.message,
    ).toBe('This step belongs to another area');
    const twice = stand();
    expect((await server.ask('POST', '/stands', twice)).status).toBe(201);
    const again = { ...stand(), patches: twice.patches };
    expect((await server.problem('POST', '/stands', again)).status).toBe(409);
    for (const route of [
      '/areas/7',
      '/log/%00',
      '/boats/..%2f..',
      '/photos/x',
      '/nothing/here',
      '/boats/%ff',
    ]) {
      const response = await fetch(`${server.address}/api/v1${route}`);
      expect([route, response.status < 500, response.headers.get('content-type')]).toEqual([
        route,
        true,
        expect.stringContaining('problem+json'),
      ]);
    }
  });
});

describe('files that would hold everybody up are read beside the server', () => {
  /** The longest that a light request waited while `work` went on, ms. */
  async function longestWait(work: () => Promise<unknown>): Promise<number> {
    let [longest, going] = [0, true];
    const watch = (async () => {
      while (going) {
        const began = performance.now();
        await fetch(`${server.address}/api/v1/yard`);
        longest = Math.max(longest, performance.now() - began);
      }
    })();
    await work();
    going = false;
    await watch;
    return longest;
  }
  it.each<[string, () => string, RegExp]>([
    [
      'weather: 90 000 rows within an hour',
      () => `time,air,rh\n${'2026-05-14T06:10Z,8,80\n'.repeat(90_000)}`,
      /^1 hours/,
    ],
    [
      'weather: 120 000 bad rows',
      () => `time,air,rh\n${'yesterday,8,80\n'.repeat(120_000)}`,
      /the maximum is|can’t be read/,
    ],
  ])('%s', async (_what, csv, expected) => {
    let answer = '';
    const ms = await longestWait(async () => {
      const { body } = await server.ask<WeatherImported & Problem>('POST', '/weather', {
        csv: csv(),
        mode: 'check',
      });
      answer = body.detail ?? `${body.hours} hours`;
    });
    expect(answer).toMatch(expected);
    // Against a standstill, no measure of speed: a fifth of a second is the aim (npm run bench).
    expect(ms).toBeLessThan(15_000);
  });
  it('a product file of 2 MB is refused in the thread, by its line', async () => {
    const { body } = await server.problem('POST', '/products/csv', {
      csv: `name,family,parts\n${`x,${' '.repeat(900)}y,z\n`.repeat(2000)}`.slice(0, 1_990_000),
    });
    expect(body.detail).toMatch(/the maximum is 500|[Ll]ine 2/);
  });
});

describe('what is said is done', () => {
  it('a known id with another body is refused everywhere; the same instant written otherwise is the same', async () => {
    const { boat, product, step } = planned;
    const template = { id: uuidv7(), name: 'Ours', steps: [step] };
    const finding = {
      id: uuidv7(),
      boatId: boat.id,
      areaId: null,
      at: '2026-05-14T12:00:00.000Z',
      kind: 'rust',
      value: null,
      grade: 'C',
      limit: null,
      place: null,
      photoIds: [],
      note: '',
    };
    for (const [route, body, other] of [
      ['/templates', template, { ...template, name: 'Theirs' }],
      ['/products', product, { ...product, name: 'Renamed' }],
      ['/findings', finding, { ...finding, note: 'other' }],
    ] as const) {
      await server.ask('POST', route, body);
      expect([route, (await server.ask('POST', route, body)).status]).toEqual([route, 200]);
      expect([route, (await server.problem('POST', route, other)).body.title]).toEqual([
        route,
        'Id already used',
      ]);
    }
    const inSummer = { ...finding, at: '2026-05-14T13:00:00+01:00' };
    expect((await server.ask('POST', '/findings', inSummer)).status).toBe(200);
    const coat = aCoat(planned, NOON, { coatNo: 2 });
    expect((await server.ask('POST', '/log', coat)).status).toBe(201);
    const withZone = { ...coat, body: { ...coat.body, endedAt: '2026-05-14T14:00+02:00' } };
    expect((await server.ask('POST', '/log', withZone)).status).toBe(200);
    // In a set of areas as well.
    const area = anArea(boat.id, { name: 'In a set' });
    const set = (over: object) =>
      server.ask('POST', `/boats/${boat.id}/areas`, { areas: [{ ...area, ...over }] });
    expect([(await set({})).status, (await set({})).status, (await set({ note: 'x' })).status]).toEqual([
      201, 201, 409,
    ]);
  });
  it('a write whose answer was lost takes once, however often it is sent', async () => {
    const { body: area } = await server.ask<Area>(
      'POST',
      '/areas',
      anArea(planned.boat.id, { name: 'Sent twice' }),
    );
    const { archived: _a, ...input } = area;
    const change = { ...input, note: 'weeps' };
    const put = () => server.ask<Area>('PUT', `/areas/${area.id}`, change);
    expect([(await put()).body.version, (await put()).body.version]).toEqual([2, 2]);
    // Another body against the version that is gone is still a conflict.
    expect((await server.problem('PUT', `/areas/${area.id}`, { ...change, note: 'dry' })).status).toBe(409);
  });
  it('a mesh’s file changes only with its record; nothing and JSON are no mesh', async () => {
    const boat = aBoat();
    await server.ask('POST', '/boats', boat);
    const file = `${server.address}/api/v1/boats/${boat.id}/mesh`;
    const put = (body: string, type = 'application/octet-stream') =>
      fetch(file, { method: 'PUT', body, headers: { 'content-type': type } });
    for (const [body, type] of [
      ['', 'application/octet-stream'],
      ['{"a":1}', 'application/json'],
      ['[1]', 'application/octet-stream'],
    ] as const) {
      expect([body, (await put(body, type)).status]).toEqual([body, 415]);
    }
    const table = {
      stationsM: [0, 1],
      waterlinesM: [0, 1],
      halfBreadthsM: [
        [0, 1],
        [0, 1],
      ],
    };
    const record = {
      fileName: '../../etc/scan.stl',
      bytes: 10,
      faces: 1,
      placement: { unit: 'm', up: '+z', bow: '+x', half: false, heelDeg: 0, trimDeg: 0, waterlineM: 0 },
      cuts: { topOfPaintM: 0, stripe: null, transomXM: null, keel: null, sheer: null, stationsM: [] },
      zones: [],
      hydrostatics: null,
      warnings: [],
      table,
    };
    const save = (version: number) =>
      server.ask('PUT', `/boats/${boat.id}/form`, { offsets: null, mesh: record, use: null, version });
    const kept = async () => (await fetch(file)).text();
    expect((await put('solid one')).status).toBe(204);
    expect((await fetch(file)).status).toBe(404);
    expect((await save(0)).status).toBe(200);
    expect(await kept()).toBe('solid one');
    expect((await put('solid two')).status).toBe(204);
    expect((await save(7)).status).toBe(409);
    expect(await kept()).toBe('solid one');
    expect((await save(1)).status).toBe(200);
    expect(await kept()).toBe('solid two');
    // A file sent meanwhile is not taken for the one that the record names; a hash nobody sent is refused.
    const three = (await put('solid three')).headers.get('etag')?.replaceAll('"', '');
    const two = await server.ask<{ form: HullForm }>('GET', `/boats/${boat.id}/form`);
    const { boatId: _b, meshKept: _m, ...named } = two.body.form;
    const saveNamed = (fileHash: string | undefined, version: number) =>
      server.ask('PUT', `/boats/${boat.id}/form`, { ...named, version, mesh: { ...named.mesh, fileHash } });
    expect((await saveNamed(named.mesh?.fileHash, 2)).status).toBe(200);
    expect(await kept()).toBe('solid two');
    expect((await saveNamed('0'.repeat(64), 3)).status).toBe(422);
    await put('solid three');
    expect((await saveNamed(three, 3)).status).toBe(200);
    expect(await kept()).toBe('solid three');
    // What is handed out goes by our name, not the sender's.
    expect((await fetch(file)).headers.get('content-disposition')).toBe(
      'attachment; filename="Test hull mesh.stl"',
    );
  });
  it('the log is given a page at a time, and no entry is lost between pages', async () => {
    const area = (await server.ask<Area>('POST', '/areas', anArea(planned.boat.id, { name: 'Noted' }))).body;
    const notes = Array.from({ length: 23 }, (_, i) => ({
      id: uuidv7(),
      areaId: area.id,
      at: new Date(NOON - Math.floor(i / 3) * HOUR).toISOString(),
      corrects: null,
      kind: 'note',
      body: { text: `note ${i}` },
    }));
    for (const note of notes) await server.ask('POST', '/log', note);
    const seen: Entry[] = [];
    let page = '';
    for (;;) {
      const { body } = await server.ask<LogView>('GET', `/boats/${planned.boat.id}/log?limit=5${page}`);
      seen.push(...body.entries);
      if (body.next === null) {
        expect(seen).toHaveLength(body.total);
        break;
      }
      page = `&before=${body.next}`;
    }
    expect(new Set(seen.map(({ id }) => id)).size).toBe(seen.length);
    expect(notes.every(({ id }) => seen.some((entry) => entry.id === id))).toBe(true);
  });
  it('a piece never shows a coat that was struck from the area it was cut out of', async () => {
    const own = await aPlannedArea(server);
    const coat = aCoat(own, NOON - 5 * HOUR);
    await server.ask('POST', '/log', coat);
    const part = { areaId: own.area.id, kind: 'piece' as const, standId: null, sharesSystem: true };
    const piece = anArea(own.boat.id, { name: 'Cut', part: { ...part, at: new Date(NOON).toISOString() } });
    await server.ask('POST', '/areas', piece);
    const film = async () =>
      (await server.ask<{ clock: { film: object | null } }>('GET', `/bench/${piece.id}`)).body.clock.film;
    expect(await film()).not.toBeNull();
    const strike = { id: uuidv7(), areaId: own.area.id, at: new Date(NOON).toISOString(), corrects: coat.id };
    await server.ask('POST', '/log', { ...strike, kind: 'strike', body: { reason: 'another boat' } });
    expect(await film()).toBeNull();
  });
});

describe('what goes out', () => {
  it('CSV runs nothing in a spreadsheet, and our own import reads it back unchanged', async () => {
    const evil = '=HYPERLINK("http://x")';
    const product = { ...aProduct({ note: '@SUM(A1)', cautions: '-2+3', resin: "'=kept" }), name: evil };
    const own = await yardServer();
    await own.ask('POST', '/products', product);
    const csv = await (await fetch(`${own.address}/api/v1/products.csv`)).text();
    const cells = csv.split(/[,\r\n]/).map((cell) => cell.replace(/^"/, ''));
    expect(cells.filter((cell) => /^[=@\t]|^[+-](?!\d+(\.\d+)?$)/.test(cell))).toEqual([]);
    const back = await own.ask<{ same: number }>('POST', '/products/csv', { csv });
    expect(back.body).toMatchObject({ same: 1, added: 0, changed: 0 });
    await own.stop();
  });
  it('files that are not there are 404, pages are pages, and asking for the head of the stream ends', async () => {
    const web = mkdtempSync(path.join(tmpdir(), 'jack-plane-web-'));
    mkdirSync(path.join(web, 'assets'));
    writeFileSync(path.join(web, 'index.html'), '<!doctype html><title>page</title>');
    writeFileSync(path.join(web, 'assets/a.js'), '1');
    const own = await yardServer(undefined, undefined, web);
    const status = async (route: string, method = 'GET') => {
      const response = await fetch(`${own.address}${route}`, { method });
      await response.arrayBuffer();
      return response.status;
    };
    expect([
      await status('/assets/a.js'),
      await status('/assets/gone.js'),
      await status('/gone.png'),
    ]).toEqual([200, 404, 404]);
    expect([await status('/boats/new'), await status('/api/v1/events', 'HEAD')]).toEqual([200, 200]);
    expect((await fetch(`${own.address}/assets/gone.js`)).headers.get('content-type')).toContain(
      'problem+json',
    );
    await own.stop();
    rmSync(web, { recursive: true });
  });
  it('of two pictures sent at once under one id one stands, whole, and the other is told', async () => {
    for (let round = 0; round < 6; round++) {
      const id = uuidv7();
      const pictures = [0, 1].map((tail) =>
        new Uint8Array(200_000).fill(tail).map((b, i) => [0xff, 0xd8, 0xff][i] ?? b),
      );
      const answers = await Promise.all(
        pictures.map((body) =>
          fetch(`${server.address}/api/v1/boats/${planned.boat.id}/photos/${id}`, {
            method: 'PUT',
            body,
            headers: { 'content-type': 'image/jpeg' },
          }),
        ),
      );
      expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
      const kept = new Uint8Array(await (await fetch(`${server.address}/api/v1/photos/${id}`)).arrayBuffer());
      expect(kept.at(-1)).toBe(answers[0]?.status === 201 ? 0 : 1);
      // The same picture again is the same.
      const again = await fetch(`${server.address}/api/v1/boats/${planned.boat.id}/photos/${id}`, {
        method: 'PUT',
        body: pictures[kept.at(-1) as number] as Uint8Array<ArrayBuffer>,
        headers: { 'content-type': 'image/jpeg' },
      });
      expect(again.status).toBe(200);
    }
  });
  it('whoever hangs up in the middle of a photograph leaves no file open', async () => {
    const photo = `${server.address}/api/v1/boats/${planned.boat.id}/photos/${uuidv7()}`;
    const body = new Uint8Array(11_000_000);
    body.set([0xff, 0xd8, 0xff]);
    await fetch(photo, { method: 'PUT', body, headers: { 'content-type': 'image/jpeg' } });
    const open = () =>
      readdirSync('/proc/self/fd').filter((fd) => {
        const file = `/proc/self/fd/${fd}`;
        return existsSync(file) && readlinkSync(file).includes('jack-plane-files-');
      }).length;
    const seen = photo.replace(/boats\/[^/]+\//, '');
    for (let i = 0; i < 5; i++) {
      const hangUp = new AbortController();
      const reader = (await fetch(seen, { signal: hangUp.signal })).body?.getReader();
      expect((await reader?.read())?.value?.length).toBeGreaterThan(0);
      hangUp.abort();
    }
    await expect.poll(open).toBe(0);
  });
  it('no line of the log holds what was sent, failed queries included', () => {
    const SECRET = 'mother of pearl';
    const lines: string[] = [];
    const log = makeLogger(false, { write: (line: string) => void lines.push(line) });
    // As the database layer tells of a query that failed: with everything the query was sent with.
    const failed = Object.assign(new Error(`Failed query: insert into boat\nparams: ${SECRET}`), {
      query: 'insert',
      params: [SECRET],
      cause: Object.assign(new Error(`invalid input: "${SECRET}"`), { code: '22P05', detail: SECRET }),
    });
    log.error(
      { err: failed, req: serializers.req({ method: 'GET', url: `/x?q=${SECRET}` }) },
      'request failed',
    );
    expect(lines.join()).toContain('22P05');
    expect(lines.join()).toContain('hostile.test.ts');
    expect(lines.join()).not.toContain(SECRET);
    // A calendar’s secret is in its address, however that is spelled.
    for (const spelled of ['calendars', 'Calendars', '%63alendars', '%2563alendars', 'calendar%73'])
      expect(serializers.req({ method: 'GET', url: `/api/v1/${spelled}/abc-secret` }).path).not.toContain(
        'abc-secret',
      );
    // A fault of ours says what it was and where.
    const fault: string[] = [];
    makeLogger(false, { write: (line: string) => void fault.push(line) }).error(
      { err: new TypeError('x is not a function') },
      'request failed',
    );
    expect(JSON.parse(fault[0] ?? '{}').err).toMatchObject({
      name: 'TypeError',
      message: 'x is not a function',
    });
    expect(fault.join()).toContain('hostile.test.ts');
  });
});
