import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aBoat, aCoat, anArea, aProduct, aStep, HOUR, NOON } from '../../../test/examples.ts';
import { yardServer } from '../../../test/yardServer.ts';
import type { CoatCheck, Entry } from '../../contract/index.ts';

let server: Awaited<ReturnType<typeof yardServer>>;
const boat = aBoat();
const product = { ...aProduct(), name: 'Shed barrier' };
const area = anArea(boat.id, { surroundings: { kind: 'shed' } });
const step = aStep(product.id, { coats: 4 });
const typed = { airC: 15, rh: 0.93, surfaceC: 14, source: 'typed' as const };

beforeAll(async () => {
  server = await yardServer();
  await server.ask('POST', '/boats', boat);
  await server.ask('POST', '/products', product);
  await server.ask('POST', '/areas', area);
  await server.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [step] });
  // Dry until an hour before noon, damp from then on.
  const rows = Array.from({ length: 72 }, (_, i) => {
    const hour = i - 48;
    return `${new Date(NOON + hour * HOUR).toISOString()},${15 + (hour % 2 === 0 ? 0 : 1)},${hour >= -1 ? 95 : 60}`;
  });
  await server.ask('POST', '/weather', { csv: ['time,air,rh', ...rows].join('\n'), mode: 'import' });
});
afterAll(() => server.stop());

const coat = (at: number, over: object = {}) =>
  aCoat({ boat, area: { ...area, version: 1, archived: false }, step, product } as never, at, {
    areaM2: 1,
    ...over,
  });
const logged = async (at: number, over: object = {}, corrects: string | null = null) => {
  const { status, body } = await server.ask<Entry>('POST', '/log', { ...coat(at, over), corrects });
  expect(status).toBe(201);
  return body;
};
const codes = (entry: Entry) => entry.air?.failures.map(({ code }) => code);

describe('the air of a coat is that of its own hours', () => {
  it('not that of the moment at which it is written down', async () => {
    const early = await logged(NOON - 6 * HOUR);
    expect(early.air).toMatchObject({ rh: { min: 0.6, max: 0.6 }, surface: 'estimated', source: 'measured' });
    expect(early.air?.airC.max).toBeLessThanOrEqual(16);
    expect(codes(early)).toEqual([]);
    expect(codes(await logged(NOON - 0.5 * HOUR, { areaM2: 20 }))).toContain('too-damp');
    const span = (from: number, to: number) =>
      `from=${new Date(NOON + from * HOUR).toISOString()}&to=${new Date(NOON + to * HOUR).toISOString()}`;
    const check = async (from: number, to: number) =>
      (await server.ask<CoatCheck>('GET', `/areas/${area.id}/coat-check?${span(from, to)}`)).body;
    expect((await check(-8, -7)).air?.failures).toEqual([]);
    // Half an hour after a coat the next one is too soon, and it says until when.
    expect(Date.parse((await check(-0.4, -0.3)).tooSoon?.until ?? '')).toBeGreaterThan(NOON - 0.5 * HOUR);
    expect((await server.ask('GET', `/areas/${area.id}/coat-check?${span(-1, -2)}`)).status).toBe(422);
  });
  it('a reading typed at the boat counts like any other, and a correction of it is judged again', async () => {
    const wet = await logged(NOON - 7 * HOUR, { conditions: typed });
    expect(wet.air).toMatchObject({ source: 'typed', surface: 'measured', airC: { min: 15, max: 15 } });
    expect(codes(wet)).toEqual(['too-damp', 'dew-margin']);
    const mended = await logged(NOON - 7 * HOUR, { conditions: { ...typed, rh: 0.5 } }, wet.id);
    expect(codes(mended)).toEqual([]);
    // Without a reading it is the air of those hours again.
    const own = await logged(NOON - 7 * HOUR, { conditions: null }, mended.id);
    expect(own.air).toMatchObject({ source: 'measured', rh: { max: 0.6 } });
  });
  it('coats that are written down at once, and one after the other with nobody reading between, all have their air', async () => {
    const write = (i: number) => server.ask<Entry>('POST', '/log', coat(NOON - (9 + i / 10) * HOUR));
    const atOnce = await Promise.all(Array.from({ length: 12 }, (_, i) => write(i)));
    const inTurn = [];
    for (let i = 12; i < 16; i++) inTurn.push(await write(i));
    for (const { status, body } of [...atOnce, ...inTurn]) {
      expect(status).toBe(201);
      expect(body.air?.rh.max).toBeCloseTo(0.6, 9);
    }
  });
  it('what nobody knows the air of is not recorded, and a repeat of a write changes nothing', async () => {
    const sent = coat(NOON - 100 * HOUR);
    expect((await server.ask<Entry>('POST', '/log', sent)).body.air).toBeNull();
    const again = await server.ask<Entry>('POST', '/log', sent);
    expect(again.status).toBe(200);
  });
});
