import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { ChangeSet } from '../contract/index.ts';
import { makeApp } from './app.ts';
import { DiskRoom, type ReadOnlyCause } from './db/diskRoom.ts';
import { FolderFiles } from './db/files.ts';
import { checkFolder } from './db/folderCheck.ts';
import { FolderInUse, type FolderLock, lockFolder } from './db/lock.ts';
import { type Db, type OpenDb, openFolder, openMemory } from './db/open.ts';
import { openServer } from './db/openServer.ts';
import { lockForReading, packedYard, whyReadOnly } from './db/readOnlyYard.ts';
import { RowFiles } from './db/rowFiles.ts';
import { FeedKeeper } from './feeds/keeper.ts';
import { Housekeeping } from './housekeeping.ts';
import { LiveChanges } from './http/events.ts';
import { inWrite, nothingBefore } from './http/inWrite.ts';
import { makeLogger } from './http/logger.ts';
import { OtherProcesses } from './http/otherProcesses.ts';
import { WriteGate } from './http/writeGate.ts';
import { YardSnapshots } from './memory/yardSnapshots.ts';
import { ensureYard } from './rows/yard.ts';
import { tidyFiles } from './tidyFiles.ts';
import { Jobs } from './workers/jobs.ts';

export interface Running {
  /** Why nothing is taken; null: it is served as usual. */
  readOnly: ReadOnlyCause | null;
  address: string;
  port: number;
  db: Db;
  memory: YardSnapshots;
  /** Notes changes that were made past the endpoints, so that readers see them; for tests and programs beside the server. */
  touched: (changes: ChangeSet) => Promise<unknown>;
  /** Asks the stations that are to be asked. */
  feeds: FeedKeeper;
  /** Thins and drops what is kept long enough. */
  housekeeping: Housekeeping;
  stop: () => Promise<void>;
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
 * An idle connection is kept so long, ms: longer than proxies and browsers keep theirs, so that none sends a request on one
 * that is just being closed.
 */
const KEEP_ALIVE_MS = 75_000;

/** How long a better plan is sought, ms: by then the cheapest of most yards is proven. */
const PLAN_MS = 2000;

/** A request still under way when the server stops is given this long, ms; then its connection is cut. */
const LAST_REQUESTS_MS = 2500;

function closeServer(server: Server): Promise<void> {
  return new Promise((resolve) => {
    const cut = setTimeout(() => server.closeAllConnections(), LAST_REQUESTS_MS);
    server.close(() => {
      clearTimeout(cut);
      resolve();
    });
    server.closeIdleConnections();
  });
}

export interface StartOptions {
  /** Data folder, or null for memory. */
  folder: string | null;
  /** A database server instead of a folder. */
  databaseUrl?: string | undefined;
  port: number;
  webFolder: string;
  quiet?: boolean;
  /** The clock; tests pass their own. */
  now?: () => number;
  /** An empty yard that is open already; whoever opened it closes it. */
  opened?: OpenDb | undefined;
  /** Threads for heavy work that are there already; whoever made them stops them. */
  jobs?: Jobs | undefined;
  hosts?: readonly string[];
  checkReplies?: boolean;
  /** How long a better plan is sought, ms. */
  planMs?: number;
  /** Called with the open database before the first request, e.g. to fill the demo. */
  prepare?: (db: Db) => Promise<void>;
}

/** Takes a folder: to write to, or to read only where it cannot be written. @returns how to give it back */
async function take(
  folder: string,
  room: DiskRoom,
): Promise<{ lock: FolderLock; readOnly: ReadOnlyCause | null }> {
  const readOnly = whyReadOnly(folder, room);
  if (readOnly === null) return { lock: await takeFolder(folder), readOnly };
  room.setReadOnly(readOnly);
  return { lock: lockForReading(folder), readOnly };
}

/** Takes a folder, or says in a sentence why it cannot be. @throws {FolderUnfit} @throws {FolderInUse} */
async function takeFolder(folder: string): ReturnType<typeof lockFolder> {
  try {
    return await lockFolder(folder);
  } catch (error) {
    if (!(error instanceof FolderInUse)) checkFolder(folder);
    throw error;
  }
}

/** The database with its tables up to date, and the yard in it. */
async function openYard(options: StartOptions, readOnly: boolean): Promise<OpenDb> {
  const dump = readOnly && options.folder ? await packedYard(options.folder) : undefined;
  const first = async (db: Db) => {
    await options.prepare?.(db);
    await ensureYard(db);
  };
  if (options.databaseUrl !== undefined) return openServer(options.databaseUrl, first);
  const { folder } = options;
  const opened =
    options.opened ?? (folder === null || readOnly ? await openMemory(dump) : await openFolder(folder));
  await first(opened.db);
  return opened;
}

/**
 * Opens the data folder and serves it.
 *
 * @throws {FolderInUse} when another process serves it
 * @throws {DiskFull} when there is no room to start
 */
export async function start(options: StartOptions): Promise<Running> {
  const logger = makeLogger(options.quiet ?? false);
  const room = new DiskRoom(options.folder);
  const { lock, readOnly } = options.folder
    ? await take(options.folder, room)
    : { lock: null, readOnly: null };
  const unlock = async () => lock?.release();
  try {
    if (!readOnly) room.requireForStart();
    const { db, close, shared, listen: hear } = await openYard(options, readOnly !== null);
    lock?.hold();
    const files = shared
      ? new RowFiles(db)
      : await FolderFiles.open(options.folder, { readOnly: readOnly !== null });
    if (!readOnly) await tidyFiles(db, files, shared ? Date.now() : null);
    const [live, memory] = [new LiveChanges(), new YardSnapshots(db, { shared })];
    const jobs = options.jobs ?? new Jobs();
    const { webFolder, hosts = [], checkReplies = false, now = Date.now, planMs = PLAN_MS } = options;
    const context = {
      db,
      shared,
      files,
      room,
      live,
      memory,
      jobs,
      gate: new WriteGate(),
      log: logger,
      process: randomUUID(),
      now,
      planMs,
    };
    const app = makeApp(context, { logger, webFolder, hosts, checkReplies });
    const others = shared ? new OtherProcesses(context) : null;
    const deafen = others && hear?.(others.look);
    const feeds = new FeedKeeper(context);
    const housekeeping = new Housekeeping(context);
    const server = createServer(app);
    server.keepAliveTimeout = KEEP_ALIVE_MS;
    const port = await listen(server, options.port);
    // Read before the first page asks for it. One that cannot be read is told to whoever does ask.
    const warm = memory.at(now()).catch(() => null);
    const stop = async () => {
      await warm;
      feeds.stop();
      await housekeeping.stop();
      await deafen?.();
      await others?.stop();
      live.close();
      await closeServer(server);
      if (!options.jobs) await jobs.stop();
      if (!options.opened) await close();
      await unlock();
    };
    const touched = (changes: ChangeSet) => inWrite(context, nothingBefore, async () => ({ changes }));
    return {
      readOnly,
      address: `http://127.0.0.1:${port}`,
      port,
      db,
      memory,
      touched,
      feeds,
      housekeeping,
      stop,
    };
  } catch (error) {
    await unlock();
    throw error;
  }
}
