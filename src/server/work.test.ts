import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  aBoat,
  aCoat,
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
  AreaClock,
  BenchView,
  Entry,
  EntryInput,
  Finding,
  FindingInput,
  LogView,
  RunningView,
  StackView,
} from '../contract/index.ts';

let now = NOON;
let server: Awaited<ReturnType<typeof yardServer>>;
beforeAll(async () => {
  server = await yardServer(() => now);
  // Twenty days at a steady 20 °C: the test epoxy may be overcoated after 10 h and wants keying after 120 h.
  await server.ask('POST', '/weather', {
    csv: weatherCsv(NOON - 24 * HOUR, 20 * 24, () => 20),
    mode: 'import',
  });
});
afterAll(() => server.stop());

type Planned = Awaited<ReturnType<typeof aPlannedArea>>;
const clockOf = async (planned: Planned): Promise<AreaClock> =>
  (await server.ask<BenchView>('GET', `/bench/${planned.area.id}`)).body.clock;
const work = (
  planned: Planned,
  taskId: string,
  over: Partial<Extract<EntryInput, { kind: 'work' }>['body']> = {},
): EntryInput => ({
  id: uuidv7(),
  areaId: planned.area.id,
  at: new Date(now).toISOString(),
  corrects: null,
  kind: 'work',
  body: {
    stepId: planned.step.id,
    coatNo: 0,
    taskId,
    kind: 'wash',
    amount: null,
    note: '',
    outcome: 'done',
    remark: '',
    ...over,
  },
});
const log = (entry: EntryInput) => server.ask<Entry>('POST', '/log', entry);
const tasks = (): { wash: string; dry: string; look: string; before: Planned['step']['before'] } => {
  const [wash, dry, look] = [uuidv7(), uuidv7(), uuidv7()];
  return {
    wash,
    dry,
    look,
    before: [
      { id: wash, kind: 'wash', amount: null, note: 'rinse' },
      { id: dry, kind: 'wait', amount: 24, note: 'fan' },
      { id: look, kind: 'inspect', amount: null, note: 'low light' },
    ],
  };
};

const logOn = (
  planned: Planned,
  at: number,
  what: Pick<EntryInput, 'kind' | 'body'>,
  corrects: string | null = null,
) =>
  log({
    id: uuidv7(),
    areaId: planned.area.id,
    at: new Date(at).toISOString(),
    corrects,
    ...what,
  } as EntryInput);

const aProfile = (
  { boat, area }: Pick<Planned, 'boat' | 'area'>,
  microns: number,
  at: number,
): FindingInput => ({
  id: uuidv7(),
  boatId: boat.id,
  areaId: area.id,
  at: new Date(at).toISOString(),
  kind: 'profile',
  value: microns,
  grade: null,
  limit: 50,
  place: null,
  photoIds: [],
  note: 'replica tape',
});

describe('rounds: a step repeated as often as it needs', () => {
  it('one more than planned is next, logged with what it took, and taken back it is gone', async () => {
    now = NOON;
    const planned = await aPlannedArea(server, { coats: 1 });
    await server.ask('POST', '/log', aCoat(planned, NOON - 12 * HOUR));
    expect((await clockOf(planned)).next).toBeNull();
    const round = await logOn(planned, now, {
      kind: 'round',
      body: { stepId: planned.step.id, reason: 'lows' },
    });
    expect(round.status).toBe(201);
    expect((await clockOf(planned)).next).toMatchObject({ stepId: planned.step.id, coatNo: 1, coats: 2 });
    expect((await clockOf(planned)).film?.coatLabel).toBe('coat 1 of 2');
    const nowhere = { kind: 'round' as const, body: { stepId: uuidv7(), reason: '' } };
    expect((await logOn(planned, now, nowhere)).status).toBe(422);
    await server.ask('POST', '/log', aCoat(planned, NOON - HOUR, { coatNo: 1, litres: 0.9 }));
    expect((await clockOf(planned)).next).toBeNull();
    const again = await logOn(planned, now, { kind: 'round', body: { stepId: planned.step.id, reason: '' } });
    expect((await clockOf(planned)).next?.coatNo).toBe(2);
    await logOn(planned, now, { kind: 'strike', body: { reason: 'fair enough' } }, again.body.id);
    expect((await clockOf(planned)).next).toBeNull();
  });
});

