import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { aBoat } from '../../../test/examples.ts';
import { allBoats, boatById, insertBoat } from '../rows/boats.ts';
import { type OpenDb, openFolder } from './open.ts';

const home = mkdtempSync(path.join(tmpdir(), 'jack-plane-thread-'));
let open: OpenDb;
beforeAll(async () => {
  open = await openFolder(path.join(home, 'data'));
});
afterAll(async () => {
  await open.close();
  rmSync(home, { recursive: true, force: true });
});

it('what runs beside a transaction waits for its end, sees all of it or nothing, and the next one begins after it', async () => {
  const [kept, dropped] = [aBoat(), aBoat()];
  const boats = () => allBoats(open.db).then((all) => all.map(({ id }) => id));
  const first = open.db.transaction(async (tx) => {
    await insertBoat(tx, kept);
    await new Promise((resolve) => setTimeout(resolve, 50));
    await tx.execute(sql`update boat set name = 'Second name' where id = ${kept.id}`);
  });
  const beside = boats();
  const second = open.db.transaction(async (tx) => {
    await insertBoat(tx, dropped);
    expect((await boatById(tx, kept.id))?.name).toBe('Second name');
    throw new Error('changed its mind');
  });
  await expect(second).rejects.toThrow('changed its mind');
  await first;
  expect([await beside, await boats()]).toEqual([[kept.id], [kept.id]]);
});

it('a refusal of the database keeps its code and constraint; what follows in a rolled-back part counts', async () => {
  const boat = aBoat();
  await insertBoat(open.db, boat);
  await expect(insertBoat(open.db, boat)).rejects.toMatchObject({
    cause: { code: '23505', constraint: 'boat_pkey' },
  });
  await open.db.transaction(async (tx) => {
    await expect(tx.transaction((part) => insertBoat(part, boat))).rejects.toThrow();
    await insertBoat(tx, aBoat());
  });
  expect(await allBoats(open.db)).toHaveLength(3);
});

it('a long statement holds nobody up who asks for no data', async () => {
  let turns = 0;
  const ticking = setInterval(() => turns++, 5);
  await open.db.execute(sql`select pg_sleep(0.5), (select count(*) from generate_series(1, 300000))`);
  clearInterval(ticking);
  expect(turns).toBeGreaterThan(10);
});
