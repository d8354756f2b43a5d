import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { cases } from '../../test/cases.ts';
import {
  aBoat,
  aCoat,
  aLot,
  anArea,
  aPlannedArea,
  aProduct,
  HOUR,
  NOON,
  weatherCsv,
} from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type { TradeView } from '../contract/index.ts';
import * as contract from '../contract/index.ts';
import { METHODS } from '../core/film/index.ts';

/**
 * What is allowed at one border is borne at every other: each number of a body is sent at its least and its largest allowed value,
 * and then every view is asked for. None may fail.
 */
let server: Awaited<ReturnType<typeof yardServer>>;
let planned: Awaited<ReturnType<typeof aPlannedArea>>;
beforeAll(async () => {
  server = await yardServer();
  await server.ask('POST', '/weather', { csv: weatherCsv(NOON - 99 * HOUR, 300, () => 20), mode: 'import' });
  planned = await aPlannedArea(server);
  await server.ask('POST', '/log', aCoat(planned, NOON - 30 * HOUR));
});
afterAll(() => server.stop());

type Json = Record<string, unknown>;
interface Described {
  type?: string;
  keys?: Record<string, Described>;
  items?: Described[];
  rules?: { name: string; args?: { limit?: number } }[];
}
/** The numbers of a body, by their path, with their least and largest allowed value. */
function numbersOf(
  { type, keys, items, rules = [] }: Described,
  at: (string | number)[] = [],
): [(string | number)[], number[]][] {
  if (type === 'number') {
    const limit = (name: string) => rules.find((rule) => rule.name === name)?.args?.limit;
    const ends = [limit('min'), limit('max')].filter((end): end is number => end !== undefined);
    return [[at, ends]];
  }
  return [
    ...Object.entries(keys ?? {}).flatMap(([key, each]) => numbersOf(each, [...at, key])),
    ...(items ?? []).flatMap((each) => numbersOf(each, [...at, 0])),
  ];
}
/** The first of them and every so many after it; all of them in `npm run soak`. */
const aShare = <T>(list: readonly T[], inSuite: number): T[] => {
  const every = cases(inSuite, 1);
  return list.filter((_, i) => i % every === 0);
};
/** A body with one of its numbers another; null: its example has none there. */
function withNumber(body: Json, path: readonly (string | number)[], value: number): Json | null {
  const copy = structuredClone(body);
  let at: unknown = copy;
  for (const key of path.slice(0, -1)) {
    at = (at as Json | undefined)?.[key];
    if (typeof at !== 'object' || at === null) return null;
  }
  const last = path.at(-1) as string;
  if (!(last in (at as Json))) return null;
  (at as Json)[last] = value;
  return copy;
}

/** Every view by its name, and where it is. */
const VIEWS = (): [contract.ViewName, string][] => {
  const boat = `/boats/${planned.boat.id}`;
  return [
    ['board', '/board'], ['today', '/today'], ['running', '/running'], ['strip', '/strip'], ['materials', '/materials'], ['buying', '/buying'],
    ['stock', '/lots'], ['movements', '/movements'], ['trade', '/trade'], ['weather', '/weather'], ['products', '/products'],
    ['boat', boat], ['stacks', `${boat}/stacks`], ['log', `${boat}/log`], ['form', `${boat}/form`], ['costs', `${boat}/costs`], ['buying', `${boat}/buying`],
    ['bench', `/bench/${planned.area.id}`], ['clock', `/areas/${planned.area.id}/clock`], ['tins', `/products/${planned.product.id}/tins`],
    ['buying', '/shopping.pdf'],
  ]; // biome-ignore format: a list
};
/** Views that are made from something of this kind: the others do not change by it (everyView.test.ts). */
const viewsOf = (kind: contract.ChangeKind) =>
  VIEWS().flatMap(([view, path]) => (contract.READS[view].includes(kind) ? [path] : []));
/** Views that the log of an area reaches. */
const viewsOfLog = () => [
  ...['/board', '/running', '/materials', `/bench/${planned.area.id}`, `/areas/${planned.area.id}/clock`],
  ...[
    `/boats/${planned.boat.id}/log`,
    `/boats/${planned.boat.id}/costs`,
    `/products/${planned.product.id}/tins`,
  ],
];
const failing = async (paths: readonly string[]) => {
  const asked = await Promise.all(
    paths.map(
      async (path) =>
        `${path.replace(/[0-9a-f-]{36}/g, '…')} ${(await fetch(`${server.address}/api/v1${path}`)).status}`,
    ),
  );
  return asked.filter((line) => !line.endsWith(' 200'));
};