describe('hand test', () => {
  it('corrects the clock of the film it was made on, said with before and after, and taken back it is as it was', async () => {
    now = NOON;
    const sheet = aProduct().sheet;
    const planned = await aPlannedArea(server);
    await server.ask('PUT', `/products/${planned.product.id}`, {
      ...planned.product,
      version: 1,
      sheet: { ...sheet, cure: { ...sheet.cure, events: { 'tack-free': [{ tempC: 20, minutes: 240 }] } } },
    });
    await server.ask('POST', '/log', { ...aCoat(planned, NOON - 5 * HOUR, { sheetVersion: 2 }) });
    const before = await clockOf(planned);
    expect(before.hand).toBeNull();
    const test = await logOn(planned, now, {
      kind: 'hand-test',
      body: { stepId: planned.step.id, coatNo: 0, found: 'sticks', place: 'keel', note: '' },
    });
    const after = await clockOf(planned);
    // Tack-free at 4 h, still sticking at 5: 0.72 times as fast, so 10 h become 13 h 53 min.
    expect(after.hand?.factor).toBeCloseTo(0.72, 6);
    const opens = (clock: AreaClock) => Date.parse(clock.until ?? '') - (NOON - 5 * HOUR);
    expect(opens(before) / HOUR).toBeCloseTo(10, 6);
    expect(opens(after) / HOUR).toBeCloseTo(10 / 0.72, 4);
    expect([after.hand?.opensBySheet, after.hand?.opensNow]).toEqual([before.until, after.until]);
    await logOn(planned, now, { kind: 'strike', body: { reason: 'wrong area' } }, test.body.id);
    expect((await clockOf(planned)).until).toBe(before.until);
  });
});

describe('work before a coat, ticked at the bench', () => {
  it('a wash starts the wait after it, and taking the tick back stops it', async () => {
    now = NOON;
    const { before, wash } = tasks();
    const planned = await aPlannedArea(server, { before });
    expect((await clockOf(planned)).work.map(({ kind, doneAt, endsAt }) => [kind, doneAt, endsAt])).toEqual([
      ['wash', null, null],
      ['wait', null, null],
      ['inspect', null, null],
    ]);
    const { body: entry } = await log(work(planned, wash));
    const ticked = (await clockOf(planned)).work;
    expect(ticked[0]?.entryId).toBe(entry.id);
    expect(Date.parse(ticked[1]?.endsAt ?? '')).toBe(NOON + 24 * HOUR);
    const strike = {
      ...work(planned, wash),
      corrects: entry.id,
      kind: 'strike',
      body: { reason: 'not yet' },
    };
    await log(strike as EntryInput);
    expect((await clockOf(planned)).work[0]).toMatchObject({ doneAt: null, entryId: null });
  });

  it('an inspection that finds faults stays to do, and stands in the log with what was found', async () => {
    now = NOON;
    const { before, look } = tasks();
    const planned = await aPlannedArea(server, { before });
    const found = { kind: 'inspect', outcome: 'faults', remark: 'two runs at the chine' } as const;
    await log(work(planned, look, found));
    expect((await clockOf(planned)).work[2]?.doneAt).toBeNull();
    const { body } = await server.ask<LogView>('GET', `/boats/${planned.boat.id}/log`);
    expect(body.entries[0]?.body).toMatchObject({ outcome: 'faults', remark: 'two runs at the chine' });
    await log(work(planned, look, { kind: 'inspect' }));
    expect((await clockOf(planned)).work[2]?.doneAt).not.toBeNull();
  });

  it('a task the stack cannot have is refused by name', async () => {
    const planned = await aPlannedArea(server);
    const { status, body } = await server.problem('POST', '/log', work(planned, 'tomorrow'));
    expect([status, body.errors?.[0]?.path]).toEqual([422, 'body.taskId']);
  });
});

