import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aBoat, aLot, anArea, aPlannedArea, aProduct, NOON } from '../../../test/examples.ts';
import { dumpFile } from '../../../test/migratedDump.ts';
import { yardServer } from '../../../test/yardServer.ts';
import type { Boat, ChangeSet, Entry } from '../../contract/index.ts';
import type { Context } from '../context.ts';
import { type OpenDb, openMemory, readDump } from '../db/open.ts';
import { YardSnapshots } from '../memory/yardSnapshots.ts';
import { allBoats, insertBoat } from '../rows/boats.ts';
import { ensureYard } from '../rows/yard.ts';
import { inWrite, nothingBefore } from './inWrite.ts';
import { WriteGate } from './writeGate.ts';

describe('a write', () => {
  let opened: OpenDb;
  beforeAll(async () => {
    opened = await openMemory(await readDump(dumpFile()));
    await ensureYard(opened.db);
  });
  afterAll(() => opened.close());

  it('that is committed is answered as done, whatever fails after it; the fault is logged', async () => {
    const { db } = opened;
    const logged: unknown[] = [];
    const context = {
      db,
      shared: false,
      memory: new YardSnapshots(db),
      live: { publish: () => { throw new Error('a page hung up'); } },
      gate: new WriteGate(),
      log: { error: (fault: unknown) => logged.push(fault) },
      process: uuidv7(),
      now: () => NOON,
    } as unknown as Context; // biome-ignore format: one object
    const boat = aBoat();
    const { n } = await inWrite(context, nothingBefore, async ({ tx }) => {
      await insertBoat(tx, boat);
      return { changes: [{ of: 'boat', boatId: boat.id }] };
    });
    expect(n).toBeGreaterThan(0);
    expect((await allBoats(db)).map(({ id }) => id)).toEqual([boat.id]);
    expect(logged).toHaveLength(1);
  });
});

describe('at the border', () => {
  let server: Awaited<ReturnType<typeof yardServer>>;
  beforeAll(async () => {
    server = await yardServer();
  });
  afterAll(() => server.stop());

  it('a note that looks like a moment is a note; a moment written in another zone is the same moment', async () => {
    const { area } = await aPlannedArea(server);
    const note = (text: string, at: string, id = uuidv7()) => ({
      id,
      areaId: area.id,
      at,
      corrects: null,
      kind: 'note',
      body: { text },
    });
    const odd = note('2026-11-28T25:00Z', '2026-05-14T11:00:00Z');
    expect((await server.ask<Entry>('POST', '/log', odd)).body.body).toEqual({ text: '2026-11-28T25:00Z' });
    // A note is kept as it was written, though it could be a moment.
    const moment = note('2026-05-14T13:00+01:00', '2026-05-14T13:00+01:00');
    const made = await server.ask<Entry>('POST', '/log', moment);
    expect([made.status, made.body.at, made.body.body]).toEqual([
      201,
      '2026-05-14T12:00:00.000Z',
      { text: '2026-05-14T13:00+01:00' },
    ]);
    const again = { ...moment, at: '2026-05-14T12:00:00Z' };
    expect((await server.ask('POST', '/log', again)).status).toBe(200);
    expect(
      (await server.ask('POST', '/log', { ...again, body: { text: '2026-05-14T12:00:00Z' } })).status,
    ).toBe(409);
  });
  it('an answer’s header of changes stays short, however much was changed, and names every kind', async () => {
    const products = Array.from({ length: 60 }, () => aProduct());
    for (const [i, product] of products.entries())
      await server.ask('POST', '/products', { ...product, name: `${product.name} ${i}` });
    const lots = products.map(({ id }) => aLot(id, 'base'));
    const answer = await fetch(`${server.address}/api/v1/receipts`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: uuidv7(), at: new Date(NOON).toISOString(), purchaseId: null, lots }),
    });
    expect(answer.status).toBe(201);
    const header = answer.headers.get('x-changes') ?? '';
    expect(header.length).toBeLessThan(2100);
    expect((JSON.parse(header) as ChangeSet).map(({ of }) => of)).toContain('stock');
    expect(Number(answer.headers.get('x-revision'))).toBeGreaterThan(0);
  });
  it('an address is spelled one way, and a page of another site reads nothing', async () => {
    const boat = (await server.ask<Boat>('POST', '/boats', aBoat())).body;
    await server.ask('POST', '/areas', anArea(boat.id));
    const get = (path: string, headers: Record<string, string> = {}) =>
      fetch(`${server.address}${path}`, { headers });
    expect((await get(`/api/v1/boats/${boat.id}`)).headers.get('cache-control')).toBe('no-store');
    expect((await get(`/api/v1/Boats/${boat.id}`)).status).toBe(404);
    expect((await get('/API/v1/boats')).status).toBe(404);
    for (const site of ['cross-site', 'same-site'])
      expect((await get('/api/v1/boats', { 'sec-fetch-site': site })).status).toBe(403);
    expect((await get('/api/v1/boats', { 'sec-fetch-site': 'same-origin' })).status).toBe(200);
  });
});
