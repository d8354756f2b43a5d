import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aBoat, aCoat, anArea, aPlannedArea, aProduct, HOUR, NOON } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type {
  Area,
  BenchView,
  BoatView,
  Finding,
  HullForm,
  LogView,
  Stand,
  Waterline,
} from '../contract/index.ts';
import { readOffsetsCsv } from '../contract/index.ts';
import { formFromDimensions, hydrostatics } from '../core/hull/index.ts';

let server: Awaited<ReturnType<typeof yardServer>>;
beforeAll(async () => {
  server = await yardServer();
});
afterAll(() => server.stop());

const view = async (boatId: string) => (await server.ask<BoatView>('GET', `/boats/${boatId}`)).body;
const clockOf = async (boatId: string, areaId: string) =>
  (await view(boatId)).clocks.find((clock) => clock.areaId === areaId);
const aStand = (boatId: string, over: Partial<Stand> = {}) => ({
  id: uuidv7(),
  boatId,
  name: 'Stand 1',
  kind: 'stand' as const,
  side: 'port' as const,
  xM: 3,
  zM: -0.4,
  lengthM: 0.5,
  widthM: 0.4,
  shiftOn: '2026-05-20',
  note: '',
  ...(over as object),
});

describe('a stand hides a patch', () => {
  it('which takes the system of its area, waits for the shift, and is bought for only once', async () => {
    const planned = await aPlannedArea(server);
    const { boat, area } = planned;
    const stand = aStand(boat.id);
    const patch = { id: uuidv7(), areaId: area.id };
    const sent = { stand, patches: [patch] };
    expect((await server.ask('POST', '/stands', sent)).status).toBe(201);
    expect((await server.ask('POST', '/stands', sent)).status).toBe(200);
    expect((await clockOf(boat.id, area.id))?.areaM2).toBeCloseTo(20 - 0.2, 9);
    expect(await clockOf(boat.id, patch.id)).toMatchObject({
      state: 'hidden',
      areaM2: 0.2,
      stepsAll: 3,
      hiddenBy: { name: 'Stand 1', shiftOn: '2026-05-20' },
    });
    // A coat on the whole area leaves the patch bare.
    await server.ask('POST', '/log', aCoat(planned, NOON - 3_600_000));
    await server.ask('POST', `/stands/${stand.id}/shift`);
    expect((await clockOf(boat.id, patch.id))?.state).toBe('bare');
    expect((await clockOf(boat.id, area.id))?.stepsDone).toBe(1);
    await server.ask('POST', `/stands/${stand.id}/put-back`);
    expect((await clockOf(boat.id, patch.id))?.state).toBe('hidden');
    // The system changes on the area, and with it on the patch; not on the patch itself.
    const refused = await server.problem('PUT', `/areas/${patch.id}/stack`, { version: 1, steps: [] });
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringContaining(
        'Bottom, under Stand 1 uses the system of the area it was split off from. Change the system there, or give Bottom, under Stand 1 its own system in the survey.',
      ),
    ]);
    await server.ask('DELETE', `/stands/${stand.id}`);
    expect(await clockOf(boat.id, patch.id)).toBeUndefined();
    expect((await clockOf(boat.id, area.id))?.areaM2).toBe(20);
    await server.ask('POST', `/stands/${stand.id}/restore`);
    expect((await clockOf(boat.id, patch.id))?.areaM2).toBe(0.2);
  });

  it('a patch of another boat, or of itself, is refused by field', async () => {
    const [one, two] = [aBoat(), aBoat()];
    const area = anArea(one.id);
    for (const boat of [one, two]) await server.ask('POST', '/boats', boat);
    await server.ask('POST', '/areas', area);
    const part = {
      areaId: area.id,
      kind: 'spot',
      standId: null,
      sharesSystem: true,
      at: new Date(NOON).toISOString(),
    };
    const foreign = await server.problem('POST', '/areas', { ...anArea(two.id), part });
    expect(foreign.body.errors).toEqual([{ path: 'part.areaId', message: 'No such area on this boat' }]);
    const self = await server.problem('PUT', `/areas/${area.id}`, { ...area, version: 1, part });
    expect(self.body.errors?.[0]?.message).toBe('An area can’t be split off from itself');
  });
});

