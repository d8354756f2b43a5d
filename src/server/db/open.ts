import { mkdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { flushFolder } from './durableFs.ts';
import { startEngine } from './engine.ts';
import { checkFolder } from './folderCheck.ts';
import { refuseNewer } from './migrations.ts';
import { copyNewYard } from './newYard.ts';
import { migrationsFolder } from './places.ts';
import * as schema from './schema.ts';
import { ThreadEngine } from './threadEngine.ts';

export type Db = ReturnType<typeof drizzle<typeof schema, PGlite>>;
/** What both the database and a running transaction offer to queries. */
export type Tx = Parameters<Parameters<Db['transaction']>[0]>[0];
export type Queries = Db | Tx;

/** A database that is open, embedded or on a server. */
export interface OpenDb {
  db: Db;
  /** Whether other processes may serve it too. */
  shared: boolean;
  close: () => Promise<void>;
  /** Calls when some process may have committed something; only where it is shared. @returns how to stop */
  listen?: (heard: () => void) => () => Promise<void>;
}

/**
 * Opens the data folder (made if absent) and brings its tables up to date. The engine works in a thread of its own.
 *
 * A commit is answered only after PostgreSQL has flushed its log to the disk, so neither a killed process nor a power cut
 * loses anything that was acknowledged; the next opening replays the log.
 *
 * @param inThisThread for a test that replaces the file layer
 * @throws {FolderUnfit} where something else lies in the folder, or the engine can’t open it
 */
export async function openFolder(
  folder: string,
  { inThisThread = false }: { inThisThread?: boolean } = {},
): Promise<OpenDb> {
  const made = !checkFolder(folder);
  await mkdir(path.dirname(folder), { recursive: true });
  if (made) await copyNewYard(folder);
  if (inThisThread) return upToDate(takingTurns(await startEngine(folder)), folder);
  const engine = await ThreadEngine.start(folder);
  if (made) flushFolder(folder);
  return upToDate(engine as unknown as PGlite, folder);
}

/**
 * A database in memory, in this very thread: gone with it.
 *
 * @param dump a dumped data folder to start from (tests share one that is already migrated)
 */
export async function openMemory(dump?: Blob): Promise<OpenDb & { client: PGlite }> {
  const client = takingTurns(await startEngine(null, { dump }));
  return { ...(await upToDate(client, 'The yard')), client };
}

async function upToDate(client: PGlite, where: string): Promise<OpenDb> {
  const db = drizzle(client, { schema });
  try {
    await refuseNewer(db, where);
    await migrate(db, { migrationsFolder: migrationsFolder() });
  } catch (error) {
    await client.close();
    throw error;
  }
  return { db, shared: false, close: () => client.close() };
}

/** Longest stretch of statements before others get their turn, ms. */
const STRETCH_MS = 20;

/**
 * An engine in this very thread answers with promises that are kept at once and let nobody in between: a transaction of
 * five hundred statements would hold up every reader. So now and then a statement waits for who else is waiting.
 */
function takingTurns(client: PGlite): PGlite {
  const run = client.execProtocolRaw.bind(client);
  let turn = performance.now();
  client.execProtocolRaw = async (...message) => {
    if (performance.now() - turn > STRETCH_MS) {
      await new Promise(setImmediate);
      turn = performance.now();
    }
    return run(...message);
  };
  return client;
}

/** Reads a dump made by `dumpDataDir` back from disk. */
export async function readDump(file: string): Promise<Blob> {
  return new Blob([new Uint8Array(await readFile(file))]);
}
