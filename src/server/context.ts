import type { Logger } from 'pino';
import type { DiskRoom } from './db/diskRoom.ts';
import type { FileStore } from './db/files.ts';
import type { Db } from './db/open.ts';
import type { LiveChanges } from './http/events.ts';
import type { WriteGate } from './http/writeGate.ts';
import type { YardSnapshots } from './memory/yardSnapshots.ts';
import type { Jobs } from './workers/jobs.ts';

/** What every endpoint may use. Time is asked for here, so that tests can set it. */
export interface Context {
  db: Db;
  /** Whether other processes may serve the same database. */
  shared: boolean;
  files: FileStore;
  room: DiskRoom;
  live: LiveChanges;
  memory: YardSnapshots;
  jobs: Jobs;
  gate: WriteGate;
  log: Logger;
  /** Of this process, among those that serve the same database. */
  process: string;
  now: () => number;
  /** How long a plan of the yard is sought, ms. */
  planMs: number;
}