describe('a window missed', () => {
  it('asks for keying, and once sanded the next coat may go on by tooth', async () => {
    now = NOON;
    const planned = await aPlannedArea(server);
    await log(aCoat(planned, NOON));
    expect((await clockOf(planned)).state).toBe('too-soon');
    now = NOON + 150 * HOUR;
    const missed = await clockOf(planned);
    expect([missed.state, missed.work.map(({ taskId, amount }) => [taskId, amount])]).toEqual([
      'key-first',
      [['key', 120]],
    ]);
    await log(work(planned, 'key', { coatNo: 1, kind: 'sand', amount: 120 }));
    const keyed = await clockOf(planned);
    expect([keyed.state, keyed.until, keyed.work[0]?.doneAt]).toEqual([
      'keyed',
      null,
      new Date(now).toISOString(),
    ]);
  });
});

describe('a step on a band of the area', () => {
  it('is whole when its band is covered, and the litres are the band’s', async () => {
    now = NOON;
    const planned = await aPlannedArea(server, { coats: 1, band: { name: 'waterline band', areaM2: 2 } });
    const full = aStep(planned.product.id, { coats: 1 });
    await server.ask('PUT', `/areas/${planned.area.id}/stack`, { version: 2, steps: [planned.step, full] });
    const { body: bench } = await server.ask<BenchView>('GET', `/bench/${planned.area.id}`);
    expect(bench.clock.next).toMatchObject({ band: 'waterline band', areaM2: 2, coveredM2: 0 });
    // A tenth of the 20 m² takes a tenth of the paint: A × DFT / (1000 × VS × (1 − loss)), loss by roller 7.5 %.
    expect(bench.litresForCoat).toBeCloseTo((2 * 100) / (1000 * 0.5 * 0.925), 6);
    await log(aCoat(planned, NOON, { areaM2: 1, litres: 0.22 }));
    expect((await clockOf(planned)).next).toMatchObject({ stepId: planned.step.id, coveredM2: 1 });
    await log(aCoat(planned, NOON, { areaM2: 1, litres: 0.22 }));
    expect((await clockOf(planned)).next).toMatchObject({ stepId: full.id, areaM2: 20, band: null });
    const { body: stacks } = await server.ask<StackView[]>('GET', `/boats/${planned.boat.id}/stacks`);
    expect(stacks[0]?.applied[planned.step.id]).toBe(1);
  });
});

describe('how coats hold as applied', () => {
  it('fused inside the window, by tooth once sanded, not at all after it with nothing logged', async () => {
    now = NOON + 330 * HOUR;
    const planned = await aPlannedArea(server, { coats: 4 });
    // Overcoated after 20 h; then after 140 h, past the 120 h of its window, without and with a sanding.
    for (const [coatNo, hour] of [0, 20, 160, 300].entries()) {
      if (coatNo === 3) {
        const sanding = work(planned, 'key', { coatNo, kind: 'sand', amount: 120 });
        await log({ ...sanding, at: new Date(NOON + 298 * HOUR).toISOString() });
      }
      await log(aCoat(planned, NOON + hour * HOUR, { coatNo }));
    }
    const { body: stacks } = await server.ask<StackView[]>('GET', `/boats/${planned.boat.id}/stacks`);
    expect(stacks[0]?.bonds[planned.step.id]).toEqual([
      null,
      { bond: 'fused', fault: null },
      { bond: 'none', fault: 'not-keyed' },
      { bond: 'keyed', fault: null },
    ]);
  });
});

