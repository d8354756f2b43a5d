import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { migrationsMark } from '../src/server/db/newYard.ts';
import { openMemory } from '../src/server/db/open.ts';
import { projectRoot } from '../src/server/db/places.ts';

/** Where the migrated, empty data folder is kept between runs: named for the migrations it was made by. */
export const dumpFile = (): string => path.join(projectRoot(), '.cache', `migrated-${migrationsMark()}.tar`);

/** Before the tests: PostgreSQL's first start takes seconds, so it happens once and is shared as a dump. */
export async function setup(): Promise<void> {
  const file = dumpFile();
  if (existsSync(file)) return;
  mkdirSync(path.dirname(file), { recursive: true });
  const { client, close } = await openMemory();
  const dump = await client.dumpDataDir('none');
  writeFileSync(file, new Uint8Array(await dump.arrayBuffer()));
  await close();
}
