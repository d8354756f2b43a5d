import type { YardMemory } from './clock/yardClocks.ts';
import type { FileStore } from './db/files.ts';
import type { Db } from './db/open.ts';
import type { LiveChanges } from './http/events.ts';

/** What every route may use. Time is asked for here, so that tests can set it. */
export interface Context {
  db: Db;
  files: FileStore;
  live: LiveChanges;
  memory: YardMemory;
  now: () => number;
}
