import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { aBoat, aCoat, anArea, aPlannedArea, aProduct, HOUR, NOON, weatherCsv } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type {
  Area,
  BenchView,
  BoardView,
  BoatView,
  ClockDetail,
  LogView,
  Product,
  StackView,
  StripView,
  WeatherImported,
  Yard,
} from '../contract/index.ts';

let now = NOON;
let server: Awaited<ReturnType<typeof yardServer>>;
let planned: Awaited<ReturnType<typeof aPlannedArea>>;
const detail = async () => (await server.ask<ClockDetail>('GET', `/areas/${planned.area.id}/clock`)).body;
const minimum = (d: ClockDetail) =>
  Date.parse(d.clock.edges.find((e) => e.edge === 'overcoat-min')?.at ?? '');
const importAir = (from: number, hours: number, airC: (h: number) => number) =>
  server.ask<WeatherImported>('POST', '/weather', { csv: weatherCsv(from, hours, airC), mode: 'import' });

beforeEach(async () => {
  now = NOON;
  server = await yardServer(() => now);
  planned = await aPlannedArea(server);
  await importAir(NOON - 48 * HOUR, 24 * 9, () => 15);
  await server.ask('POST', '/log', aCoat(planned, NOON));
});
afterEach(() => server.stop());

describe('whatever moves a window is told with by how much', () => {
  it('an area moved under heat cures sooner', async () => {
    const before = minimum(await detail());
    const { version: _v, archived: _a, ...input } = planned.area;
    const surroundings = { kind: 'heated', setPointC: 20 };
    await server.ask('PUT', `/areas/${input.id}`, { ...input, surroundings, version: 1 });
    const after = await detail();
    // At 15 °C between 20 h at 10 °C and 10 h at 20 °C; at a heated 20 °C exactly 10 h.
    expect(minimum(after)).toBe(NOON + 10 * HOUR);
    const shift = after.shifts.find((s) => s.edge === 'overcoat-min');
    expect(shift).toMatchObject({ cause: 'Bottom was changed', beforeAt: new Date(before).toISOString() });
    expect(shift?.meanChangeC).toBeCloseTo(5, 6);
    // Its strip draws the air of the heated space.
    const { hours } = (await server.ask<StripView>('GET', `/strip?areaId=${input.id}`)).body;
    expect(new Set(hours.map(({ airC }) => airC))).toEqual(new Set([20]));
  });

  it('a corrected time of laying moves the window with it', async () => {
    const log = await server.ask<LogView>('GET', `/boats/${planned.boat.id}/log`);
    const first = log.body.entries[0];
    const before = minimum(await detail());
    await server.ask('POST', '/log', { ...aCoat(planned, NOON - 2 * HOUR), corrects: first?.id });
    expect(minimum(await detail())).toBe(before - 2 * HOUR);
  });

  it('a coat struck out leaves the area bare again; what was struck stays in the log', async () => {
    const log = await server.ask<LogView>('GET', `/boats/${planned.boat.id}/log`);
    const first = log.body.entries[0];
    const strike = {
      id: uuidv7(),
      areaId: planned.area.id,
      at: new Date(NOON).toISOString(),
      corrects: first?.id,
      kind: 'strike',
      body: { reason: 'wrong boat' },
    };
    expect((await server.ask('POST', '/log', strike)).status).toBe(201);
    expect((await detail()).clock).toMatchObject({ state: 'bare', film: null, next: { coatNo: 0 } });
    const after = await server.ask<LogView>('GET', `/boats/${planned.boat.id}/log`);
    expect(after.body.entries.map((e) => e.kind).sort()).toEqual(['coat', 'strike']);
  });

  it('a sheet made stricter does not touch the coat laid with the old one', async () => {
    const before = minimum(await detail());
    const { id, name, sheet } = planned.product;
    const slower = {
      ...sheet,
      cure: {
        ...sheet.cure,
        overcoat: sheet.cure.overcoat.map((r) => ({ ...r, min: [{ tempC: 20, minutes: 6000 }] })),
      },
    };
    expect(
      (await server.ask<Product>('PUT', `/products/${id}`, { id, name, sheet: slower, version: 1 })).body
        .version,
    ).toBe(2);
    expect(minimum(await detail())).toBe(before);
    const bench = await server.ask<BenchView>('GET', `/bench/${planned.area.id}`);
    expect(bench.body.product?.version).toBe(2);
  });

  it('air that changes nothing for a film moves nothing', async () => {
    const far = await importAir(NOON + 7 * 24 * HOUR, 5, () => 15);
    expect(far.body.shifts).toEqual([]);
  });

  it('an import that is only checked changes nothing', async () => {
    const before = minimum(await detail());
    const csv = weatherCsv(NOON, 24, () => 2);
    const checked = await server.ask<WeatherImported>('POST', '/weather', { csv, mode: 'check' });
    expect(checked.body).toMatchObject({ hours: 24, badRows: [], shifts: [] });
    expect(minimum(await detail())).toBe(before);
  });
});

