import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { aCoat, anArea, aPlannedArea, aProduct, aStep, HOUR, NOON, weatherCsv } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type { Area, BenchView, Entry, PaceView, Problem, Product } from '../contract/index.ts';

/** A steady 20 °C: tack-free after 4 h, next coat from 10 h, to be sanded from 120 h by the sheet. */
let server: Awaited<ReturnType<typeof yardServer>>;
let planned: Awaited<ReturnType<typeof aPlannedArea>>;
const areas: { area: Area; step: ReturnType<typeof aStep> }[] = [];
const coatAt = NOON - 5 * HOUR;

beforeAll(async () => {
  server = await yardServer();
  const csv = weatherCsv(NOON - 48 * HOUR, 20 * 24, () => 20);
  await server.ask('POST', '/weather', { csv, mode: 'import' });
  planned = await aPlannedArea(server);
  const { sheet } = aProduct();
  const cure = { ...sheet.cure, events: { 'tack-free': [{ tempC: 20, minutes: 240 }] } };
  await server.ask('PUT', `/products/${planned.product.id}`, { ...planned.product, version: 1, sheet: { ...sheet, cure } }); // biome-ignore format: one line
  areas.push({ area: planned.area, step: planned.step });
  for (const name of ['second', 'third', 'never tested']) {
    const area = anArea(planned.boat.id, { name, surroundings: { kind: 'shed' } });
    const step = aStep(planned.product.id);
    const made = (await server.ask<Area>('POST', '/areas', area)).body;
    await server.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [step] });
    areas.push({ area: made, step });
  }
  for (const each of areas) await server.ask('POST', '/log', aCoat({ ...planned, ...each }, coatAt, { sheetVersion: 2 })); // biome-ignore format: one line
});
afterAll(() => server.stop());

const pace = async () => {
  const { methods } = (await server.ask<PaceView>('GET', `/products/${planned.product.id}/pace`)).body;
  return methods[0];
};
const sticks = (i: number) => {
  const { area, step } = areas[i] as (typeof areas)[number];
  const body = { stepId: step.id, coatNo: 0, found: 'sticks' as const, place: '', note: '' };
  return server.ask<Entry>('POST', '/log', { id: uuidv7(), areaId: area.id, at: new Date(NOON).toISOString(), corrects: null, kind: 'hand-test', body }); // biome-ignore format: one line
};
const take = (factor: number | null, method = 'roller') =>
  server.ask<PaceView & Problem>('PUT', `/products/${planned.product.id}/pace`, { method, factor });
/** Hours after the coat at which its window opens, and closes. */
const windowOf = async (i: number) => {
  const { clock } = (await server.ask<BenchView>('GET', `/bench/${areas[i]?.area.id}`)).body;
  const at = (edge: string) =>
    (Date.parse(clock.edges.find((e) => e.edge === edge)?.at ?? '') - coatAt) / HOUR;
  return [at('overcoat-min'), at('chemical-max')].map((hours) => Number(hours.toFixed(2)));
};

it('nothing was tested: nothing is offered, and none can be taken over', async () => {
  expect(await pace()).toBeUndefined();
  const refused = await take(0.72);
  expect(refused.status).toBe(422);
  expect(refused.body.errors?.[0]?.message).toMatch(/Curing speed 0.72 isn’t the suggested one \(none\)/);
});

it('two films do not teach; the third that agrees does, and nothing moves until somebody says so', async () => {
  const bySheet = await windowOf(3);
  await sticks(0);
  await sticks(1);
  expect(await pace()).toMatchObject({ method: 'roller', films: 2, agree: true, factor: null });
  await sticks(2);
  const offered = await pace();
  // Tack-free at 4 h by the sheet, still sticking at 5 on each: at most 0.8, taken a tenth short of it.
  expect(offered).toMatchObject({ films: 3, agree: true, taken: null });
  expect(offered?.factor).toBeCloseTo(0.72, 6);
  expect(await windowOf(3)).toEqual(bySheet);
});

it('taken over, the window of an untested film opens later and closes no later; given up, it is as it was', async () => {
  const [opens, closes] = (await windowOf(3)) as [number, number];
  expect((await take(0.9)).status).toBe(422);
  expect((await take(0.72, 'mop')).status).toBe(422);
  const { body } = await take(0.72);
  expect(body.methods[0]?.taken).toMatchObject({ factor: expect.closeTo(0.72, 6), films: 3 });
  expect(await windowOf(3)).toEqual([Number((opens / 0.72).toFixed(2)), closes]);
  const { clock } = (await server.ask<BenchView>('GET', `/bench/${areas[3]?.area.id}`)).body;
  expect(clock.edges.map(({ edge, factor }) => [edge, Number(factor.toFixed(2))])).toEqual([
    ['overcoat-min', 0.72],
    ['chemical-max', 1],
  ]);
  // The product's page and a fresh reading of the yard say the same.
  expect((await pace())?.taken?.films).toBe(3);
  expect((await server.ask<Product>('GET', `/products/${planned.product.id}`)).body.version).toBe(2);
  expect((await take(null)).body.methods[0]?.taken).toBeNull();
  expect(await windowOf(3)).toEqual([opens, closes]);
});
