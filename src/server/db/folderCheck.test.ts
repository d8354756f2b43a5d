import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { serverProcess } from '../../../test/serverProcess.ts';
import { checkFolder, FolderUnfit } from './folderCheck.ts';
import { newYardFolder } from './newYard.ts';

const home = mkdtempSync(path.join(tmpdir(), 'jack-plane-unfit-'));
afterAll(() => rmSync(home, { recursive: true, force: true }));
beforeAll(() => {
  if (!existsSync(newYardFolder())) throw new Error('build first: npm test does');
});

const listed = (folder: string) => readdirSync(folder, { recursive: true }).map(String).sort();
/** A copy of a whole yard, spoilt. */
function spoilt(name: string, how: (folder: string) => void): string {
  const folder = path.join(home, name);
  cpSync(newYardFolder(), folder, { recursive: true });
  how(folder);
  return folder;
}
const without = (part: string) => (folder: string) => rmSync(path.join(folder, part), { recursive: true });

describe('a folder that is no whole yard', () => {
  it.each([
    ['its version', 'PG_VERSION'],
    ['its states', 'global/pg_control'],
    ['its log', 'pg_wal'],
  ])('without %s is refused by name, and nothing is written over it', async (_, part) => {
    const folder = spoilt(part.replace('/', '-'), without(part));
    const before = listed(folder);
    const refused = await serverProcess(folder);
    expect(refused).toMatchObject({ code: 1, refused: expect.stringContaining(`${part} is missing`) });
    expect((refused as { refused: string }).refused).toMatch(/Restore it from a backup/);
    expect(listed(folder)).toEqual(before);
  });
  it('with an empty log, with somebody’s pictures, or where a file stands', () => {
    const noLog = spoilt('no-log', (folder) => {
      without('pg_wal')(folder);
      mkdirSync(path.join(folder, 'pg_wal'));
    });
    expect(() => checkFolder(noLog)).toThrow(/its log \(pg_wal\) is empty/);
    const pictures = path.join(home, 'pictures');
    mkdirSync(pictures);
    writeFileSync(path.join(pictures, 'boat.jpg'), 'x');
    expect(() => checkFolder(pictures)).toThrow(/is not empty and holds no yard \(boat.jpg\)/);
    expect(() => checkFolder(path.join(pictures, 'boat.jpg'))).toThrow(/is a file, not a folder/);
    expect(() => checkFolder(path.join(pictures, 'boat.jpg', 'yard'))).toThrow(FolderUnfit);
    expect(listed(pictures)).toEqual(['boat.jpg']);
  });
  it('a whole one is served, an empty or absent one may be made', () => {
    expect(checkFolder(spoilt('whole', () => {}))).toBe(true);
    expect(checkFolder(path.join(home, 'absent', 'deep'))).toBe(false);
    const empty = path.join(home, 'empty');
    mkdirSync(empty);
    writeFileSync(path.join(empty, '.DS_Store'), '');
    expect(checkFolder(empty)).toBe(false);
    // Who may write anything, as root may, is not kept out by a mode.
    if (process.getuid?.() === 0) return;
    chmodSync(empty, 0o500);
    expect(() => checkFolder(empty)).toThrow(/this user may not write there/);
  });
  it('a yard of a newer program is refused, and told to be', async () => {
    const folder = spoilt('newer', () => {});
    const { openFolder } = await import('./open.ts');
    const { sql } = await import('drizzle-orm');
    const { db, close } = await openFolder(folder);
    await db.execute(
      sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 9999999999999)`,
    );
    await close();
    expect(await serverProcess(folder)).toMatchObject({
      code: 1,
      refused: expect.stringContaining('newer version'),
    });
  });
});