describe('a spot and a piece', () => {
  it('a spot starts bare; a piece keeps the coats applied on the whole before it was cut', async () => {
    const planned = await aPlannedArea(server);
    const { boat, area } = planned;
    await server.ask('POST', '/log', aCoat(planned, NOON - 5 * 3_600_000));
    const part = (kind: 'spot' | 'piece') => ({
      areaId: area.id,
      kind,
      standId: null,
      sharesSystem: true,
      at: new Date(NOON).toISOString(),
    });
    const spot = anArea(boat.id, { name: 'Rust at station 4', part: part('spot') });
    spot.measures = [{ shape: { kind: 'circle', diameterM: 0.3 }, count: 1, opening: false }];
    const piece = anArea(boat.id, { name: 'Forward third', part: part('piece') });
    piece.measures = [{ shape: { kind: 'rectangle', lengthM: 3, widthM: 2 }, count: 1, opening: false }];
    for (const each of [spot, piece]) expect((await server.ask('POST', '/areas', each)).status).toBe(201);
    expect(await clockOf(boat.id, spot.id)).toMatchObject({ state: 'bare', stepsDone: 0 });
    expect(await clockOf(boat.id, piece.id)).toMatchObject({ stepsDone: 1, next: { coatNo: 1 } });
    expect((await clockOf(boat.id, area.id))?.areaM2).toBeCloseTo(20 - 6 - Math.PI * 0.0225, 6);
  });
});

describe('the leave-bare list', () => {
  it('is ticked for the days that tape holds, from coat to coat, and asks what became of the old line before the first', async () => {
    const planned = await aPlannedArea(server);
    const { boat, area, step } = planned;
    const anode = {
      id: uuidv7(),
      boatId: boat.id,
      areaId: area.id,
      kind: 'anode',
      name: 'Shaft anode',
      note: '',
    };
    const log = { ...anode, id: uuidv7(), areaId: null, kind: 'log', name: 'Log impeller' };
    for (const item of [anode, log]) expect((await server.ask('POST', '/bare-items', item)).status).toBe(201);
    const bench = async () => (await server.ask<BenchView>('GET', `/bench/${area.id}`)).body;
    expect((await bench()).bare.map((item) => [item.name, item.taped])).toEqual([
      ['Edges of the area', null],
      ['Log impeller', null],
      ['Shaft anode', null],
    ]);
    expect((await bench()).askOldLine).toBe(true);
    const tick = (on: boolean, at: number) =>
      server.ask('POST', '/log', {
        id: uuidv7(),
        areaId: area.id,
        at: new Date(at).toISOString(),
        corrects: null,
        kind: 'tape',
        body: { itemId: anode.id, name: anode.name, on, stepId: step.id, coatNo: 0 },
      });
    expect((await tick(true, NOON - 9000)).status).toBe(201);
    expect((await bench()).bare[2]?.taped).toBe(true);
    await server.ask('POST', '/log', aCoat(planned, NOON - 1000));
    expect((await bench()).bare[2]?.taped).toBe(true);
    await tick(false, NOON - 500);
    expect((await bench()).bare[2]?.taped).toBe(false);
    // Tape that was put on three days ago is no longer counted on.
    await tick(true, NOON - 72 * HOUR);
    const old = { ...anode, id: uuidv7(), name: 'Old tape' };
    await server.ask('POST', '/bare-items', old);
    await server.ask('POST', '/log', {
      id: uuidv7(),
      areaId: area.id,
      at: new Date(NOON - 72 * HOUR).toISOString(),
      corrects: null,
      kind: 'tape',
      body: { itemId: old.id, name: old.name, on: true, stepId: step.id, coatNo: 0 },
    });
    expect((await bench()).bare.find(({ name }) => name === 'Old tape')?.taped).toBeNull();
    expect((await bench()).askOldLine).toBe(false);
  });
});