const fresh = (body: Json): Json => ({ ...body, id: uuidv7() });
const offer = () => ({ id: uuidv7(), productId: planned.product.id, part: null, colour: null, litres: 2, price: 100, supplierId: null, discounts: [{ from: 2, price: 90 }] }); // biome-ignore format: one line
const supplier = { name: 'Board stores', delivery: 100, minOrder: 0, deliveryDays: 2, note: '' };

const finding = () => fresh({ boatId: planned.boat.id, areaId: planned.area.id, at: new Date(NOON).toISOString(), kind: 'moisture', value: 20, grade: null, limit: 15, place: { xM: 3, zM: -0.5, side: 'port' }, photoIds: [], note: '' }); // biome-ignore format: one line
const support = () => ({ stand: fresh({ boatId: planned.boat.id, name: `Block ${uuidv7()}`, kind: 'block', side: 'port', xM: 3, zM: -0.5, lengthM: 0.3, widthM: 0.2, shiftOn: null, note: '' }), patches: [] }); // biome-ignore format: one line

/** What is written with an extreme in it, and how it is taken back. */
const CASES: [string, contract.ChangeKind, { describe: () => unknown }, () => Json, (body: Json) => Promise<{ status: number }>, (body: Json) => Promise<unknown>][] = [
  ['a price', 'trade', contract.offerInput, offer, (b) => server.ask('POST', '/offers', b), (b) => server.ask('DELETE', `/offers/${b.id}`)],
  ['a supplier', 'trade', contract.supplierInput, () => fresh(supplier), (b) => server.ask('POST', '/suppliers', b), (b) => server.ask('DELETE', `/suppliers/${b.id}`)],
  ['a tin', 'stock', contract.receiptInput, () => ({ id: uuidv7(), at: new Date(NOON - HOUR).toISOString(), purchaseId: null, lots: [{ ...aLot(planned.product.id, 'base', { amount: 2 }) }] }), (b) => server.ask('POST', '/receipts', b), (b) => server.ask('DELETE', `/lots/${((b.lots as Json[])[0] as Json).id}`)],
  ['an area', 'areas', contract.areaInput, () => anArea(planned.boat.id, { name: `Area ${uuidv7()}` }) as never, (b) => server.ask('POST', '/areas', b), (b) => server.ask('DELETE', `/areas/${b.id}`)],
  ['a boat', 'boat', contract.boatInput, () => aBoat({ name: 'Extreme' }) as never, (b) => server.ask('POST', '/boats', b), (b) => server.ask('DELETE', `/boats/${b.id}`)],
  ['finding', 'survey', contract.findingInput, finding, (b) => server.ask('POST', '/findings', b), (b) => server.ask('DELETE', `/findings/${b.id}`)],
  ['a support', 'survey', contract.standWithPatches, support, (b) => server.ask('POST', '/stands', b), (b) => server.ask('DELETE', `/stands/${(b.stand as Json).id}`)],
  ['a sheet', 'products', contract.productInput, () => fresh(aProduct() as never), (b) => server.ask('POST', '/products', { ...b, name: `Sheet ${b.id}`.slice(0, 60) }), (b) => server.ask('DELETE', `/products/${b.id}`)],
]; // biome-ignore format: a table

it.each(CASES)(
  '%s at the ends of what is allowed takes no view down',
  async (_, kind, schema, example, send, undo) => {
    const described = schema.describe() as Described;
    const numbers = numbersOf(described);
    expect(numbers.length).toBeGreaterThan(0);
    const faults: string[] = [];
    const taken: { body: Json; what: string }[] = [];
    for (const [path, ends] of numbers)
      for (const end of ends) {
        const body = withNumber(example(), path, end);
        if (body === null) continue;
        const { status } = await send(body);
        const what = `${path.join('.')} ${end}`;
        if (status >= 500) faults.push(`${what}: answered ${status}`);
        if (status < 300) taken.push({ body, what });
      }
    expect(taken.length).toBeGreaterThan(0);
    // All stand at once. Where a view fails they are taken back one by one, until it does not: that one is to blame.
    let failed = await failing(viewsOf(kind));
    for (const { body, what } of taken.reverse()) {
      await undo(body);
      if (failed.length === 0) continue;
      const left = await failing(viewsOf(kind));
      if (left.length < failed.length) faults.push(`${what}: ${failed.join()}`);
      failed = left;
    }
    expect(faults).toEqual([]);
  },
  120_000,
);

