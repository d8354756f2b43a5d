import { readdirSync } from 'node:fs';
import { Session } from 'node:inspector/promises';
import path from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  aBoat,
  aCoat,
  aLot,
  anArea,
  aPlannedArea,
  HOUR,
  weatherCsv,
  wrongToken,
} from '../../test/examples.ts';
import { startPostgres } from '../../test/postgres.ts';
import { writesOf } from '../../test/writes.ts';
import type { PlanView } from '../contract/index.ts';
import { projectRoot } from './db/places.ts';
import type { Running } from './start.ts';

/**
 * Every query of rows/ runs on a database server, which notes the plan of each; none may read a table that grows from end to end.
 * With sequential scans made dear, one that is left in a plan is one that no index serves.
 */
const GROWS = [
  'log_entry', 'batch_use', 'weather_reading', 'weather_hour', 'weather_series', 'shift', 'write_seen', 'lot_movement',
  'change_notice', 'photo', 'file_chunk', 'rate_count', 'scale_reading', 'finding',
]; // biome-ignore format: a list

/** Run elsewhere: no query, what only the embedded database needs, what only yards of the first version need, and single lookups that the embedded suite covers. */
const LEFT = [
  'missing.ts Stale',
  'retention.ts countTables', 'photos.ts photoBytes', 'photos.ts photoMovedOut', 'paces.ts putPace', 'paces.ts dropPace',
  'areas.ts putEstimate', 'areas.ts archivePatches', 'areas.ts stripesOf', 'log.ts tapeTicks', 'lots.ts movementsTogether',
  'rateCounts.ts forgetCount', 'survey.ts updateStand', 'survey.ts updateFinding',
]; // biome-ignore format: a list

let postgres: Awaited<ReturnType<typeof startPostgres>>;
let server: Running;
/** What the server had noted before the first request: migrations read whole tables. */
let before = 0;
const inspector = new Session();
const now = Date.now();
const at = (hours: number) => new Date(now + hours * HOUR).toISOString();

beforeAll(async () => {
  inspector.connect();
  await inspector.post('Profiler.enable');
  await inspector.post('Profiler.startPreciseCoverage', { callCount: true, detailed: false });
  postgres = await startPostgres({
    session_preload_libraries: 'auto_explain',
    'auto_explain.log_min_duration': '0',
    'auto_explain.log_format': 'json',
    enable_seqscan: 'off',
  });
  // Read only now, so that what of them is never run is seen.
  const { start } = await import('./start.ts');
  server = await start({ folder: null, databaseUrl: await postgres.database(), port: 0, webFolder: '/nowhere', quiet: true, checkReplies: true }); // biome-ignore format: one line
  before = postgres.log().length;
});
afterAll(async () => {
  await server.stop();
  await postgres.stop();
});