describe('time passes', () => {
  it('the state follows the clock without a write, and the hour that was forecast becomes the hour that was measured', async () => {
    const opens = minimum(await detail());
    expect((await detail()).clock.state).toBe('too-soon');
    now = opens - 1;
    expect((await detail()).clock.state).toBe('too-soon');
    now = opens;
    expect((await detail()).clock.state).toBe('open');
    now = NOON + 119 * HOUR * 3;
    expect((await detail()).clock.state).toBe('key-first');
  });

  it('measured hours that come in later win over what was forecast for them', async () => {
    const before = minimum(await detail());
    now = NOON + 6 * HOUR;
    const late = await importAir(NOON, 6, () => 20);
    expect(late.body.shifts[0]).toMatchObject({ edge: 'overcoat-min', changedHours: 7 });
    expect(minimum(await detail())).toBeLessThan(before);
  });
});

describe('every screen sees a write at once', () => {
  it('the board, the boat, the stacks and the bench agree', async () => {
    await server.ask('POST', '/log', aCoat(planned, NOON, { coatNo: 1 }));
    const board = await server.ask<BoardView>('GET', '/board');
    const boat = await server.ask<BoatView>('GET', `/boats/${planned.boat.id}`);
    const stacks = await server.ask<StackView[]>('GET', `/boats/${planned.boat.id}/stacks`);
    const bench = await server.ask<BenchView>('GET', `/bench/${planned.area.id}`);
    expect(board.body.clocks[0]?.next?.coatNo).toBe(2);
    expect(boat.body.clocks[0]?.stepsDone).toBe(2);
    expect(stacks.body[0]?.applied[planned.step.id]).toBe(2);
    expect(bench.body.clock.next?.coatNo).toBe(2);
  });

  it('an area added, renamed, removed and brought back', async () => {
    const second = anArea(planned.boat.id, { name: 'Rudder', zone: 'rudder' });
    const made = await server.ask<Area>('POST', '/areas', second);
    const names = async () =>
      (await server.ask<BoatView>('GET', `/boats/${planned.boat.id}`)).body.areas.map((a) => a.name);
    expect(await names()).toEqual(['Bottom', 'Rudder']);
    await server.ask('PUT', `/areas/${second.id}`, {
      ...second,
      name: 'Rudder blade',
      version: made.body.version,
    });
    expect(await names()).toEqual(['Bottom', 'Rudder blade']);
    await server.ask('DELETE', `/areas/${second.id}`);
    expect(await names()).toEqual(['Bottom']);
    await server.ask('POST', `/areas/${second.id}/restore`);
    expect(await names()).toEqual(['Bottom', 'Rudder blade']);
  });

  it('a set of areas is made whole or not at all', async () => {
    const good = anArea(planned.boat.id, { name: 'Keel', zone: 'keel' });
    const bad = { ...anArea(planned.boat.id), name: '' };
    const path = `/boats/${planned.boat.id}/areas`;
    const refused = await server.problem('POST', path, { areas: [good, bad] });
    expect(refused.body.errors?.[0]).toMatchObject({
      path: 'areas.1.name',
      message: 'Area name is required',
    });
    expect((await server.problem('GET', `/areas/${good.id}`)).status).toBe(404);
    const other = anArea('01900000-0000-7000-8000-0000000000aa');
    expect((await server.problem('POST', path, { areas: [other] })).body.errors?.[0]?.message).toBe(
      'This area belongs to another boat',
    );
    expect((await server.ask('POST', path, { areas: [good] })).status).toBe(201);
    expect((await server.ask('POST', path, { areas: [good] })).status).toBe(201);
    const boat = await server.ask<BoatView>('GET', `/boats/${planned.boat.id}`);
    expect(boat.body.areas.filter((a) => a.name === 'Keel')).toHaveLength(1);
  });

  it('an area reckoned by rule alone carries the rule’s spread to its litres', async () => {
    const rough = anArea(planned.boat.id, {
      name: 'Deck',
      zone: 'deck',
      measures: [],
      estimates: [{ way: 'rule', areaM2: 18, spread: 0.15, basis: 'rule of thumb [T]' }],
    });
    await server.ask('POST', '/areas', rough);
    const bench = await server.ask<BenchView>('GET', `/bench/${rough.id}`);
    expect(bench.body.clock).toMatchObject({ areaM2: 18, spread: 0.15 });
  });

  it('a boat taken off the board takes her clocks along, and brings them back', async () => {
    await server.ask('DELETE', `/boats/${planned.boat.id}`);
    expect((await server.ask<BoardView>('GET', '/board')).body).toMatchObject({ boats: [], clocks: [] });
    await server.ask('POST', `/boats/${planned.boat.id}/restore`);
    expect((await server.ask<BoardView>('GET', '/board')).body.clocks).toHaveLength(1);
  });

  it('a write in the middle of a reading is not lost behind it', async () => {
    for (let i = 0; i < 5; i++) {
      const boat = aBoat({ name: `Hull ${i}` });
      const area = anArea(boat.id, { name: `Area ${i}` });
      await server.ask('POST', '/boats', boat);
      // The write to the boats has made the next look read everything anew, while an area is being written.
      await Promise.all([
        server.ask('GET', '/board'),
        server.ask('POST', '/areas', area),
        server.ask('GET', '/board'),
      ]);
      const seen = await server.ask<BoatView>('GET', `/boats/${boat.id}`);
      expect(seen.body.areas.map((a) => a.id)).toEqual([area.id]);
    }
  });

  it('a page that listens is told what changed', async () => {
    const stop = new AbortController();
    const response = await fetch(`${server.address}/api/v1/events`, { signal: stop.signal });
    const reader = response.body?.getReader();
    await reader?.read(); // the greeting
    const boat = aBoat();
    await server.ask('POST', '/boats', boat);
    const received = new TextDecoder().decode((await reader?.read())?.value);
    expect(received).toContain('event: change');
    expect(received).toContain(`{"of":"boat","boatId":"${boat.id}"}`);
    stop.abort();
  });
});

