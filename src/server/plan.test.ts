import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  aBoat,
  aCoat,
  aLot,
  anArea,
  aPlannedArea,
  aProduct,
  aStep,
  HOUR,
  NOON,
  weatherCsv,
} from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type {
  Area,
  BenchView,
  LeversView,
  LeverView,
  PlanOddsReply,
  PlanOrder,
  PlanRehearsalView,
  PlanSetup,
  PlanTaskView,
  PlanView,
  Problem,
  Product,
  StackView,
  TodayView,
} from '../contract/index.ts';
import { MOST_ORDERS } from '../core/plan/index.ts';
import { maskingOf, tapings } from './views/plan/masking.ts';
import { workToPlan } from './views/plan/planWork.ts';
import { peopleWith } from './views/plan/premises.ts';

/** A Thursday at noon, a steady 20 °C in a shed: next coat after 10 h, tack-free after 4 h, ready for the water after 48 h. */
let server: Awaited<ReturnType<typeof yardServer>>;
let planned: Awaited<ReturnType<typeof aPlannedArea>>;
const ripe = { 'tack-free': [{ tempC: 20, minutes: 240 }], immersion: [{ tempC: 20, minutes: 2880 }] };

const plan = async () => (await server.ask<PlanView>('GET', '/plan')).body;
const setUp = async (over: Partial<PlanSetup>) => {
  const { setup } = await plan();
  return server.ask<PlanSetup & Problem>('PUT', '/plan/setup', { ...setup, ...over });
};
const coatsOf = ({ tasks }: PlanView): PlanTaskView[] => tasks.filter(({ kind }) => kind === 'coat');
const hoursAfterNoon = (at: string | null | undefined) => (Date.parse(at ?? '') - NOON) / HOUR;

beforeAll(async () => {
  server = await yardServer();
  expect((await plan()).state).toBe('no-weather');
  const csv = weatherCsv(NOON - 48 * HOUR, 12 * 24, () => 20);
  await server.ask('POST', '/weather', { csv, mode: 'import' });
  planned = await aPlannedArea(server, {}, { surroundings: { kind: 'shed' } });
  const { sheet } = aProduct();
  const cured = { ...sheet, cure: { ...sheet.cure, events: ripe } };
  await server.ask('PUT', `/products/${planned.product.id}`, {
    ...planned.product,
    version: 1,
    sheet: cured,
  });
});
afterAll(() => server.stop());

describe('tape', () => {
  const HELD = { edgeM: 18, sinceMs: null, holdsMs: 48 * HOUR };
  const rowsOf = (list: boolean[]) => list.map((isMasked) => (isMasked ? 'mask' : 'as it is'));

  it('holds for a coat a day: masking tape in the open two days [T, handbook part 10], then fresh', () => {
    expect(rowsOf(tapings(HELD, 5, { now: NOON, isBegun: false }))).toEqual(['mask', 'as it is', 'mask', 'as it is', 'mask']); // biome-ignore format: one line
    // What is on since yesterday bears one more coat; what is older than its days bears none.
    const since = (hours: number) => ({ ...HELD, sinceMs: NOON - hours * HOUR });
    expect(rowsOf(tapings(since(24), 2, { now: NOON, isBegun: false }))).toEqual(['as it is', 'mask']);
    expect(rowsOf(tapings(since(49), 2, { now: NOON, isBegun: false }))).toEqual(['mask', 'as it is']);
    // Somebody has masked for a coat that is begun.
    expect(rowsOf(tapings(HELD, 2, { now: NOON, isBegun: true }))).toEqual(['as it is', 'mask']);
  });
});

it('surplus aggregate is swept up before the next coat, which makes dust; what is under half an hour takes that', () => {
  const due = (kind: 'aggregate' | 'inspect') => [{ taskId: 't', kind, amount: null, endsMs: null }];
  const of = (kind: 'aggregate' | 'inspect', areaM2: number) => workToPlan(due(kind), areaM2, NOON, false)[0];
  expect(of('aggregate', 60)).toEqual({ id: 't', kind: 'work', ms: 2 * HOUR, dusty: true });
  expect(of('aggregate', 3)?.ms).toBe(HOUR / 2);
  expect(of('inspect', 60)).toMatchObject({ ms: HOUR / 2, dusty: false });
});

