import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { aCoat, aPlannedArea, HOUR, NOON, weatherCsv } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type {
  Area,
  AreaClock,
  ClockDetail,
  CoatCheck,
  PlanView,
  Problem,
  RunningView,
} from '../contract/index.ts';

let server: Awaited<ReturnType<typeof yardServer>>;
beforeAll(async () => {
  server = await yardServer();
  // Out there it is 5 °C: the sheet of the test’s epoxy stands still below 7 °C.
  await server.ask('POST', '/weather', { csv: weatherCsv(NOON - 200 * HOUR, 500, () => 5), mode: 'import' });
});
afterAll(() => server.stop());

const iso = (ms: number) => new Date(ms).toISOString();
const heated = { kind: 'heated', setPointC: 20 } as const;
const open = { kind: 'open' } as const;
let planned: Awaited<ReturnType<typeof aPlannedArea>>;
beforeEach(async () => {
  planned = await aPlannedArea(server, { coats: 2 }, { surroundings: heated });
  await server.ask('POST', '/log', aCoat(planned, NOON - 40 * HOUR));
});

const clock = async () =>
  (await server.ask<ClockDetail>('GET', `/areas/${planned.area.id}/clock`)).body.clock;
const opened = ({ edges }: AreaClock) => edges.find(({ edge }) => edge === 'overcoat-min')?.at;
const area = async () => (await server.ask<Area>('GET', `/areas/${planned.area.id}`)).body;
const put = async (change: { [K in keyof Area]?: Area[K] | undefined }) => {
  const { archived: _a, ...rest } = await area();
  return server.ask<Area & Problem>('PUT', `/areas/${rest.id}`, { ...rest, ...change });
};
const move = (at: number, surroundings: object) =>
  server.ask<Problem>('POST', `/boats/${planned.boat.id}/shelter`, { at: iso(at), surroundings });

describe('a boat that leaves its heated shed', () => {
  it('keeps the cure its films got there; in the open it stands still from then on', async () => {
    const before = await clock();
    expect(opened(before)).toBeTruthy();
    // Who says nothing of the past has moved it now.
    const moved = await put({ surroundings: open, earlierShelters: undefined });
    expect(moved.body.earlierShelters).toEqual([{ surroundings: heated, until: iso(NOON) }]);
    expect(opened(await clock())).toEqual(opened(before));
    expect((await server.ask('GET', '/plan')).status).toBe(200);
    // Moved out an hour after the coat: the film has stood in the cold since.
    await move(NOON - 38 * HOUR, open);
    expect((await area()).earlierShelters).toEqual([{ surroundings: heated, until: iso(NOON - 38 * HOUR) }]);
    const cold = await clock();
    expect(cold.state).toBe('too-soon');
    expect(opened(cold)).not.toEqual(opened(before));
    // The entry was wrong, it never stood outside: corrected, not moved.
    await put({ surroundings: heated, earlierShelters: [] });
    expect(opened(await clock())).toEqual(opened(before));
  });

  it('a coat is judged by the shelter of its own hours', async () => {
    await move(NOON - 10 * HOUR, open);
    const check = async (h: number) =>
      (
        await server.ask<CoatCheck>(
          'GET',
          `/areas/${planned.area.id}/coat-check?from=${iso(NOON - h * HOUR)}&to=${iso(NOON - (h - 1) * HOUR)}`,
        )
      ).body.air?.airC.min;
    expect([await check(20), await check(5)]).toEqual([20, 5]);
  });

  it('tape that stood in the sun holds as in the open, under cover too', async () => {
    const { area: own, step } = planned;
    const body = { itemId: own.id, name: 'Edges of the area', on: true, stepId: step.id, coatNo: 1 };
    const at = iso(NOON - 30 * HOUR);
    await server.ask('POST', '/log', {
      id: uuidv7(),
      areaId: own.id,
      at,
      corrects: null,
      kind: 'tape',
      body,
    });
    const until = async () =>
      (await server.ask<RunningView>('GET', `/running?areaId=${own.id}`)).body.clocks.find(
        ({ kind }) => kind === 'tape',
      )?.until;
    // Masking tape: three days under cover, two in the open (handbook part 10).
    expect(await until()).toBe(iso(NOON + 42 * HOUR));
    await move(NOON - 20 * HOUR, open);
    await move(NOON - 10 * HOUR, heated);
    expect(await until()).toBe(iso(NOON + 18 * HOUR));
  });

  it('what is cut out of an area stood where that stood', async () => {
    await move(NOON - 10 * HOUR, open);
    const { version: _v, archived: _a, ...origin } = await area();
    const stand = { id: uuidv7(), boatId: planned.boat.id, name: 'Block', kind: 'block', side: 'port', xM: 3, zM: -0.5, lengthM: 0.3, widthM: 0.2, shiftOn: null, note: '' }; // biome-ignore format: one line
    const patch = uuidv7();
    expect(
      (await server.ask('POST', '/stands', { stand, patches: [{ id: patch, areaId: origin.id }] })).status,
    ).toBe(201);
    expect((await server.ask<Area>('GET', `/areas/${patch}`)).body.earlierShelters).toEqual(
      origin.earlierShelters,
    );
  });

  it('refuses the future and shelters out of order by their field, and changes nothing', async () => {
    const future = await move(NOON + 5 * HOUR, open);
    expect([future.status, future.body.errors?.[0]?.path]).toEqual([422, 'at']);
    const ends = [NOON - HOUR, NOON - 2 * HOUR].map((ms) => ({ surroundings: open, until: iso(ms) }));
    const wrong = await put({ earlierShelters: ends });
    expect([wrong.status, wrong.body.errors?.[0]?.path]).toEqual([422, 'earlierShelters.1.until']);
    expect((await area()).earlierShelters).toEqual([]);
  });

  it('a planned move that was recorded is no longer planned; a later one still is', async () => {
    const { setup } = (await server.ask<PlanView>('GET', '/plan')).body;
    const placeChanges = [-3, 48].map((h) => ({
      boatId: planned.boat.id,
      at: iso(NOON + h * HOUR),
      surroundings: open,
    }));
    const saved = await server.ask('PUT', '/plan/setup', { ...setup, placeChanges });
    expect([saved.status, saved.body]).toEqual([200, expect.anything()]);
    await move(NOON - 2 * HOUR, open);
    const after = (await server.ask<PlanView>('GET', '/plan')).body.setup.placeChanges;
    expect(after?.map(({ at }) => at)).toEqual([iso(NOON + 48 * HOUR)]);
  });
});