describe('blasted steel drinks the first coat', () => {
  it('the bench asks for what fills the profile measured, and the film by litres leaves it out', async () => {
    now = NOON;
    const boat = aBoat();
    const area = anArea(boat.id, { substrate: 'steel' });
    const product = aProduct({ family: 'epoxy-primer' });
    const step = aStep(product.id);
    await server.ask('POST', '/boats', boat);
    await server.ask('POST', '/areas', area);
    await server.ask('POST', '/products', product);
    expect((await server.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [step] })).status).toBe(
      200,
    );
    const planned = { boat, area: { ...area, version: 1, archived: false }, product, step };
    const finding = aProfile(planned, 75, now);
    expect((await server.ask<Finding>('POST', '/findings', finding)).body.verdict).toBe('fine');
    const { body: bench } = await server.ask<BenchView>('GET', `/bench/${area.id}`);
    // 20 m² × 100 µm / (1000 × 0.5 × 0.925), and 0.05 l/m² into the profile (handbook part 6, from memory).
    const litres = (20 * 100) / (1000 * 0.5 * 0.925) + 20 * 0.05;
    expect(bench.litresForCoat).toBeCloseTo(litres, 6);
    await log(aCoat(planned, NOON, { litres }));
    const { body: stacks } = await server.ask<StackView[]>('GET', `/boats/${boat.id}/stacks`);
    expect(stacks[0]?.asApplied[step.id]?.[0]).toBeCloseTo(100, 6);
    expect(stacks[0]?.profile).toEqual({ microns: 75, from: 'measured' });
  });
});

describe('every clock that runs, in one list, with one way to end each', () => {
  it('a wash to be coated, its wait, tape that is up and a pot; each goes once it is ended', async () => {
    now = NOON;
    const { before, wash } = tasks();
    const planned = await aPlannedArea(server, { before });
    const item = uuidv7();
    await log(work(planned, wash));
    const tape = (on: boolean) =>
      logOn(planned, now, {
        kind: 'tape',
        body: { itemId: item, name: 'Skin fitting', on, stepId: null, coatNo: null, tape: 'masking' },
      });
    await tape(true);
    const running = async () => {
      const { body } = await server.ask<RunningView>('GET', `/running?areaId=${planned.area.id}`);
      return body.clocks.map(({ kind, name, until, end }) => [kind, name, until === null ? null : (Date.parse(until) - NOON) / HOUR, end?.how ?? null]); // biome-ignore format: one line
    };
    const open = planned.area.surroundings.kind === 'open';
    const tapeRow = ['tape', 'Skin fitting', open ? 48 : 72, 'tape'];
    expect(await running()).toEqual([['wiped', 'rinse', 24, null], ['wait', 'fan', 24, 'work'], tapeRow]);
    // Past its time it is still there, until somebody takes it off.
    now = NOON + 100 * HOUR;
    expect(await running()).toEqual([['wiped', 'rinse', 24, null], tapeRow]);
    await tape(false);
    expect((await running()).map(([kind]) => kind)).toEqual(['wiped']);
    // The coat ends the wash, and what runs now is the film on its way.
    await log(aCoat(planned, now));
    const after = (await running()).map(([kind]) => kind);
    expect(after).not.toContain('wiped');
  });
});

describe('findings that nothing has settled', () => {
  it('stand at the bench and in the record until read again; rust goes with what is stripped to the ground', async () => {
    now = NOON;
    const planned = await aPlannedArea(server, {}, { substrate: 'steel' });
    const find = (
      kind: FindingInput['kind'],
      value: number | null,
      hour: number,
      grade: FindingInput['grade'] = null,
    ) =>
      server.ask('POST', '/findings', {
        ...aProfile(planned, 0, NOON + hour * HOUR),
        ...{ kind, value, grade, limit: kind === 'salt' ? 50 : null },
      });
    await find('salt', 80, -20);
    await find('rust', null, -20, 'C');
    const open = async () => {
      const { body: bench } = await server.ask<BenchView>('GET', `/bench/${planned.area.id}`);
      const { body: record } = await server.ask<LogView>('GET', `/boats/${planned.boat.id}/log`);
      expect(record.faults).toEqual(bench.faults);
      return bench.faults.map(({ kind }) => kind).sort();
    };
    expect(await open()).toEqual(['rust', 'salt']);
    await logOn(planned, NOON - 10 * HOUR, {
      kind: 'removal',
      body: { toGround: true, coats: [], way: 'scraped', grit: null, holdsHours: null, reason: 'rust' },
    });
    expect(await open()).toEqual(['salt']);
    await find('salt', 20, -1);
    expect(await open()).toEqual([]);
  });
});