describe('findings', () => {
  it('are judged by the core, corrected under a version, and carry a photograph', async () => {
    const boat = aBoat();
    await server.ask('POST', '/boats', boat);
    const photoId = uuidv7();
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    );
    const put = (body: Uint8Array, type: string) =>
      fetch(`${server.address}/api/v1/boats/${boat.id}/photos/${photoId}`, {
        method: 'PUT',
        body: body as BodyInit,
        headers: { 'content-type': type },
      });
    expect((await put(new TextEncoder().encode('<script>'), 'image/png')).status).toBe(415);
    expect((await put(png, 'image/png')).status).toBe(201);
    const shown = await fetch(`${server.address}/api/v1/photos/${photoId}`);
    expect([shown.headers.get('content-type'), Buffer.from(await shown.arrayBuffer()).equals(png)]).toEqual([
      'image/png',
      true,
    ]);
    const input = {
      id: uuidv7(),
      boatId: boat.id,
      areaId: null,
      at: new Date(NOON).toISOString(),
      kind: 'salt',
      value: 62,
      grade: null,
      limit: null,
      place: { xM: 4, zM: -0.3, side: 'port' },
      photoIds: [photoId],
      note: '',
    };
    const made = await server.ask<Finding>('POST', '/findings', input);
    expect(made.body).toMatchObject({
      verdict: 'bad',
      reason: expect.stringContaining(
        '62 mg/m² is above the limit of 50 (IMO PSPC for immersed steel). Wash and test again.',
      ),
    });
    const bad = await server.problem('POST', '/findings', {
      ...input,
      id: uuidv7(),
      kind: 'adhesion',
      value: 7,
    });
    expect(bad.body.errors).toEqual([
      { path: 'value', message: 'Adhesion grade must be between 0 and 5, but is 7' },
    ]);
    const changed = await server.ask<Finding>('PUT', `/findings/${input.id}`, {
      ...input,
      value: 30,
      version: 1,
    });
    expect(changed.body).toMatchObject({ verdict: 'fine', version: 2 });
    const late = await server.problem('PUT', `/findings/${input.id}`, { ...input, value: 31, version: 1 });
    expect([late.status, late.body.changed]).toEqual([409, ['value']]);
    expect((await view(boat.id)).findings).toHaveLength(1);
  });
});

describe('the hull form', () => {
  it('comes out as CSV and goes in again equal; a bad table is refused by its cell', async () => {
    const boat = aBoat();
    await server.ask('POST', '/boats', boat);
    const csv = await (await fetch(`${server.address}/api/v1/boats/${boat.id}/offsets.csv`)).text();
    const table = readOffsetsCsv(csv);
    const ours = formFromDimensions(boat);
    expect(hydrostatics({ table }).volumeM3).toBeCloseTo(hydrostatics({ table: ours }).volumeM3, 9);
    const form = { offsets: table, mesh: null, use: null, version: 0 };
    const saved = await server.ask<HullForm>('PUT', `/boats/${boat.id}/form`, form);
    expect([saved.status, saved.body.version]).toEqual([200, 1]);
    expect((await view(boat.id)).formSource).toBe('offsets');
    expect((await view(boat.id)).form).toEqual(table);
    const wrong = structuredClone(table) as { halfBreadthsM: (number | null)[][] } & typeof table;
    (wrong.halfBreadthsM[2] as number[])[3] = -1;
    const refused = await server.problem('PUT', `/boats/${boat.id}/form`, {
      ...form,
      offsets: wrong,
      version: 1,
    });
    expect(refused.body.errors?.[0]).toEqual({
      path: 'offsets.halfBreadthsM.2.3',
      message: 'Half-breadth (m) must be 0 or more, but is -1',
    });
  });

  it('the mesh file is kept whole, or not at all', async () => {
    const boat = aBoat();
    await server.ask('POST', '/boats', boat);
    const url = `${server.address}/api/v1/boats/${boat.id}/mesh`;
    const bytes = new Uint8Array(300_000).map((_, i) => i % 251);
    expect((await fetch(url, { method: 'PUT', body: bytes })).status).toBe(204);
    // Without a record of how it lies there is nothing to hand out yet.
    expect((await fetch(url)).status).toBe(404);
    const tooLarge = await fetch(url, {
      method: 'PUT',
      body: new Uint8Array(1),
      headers: { 'content-length': '1' },
    });
    expect(tooLarge.status).toBe(204);
  });
});

