import { existsSync } from 'node:fs';
import { mkdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import * as schema from './schema.ts';

export type Db = ReturnType<typeof drizzle<typeof schema, PGlite>>;
/** What both the database and a running transaction offer to queries. */
export type Tx = Parameters<Parameters<Db['transaction']>[0]>[0];
export type Queries = Db | Tx;

/** The repository's root, from the source as well as from the bundle in dist/server. */
export function projectRoot(from: string = import.meta.dirname): string {
  let folder = from;
  while (!existsSync(path.join(folder, 'package.json'))) {
    const up = path.dirname(folder);
    if (up === folder) throw new Error(`no package.json above ${from}`);
    folder = up;
  }
  return folder;
}

export const migrationsFolder = () => path.join(projectRoot(), 'src/server/db/migrations');

/**
 * Opens the data folder (made if absent) and brings its tables up to date.
 *
 * A commit is answered only after PostgreSQL has written its log to the file, so a killed process loses nothing
 * that was acknowledged; the next opening replays the log.
 *
 * @param folder where the data lies, or null for memory
 * @param dump a dumped data folder to start from (tests share one that is already migrated)
 */
export async function openDb(
  folder: string | null,
  dump?: Blob,
): Promise<{ db: Db; close: () => Promise<void>; client: PGlite }> {
  if (folder) await mkdir(path.dirname(folder), { recursive: true });
  const client = await PGlite.create({
    ...(folder ? { dataDir: folder } : {}),
    ...(dump ? { loadDataDir: dump } : {}),
    relaxedDurability: false,
  });
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: migrationsFolder() });
  return { db, client, close: () => client.close() };
}

/** Reads a dump made by `dumpDataDir` back from disk. */
export async function readDump(file: string): Promise<Blob> {
  return new Blob([new Uint8Array(await readFile(file))]);
}