it('a sheet in use at the ends of what is allowed takes neither the bench nor the plan down', async () => {
  const faults: string[] = [];
  const [product, area] = [aProduct(), anArea(planned.boat.id, { name: 'Sheet in use' })];
  const step = { ...planned.step, id: uuidv7(), productId: product.id };
  const { sheet } = product;
  const events = { 'tack-free': [{ tempC: 20, minutes: 240 }], immersion: [{ tempC: 20, minutes: 2880 }] };
  const whole = { ...product, name: 'In use', sheet: { ...sheet, cure: { ...sheet.cure, events } } };
  await server.ask('POST', '/products', whole);
  await server.ask('POST', '/areas', area);
  await server.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [step] });
  const used = { ...planned, area: { ...planned.area, ...area }, product, step };
  await server.ask('POST', '/log', aCoat(used, NOON - 30 * HOUR));
  let version = 1;
  const ends = numbersOf(contract.productUpdate.describe() as Described).flatMap(([path, each]) => each.map((end) => [path, end] as const)); // biome-ignore format: one line
  for (const [path, end] of aShare(ends, 9)) {
    if (path.join() === 'version') continue;
    const body = withNumber({ ...whole, version } as never, path, end);
    if (body === null || (await server.ask('PUT', `/products/${product.id}`, body)).status >= 300) continue;
    version++;
    for (const line of await failing([`/bench/${area.id}`, '/plan', '/board']))
      faults.push(`${path.join('.')} ${end}: ${line}`);
  }
  expect(version).toBeGreaterThan(2);
  expect(faults).toEqual([]);
});

/** Entries of the log with figures in them, each on an area with a coat. */
const ENTRIES = (): Partial<Record<contract.EntryKind, Json>> => {
  const [stepId, productId] = [planned.step.id, planned.product.id];
  const step = { stepId, coatNo: 1, productId, sheetVersion: 1 };
  return {
    coat: { ...(aCoat(planned, NOON, { coatNo: 1 }).body as never as Json), conditions: { airC: 18, rh: 0.6, surfaceC: 17, source: 'typed' } },
    batch: { ...step, litres: 1, pours: [{ name: 'base', amount: 667, unit: 'ml' }, { name: 'hardener', amount: 333, unit: 'ml' }], tool: { kind: 'scale', stepG: 1 }, ratioError: 0, thinnerLitres: 0, potTempC: 20, inductionMin: 0, potLifeMin: 60 },
    removal: { toGround: false, coats: [{ stepId, coatNo: 0 }], way: 'sanded', grit: 120, holdsHours: null, reason: 'pebbled' },
    blast: { holdsHours: 4 },
    session: { stepId, coatNo: 1, areaIds: [planned.area.id], people: ['Ana'], device: { id: stepId, kind: 'phone' } },
    progress: { stepId, coatNo: 0, section: { no: 0, of: 4 }, comb: { wetMicrons: 150, dryMicrons: 175 }, usedL: 1 },
    work: { stepId, coatNo: 1, taskId: 'wash', kind: 'aggregate', amount: 2, note: '', outcome: 'done', remark: '', aggregate: { strewnKg: 5000, sweptBackKg: 1 } },
  }; // biome-ignore format: a table
};

it('entries at the ends of what is allowed take no view down, whether they are taken or not', async () => {
  const faults: string[] = [];
  const taken = new Set<string>();
  for (const [kind, body] of Object.entries(ENTRIES()))
    for (const [path, ends] of aShare(
      numbersOf(contract.entryBodies[kind as contract.EntryKind].describe() as never),
      3,
    ))
      for (const end of ends) {
        const extreme = withNumber(body, path, end);
        if (extreme === null) continue;
        const entry = { id: uuidv7(), areaId: planned.area.id, at: new Date(NOON).toISOString(), corrects: null, kind, body: extreme }; // biome-ignore format: one line
        const { status } = await server.ask('POST', '/log', entry);
        if (status >= 500) faults.push(`${kind} ${path.join('.')} ${end}: answered ${status}`);
        if (status >= 300) continue;
        taken.add(kind);
        for (const each of await failing(viewsOfLog()))
          faults.push(`${kind} ${path.join('.')} ${end}: ${each}`);
        const strike = {
          ...entry,
          id: uuidv7(),
          corrects: entry.id,
          kind: 'strike',
          body: { reason: 'a check' },
        };
        await server.ask('POST', '/log', strike);
      }
  expect(faults).toEqual([]);
  expect([...taken].sort()).toEqual(Object.keys(ENTRIES()).sort());
});

