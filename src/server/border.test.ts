import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aBoat, aCoat, anArea, aPlannedArea, aProduct, HOUR, NOON } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type { Entry, LogView } from '../contract/index.ts';

let server: Awaited<ReturnType<typeof yardServer>>;
let planned: Awaited<ReturnType<typeof aPlannedArea>>;

beforeAll(async () => {
  server = await yardServer();
  planned = await aPlannedArea(server);
});
afterAll(() => server.stop());

describe('wrong input is refused by field, value and limit', () => {
  const dims = aBoat().dimensions;
  const rect = (lengthM: unknown) => [
    { shape: { kind: 'rectangle', lengthM, widthM: 1 }, count: 1, opening: false },
  ];
  it.each<[string, string, () => object, string, string]>([
    [
      'a negative beam',
      '/boats',
      () => aBoat({ dimensions: { ...dims, beamM: -3 } }),
      'dimensions.beamM',
      'Beam (m) must be 0.1 or more, but is -3',
    ],
    [
      'a boat of 1e9 m',
      '/boats',
      () => aBoat({ dimensions: { ...dims, loaM: 1e9 } }),
      'dimensions.loaM',
      'Length overall (m) must be 120 or less, but is 1000000000',
    ],
    [
      'letters for a draught',
      '/boats',
      () => aBoat({ dimensions: { ...dims, draughtM: 'deep' as never } }),
      'dimensions.draughtM',
      'Draught (m) must be a number, but is “deep”',
    ],
    ['no name', '/boats', () => aBoat({ name: '' }), 'name', 'Boat name is required'],
    [
      'a waterline longer than the boat',
      '/boats',
      () => aBoat({ dimensions: { ...dims, lwlM: 10 } }),
      'dimensions',
      'Waterline length (10 m) can’t be more than length overall (9 m)',
    ],
    [
      'an unknown field',
      '/boats',
      () => ({ ...aBoat(), colour: 'red' }),
      'colour',
      'Colour isn’t a known field',
    ],
    [
      'a negative length',
      '/areas',
      () => ({ ...anArea(planned.boat.id), measures: rect(-2) }),
      'measures.0.shape.lengthM',
      'Length (m) must be 0.001 or more, but is -2',
    ],
    [
      'a ratio of 0 : 0',
      '/products',
      () =>
        aProduct({
          parts: [
            { name: 'base', ratio: 0, densityKgPerL: null },
            { name: 'hardener', ratio: 0, densityKgPerL: null },
          ],
        }),
      'sheet.parts.0.ratio',
      'Parts in the ratio must be 0.001 or more, but is 0',
    ],
    [
      'a table that is slower when hotter',
      '/products',
      () =>
        aProduct({
          potLife: [
            { tempC: 10, minutes: 60 },
            { tempC: 20, minutes: 90 },
          ],
        }),
      'sheet.potLife',
      'Pot life: 90 min at 20 °C is longer than at a lower temperature. Times must get shorter as temperature rises',
    ],
    [
      'RH 130',
      '/log',
      () => aCoat(planned, NOON, { conditions: { airC: 15, rh: 1.3, surfaceC: null, source: 'typed' } }),
      'body.conditions.rh',
      'Relative humidity must be 100 % or less, but is 130 %',
    ],
    [
      'an end before the start',
      '/log',
      () => aCoat(planned, NOON, { endedAt: new Date(NOON - 5 * HOUR).toISOString() }),
      'body.endedAt',
      'End time 2026-05-14T07:00:00.000Z is before start time 2026-05-14T11:00:00.000Z',
    ],
    ['a coat from the future', '/log', () => aCoat(planned, NOON + 9 * HOUR), 'at', 'is in the future'],
  ])('%s', async (_what, path, make, field, message) => {
    const { status, body } = await server.problem('POST', path, make());
    expect(status).toBe(422);
    const error = body.errors?.find((e) => e.path === field);
    expect(error?.message).toContain(message);
  });

  it('openings that leave nothing are refused by the core', async () => {
    const measures = [
      ...(rect(1) as never[]),
      { shape: { kind: 'circle', diameterM: 3 }, count: 1, opening: true } as never,
    ];
    const { body } = await server.problem('POST', '/areas', { ...anArea(planned.boat.id), measures });
    expect(body.errors?.[0]?.message).toContain('Area after openings must be above 0 m², but is -6.07 m²');
  });

  it('answers problem+json without a stack trace, whatever comes', async () => {
    const response = await fetch(`${server.address}/api/v1/boats`, {
      method: 'POST',
      body: '{ not json',
      headers: { 'content-type': 'application/json' },
    });
    expect(response.status).toBe(400);
    expect(response.headers.get('content-type')).toContain('application/problem+json');
    expect(await response.text()).not.toMatch(/node_modules|\.ts:|at \w+ \(/);
    expect((await server.problem('GET', '/boats/00000000-0000-7000-8000-000000000000')).status).toBe(404);
    expect((await server.problem('GET', '/boats/undefined')).status).toBe(404);
    const far = await server.problem('GET', '/weather?back=500&sideways=1');
    expect(far.body.errors?.map((e) => e.message)).toEqual([
      'Back must be 0–400 days, but is 500',
      'Sideways isn’t a known field',
    ]);
    expect(response.headers.get('content-security-policy')).toContain("script-src 'self'");
  });

  it('takes writes from its own pages only', async () => {
    const response = await fetch(`${server.address}/api/v1/boats`, {
      method: 'POST',
      body: JSON.stringify(aBoat()),
      headers: { 'content-type': 'application/json', 'sec-fetch-site': 'cross-site' },
    });
    expect(response.status).toBe(403);
    expect(server.address).toMatch(/^http:\/\/127\.0\.0\.1:/);
  });
});

describe('two people at once', () => {
  it('the same request twice changes nothing twice', async () => {
    const boat = aBoat();
    expect((await server.ask('POST', '/boats', boat)).status).toBe(201);
    expect((await server.ask('POST', '/boats', boat)).status).toBe(200);
    expect((await server.problem('POST', '/boats', { ...boat, name: 'Another' })).body.title).toBe(
      'Id already used',
    );
    const coat = aCoat(planned, NOON);
    expect((await server.ask('POST', '/log', coat)).status).toBe(201);
    expect((await server.ask('POST', '/log', coat)).status).toBe(200);
  });

  it('a write against an old version is refused with what changed', async () => {
    const { version: _v, archived: _a, ...input } = planned.area;
    await server.ask('PUT', `/areas/${input.id}`, { ...input, name: 'Bottom, cleaned', version: 1 });
    const { status, body } = await server.problem('PUT', `/areas/${input.id}`, {
      ...input,
      spread: 0.1,
      version: 1,
    });
    expect(status).toBe(409);
    expect(body.changed).toEqual(expect.arrayContaining(['name']));
    expect(body.current).toMatchObject({ name: 'Bottom, cleaned', spread: 0.05, version: 2 });
  });

  it('an entry is corrected by a new one, once; both stay readable', async () => {
    const first = aCoat(planned, NOON, { coatNo: 2, litres: 5 });
    await server.ask('POST', '/log', first);
    const correction = { ...aCoat(planned, NOON, { coatNo: 2, litres: 4 }), corrects: first.id };
    expect((await server.ask('POST', '/log', correction)).status).toBe(201);
    const second = { ...aCoat(planned, NOON, { coatNo: 2, litres: 3 }), corrects: first.id };
    const refused = await server.problem('POST', '/log', second);
    expect(refused.status).toBe(409);
    expect((refused.body.current as Entry).id).toBe(correction.id);
    const log = await server.ask<LogView>('GET', `/boats/${planned.boat.id}/log`);
    const kept = log.body.entries.find((e) => e.id === first.id);
    expect(kept).toMatchObject({ correctedBy: correction.id, body: { litres: 5 } });
  });

  it('a coat holds on to the sheet it was laid with', async () => {
    const { id, name, sheet } = planned.product;
    const saved = await server.ask('PUT', `/products/${id}`, {
      id,
      name,
      sheet: { ...sheet, volumeSolids: 0.6 },
      version: 1,
    });
    expect(saved.body).toMatchObject({ version: 2, sheet: { volumeSolids: 0.6 } });
    expect((await server.ask('POST', '/log', aCoat(planned, NOON, { sheetVersion: 1 }))).status).toBe(201);
    const unknown = await server.problem('POST', '/log', aCoat(planned, NOON, { sheetVersion: 7 }));
    expect(unknown.body.errors?.[0]?.path).toBe('body.sheetVersion');
  });
});

it('the published API description names every body it guards', async () => {
  const { body } = await server.ask<{ openapi: string; paths: Record<string, Record<string, unknown>> }>(
    'GET',
    '/openapi.json',
  );
  expect(body.openapi).toBe('3.1.0');
  expect(body.paths['/boats']?.post).toMatchObject({
    requestBody: {
      content: { 'application/json': { schema: { properties: { dimensions: { type: 'object' } } } } },
    },
  });
});
