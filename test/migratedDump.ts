import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { migrationsFolder, openDb, projectRoot } from '../src/server/db/open.ts';

/** Where the migrated, empty data folder is kept between runs: named for the migrations it was made by. */
export function dumpFile(): string {
  const hash = createHash('sha256');
  for (const file of readdirSync(migrationsFolder())
    .filter((name) => name.endsWith('.sql'))
    .sort()) {
    hash.update(readFileSync(path.join(migrationsFolder(), file)));
  }
  return path.join(projectRoot(), '.cache', `migrated-${hash.digest('hex').slice(0, 12)}.tar`);
}

/** Before the tests: PostgreSQL's first start takes seconds, so it happens once and is shared as a dump. */
export async function setup(): Promise<void> {
  const file = dumpFile();
  if (existsSync(file)) return;
  mkdirSync(path.dirname(file), { recursive: true });
  const { client, close } = await openDb(null);
  const dump = await client.dumpDataDir('none');
  writeFileSync(file, new Uint8Array(await dump.arrayBuffer()));
  await close();
}