it('a line at the ends of what is allowed takes no view down', async () => {
  const faults: string[] = [];
  const at = `/boats/${planned.boat.id}/waterline`;
  const { boatId: _b, ...plan } = (await server.ask<contract.Waterline>('GET', at)).body;
  const mark = (xM: number, side: string) => ({ id: uuidv7(), name: '', kind: 'line', side, xM, yM: 1, readingMm: 1400, aboveLineMm: 0, errorMm: 3 }); // biome-ignore format: one line
  const example = { ...plan, trimDeg: 0, heelDeg: 0, waterplaneM2: 20, marks: [mark(1, 'port'), mark(7, 'starboard')], madeMarks: [{ id: uuidv7(), side: 'port', xM: 3, readingMm: 1400 }] }; // biome-ignore format: one line
  let { version } = plan;
  for (const [path, ends] of aShare(numbersOf(contract.waterlineInput.describe() as Described), 2))
    for (const end of ends) {
      if (path.join() === 'version') continue;
      const body = withNumber({ ...example, version } as never, path, end);
      if (body === null) continue;
      const { status } = await server.ask('PUT', at, body);
      if (status >= 500) faults.push(`${path.join('.')} ${end}: answered ${status}`);
      if (status >= 300) continue;
      version++;
      for (const view of [at, at.replace(/waterline$/, 'mark-sheet.csv'), `/boats/${planned.boat.id}`]) {
        const answered = (await fetch(`${server.address}/api/v1${view}`)).status;
        if (answered >= 500) faults.push(`${path.join('.')} ${end}: ${view.slice(-14)} ${answered}`);
      }
    }
  expect(faults).toEqual([]);
});

it('a plan at the ends of what is allowed takes no view down', async () => {
  const faults: string[] = [];
  const { setup } = (await server.ask<contract.PlanView>('GET', '/plan')).body;
  const boats = [{ boatId: planned.boat.id, wanted: new Date(NOON + 90 * HOUR).toISOString() }];
  let { version } = setup;
  for (const [path, ends] of numbersOf(contract.planSetup.describe() as Described))
    for (const end of ends) {
      if (path.join() === 'version') continue;
      const body = withNumber({ ...setup, boats, version } as never, path, end);
      if (body === null || (await server.ask('PUT', '/plan/setup', body)).status >= 300) continue;
      version++;
      for (const line of await failing(['/plan'])) faults.push(`${path.join('.')} ${end}: ${line}`);
    }
  expect(version).toBeGreaterThan(setup.version + 3);
  expect(faults).toEqual([]);
});

it('rules of money at the ends of what is allowed take no view down', async () => {
  const faults: string[] = [];
  await server.ask('POST', '/offers', offer());
  for (const [path, ends] of aShare(numbersOf(contract.tradeSettings.describe() as Described), 2))
    for (const end of ends) {
      if (path.join() === 'version') continue;
      const { settings } = (await server.ask<TradeView>('GET', '/trade')).body;
      const body = withNumber(settings as never, path, end);
      if (body === null || (await server.ask('PUT', '/trade/settings', body)).status >= 300) continue;
      for (const line of await failing(viewsOf('trade'))) faults.push(`${path.join('.')} ${end}: ${line}`);
      const kept = (await server.ask<TradeView>('GET', '/trade')).body.settings;
      await server.ask('PUT', '/trade/settings', { ...settings, version: kept.version });
    }
  expect(faults).toEqual([]);
});

it.each([0.1, 1000])(
  'an application rate of %s m²/h takes no view down, however large the area',
  async (rate) => {
    const faults: string[] = [];
    const { settings } = (await server.ask<TradeView>('GET', '/trade')).body;
    const workRates = Object.fromEntries(METHODS.map((method) => [method, rate]));
    expect((await server.ask('PUT', '/trade/settings', { ...settings, workRates })).status).toBe(200);
    const at20 = (minutes: number) => [{ tempC: 20, minutes }];
    for (const sideM of [1, 100]) {
      const shape = { kind: 'rectangle' as const, lengthM: sideM, widthM: sideM };
      const measures = [{ shape, count: 1, opening: false }];
      const { area, boat, product } = await aPlannedArea(
        server,
        {},
        { measures, surroundings: { kind: 'shed' } },
      );
      const cure = { ...product.sheet.cure, events: { 'tack-free': at20(240), immersion: at20(2880) } };
      await server.ask('PUT', `/products/${product.id}`, {
        ...product,
        version: 1,
        sheet: { ...product.sheet, cure },
      });
      // The yard’s own views hold both areas the second time.
      const ofYard = sideM === 1 ? [] : ['/today', '/plan', '/work-rates'];
      const paths = [`/bench/${area.id}`, `/bench/${area.id}/ahead`, `/boats/${boat.id}/costs`, ...ofYard];
      for (const line of await failing(paths)) faults.push(`${sideM} m: ${line}`);
    }
    expect(faults).toEqual([]);
  },
);