describe('the waterline', () => {
  it('is kept mark by mark, struck when there are enough, and its stripe becomes an area', async () => {
    const boat = aBoat();
    await server.ask('POST', '/boats', boat);
    const plan = (await server.ask<Waterline>('GET', `/boats/${boat.id}/waterline`)).body;
    const { boatId: _b, ...input } = plan;
    const mark = (side: string, xM: number, readingMm: number) => ({
      id: uuidv7(),
      name: '',
      kind: 'line',
      side,
      xM,
      yM: null,
      readingMm,
      aboveLineMm: 0,
    });
    const one = { ...input, marks: [mark('port', 2, 1000)] };
    expect((await server.ask('PUT', `/boats/${boat.id}/waterline`, one)).status).toBe(200);
    const sheet = `${server.address}/api/v1/boats/${boat.id}/mark-sheet`;
    expect((await fetch(`${sheet}.csv`)).status).toBe(409);
    const marks = [mark('port', 2, 1000), mark('port', 7, 1100), mark('starboard', 4, 1040)];
    const three = await server.ask<Waterline>('PUT', `/boats/${boat.id}/waterline`, {
      ...input,
      marks,
      version: 1,
    });
    expect([three.status, three.body.version]).toEqual([200, 2]);
    const csv = await (await fetch(`${sheet}.csv`)).text();
    expect(csv.split('\r\n')[1]).toMatch(/^port,\d/);
    const pdf = await fetch(`${sheet}.pdf`);
    expect((await pdf.text()).slice(0, 5)).toBe('%PDF-');
    const { areas } = await view(boat.id);
    const stripe = areas.find((area) => area.zone === 'boot-stripe') as Area;
    expect(stripe.estimates[0]).toMatchObject({ way: 'rule', spread: 0.15 });
    // About twice the length times 60 mm.
    expect(stripe.estimates[0]?.areaM2).toBeGreaterThan(0.9);
    expect(stripe.estimates[0]?.areaM2).toBeLessThan(1.4);
    const beyond = await server.problem('PUT', `/boats/${boat.id}/waterline`, {
      ...input,
      marks: [...marks, mark('port', 14, 1000)],
      version: 2,
    });
    expect(beyond.body.detail).toContain(
      'Mark 4: place along the boat (m) must be within the hull (0.00–9.00 m) at a height on the hull, but is 14',
    );
  });
});

describe('the rules at the border', () => {
  const epoxyLast = (planned: Awaited<ReturnType<typeof aPlannedArea>>, overrule: unknown = null) => ({
    ...planned.step,
    id: uuidv7(),
    overrule,
  });
  it('a "no" is refused with its reason, and taken with one of the user’s own, which stands on the record', async () => {
    const planned = await aPlannedArea(server);
    const { area, boat } = planned;
    await server.ask('PUT', `/areas/${area.id}`, {
      ...anArea(boat.id),
      id: area.id,
      version: 1,
      service: 'daylight',
    });
    const put = (overrule: unknown) =>
      server.problem('PUT', `/areas/${area.id}/stack`, { version: 2, steps: [epoxyLast(planned, overrule)] });
    const refused = await put(null);
    expect([refused.status, refused.body.errors?.[0]]).toEqual([
      422,
      {
        path: 'steps.0.overrule',
        message: expect.stringContaining(
          'Epoxy chalks in sunlight. It’s fine in bilges, behind panels and under antifouling, but not as the last coat. To apply anyway, enter a reason. The reason is kept on record',
        ),
      },
    ]);
    expect(
      (await put({ ruleIds: ['epoxy-in-daylight'], reason: 'short' })).body.errors?.[0]?.message,
    ).toContain('Reason for applying anyway');
    expect((await put({ ruleIds: ['another-rule'], reason: 'a reason long enough' })).status).toBe(422);
    const reason = 'behind the awning, never in the sun';
    expect((await put({ ruleIds: ['epoxy-in-daylight'], reason })).status).toBe(200);
    const log = await server.ask<LogView>('GET', `/boats/${boat.id}/log`);
    expect(log.body.overruled).toEqual([
      { areaId: area.id, productName: 'Test epoxy', ruleIds: ['epoxy-in-daylight'], reason },
    ]);
  });

  it('one stack goes on several areas, all or none', async () => {
    const planned = await aPlannedArea(server);
    const { boat, area, step } = planned;
    const [one, two] = [anArea(boat.id, { name: 'One' }), anArea(boat.id, { name: 'Two' })];
    for (const each of [one, two]) await server.ask('POST', '/areas', each);
    await server.ask('POST', '/log', aCoat(planned, NOON - 3_600_000));
    const addSupport = (areaIds: string[]) =>
      server.problem('POST', `/boats/${boat.id}/stacks`, { areaIds, steps: [step] });
    const refused = await addSupport([one.id, area.id]);
    expect(refused.body.errors?.[0]).toEqual({
      path: 'areaIds.1',
      message: 'Bottom already has coats applied',
    });
    expect((await clockOf(boat.id, one.id))?.state).toBe('no-system');
    expect((await addSupport([one.id, two.id])).status).toBe(200);
    expect((await clockOf(boat.id, two.id))?.stepsAll).toBe(3);
  });

  it('a stack is kept under a name of one’s own, put away and brought back with its steps', async () => {
    const { step } = await aPlannedArea(server);
    const template = { id: uuidv7(), name: 'Our way', steps: [step] };
    expect((await server.ask('POST', '/templates', template)).status).toBe(201);
    expect((await server.ask('POST', '/templates', template)).status).toBe(200);
    const kept = async () => (await server.ask('GET', '/templates')).body;
    expect(await kept()).toEqual([template]);
    await server.ask('DELETE', `/templates/${template.id}`);
    expect(await kept()).toEqual([]);
    await server.ask('POST', `/templates/${template.id}/restore`);
    expect(await kept()).toEqual([template]);
    const unnamed = await server.problem('POST', '/templates', { ...template, id: uuidv7(), name: '' });
    expect(unnamed.body.errors?.[0]?.path).toBe('name');
  });

  it('high wear takes its extra coats, the signal coat its colour', async () => {
    const planned = await aPlannedArea(server);
    const { boat, area, step } = planned;
    const own = { ...step, id: uuidv7(), extraCoats: 2, signal: 'white', colours: ['grey'] };
    await server.ask('PUT', `/areas/${area.id}/stack`, { version: 2, steps: [own] });
    expect(await clockOf(boat.id, area.id)).toMatchObject({ stepsAll: 3, next: { colour: 'white' } });
    await server.ask('PUT', `/areas/${area.id}`, {
      ...anArea(boat.id),
      id: area.id,
      version: 1,
      highWear: true,
    });
    expect(await clockOf(boat.id, area.id)).toMatchObject({ stepsAll: 5, next: { coats: 5 } });
  });
});