describe('the stack of an area', () => {
  it('is replaced as a whole, against its version', async () => {
    const path = `/areas/${planned.area.id}/stack`;
    const two = [planned.step, { ...planned.step, id: uuidv7(), coats: 2 }];
    expect((await server.ask<StackView>('PUT', path, { version: 2, steps: two })).body).toMatchObject({
      version: 3,
      steps: two,
    });
    const old = await server.problem('PUT', path, { version: 2, steps: [] });
    expect(old.status).toBe(409);
    expect((old.body.current as StackView).steps).toHaveLength(2);
  });

  it('knows its products, and takes no step twice', async () => {
    const path = `/areas/${planned.area.id}/stack`;
    const stranger = await server.problem('PUT', path, {
      version: 2,
      steps: [{ ...planned.step, productId: uuidv7() }],
    });
    expect(stranger.body.errors?.[0]).toMatchObject({ path: 'steps.0.productId' });
    const twice = await server.problem('PUT', path, { version: 2, steps: [planned.step, planned.step] });
    expect(twice.status).toBe(422);
    // The refused stack changed nothing.
    const stacks = await server.ask<StackView[]>('GET', `/boats/${planned.boat.id}/stacks`);
    expect(stacks.body[0]).toMatchObject({ version: 2, steps: [planned.step] });
  });
});