describe('the plan of a yard', () => {
  it('puts three coats on in working hours, each when the film below is open, and launches once the last is ready', async () => {
    const view = await plan();
    expect([view.state, view.isDefault, view.proven, view.unplanned]).toEqual(['planned', true, true, []]);
    const coats = coatsOf(view);
    expect(coats.map(({ coatNo }) => coatNo)).toEqual([0, 1, 2]);
    // Nobody gave any rain: under the shed's roof that is no condition.
    expect(coats.flatMap(({ conditions }) => conditions)).toEqual([]);
    for (const [i, { applyFrom, applyTo }] of coats.entries()) {
      const hour = new Date(applyFrom ?? '').getUTCHours();
      expect(hour).toBeGreaterThanOrEqual(8);
      const over = coats[i + 1];
      if (over) expect(hoursAfterNoon(over.applyFrom) - hoursAfterNoon(applyTo)).toBeGreaterThanOrEqual(10);
    }
    const [boat] = view.boats;
    expect(hoursAfterNoon(boat?.launch) - hoursAfterNoon(coats[2]?.applyTo)).toBeGreaterThanOrEqual(48);
    // Thursday, Friday and Monday: nobody works at the weekend.
    expect(coats.map(({ start }) => new Date(start).getUTCDay())).toEqual([4, 5, 1]);
  });

  it('no boat is launched while the crane is out of service, and more boats in the shed than it holds are named', async () => {
    const launchOf = ({ boats }: PlanView) => Date.parse(boats[0]?.launch ?? '');
    const free = launchOf(await plan());
    const iso = (ms: number) => new Date(ms).toISOString();
    const stop = { from: iso(free - HOUR), to: iso(free + 30 * HOUR) };
    expect((await setUp({ launchStops: [stop], shedPlaces: 0 })).status).toBe(200);
    const late = await plan();
    expect(launchOf(late)).toBeGreaterThanOrEqual(free + 30 * HOUR);
    expect(late.shedCrowds).toEqual([
      { from: late.now, until: late.boats[0]?.launch, boatNames: [planned.boat.name] },
    ]);
    // A crane that stops half an hour after the launch has begun doesn’t finish it.
    await setUp({ launchStops: [{ from: iso(free + HOUR / 2), to: iso(free + 20 * HOUR) }] });
    expect(launchOf(await plan())).toBeGreaterThanOrEqual(free + 20 * HOUR);
    // Nor is any launch begun in the last hour: it is over at 17:00.
    const { setup } = await plan();
    expect(setup.launchToHour).toBe(17);
    await setUp({ launchStops: [{ from: iso(free - 12 * HOUR), to: new Date(free).toISOString().replace(/T.*/, 'T16:30:00.000Z') }] }); // biome-ignore format: one line
    expect(launchOf(await plan()) % (24 * HOUR)).toBeLessThanOrEqual(16 * HOUR);
    const wrong = await setUp({ launchStops: [{ from: stop.to, to: stop.from }] });
    expect([wrong.status, wrong.body.errors?.[0]?.message]).toEqual([422, 'No launching until must be after no launching from']); // biome-ignore format: one line
    await setUp({ launchStops: [], shedPlaces: 1 });
    expect([launchOf(await plan()), (await plan()).shedCrowds]).toEqual([free, []]);
  });

  it('the edges are masked before the first coat, tape that is too old by a later one is said, and ticked at the bench it is done', async () => {
    const masks = async () => (await plan()).tasks.filter(({ work }) => work === 'mask');
    const tick = (on: boolean) =>
      server.ask('POST', '/log', { id: uuidv7(), areaId: planned.area.id, at: new Date(NOON - HOUR).toISOString(), corrects: null, kind: 'tape', body: { itemId: planned.area.id, name: 'Edges of the area', on, stepId: null, coatNo: null, ...(on && { tape: 'masking' }) } }); // biome-ignore format: one line
    const { edgeM } = maskingOf([{ area: planned.area, cutM2: 0 } as never], [], undefined);
    const [mask, more] = await masks();
    // Three coats in a shed: under one tape, which may stay for three days.
    expect(more).toBeUndefined();
    expect((Date.parse(mask?.end ?? '') - Date.parse(mask?.start ?? '')) / HOUR).toBe(
      Math.ceil((2 * edgeM) / 12) / 2,
    );
    const coats = coatsOf(await plan());
    expect(mask?.end && mask.end <= (coats[0]?.start ?? '')).toBe(true);
    // Thursday, Friday and Monday: by then the tape is four days old.
    expect(coats.map(({ tapeTooOld }) => tapeTooOld)).toEqual([false, false, true]);
    expect((await tick(true)).status).toBe(201);
    expect(await masks()).toEqual([]);
    const bench = (await server.ask<BenchView>('GET', `/bench/${planned.area.id}`)).body;
    expect(bench.bare).toMatchObject([{ kind: 'edge', taped: true }]);
    await tick(false);
    expect(await masks()).toHaveLength(1);
  });

  it('a weekend worked is used; hours that end before they begin and boats that are none are refused by name', async () => {
    const [person] = (await plan()).setup.people as [PlanSetup['people'][number]];
    expect((await setUp({ people: [{ ...person, days: [6, 7] }] })).status).toBe(200);
    expect(new Set(coatsOf(await plan()).map(({ start }) => [0, 6].includes(new Date(start).getUTCDay())))).toEqual(new Set([true])); // biome-ignore format: one line
    const wrong = await setUp({ people: [{ ...person, fromHour: 17, toHour: 8 }] });
    expect([wrong.status, wrong.body.errors?.[0]?.path]).toEqual([422, 'people.0.toHour']);
    // Ill until the second Monday: the first coat waits for somebody to be there, and hours while nobody is are nobody's.
    const gone = { from: '2026-05-13T00:00:00.000Z', to: '2026-05-25T10:00:00.000Z' };
    expect((await setUp({ people: [{ ...person, away: [gone] }] })).status).toBe(200);
    expect(coatsOf(await plan()).every(({ start }) => start >= gone.to)).toBe(true);
    const back = await setUp({ people: [{ ...person, away: [{ from: gone.to, to: gone.from }] }] });
    expect([back.status, back.body.errors?.[0]]).toEqual([422, { path: 'people.0.away.0', message: 'Back at must be after away from' }]); // biome-ignore format: one line
    // Two of one name could not be told apart in the plan, nor in their calendars.
    const twins = await setUp({ people: [person, { ...person, id: uuidv7() }] });
    expect([twins.status, twins.body.errors?.[0]?.path]).toEqual([422, 'people.1']);
    const nobody = await setUp({ boats: [{ boatId: uuidv7(), wanted: null }] });
    expect([nobody.status, nobody.body.errors?.[0]?.path]).toEqual([422, 'boats.0.boatId']);
    expect((await setUp({ people: [{ ...person, days: [1, 2, 3, 4, 5] }] })).status).toBe(200);
  });

  it('of two who change the set-up at once one is told of the other', async () => {
    const { setup } = await plan();
    const both = await Promise.all(
      [1, 2].map((latePerDay) => server.ask('PUT', '/plan/setup', { ...setup, latePerDay })),
    );
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
  });

  it('a task kept stays where it is though a launch is wanted sooner, and says so when its place is wrong', async () => {
    const last = coatsOf(await plan())[2] as PlanTaskView;
    const later = new Date(Date.parse(last.start) + 24 * HOUR).toISOString();
    await setUp({ pins: [{ taskId: last.id, start: later }] });
    const kept = coatsOf(await plan())[2] as PlanTaskView;
    expect([kept.start, kept.pinned, kept.faults]).toEqual([later, true, []]);
    // Two kept within the ten hours that the film wants: the plan says what is wrong.
    const second = coatsOf(await plan())[1] as PlanTaskView;
    await setUp({ pins: [{ taskId: second.id, start: later }, { taskId: last.id, start: new Date(Date.parse(later) + 4 * HOUR).toISOString() }] }); // biome-ignore format: one line
    expect(coatsOf(await plan()).find(({ id }) => id === last.id)?.faults).toContain('too-early');
    await setUp({ pins: [] });
  });

  it('what is logged is planned no more; an area whose sheet is silent is left out by name, and nobody else waits', async () => {
    await server.ask('POST', '/log', aCoat(planned, NOON - 30 * HOUR, { sheetVersion: 2 }));
    const boat = aBoat({ name: 'Silent sheet' });
    const silent = aProduct({ cure: { stopC: null, events: ripe, overcoat: [] } });
    await server.ask('POST', '/boats', boat);
    await server.ask<Product>('POST', '/products', { ...silent, name: 'Silent epoxy' });
    const area = (await server.ask<Area>('POST', '/areas', anArea(boat.id))).body;
    await server.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [aStep(silent.id)] });
    const view = await plan();
    expect(coatsOf(view).map(({ coatNo }) => coatNo)).toEqual([1, 2]);
    expect(view.unplanned.map(({ areaId, code, productName }) => [areaId, code, productName])).toEqual([
      [area.id, 'window-not-stated', 'Silent epoxy'],
    ]);
    expect(view.boats.find(({ boatId }) => boatId === boat.id)).toMatchObject({ launch: null, unplanned: 1 });
  });

  it('limits of a sheet that change move the coats at once; rain that nobody gave is a condition outdoors', async () => {
    const boat = aBoat({ name: 'Outdoors' });
    const product = { ...aProduct(), name: 'Warm only' };
    const step = aStep(product.id, { coats: 1 });
    const cure = { ...product.sheet.cure, events: ripe };
    const sheet = (surfaceMinC: number | null) => ({ ...product.sheet, cure, limits: { ...product.sheet.limits, surfaceMinC } }); // biome-ignore format: one line
    await server.ask('POST', '/boats', boat);
    await server.ask('POST', '/products', { ...product, sheet: sheet(null) });
    const area = (await server.ask<Area>('POST', '/areas', anArea(boat.id, { surroundings: { kind: 'open' } }))).body; // biome-ignore format: one line
    await server.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [step] });
    await setUp({ boats: [{ boatId: boat.id, wanted: null }] });
    expect(coatsOf(await plan())[0]?.conditions).toContain('no-rain-data');
    // It is 20 °C: a sheet that asks for 40 has no hour left, within the same half hour and under the same name.
    await server.ask('PUT', `/products/${product.id}`, { ...product, version: 1, sheet: sheet(40) });
    expect((await plan()).unplanned.map(({ code }) => code)).toEqual(['no-hour-passes']);
    // Two days on it stands in a heated place: its coat waits for that. Rain that may have wetted it just before it came there is asked for.
    const at = new Date(NOON + 48 * HOUR).toISOString();
    const inHeat = { boatId: boat.id, at, surroundings: { kind: 'heated' as const, setPointC: 42 } };
    expect((await setUp({ placeChanges: [inHeat] })).status).toBe(200);
    const warm = coatsOf(await plan());
    expect([warm.length, warm[0]?.conditions]).toEqual([1, ['no-rain-data']]);
    expect(Date.parse(warm[0]?.applyFrom ?? '')).toBeGreaterThanOrEqual(NOON + 48 * HOUR);
    // From a heated place into the cold: the film bears dew before that (ready after 4 h at 20 °C, the least that is known of it).
    const { archived: _, ...own } = area;
    await server.ask('PUT', `/areas/${area.id}`, { ...own, surroundings: inHeat.surroundings });
    await setUp({ placeChanges: [{ ...inHeat, surroundings: { kind: 'open' } }] });
    for (const { applyTo } of coatsOf(await plan())) expect(Date.parse(applyTo ?? '')).toBeLessThan(NOON + 48 * HOUR - HOUR / 2); // biome-ignore format: one line
    expect(coatsOf(await plan())).toHaveLength(1);
    const twice = await setUp({ placeChanges: [inHeat, inHeat] });
    expect([twice.status, twice.body.errors?.[0]?.path]).toEqual([422, 'placeChanges.1']);
    expect((await setUp({ placeChanges: [{ ...inHeat, boatId: uuidv7() }] })).status).toBe(422);
    await setUp({ boats: [], placeChanges: [] });
  });

  it('no sanding is planned beside a wet film in the same shed, though nobody plans that boat', async () => {
    const [wet, dusty] = [aBoat({ name: 'Just painted' }), aBoat({ name: 'To be sanded' })];
    const step = aStep(planned.product.id, { coats: 1 });
    const sanded = aStep(planned.product.id, {
      coats: 1,
      before: [{ id: uuidv7(), kind: 'sand', amount: 80, note: '' }],
    });
    for (const [boat, on] of [
      [wet, step],
      [dusty, sanded],
    ] as const) {
      await server.ask('POST', '/boats', boat);
      const area = (
        await server.ask<Area>('POST', '/areas', anArea(boat.id, { surroundings: { kind: 'shed' } }))
      ).body;
      await server.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [on] });
      if (boat === wet)
        await server.ask('POST', '/log', aCoat({ ...planned, area, step }, NOON - HOUR, { sheetVersion: 2 }));
    }
    await setUp({ boats: [{ boatId: dusty.id, wanted: null }] });
    const { tasks, boats } = await plan();
    expect(boats.map(({ boatName }) => boatName)).toEqual(['To be sanded']);
    // Applied until noon at the latest, tack-free four hours later; without the wet film it would begin at noon.
    expect(hoursAfterNoon(tasks.find(({ work }) => work === 'sand')?.start)).toBeGreaterThanOrEqual(3);
    await setUp({ boats: [] });
  });

  it('a launch on Sunday moves it forward; a second pair of hands changes nothing where one waits for the film', async () => {
    await setUp({ boats: [{ boatId: planned.boat.id, wanted: null }] });
    const { levers } = (await server.ask<LeversView>('GET', '/plan/levers')).body;
    expect(levers).toEqual(['second-person', 'longer-days', 'weekends', 'any-launch-day', 'tent', 'heated', 'spray', 'one-coat-fewer']); // biome-ignore format: one line
    const by = async (code: string) => (await server.ask<LeverView>('GET', `/plan/with?levers=${code}`)).body;
    const [asItIs, second, anyDay] = await Promise.all(['', 'second-person', 'any-launch-day'].map(by));
    expect(Date.parse(anyDay?.launch ?? '')).toBeLessThan(Date.parse(asItIs?.launch ?? ''));
    expect(second?.launch).toBe(asItIs?.launch);
    // Two coats instead of three are ready sooner; its sheet states no airless spray, so nothing is sprayed.
    const [fewer, sprayed] = await Promise.all(['any-launch-day,one-coat-fewer', 'spray'].map(by));
    expect(Date.parse(fewer?.launch ?? '')).toBeLessThan(Date.parse(anyDay?.launch ?? ''));
    expect(sprayed?.launch).toBe(asItIs?.launch);
    // Afloat was wanted yesterday: a week’s grace takes off what lateness costs, and the day stays.
    await setUp({
      boats: [{ boatId: planned.boat.id, wanted: new Date(NOON - 24 * HOUR).toISOString() }],
      latePerDay: 10_000,
    });
    const [late, later] = await Promise.all(['', 'later-launch'].map(by));
    expect(later?.launch).toBe(late?.launch);
    expect((late?.cost ?? 0) - (later?.cost ?? 0)).toBeGreaterThanOrEqual(10_000);
    expect((await server.ask<LeversView>('GET', '/plan/levers')).body.levers).toContain('later-launch');
    await setUp({ boats: [{ boatId: planned.boat.id, wanted: null }], latePerDay: 0 });
  });

  it('a product of the same type that is overcoated sooner is tried where nothing is on yet', async () => {
    const levers = async () => (await server.ask<LeversView>('GET', '/plan/levers')).body.levers;
    const launch = async (code: string) =>
      Date.parse((await server.ask<LeverView>('GET', `/plan/with?levers=${code}`)).body.launch ?? '');
    const { sheet } = planned.product;
    const soon = sheet.cure.overcoat.map((rule) => ({ ...rule, min: [{ tempC: 20, minutes: 30 }] }));
    const quick = { ...planned.product, id: uuidv7(), name: 'Quick primer', sheet: { ...sheet, cure: { ...sheet.cure, events: ripe, overcoat: soon } } }; // biome-ignore format: one line
    expect((await server.ask('POST', '/products', quick)).status).toBe(201);
    // One coat is on: the others are of the same product.
    expect(await levers()).not.toContain('quicker-products');
    const boat = aBoat({ name: 'Nothing on yet' });
    await server.ask('POST', '/boats', boat);
    const shed = anArea(boat.id, { surroundings: { kind: 'shed' } });
    const area = (await server.ask<Area>('POST', '/areas', shed)).body;
    await server.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [aStep(planned.product.id)] });
    await setUp({ boats: [{ boatId: boat.id, wanted: null }] });
    expect(await levers()).toContain('quicker-products');
    expect(await launch('any-launch-day,quicker-products')).toBeLessThan(await launch('any-launch-day'));
    await server.ask('DELETE', `/boats/${boat.id}`);
    await setUp({ boats: [{ boatId: planned.boat.id, wanted: null }], latePerDay: 0 });
  });

  it('draws of the weather are the same for everybody who asks, name the plan they follow, and are bounded', async () => {
    const { key, boats } = await plan();
    const odds = (of: string) => server.ask<PlanOddsReply & Problem>('GET', `/plan/odds${of}`);
    const [one, same] = [await odds('?first=3&count=4'), await odds('?first=3&count=4')];
    expect([one.status, one.body.key, one.body.outcomes.length]).toEqual([200, key, 4]);
    expect(same.body).toEqual(one.body);
    const [boat] = boats;
    // A shed at a steady 20 °C: no forecast error of a few degrees keeps three coats from going on; nobody gave any rain.
    expect(one.body.rain).toBe(false);
    for (const { launches, harmed } of one.body.outcomes) {
      expect([launches.map(({ boatId }) => boatId), harmed]).toEqual([[boat?.boatId], 0]);
      expect(Date.parse(launches[0]?.at ?? '')).toBeGreaterThanOrEqual(
        Date.parse(boat?.launch ?? '') - 24 * HOUR,
      );
    }
    for (const bad of ['?count=26', '?first=-1', '?levers=tent,tent', '?levers=balloon', '?seed=1'])
      expect((await odds(bad)).status, bad).toBe(422);
    const together = await server.ask<LeverView>('GET', '/plan/with?levers=weekends,any-launch-day');
    expect([together.status, together.body.levers]).toEqual([200, ['weekends', 'any-launch-day']]);
    const both = await odds('?levers=weekends,any-launch-day&count=2');
    expect(Date.parse(both.body.outcomes[0]?.launches[0]?.at ?? '')).toBeLessThan(
      Date.parse(boat?.launch ?? ''),
    );
  });

  it('the plan is played through a draw; a boat launched too soon is launched, and the time it had to wait for is said', async () => {
    const view = await plan();
    const ask = (draw: number, orders: PlanOrder[] | string = []) =>
      server.ask<PlanRehearsalView & Problem>(
        'GET',
        `/plan/rehearsal?draw=${draw}&orders=${encodeURIComponent(typeof orders === 'string' ? orders : JSON.stringify(orders))}`,
      );
    const { body: odds } = await server.ask<PlanOddsReply>('GET', '/plan/odds?first=3&count=1');
    const { body: played } = await ask(3);
    expect([played.key, played.cost]).toEqual([view.key, odds.outcomes[0]?.cost]);
    expect(played.launches).toMatchObject(odds.outcomes[0]?.launches ?? []);
    const coats = played.steps.filter(({ kind, task }) => kind === 'done' && task?.kind === 'coat');
    expect(coats.map(({ task }) => task?.what)).toEqual(coatsOf(view).map(({ what }) => what));
    const last = coats.at(-1)?.task?.end as string;
    const launch = view.tasks.find(({ kind }) => kind === 'launch') as PlanTaskView;
    const early: PlanOrder = { kind: 'begin', taskId: launch.id, at: last, decided: last };
    const step = (await ask(3, [early])).body.steps.find(({ task }) => task?.kind === 'launch');
    expect(step).toMatchObject({ at: last, isOrdered: true, mistakes: [{ code: 'too-soon' }] });
    expect(Date.parse(step?.mistakes[0]?.at ?? '')).toBeGreaterThan(Date.parse(last));
    const late = { ...early, decided: new Date(Date.parse(last) + HOUR).toISOString() };
    const unknown = await ask(3, [{ ...early, taskId: 'nothing' }]);
    expect(unknown.body.steps.find(({ kind }) => kind === 'refused')).toMatchObject({
      task: null,
      why: 'not-next',
    });
    for (const bad of ['[', '{}', '[{"kind":"stop"}]']) expect((await ask(3, bad)).status, bad).toBe(422);
    expect([(await ask(-1)).status, (await ask(3, [late])).status]).toEqual([422, 422]);
    const many = (count: number) =>
      Array.from({ length: count }, () => ({ ...early, kind: 'hold' as const }));
    expect([(await ask(3, many(MOST_ORDERS))).status, (await ask(3, many(MOST_ORDERS + 1))).status]).toEqual([200, 422]); // biome-ignore format: one line
  });

  it('an agreed plan stays: rust that is found comes before the next coat, what it pushes moves and says why, and undo brings it back', async () => {
    const before = await plan();
    const agreed = {
      at: before.now,
      cost: before.cost,
      launches: before.boats.flatMap(({ boatId, launch }) => (launch ? [{ boatId, at: launch }] : [])),
      tasks: before.tasks.map(({ id, start }) => ({ taskId: id, start })),
    };
    await setUp({ agreed: [agreed] });
    const same = await plan();
    expect([same.moves, same.tasks.map(({ start }) => start)]).toEqual([[], before.tasks.map(({ start }) => start)]); // biome-ignore format: one line
    const [coat] = coatsOf(before) as [PlanTaskView];
    // The board's list of today has the coat at its agreed time, and only on that day.
    const onBoard = async () =>
      (await server.ask<TodayView>('GET', '/today')).body.coats.find(({ areaId }) => areaId === coat.areaId)
        ?.planned;
    const isToday = coat.start.slice(0, 10) === before.now.slice(0, 10);
    expect(await onBoard()).toBe(isToday ? coat.start : null);
    const startsToday = agreed.tasks.map((each) => ({
      ...each,
      ...(each.taskId === coat.id && { start: before.now }),
    }));
    await setUp({ agreed: [{ ...agreed, tasks: startsToday }] });
    expect(await onBoard()).toBe(before.now);
    await setUp({ agreed: [agreed] });
    // Six hours of work that nobody knew of: the next coat cannot go on in time.
    const rust = { id: uuidv7(), areaId: coat.areaId as string, note: 'Strip the rust', hours: 6, kind: 'work' as const, dusty: true }; // biome-ignore format: one line
    await setUp({ extraWork: [rust] });
    const after = await plan();
    const strip = after.tasks.find(({ what }) => what === 'Strip the rust');
    expect([strip?.work, Date.parse(strip?.end ?? '') - Date.parse(strip?.start ?? '')]).toEqual([
      'extra',
      6 * HOUR,
    ]);
    const movedBy = (id: string | undefined) => after.moves.find(({ taskId }) => taskId === id);
    // The coat waits for the masking, which comes after the dust.
    const mask = after.tasks.find(({ work }) => work === 'mask');
    const moved = movedBy(coat.id);
    expect([moved?.from, moved?.why, moved?.because]).toEqual([coat.start, ['too-early'], mask?.id]);
    expect(movedBy(mask?.id)?.because).toBe(strip?.id);
    expect(coatsOf(after)[0]?.start.localeCompare(strip?.end ?? '')).toBeGreaterThanOrEqual(0);
    const nobody = await setUp({ extraWork: [{ ...rust, areaId: uuidv7() }] });
    expect([nobody.status, nobody.body.errors?.[0]?.path]).toEqual([422, 'extraWork.0.areaId']);
    await setUp({ extraWork: [], agreed: [] });
    expect(coatsOf(await plan()).map(({ start }) => start)).toEqual(
      coatsOf(before).map(({ start }) => start),
    );
  });

  it('goes out as a table in the yard’s time and as a calendar of a person or a boat', async () => {
    const { tasks, setup, boats } = await plan();
    const get = async (path: string) => {
      const answer = await fetch(`${server.address}/api/v1${path}`);
      return { status: answer.status, text: (await answer.text()).replace(/\r\n[ \t]/g, '') };
    };
    const csv = (await get('/plan.csv')).text.trim().split('\r\n');
    expect(csv).toHaveLength(1 + tasks.length);
    const [first] = tasks as [PlanTaskView];
    // The test yard keeps UTC.
    const local = first.start.slice(0, 16).replace('T', ' ');
    expect(csv[1]?.startsWith(local)).toBe(true);
    const events = ({ text }: { text: string }) => text.split('\r\n').filter((line) => line === 'BEGIN:VEVENT').length; // biome-ignore format: one line
    const [person] = setup.people as [PlanSetup['people'][number]];
    expect(events(await get('/plan.ics'))).toBe(tasks.length);
    expect((await get('/plan.pdf')).text.slice(0, 5)).toBe('%PDF-');
    expect(events(await get(`/plan.ics?person=${person.id}`))).toBe(tasks.filter(({ people }) => people.length > 0).length); // biome-ignore format: one line
    expect(events(await get(`/plan.ics?boat=${boats[0]?.boatId}`))).toBe(tasks.filter(({ boatId }) => boatId === boats[0]?.boatId).length); // biome-ignore format: one line
    expect((await get(`/plan.ics?person=${uuidv7()}`)).status).toBe(404);
  });

  it('a tent costs what the set-up says; hours beyond those set up cost overtime', async () => {
    await setUp({ tentCost: 18_000 });
    const cost = async (levers: string) => (await server.ask<LeverView>('GET', `/plan/with?levers=${levers}`)).body; // biome-ignore format: one line
    // Everything stands in a shed: a tent changes nothing but its price.
    expect((await cost('tent')).cost).toBe(((await cost('')).cost ?? 0) + 18_000);
    expect((await setUp({ tentCost: -1 })).status).toBe(422);
    await setUp({ tentCost: 0 });
    const { setup } = await plan();
    const hours = ({ days, fromHour, toHour }: { days: number[]; fromHour: number; toHour: number }) =>
      days.map((day) => ({ fromMs: day * 24 + fromHour, toMs: day * 24 + toHour }));
    const [person] = setup.people as [PlanSetup['people'][number]];
    const people = [{ ...person, days: [5], fromHour: 8, toHour: 17 }];
    const [ann, bea] = peopleWith({ ...setup, people, overtimePerHour: 500 }, ['longer-days', 'weekends', 'second-person'], 4000, hours); // biome-ignore format: one line
    expect(bea?.free).toEqual(ann?.free);
    expect(ann?.free.filter(({ costPerHour }) => costPerHour === 4000)).toEqual([{ fromMs: 128, toMs: 137, costPerHour: 4000 }]); // biome-ignore format: one line
    // Two hours more on Friday, and eleven on each of the six other days.
    const dear = ann?.free.filter(({ costPerHour }) => costPerHour === 4500) ?? [];
    expect(dear.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0)).toBe(2 + 6 * 11);
  });

  it('a coat waits for paint on order, a patch for its support; paint that nobody ordered is named', async () => {
    const boat = aBoat({ name: 'On order' });
    const product = { ...aProduct(), name: 'Ordered epoxy' };
    const sheet = { ...product.sheet, cure: { ...product.sheet.cure, events: ripe } };
    await server.ask('POST', '/boats', boat);
    await server.ask('POST', '/products', { ...product, sheet });
    const made = anArea(boat.id, { surroundings: { kind: 'shed' } });
    const area = (await server.ask<Area>('POST', '/areas', made)).body;
    await server.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [aStep(product.id, { coats: 2, colours: ['grey'] })] }); // biome-ignore format: one line
    await setUp({ boats: [{ boatId: boat.id, wanted: null }] });
    const supplies = async () => coatsOf(await plan()).map(({ supply, applyFrom }) => [supply?.code ?? null, hoursAfterNoon(applyFrom) > 36]); // biome-ignore format: one line
    // Nobody keeps stock here: nothing is known of it.
    expect(await supplies()).toEqual([[null, false], [null, false]]); // biome-ignore format: one line
    const lots = ['base', 'hardener'].map((part) => aLot(product.id, part, { amount: part === 'base' ? 4 : 2 })); // biome-ignore format: one line
    const receipt = { id: uuidv7(), at: new Date(NOON - HOUR).toISOString(), purchaseId: null, lots };
    expect((await server.ask('POST', '/receipts', receipt)).status).toBe(201);
    // 6 l are enough for one coat of 20 m² (4.3 l), not for two.
    expect(await supplies()).toEqual([[null, false], ['not-in-stock', false]]); // biome-ignore format: one line
    const order = (dueOn: string | null) => ({ id: uuidv7(), supplierId: null, orderedAt: new Date(NOON - HOUR).toISOString(), dueOn, delivery: 0, note: '', lines: [{ productId: product.id, part: null, colour: 'grey', litres: 3, count: 2, price: 9000 }] }); // biome-ignore format: one line
    const undated = order(null);
    expect((await server.ask('POST', '/purchases', undated)).status).toBe(201);
    expect(await supplies()).toEqual([[null, false], ['delivery-undated', false]]); // biome-ignore format: one line
    // Due in a day and a half: used from the morning after that day.
    const dueOn = new Date(NOON + 24 * HOUR).toISOString().slice(0, 10);
    await server.ask('DELETE', `/purchases/${undated.id}`);
    expect((await server.ask('POST', '/purchases', order(dueOn))).status).toBe(201);
    expect(await supplies()).toEqual([[null, false], ['delivery', true]]); // biome-ignore format: one line
    const shiftOn = new Date(NOON + 7 * 24 * HOUR).toISOString().slice(0, 10);
    const patchId = uuidv7();
    const stand = { id: uuidv7(), boatId: boat.id, name: 'Stand 2', kind: 'stand', side: 'port', xM: 3, zM: -0.5, lengthM: 0.2, widthM: 0.2, shiftOn, note: '' }; // biome-ignore format: one line
    expect((await server.ask('POST', '/stands', { stand, patches: [{ id: patchId, areaId: area.id }] })).status).toBe(201); // biome-ignore format: one line
    const patched = await plan();
    const under = coatsOf(patched).filter(({ areaId }) => areaId === patchId);
    expect(under.length).toBe(2);
    for (const { start } of under) expect(Date.parse(start)).toBeGreaterThan(NOON + 7 * 24 * HOUR - HOUR);
    expect(patched.boats[0]?.supportMoves).toEqual([{ name: 'Stand 2', on: shiftOn }]);
    // A second one of the same day and side is painted in one go with it.
    const next = { ...stand, id: uuidv7(), name: 'Stand 3', xM: 4 };
    const nextPatch = uuidv7();
    await server.ask('POST', '/stands', { stand: next, patches: [{ id: nextPatch, areaId: area.id }] });
    const both = coatsOf(await plan()).filter(({ areaName }) => /Stand 2.*Stand 3/.test(areaName));
    expect([both.length, coatsOf(await plan()).length]).toEqual([2, 4]);
    // Work found on the second is still done; once anything is on record of it, it is planned by itself.
    const extra = {
      id: uuidv7(),
      areaId: nextPatch,
      kind: 'work' as const,
      note: 'grind a weld',
      hours: 2,
      dusty: true,
    };
    await setUp({ boats: [{ boatId: boat.id, wanted: null }], extraWork: [extra] });
    expect((await plan()).tasks.some(({ what }) => what === 'grind a weld')).toBe(true);
    const stacks = (await server.ask<StackView[]>('GET', `/boats/${boat.id}/stacks`)).body;
    const step = stacks.find(({ areaId }) => areaId === nextPatch)?.steps[0] as StackView['steps'][number];
    const applied = aCoat({ area: { id: nextPatch }, step, product }, NOON - 2 * HOUR, {
      litres: 0.1,
      areaM2: 0.05,
    });
    expect((await server.ask('POST', '/log', applied)).status).toBe(201);
    expect(coatsOf(await plan()).some(({ areaName }) => /Stand 2.*Stand 3/.test(areaName))).toBe(false);
    await setUp({ boats: [], extraWork: [] });
  });
});