describe('blasted steel', () => {
  it('waits four hours for its primer, and the first coat ends the wait', async () => {
    const planned = await aPlannedArea(server);
    const { boat, area } = planned;
    const at = NOON - 30 * 60_000;
    const blasted = await server.ask('POST', '/log', {
      id: uuidv7(),
      areaId: area.id,
      at: new Date(at).toISOString(),
      corrects: null,
      kind: 'blast',
      body: { holdsHours: 4 },
    });
    expect(blasted.status).toBe(201);
    const due = new Date(at + 4 * 3_600_000).toISOString();
    expect(await clockOf(boat.id, area.id)).toMatchObject({ state: 'bare', primeBy: due, until: due });
    await server.ask('POST', '/log', aCoat(planned, NOON + 30 * 60_000, {}));
    expect(await clockOf(boat.id, area.id)).toMatchObject({ primeBy: null });
  });
});

describe('sheets from a file', () => {
  it('are taken all or none: new ones, next versions, and those that are as they were', async () => {
    const own = await yardServer();
    await own.ask('POST', '/products', aProduct());
    const csv = await (await fetch(`${own.address}/api/v1/products.csv`)).text();
    type Count = { added: number; changed: number; same: number };
    const again = await own.ask<Count>('POST', '/products/csv', { csv });
    expect([again.status, again.body.added, again.body.changed]).toEqual([200, 0, 0]);
    const [head = '', first = ''] = csv.split('\r\n');
    const renamed = first.replace(/^[^,]*/, 'Test from file');
    const two = await own.ask<Count>('POST', '/products/csv', { csv: `${head}\n${renamed}` });
    expect(two.body).toMatchObject({ added: 1 });
    const thicker = renamed.replace(',50,100,150,', ',50,100,160,');
    expect(
      (await own.ask<Count>('POST', '/products/csv', { csv: `${head}\n${thicker}` })).body,
    ).toMatchObject({
      changed: 1,
    });
    const bad = renamed.replace(/^Test from file/, 'Half a sheet').replace(',50,100,150,', ',150,100,50,');
    const refused = await own.problem('POST', '/products/csv', { csv: `${head}\n${bad}` });
    expect(refused.body.errors?.[0]?.message).toContain(
      'line 2, Half a sheet: Dry film per coat must run from minimum to typical to maximum, but is 150, 100, 50 µm',
    );
    await own.stop();
  });
});
