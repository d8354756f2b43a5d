import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
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

const views = () => [
  '/slip', '/today', '/running', '/strip', '/materials', '/buying', '/lots', '/movements', '/trade', '/weather', '/products',
  ...[`/boats/${planned.boat.id}`].flatMap((boat) => [boat, `${boat}/stacks`, `${boat}/log`, `${boat}/form`, `${boat}/costs`, `${boat}/buying`]),
  `/bench/${planned.area.id}`, `/areas/${planned.area.id}/clock`, `/products/${planned.product.id}/tins`, '/shopping.pdf',
]; // biome-ignore format: a list
const failing = async () => {
  const asked = await Promise.all(
    views().map(
      async (path) =>
        `${path.replace(/[0-9a-f-]{36}/g, '…')} ${(await fetch(`${server.address}/api/v1${path}`)).status}`,
    ),
  );
  return asked.filter((line) => !line.endsWith(' 200'));
};

const fresh = (body: Json): Json => ({ ...body, id: uuidv7() });
const offer = () => ({ id: uuidv7(), productId: planned.product.id, part: null, colour: null, litres: 2, price: 100, supplierId: null, discounts: [{ from: 2, price: 90 }] }); // biome-ignore format: one line
const supplier = { name: 'Slip stores', delivery: 100, minOrder: 0, deliveryDays: 2, note: '' };

/** What is written with an extreme in it, and how it is taken back. */
const CASES: [string, { describe: () => unknown }, () => Json, (body: Json) => Promise<{ status: number }>, (body: Json) => Promise<unknown>][] = [
  ['a price', contract.offerInput, offer, (b) => server.ask('POST', '/offers', b), (b) => server.ask('DELETE', `/offers/${b.id}`)],
  ['a supplier', contract.supplierInput, () => fresh(supplier), (b) => server.ask('POST', '/suppliers', b), (b) => server.ask('DELETE', `/suppliers/${b.id}`)],
  ['a tin', contract.receiptInput, () => ({ id: uuidv7(), at: new Date(NOON - HOUR).toISOString(), purchaseId: null, lots: [{ ...aLot(planned.product.id, 'base', { amount: 2 }) }] }), (b) => server.ask('POST', '/receipts', b), (b) => server.ask('DELETE', `/lots/${((b.lots as Json[])[0] as Json).id}`)],
  ['an area', contract.areaInput, () => anArea(planned.boat.id, { name: `Area ${uuidv7()}` }) as never, (b) => server.ask('POST', '/areas', b), (b) => server.ask('DELETE', `/areas/${b.id}`)],
  ['a boat', contract.boatInput, () => aBoat({ name: 'Extreme' }) as never, (b) => server.ask('POST', '/boats', b), (b) => server.ask('DELETE', `/boats/${b.id}`)],
  ['a sheet', contract.productInput, () => fresh(aProduct() as never), (b) => server.ask('POST', '/products', { ...b, name: `Sheet ${b.id}`.slice(0, 60) }), async () => {}],
]; // biome-ignore format: a table

it.each(CASES)(
  '%s at the ends of what is allowed takes no view down',
  async (_, schema, example, send, undo) => {
    const described = schema.describe() as Described;
    const numbers = numbersOf(described);
    expect(numbers.length).toBeGreaterThan(0);
    const faults: string[] = [];
    for (const [path, ends] of numbers)
      for (const end of ends) {
        const body = withNumber(example(), path, end);
        if (body === null) continue;
        const { status } = await send(body);
        if (status >= 500) faults.push(`${path.join('.')} ${end}: answered ${status}`);
        if (status >= 300) continue;
        for (const line of await failing()) faults.push(`${path.join('.')} ${end}: ${line}`);
        await undo(body);
      }
    expect(faults).toEqual([]);
  },
  120_000,
);

it('rules of money at the ends of what is allowed take no view down', async () => {
  const faults: string[] = [];
  await server.ask('POST', '/offers', offer());
  for (const [path, ends] of numbersOf(contract.tradeSettings.describe() as Described))
    for (const end of ends) {
      if (path.join() === 'version') continue;
      const { settings } = (await server.ask<TradeView>('GET', '/trade')).body;
      const body = withNumber(settings as never, path, end);
      if (body === null || (await server.ask('PUT', '/trade/settings', body)).status >= 300) continue;
      for (const line of await failing()) faults.push(`${path.join('.')} ${end}: ${line}`);
      const kept = (await server.ask<TradeView>('GET', '/trade')).body.settings;
      await server.ask('PUT', '/trade/settings', { ...settings, version: kept.version });
    }
  expect(faults).toEqual([]);
}, 60_000);