describe('tape under the last coat', () => {
  it('is pulled while that is wet, at tack-free at the latest; under an earlier coat it stays its days', async () => {
    now = NOON + HOUR;
    const planned = await aPlannedArea(server, { coats: 2 }, { zone: 'deck' });
    const { sheet } = planned.product;
    await server.ask('PUT', `/products/${planned.product.id}`, {
      ...planned.product,
      version: 1,
      sheet: { ...sheet, cure: { ...sheet.cure, events: { 'tack-free': [{ tempC: 20, minutes: 240 }] } } },
    });
    const tape = { itemId: uuidv7(), name: 'Boot top', on: true, stepId: null, coatNo: null };
    await logOn(planned, NOON - 30 * HOUR, { kind: 'tape', body: tape });
    await log(aCoat(planned, NOON - 24 * HOUR, { sheetVersion: 2 }));
    const taped = async () => {
      const { body } = await server.ask<RunningView>('GET', `/running?areaId=${planned.area.id}`);
      const { kind, until } = body.clocks.find(({ name }) => name === 'Boot top') ?? {};
      return [kind, until];
    };
    expect((await taped())[0]).toBe('tape');
    await log(aCoat(planned, NOON, { coatNo: 1, sheetVersion: 2 }));
    expect(await taped()).toEqual(['tape-wet', new Date(NOON + 4 * HOUR).toISOString()]);
    // The sheet states no full cure: when a fitting may be screwed to it is asked, never left out.
    const { body } = await server.ask<RunningView>('GET', `/running?areaId=${planned.area.id}`);
    expect(body.clocks.find(({ kind }) => kind === 'loading')).toMatchObject({ until: null });
  });
});

describe('aggregate', () => {
  it('goes into the wet base coat, by tack-free at the latest, and is work to do until it is swept up', async () => {
    now = NOON + HOUR;
    const planned = await aPlannedArea(server, { coats: 1 }, { zone: 'deck' });
    const { sheet } = planned.product;
    const events = { 'tack-free': [{ tempC: 20, minutes: 240 }] };
    const product = { ...planned.product, version: 1, sheet: { ...sheet, cure: { ...sheet.cure, events } } };
    await server.ask('PUT', `/products/${product.id}`, product);
    const task = { id: uuidv7(), kind: 'aggregate', amount: null, note: '' } as const;
    const seal = { ...planned.step, id: uuidv7(), before: [task] };
    const stack = `/areas/${planned.area.id}/stack`;
    await server.ask('PUT', stack, { version: 2, steps: [planned.step, seal] });
    const look = async () => {
      const { body } = await server.ask<BenchView>('GET', `/bench/${planned.area.id}`);
      const [work] = body.clock.work;
      return { takes: body.takesAggregate, done: work?.doneAt ?? null, kg: work?.strewn?.kg ?? null };
    };
    const running = async () =>
      (await server.ask<RunningView>('GET', `/running?areaId=${planned.area.id}`)).body.clocks.filter(
        ({ kind }) => kind === 'strew',
      );
    expect(await look()).toEqual({ takes: true, done: null, kg: null });
    await log(aCoat(planned, NOON, { sheetVersion: 2 }));
    expect(await running()).toMatchObject([{ until: new Date(NOON + 4 * HOUR).toISOString() }]);
    const body = { stepId: seal.id, coatNo: 0, taskId: task.id, kind: 'aggregate', amount: null, note: '', remark: '' } as const; // biome-ignore format: one line
    const aggregate = { strewnKg: 4, sweptBackKg: null };
    await logOn(planned, NOON, { kind: 'work', body: { ...body, outcome: 'strewn', aggregate } });
    expect([await look(), await running()]).toEqual([{ takes: false, done: null, kg: 4 }, []]);
    now = NOON + 20 * HOUR;
    const swept = { strewnKg: 4, sweptBackKg: 1.5 };
    await logOn(planned, now, { kind: 'work', body: { ...body, outcome: 'done', aggregate: swept } });
    expect(await look()).toEqual({ takes: false, done: new Date(now).toISOString(), kg: null });
    const sanding = { ...body, kind: 'sand', amount: 120, outcome: 'strewn' };
    const entry = { id: uuidv7(), areaId: planned.area.id, at: new Date(now).toISOString(), corrects: null, kind: 'work', body: sanding }; // biome-ignore format: one line
    expect((await server.ask('POST', '/log', entry)).status).toBe(422);
  });
});

