import path from 'node:path';
import { parseArgs } from 'node:util';
import { DiskFull, ReadOnly } from './db/diskRoom.ts';
import { FolderUnfit } from './db/folderCheck.ts';
import { FolderInUse } from './db/lock.ts';
import { NewerYard } from './db/migrations.ts';
import type { Db } from './db/open.ts';
import { withoutPassword } from './db/openServer.ts';
import { projectRoot } from './db/places.ts';
import { type Running, start } from './start.ts';
import { watchOver } from './workers/watchdog.ts';

const DEFAULT_PORT = 4870;
/** A server that does not end by itself is ended, ms. */
const LONGEST_STOP_MS = 4500;

/** What the command line says. */
export interface ServeOptions {
  folder: string;
  fresh: boolean;
}

const say = (line: string) => process.stdout.write(`${line}\n`);

function end(error: unknown): never {
  if (![FolderInUse, DiskFull, NewerYard, FolderUnfit].some((known) => error instanceof known)) throw error;
  process.stderr.write(`${(error as Error).message}\n`);
  process.exit(1);
}

/** Longest time for a plan, s: a job ends after 30 s, and the search may go on where there is no plan yet. */
const MOST_PLAN_S = 5;

/** The time for a plan as typed, ms; null: the usual one. */
function planTime(typed: string | undefined): number | null {
  if (typed === undefined) return null;
  const seconds = Number(typed);
  if (seconds >= 0.1 && seconds <= MOST_PLAN_S) return seconds * 1000;
  process.stderr.write(`--plan-seconds must be between 0.1 and ${MOST_PLAN_S}, but is "${typed}".\n`);
  process.exit(1);
}

/**
 * Serves a data folder from the command line: `--data`, `--port`, `--host` (as often as needed), `--quiet`, `--fresh`,
 * `--plan-seconds`.
 *
 * @param usual name of the folder under data/ where none is given
 * @param prepare what is done before it starts, and with the open database before the first request
 */
export async function serve(
  usual: string,
  prepare?: {
    folder: (options: ServeOptions, say: (line: string) => void) => Promise<void>;
    db: (db: Db, folder: string) => Promise<void>;
  },
): Promise<void> {
  const { values } = parseArgs({
    options: {
      demo: { type: 'boolean', default: false },
      fresh: { type: 'boolean', default: false },
      data: { type: 'string' },
      port: { type: 'string', default: String(DEFAULT_PORT) },
      host: { type: 'string', multiple: true, default: [] },
      quiet: { type: 'boolean', default: false },
      'plan-seconds': { type: 'string' },
    },
  });
  const root = projectRoot();
  const folder = path.resolve(values.data ?? path.join(root, 'data', usual));
  const databaseUrl = usual === 'own' ? process.env.DATABASE_URL || undefined : undefined;
  const planMs = planTime(values['plan-seconds']);
  let running: Running;
  try {
    await prepare?.folder({ folder, fresh: values.fresh }, say);
    running = await start({
      folder: databaseUrl ? null : folder,
      databaseUrl,
      port: Number(values.port),
      webFolder: path.join(root, 'dist/web'),
      quiet: values.quiet,
      hosts: values.host,
      ...(planMs !== null && { planMs }),
      ...(prepare && { prepare: (db) => prepare.db(db, folder) }),
    });
  } catch (error) {
    end(error);
  }
  let stopping = false;
  const stop = () => {
    if (stopping) process.exit(1);
    stopping = true;
    setTimeout(() => process.exit(1), LONGEST_STOP_MS).unref();
    running.stop().then(
      () => process.exit(0),
      () => process.exit(1),
    );
  };
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, stop);
  // Whoever started it is gone: nobody is left to stop it.
  if (process.channel) process.on('disconnect', stop);
  // Said last: from here on it may be told to stop.
  say(databaseUrl ? `Database: ${withoutPassword(databaseUrl)}` : `Data folder: ${folder}`);
  if (running.readOnly) say(new ReadOnly(running.readOnly).message);
  say(`Jack Plane is running at ${running.address}`);
  watchOver();
}