describe('the yard and its weather', () => {
  it('simulated air never takes the place of what was imported, and is told apart', async () => {
    await server.ask('POST', '/weather/stand-in', { days: 10 });
    const { body } = await server.ask<{ hours: { at: string; airC: number; simulated: boolean }[] }>(
      'GET',
      '/weather?back=14&ahead=10',
    );
    const own = body.hours.filter((h) => !h.simulated);
    expect(own).toHaveLength(24 * 9);
    expect(new Set(own.map((h) => h.airC))).toEqual(new Set([15]));
    expect(body.hours.some((h) => h.simulated)).toBe(true);
  });

  it('the same seed gives the same air', async () => {
    const other = await yardServer(() => now);
    try {
      for (const each of [server, other]) await each.ask('POST', '/weather/stand-in', { days: 16 });
      const far = async (each: typeof server) =>
        (
          await each.ask<{ hours: { at: string; airC: number }[] }>('GET', '/weather?back=0&ahead=16')
        ).body.hours.slice(-100);
      expect(await far(server)).toEqual(await far(other));
    } finally {
      await other.stop();
    }
  });

  it('what is exported is imported again without loss', async () => {
    const csv = await (await fetch(`${server.address}/api/v1/weather.csv`)).text();
    const before = (await server.ask('GET', '/weather?back=3&ahead=10')).body;
    const again = await server.ask<WeatherImported>('POST', '/weather', { csv, mode: 'import' });
    expect(again.body).toMatchObject({ hours: 24 * 9, badRows: [], shifts: [] });
    expect((await server.ask('GET', '/weather?back=3&ahead=10')).body).toEqual(before);
  });

  it('a zone nobody lives in and a place off the globe are refused', async () => {
    const { id: _i, demo: _d, ...yard } = (await server.ask<Yard>('GET', '/yard')).body;
    const zone = await server.problem('PUT', '/yard', { ...yard, zone: 'Atlantis/Harbour' });
    expect(zone.body.detail).toContain('Time zone “Atlantis/Harbour” doesn’t exist');
    const place = await server.problem('PUT', '/yard', { ...yard, latitude: 120 });
    expect(place.body.errors?.[0]?.message).toBe('Latitude (°) must be 66 or less, but is 120');
    expect((await server.ask('PUT', '/yard', { ...yard, name: 'North slip' })).body).toMatchObject({
      name: 'North slip',
      version: 2,
    });
  });
});

describe('an area without measures, air, or a window on the sheet', () => {
  it('says so instead of guessing', async () => {
    const empty = await yardServer(() => now);
    try {
      const boat = aBoat();
      const area = anArea(boat.id, { measures: [] });
      const product = aProduct({ cure: { stopC: null, events: {}, overcoat: [] } });
      const step = { ...planned.step, id: uuidv7(), productId: product.id };
      await empty.ask('POST', '/boats', boat);
      await empty.ask('POST', '/areas', area);
      await empty.ask('POST', '/products', product);
      const bench = async () => (await empty.ask<BenchView>('GET', `/bench/${area.id}`)).body;
      expect((await bench()).clock.state).toBe('no-system');
      await empty.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [step] });
      expect(await bench()).toMatchObject({
        litresForCoat: null,
        air: null,
        clock: { state: 'bare', areaM2: 0 },
      });
      const body = { ...aCoat(planned, NOON).body, stepId: step.id, productId: product.id };
      await empty.ask('POST', '/log', { ...aCoat(planned, NOON), areaId: area.id, body });
      expect((await bench()).clock.state).toBe('no-weather');
      await empty.ask('POST', '/weather', {
        csv: weatherCsv(NOON - 24 * HOUR, 72, () => 15),
        mode: 'import',
      });
      expect((await bench()).clock.state).toBe('not-stated');
    } finally {
      await empty.stop();
    }
  });
});
