import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { v7 as uuidv7 } from 'uuid';
import { makeApp } from './app.ts';
import { YardMemory } from './clock/yardClocks.ts';
import { FileStore } from './db/files.ts';
import { lockFolder } from './db/lock.ts';
import { type Db, openDb } from './db/open.ts';
import { yard } from './db/schema.ts';
import { LiveChanges } from './http/events.ts';
import { makeLogger } from './http/logger.ts';

export interface Running {
  address: string;
  port: number;
  db: Db;
  stop: () => Promise<void>;
}

/** An empty folder gets a yard to put boats in; its name and place are the user's to change. */
async function ensureYard(db: Db): Promise<void> {
  const rows = await db.select({ id: yard.id }).from(yard).limit(1);
  if (rows.length > 0) return;
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  await db
    .insert(yard)
    .values({ id: uuidv7(), name: 'My yard', zone: timeZone || 'UTC', latitude: 50, longitude: 0 });
}

/** Listens on the loopback address only; takes a free port when the wanted one is in use. */
function listen(server: Server, port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE' && port !== 0) resolve(listen(server, 0));
      else reject(error);
    });
    server.listen(port, '127.0.0.1', () => resolve((server.address() as AddressInfo).port));
  });
}

/**
 * Opens the data folder and serves it.
 *
 * @param folder data folder, or null for memory
 * @param now the clock; tests pass their own
 * @param prepare called with the open database before the first request, e.g. to lay the demo
 */
export async function start(options: {
  folder: string | null;
  port: number;
  webFolder: string;
  quiet?: boolean;
  now?: () => number;
  dump?: Blob;
  prepare?: (db: Db) => Promise<void>;
}): Promise<Running> {
  const logger = makeLogger(options.quiet ?? false);
  const unlock = options.folder ? await lockFolder(options.folder) : async () => {};
  const { db, close } = await openDb(options.folder, options.dump);
  await options.prepare?.(db);
  await ensureYard(db);
  const live = new LiveChanges();
  const memory = new YardMemory(db, live);
  const app = makeApp(
    { db, files: await FileStore.open(options.folder), live, memory, now: options.now ?? Date.now },
    { logger, webFolder: options.webFolder },
  );
  const server = createServer(app);
  const port = await listen(server, options.port);
  const stop = async () => {
    live.close();
    await new Promise<void>((resolve) => {
      server.close(() => resolve());
      server.closeIdleConnections();
    });
    await close();
    await unlock();
  };
  return { address: `http://127.0.0.1:${port}`, port, db, stop };
}
