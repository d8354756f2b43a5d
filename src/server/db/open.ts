import { writeSync } from 'node:fs';
import { mkdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import { PGlite, type PGliteOptions } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { DiskRoom } from './diskRoom.ts';
import { DURABLE_START, DurableFs, flushFolder } from './durableFs.ts';
import { cannotOpen, checkFolder, FolderUnfit } from './folderCheck.ts';
import { refuseNewer } from './migrations.ts';
import { copyNewYard } from './newYard.ts';
import { migrationsFolder } from './places.ts';
import * as schema from './schema.ts';

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
 * Opens the data folder (made if absent) and brings its tables up to date.
 *
 * A commit is answered only after PostgreSQL has flushed its log to the disk, so neither a killed process nor a power cut
 * loses anything that was acknowledged; the next opening replays the log.
 *
 * @param folder where the data lies, or null for memory
 * @param dump a dumped data folder to start from (tests share one that is already migrated)
 */
export async function openDb(
  folder: string | null,
  options: { dump?: Blob | undefined; room?: DiskRoom } = {},
): Promise<OpenDb & { client: PGlite }> {
  const { dump, room = new DiskRoom(folder) } = options;
  const made = folder !== null && !checkFolder(folder);
  if (folder) await mkdir(path.dirname(folder), { recursive: true });
  if (folder && made) await copyNewYard(folder);
  const client = await createClient(folder, {
    ...(folder && {
      fs: new DurableFs(folder, { full: () => room.release(), lost: (flush) => endLost(folder, flush) }),
      startParams: DURABLE_START,
    }),
    ...(dump && { loadDataDir: dump }),
    relaxedDurability: false,
  });
  if (folder && made) flushFolder(folder);
  const db = drizzle(client, { schema });
  await refuseNewer(db, folder ?? 'The yard');
  await migrate(db, { migrationsFolder: migrationsFolder() });
  return { db, client, shared: false, close: () => client.close() };
}

/** The engine over its folder. @throws {FolderUnfit} where it cannot open what lies there */
async function createClient(folder: string | null, options: PGliteOptions): Promise<PGlite> {
  try {
    return takingTurns(await PGlite.create(options));
  } catch (error) {
    if (folder === null || error instanceof FolderUnfit) throw error;
    throw cannotOpen(folder, error);
  }
}

/** Longest stretch of statements before others get their turn, ms. */
const STRETCH_MS = 20;

/**
 * The engine works in this very thread, and a promise of it that is kept at once lets nobody in between: a transaction of
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

/** Exit code of a process that ended because of its disk; whoever started it may try again. */
const EXIT_DISK = 75;

function endLost(folder: string, flush: Error | null): never {
  const cause = flush === null ? 'is full' : `failed (${flush.message})`;
  writeSync(
    2,
    `The disk with ${folder} ${cause}, so the server is stopping. Everything confirmed as saved is safe.\n`,
  );
  process.exit(EXIT_DISK);
}

/** Reads a dump made by `dumpDataDir` back from disk. */
export async function readDump(file: string): Promise<Blob> {
  return new Blob([new Uint8Array(await readFile(file))]);
}