describe('coats taken off again', () => {
  const taken = (over: object) => ({
    kind: 'removal' as const,
    body: {
      ...{ toGround: false, coats: [], way: 'sanded', grit: 120, holdsHours: null, reason: 'pebbled' },
      ...over,
    } as Extract<EntryInput, { kind: 'removal' }>['body'],
  });

  it('what is sanded off is next again, its film gone, the film below sanded; taken back it lies as before', async () => {
    now = NOON + 30 * HOUR;
    const planned = await aPlannedArea(server, { coats: 2, sandBetween: 120 });
    await log(aCoat(planned, NOON - 12 * HOUR));
    const second = aCoat(planned, NOON, { coatNo: 1 });
    await log(second);
    const coats = [{ stepId: planned.step.id, coatNo: 1 }];
    const below = await logOn(planned, now, taken({ coats: [{ ...coats[0], coatNo: 0 }] }));
    expect(below.status, 'nothing is taken from under another coat').toBe(422);
    const early = await logOn(planned, NOON - 2 * HOUR, taken({ coats }));
    expect(early.status, 'nor before it was on').toBe(422);
    const off = await logOn(planned, now, taken({ coats }));
    expect(off.status).toBe(201);
    const clock = await clockOf(planned);
    expect(clock).toMatchObject({ stepsDone: 1, next: { coatNo: 1, coveredM2: 0 }, film: { coatNo: 0 } });
    expect(clock.work).toMatchObject([{ taskId: 'between', doneAt: new Date(now).toISOString() }]);
    const { body: read } = await server.ask<LogView>('GET', `/boats/${planned.boat.id}/log`);
    expect(read.removedAt).toEqual({ [second.id]: new Date(now).toISOString() });
    await logOn(planned, now, { kind: 'strike', body: { reason: 'by mistake' } }, off.body.id);
    expect(await clockOf(planned)).toMatchObject({ stepsDone: 2, next: null });
  });

  it('steel blasted to the ground is bare again: four hours to prime, all coats to go on, the old profile void', async () => {
    now = NOON;
    const planned = await aPlannedArea(server, { coats: 2 }, { substrate: 'steel' });
    const tape = aProfile(planned, 75, NOON - 20 * HOUR);
    expect((await server.ask<Finding>('POST', '/findings', tape)).body.verdict).toBe('fine');
    const profile = async () =>
      (await server.ask<StackView[]>('GET', `/boats/${planned.boat.id}/stacks`)).body[0]?.profile;
    expect(await profile()).toEqual({ microns: 75, from: 'measured' });
    await logOn(planned, NOON - 20 * HOUR, { kind: 'blast', body: { holdsHours: 4 } });
    await log(aCoat(planned, NOON - 18 * HOUR));
    const hours = await logOn(planned, now, taken({ toGround: true, way: 'stripped', holdsHours: 4 }));
    expect(hours.body).toMatchObject({ errors: [{ path: 'body.holdsHours' }] });
    // Told or not, blasted steel has its four hours.
    await logOn(planned, now, taken({ toGround: true, way: 'blasted', grit: null }));
    expect(await clockOf(planned)).toMatchObject({
      ...{ stepsDone: 0, stepsAll: 2, film: null, next: { coatNo: 0 } },
      primeBy: new Date(NOON + 4 * HOUR).toISOString(),
    });
    expect((await profile())?.from).not.toBe('measured');
    // Blasted once more a day later, the hours run from then.
    now = NOON + 24 * HOUR;
    await logOn(planned, now, { kind: 'blast', body: { holdsHours: 4 } });
    expect((await clockOf(planned)).primeBy).toBe(new Date(now + 4 * HOUR).toISOString());
  });
});