const ask = async <T>(method: string, route: string, body?: unknown) => {
  const answer = await fetch(`${server.address}/api/v1${route}`, {
    method,
    ...(body === undefined
      ? {}
      : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  });
  const text = await answer.text();
  return {
    status: answer.status,
    body: (text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : text) as T,
  };
};
const done = async (method: string, route: string, body?: unknown) => {
  const { status, body: reply } = await ask<Record<string, unknown>>(method, route, body);
  expect([method, route.replace(/[0-9a-f-]{36}/g, '…'), status, status < 300 ? '' : reply]).toEqual([
    method,
    route.replace(/[0-9a-f-]{36}/g, '…'),
    status,
    '',
  ]);
  return reply;
};

describe('the queries of rows/', () => {
  it('are all run on a database server, by a yard’s life from its first boat to its last tin', async () => {
    const planned = await aPlannedArea({ ask });
    const { boat, area, product, step } = planned;
    await done('POST', '/weather', { csv: weatherCsv(now - 90 * HOUR, 200, () => 20), mode: 'import' });
    await done('POST', '/weather/stand-in', { days: 3 });
    for (const gives of ['measured', 'forecast']) {
      const id = uuidv7();
      await done('POST', '/stations', { id, name: gives, gives, way: 'posts', url: null, everyMin: 30, privateNet: false, on: true, rank: 1 }); // biome-ignore format: one line
      const { token } = (await done('POST', `/stations/${id}/token`)) as { token: string };
      const offset = gives === 'measured' ? -1 : 2;
      const send = (bearer: string) =>
        fetch(`${server.address}/api/v1/stations/${id}/readings`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', authorization: `Bearer ${bearer}` },
          body: JSON.stringify({ readings: [{ at: at(offset), airC: 12, rhPercent: 70, rainMm: 0 }] }),
        });
      // A second issue, and one that is refused and does not count.
      for (const bearer of [token, token, wrongToken(token)]) await send(bearer);
      await done('PUT', `/stations/${id}`, { id, name: gives, gives, way: 'posts', url: null, everyMin: 60, privateNet: false, on: true, rank: 2, version: 1 }); // biome-ignore format: one line
      await done('DELETE', `/stations/${id}/token`);
      if (gives === 'forecast') await done('DELETE', `/stations/${id}`);
    }
    const scale = `/scales/${uuidv7()}`;
    await fetch(`${server.address}/api/v1${scale}`, { method: 'PUT', body: '450 g', headers: { 'content-type': 'text/plain' } }); // biome-ignore format: one line
    await done('GET', scale);
    const asked = uuidv7();
    await done('POST', '/stations', { id: asked, name: 'asked', gives: 'measured', way: 'asked', url: 'http://127.0.0.1:1/x', everyMin: 30, privateNet: true, on: true, rank: 3 }); // biome-ignore format: one line
    await server.feeds.look();
    const other = aBoat({ name: 'Second' });
    await done('POST', '/boats', other);
    await done('DELETE', `/boats/${other.id}`);
    await done('POST', `/boats/${other.id}/restore`);
    const lots = [aLot(product.id, 'base', { amount: 5 }), aLot(product.id, 'hardener', { amount: 5 })];
    await done('POST', '/receipts', { id: uuidv7(), at: at(-50), purchaseId: null, lots });
    const batch = { id: uuidv7(), areaId: area.id, at: at(-41), corrects: null, kind: 'batch', body: { stepId: step.id, coatNo: 0, productId: product.id, sheetVersion: 1, litres: 1, potTempC: 20, thinner: 0, pours: [{ name: 'base', amount: 700, unit: 'ml' }, { name: 'hardener', amount: 300, unit: 'ml' }] } }; // biome-ignore format: one line
    await ask('POST', '/log', batch);
    const coat = aCoat(planned, now - 30 * HOUR);
    await done('POST', '/log', coat);
    await done('POST', '/log', { ...coat, id: uuidv7(), corrects: coat.id });
    await done('POST', '/log', {
      id: uuidv7(),
      areaId: area.id,
      at: at(-1),
      corrects: null,
      kind: 'round',
      body: { stepId: step.id, reason: 'thin' },
    });
    await done('POST', '/log', {
      id: uuidv7(),
      areaId: area.id,
      at: at(-1),
      corrects: null,
      kind: 'note',
      body: { text: 'n' },
    });
    await done('POST', '/movements', {
      id: uuidv7(),
      lotId: lots[0]?.id,
      kind: 'used',
      amount: 0.1,
      at: at(-1),
      areaId: null,
      note: '',
      corrects: null,
    });
    const supplier = {
      id: uuidv7(),
      name: 'Board stores',
      delivery: 100,
      minOrder: 0,
      deliveryDays: 2,
      note: '',
    };
    await done('POST', '/suppliers', supplier);
    await done('PUT', `/suppliers/${supplier.id}`, { ...supplier, note: 'x', version: 1 });
    const offer = { id: uuidv7(), productId: product.id, part: null, colour: null, litres: 2, price: 100, supplierId: supplier.id, discounts: [] }; // biome-ignore format: one line
    await done('POST', '/offers', offer);
    await done('PUT', `/offers/${offer.id}`, { ...offer, price: 120, version: 1 });
    await done('DELETE', `/offers/${offer.id}`);
    await done('POST', `/offers/${offer.id}/restore`);
    const { sheet } = product;
    await done('PUT', `/products/${product.id}`, { id: product.id, name: product.name, sheet, version: 1 });
    const photo = uuidv7();
    await fetch(`${server.address}/api/v1/boats/${boat.id}/photos/${photo}`, { method: 'PUT', body: new Uint8Array([0xff, 0xd8, 0xff, 1]), headers: { 'content-type': 'image/jpeg' } }); // biome-ignore format: one line
    await done('POST', `/boats/${boat.id}/calendar`);
    const extra = anArea(boat.id, { name: 'Extra' });
    await done('POST', '/areas', extra);
    await done('DELETE', `/areas/${extra.id}`);
    await done('POST', `/areas/${extra.id}/restore`);
    const cut = anArea(boat.id, {
      name: 'Piece',
      part: { areaId: area.id, kind: 'piece', standId: null, sharesSystem: true, at: at(-20) },
      measures: [],
      estimates: [{ way: 'rule', areaM2: 3, spread: 0.1, basis: 'cut' }],
    });
    await done('POST', '/areas', cut);
    const writes = writesOf({ ask }, { planned, other: other as never, piece: cut.id, noon: now });
    for (const make of Object.values(writes)) for (const n of [3, 4]) await done(...(await make(n)));
    const purchase = { id: uuidv7(), supplierId: supplier.id, orderedAt: at(-2), dueOn: null, delivery: 0, note: '', lines: [{ productId: product.id, part: null, colour: null, litres: 2, count: 1, price: 100 }] }; // biome-ignore format: one line
    await done('POST', '/purchases', purchase);
    await done('DELETE', `/purchases/${purchase.id}`);
    await done('PUT', `/boats/${boat.id}/quote`, {
      boatId: boat.id,
      title: 't',
      intro: '',
      closing: '',
      yardDays: 1,
      version: 0,
    });
    const { body: yardPlan } = await ask<PlanView>('GET', '/plan');
    const moved = { at: at(-2), surroundings: { kind: 'open' } };
    const placeChanges = [{ boatId: boat.id, ...moved }];
    await done('PUT', '/plan/setup', { ...yardPlan.setup, placeChanges });
    await done('POST', `/boats/${boat.id}/shelter`, moved);
    const lot = aLot(product.id, 'base');
    const { amount: _amount, ...tin } = lot;
    await done('POST', '/lots', tin);
    await done('PUT', `/lots/${tin.id}`, { ...tin, note: 'x', version: 1 });
    await done('PUT', `/boats/${boat.id}/form`, { offsets: null, mesh: null, use: null, version: 0 });
    const bare = { id: uuidv7(), boatId: boat.id, areaId: area.id, kind: 'anode', name: 'Anode', note: '' };
    await done('POST', '/bare-items', bare);
    // Sent again because its answer was lost: known, and changes nothing.
    await done('POST', '/bare-items', bare);
    await done('PUT', `/bare-items/${bare.id}`, { ...bare, note: 'x', version: 1 });
    const template = { id: uuidv7(), name: 'To go', steps: [step] };
    await done('POST', '/templates', template);
    await done('DELETE', `/templates/${template.id}`);
    const hour = Math.floor(now / HOUR) * HOUR;
    const rain = [-1, 0, 1].map((i) => `${new Date(hour + i * HOUR).toISOString()},12,70,1`);
    await done('POST', '/weather', { csv: ['time,air,rh,rain mm', ...rain].join('\n'), mode: 'import' });
    // Old issues and readings, to be folded and dropped.
    await server.db.execute(
      `update weather_series set issued_at = issued_at - interval '140 days' where kind = 'forecast' and station_id is not null` as never,
    );
    await server.housekeeping.step();
    const ids: Record<string, string> = { boats: boat.id, areas: area.id, bench: area.id, products: product.id, lots: lots[0]?.id ?? '', photos: photo, log: coat.id, movements: uuidv7() }; // biome-ignore format: one line
    const { ENDPOINTS } = await import('./endpoints/index.ts');
    for (const { kind, path: route } of ENDPOINTS) {
      if (kind !== 'read' && kind !== 'handout') continue;
      const [, place = ''] = route.split('/');
      const filled = route.replace(/:\w+/g, ids[place] ?? uuidv7());
      const { status } = await ask('GET', filled);
      expect([route, status < 500]).toEqual([route, true]);
    }
    const { result } = await inspector.post('Profiler.takePreciseCoverage');
    const folder = path.join(projectRoot(), 'src/server/rows');
    const run = result.filter(({ url }) => url.includes('/src/server/rows/'));
    expect(run.length).toBeGreaterThan(readdirSync(folder).length / 2);
    const never = run.flatMap(({ url, functions }) =>
      functions.flatMap(({ functionName, ranges }) =>
        functionName && ranges[0]?.count === 0 ? [`${path.basename(url)} ${functionName}`] : [],
      ),
    );
    expect(never.filter((name) => !LEFT.includes(name))).toEqual([]);
  });
  it('read no table that grows from end to end', () => {
    const faults = new Set<string>();
    const plans = postgres
      .log()
      .slice(before)
      .split(/\n(?!\t)/)
      .flatMap((line) => /plan:\n([\s\S]*)$/.exec(line)?.[1] ?? []);
    expect(plans.length).toBeGreaterThan(200);
    const walk = (node: Record<string, unknown>, query: string) => {
      if (node['Node Type'] === 'Seq Scan' && GROWS.includes(node['Relation Name'] as string))
        faults.add(`${node['Relation Name']}: ${query.replace(/\s+/g, ' ').slice(0, 300)}`);
      for (const each of (node.Plans as Record<string, unknown>[] | undefined) ?? []) walk(each, query);
    };
    for (const text of plans) {
      const plan = JSON.parse(text) as Record<string, unknown>;
      walk(plan.Plan as Record<string, unknown>, String(plan['Query Text']));
    }
    expect([...faults]).toEqual([]);
  });
});
