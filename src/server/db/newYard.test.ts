import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { copyNewYard } from './newYard.ts';
import { openFolder } from './open.ts';
import { boat } from './schema.ts';

const home = mkdtempSync(path.join(tmpdir(), 'jack-plane-new-'));
afterAll(() => rmSync(home, { recursive: true, force: true }));

it('a new yard is a whole copy of the built one, and nothing that lies there is touched', async () => {
  const folder = path.join(home, 'data');
  // A copy broken off half-way by a power cut is begun anew.
  writeFileSync(`${folder}.part`, 'half');
  await copyNewYard(folder);
  expect([existsSync(path.join(folder, 'PG_VERSION')), readdirSync(home)]).toEqual([true, ['data']]);
  const { db, close } = await openFolder(folder);
  expect(await db.select().from(boat)).toEqual([]);
  await close();
  const other = path.join(home, 'other');
  await openFolder(other).then((opened) => opened.close());
  const before = readdirSync(other).sort();
  await copyNewYard(other);
  expect(readdirSync(other).sort()).toEqual(before);
});