describe('one pot over several areas', () => {
  it('areas that get the same out of the pot are alike, with their own need; each takes its coat from the one batch', async () => {
    now = NOON;
    const planned = await aPlannedArea(server, { coats: 2 }, { zone: 'deck' });
    const second = async (over: Partial<Planned['step']>, m: number) => {
      const shape = { kind: 'rectangle' as const, lengthM: m, widthM: 1 };
      const area = anArea(planned.boat.id, {
        measures: [{ shape, count: 1, opening: false }],
        name: `Area ${m}`,
      });
      await server.ask('POST', '/areas', area);
      const step = aStep(planned.product.id, { coats: 2, ...over });
      await server.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [step] });
      return { ...planned, area: { ...area, version: 1, archived: false }, step };
    };
    const keel = await second({}, 5);
    await second({ thinner: 0.05 }, 6);
    await second({ colours: ['red'] }, 7);
    const bench = async () => (await server.ask<BenchView>('GET', `/bench/${planned.area.id}`)).body;
    const { alike, litresForCoat } = await bench();
    expect(alike).toMatchObject([
      { areaId: keel.area.id, leftM2: 5, coatNo: 0, readyFrom: new Date(NOON).toISOString() },
    ]);
    // A quarter of the area takes a quarter of the paint.
    expect(alike[0]?.litres).toBeCloseTo((litresForCoat as number) / 4, 9);
    const { body: batch } = await logOn(planned, NOON - 2 * HOUR, {
      kind: 'batch',
      body: {
        ...{ stepId: planned.step.id, coatNo: 0, productId: planned.product.id, sheetVersion: 1, litres: 5 },
        pours: [
          { name: 'base', amount: 3750, unit: 'ml' },
          { name: 'hardener', amount: 1250, unit: 'ml' },
        ],
        ...{ tool: { kind: 'cup', stepMl: 10 }, ratioError: 0, thinnerLitres: 0 },
        ...{ potTempC: 20, inductionMin: 0, potLifeMin: 120 },
      },
    });
    // Used up before the coat is logged it still counts as mixed for it; taken back it is in use again.
    const end = { kind: 'batch-end', body: { batchId: batch.id, fate: 'emptied' } } as const;
    const { body: ended } = await logOn(planned, NOON - HOUR, end);
    expect(await bench()).toMatchObject({ pots: [], emptied: [{ entryId: batch.id, batch: { litres: 5 } }] });
    await logOn(planned, NOON - HOUR, { kind: 'strike', body: { reason: 'half full' } }, ended.id);
    expect(await bench()).toMatchObject({ pots: [{ entryId: batch.id }], emptied: [] });
    await logOn(planned, NOON - HOUR, end);
    const from = { batchIds: [batch.id] };
    expect((await log(aCoat(keel, NOON, { ...from, areaM2: 5, litres: 1 }))).status).toBe(201);
    expect((await log(aCoat(planned, NOON, { ...from, litres: 4 }))).status).toBe(201);
    expect(await bench()).toMatchObject({ pots: [], emptied: [], alike: [{ coatNo: 1 }] });
    // The film below is not ready: it waits with its time.
    expect(Date.parse((await bench()).alike[0]?.readyFrom ?? '')).toBeGreaterThan(now);
  });
});
