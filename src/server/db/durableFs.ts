import { closeSync, fsyncSync, openSync, readdirSync } from 'node:fs';
import path from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/** The state of an open file in the embedded database’s file layer. */
interface Stream {
  nfd: number;
  node: object;
}
type Write = (stream: Stream, buffer: Uint8Array, offset: number, length: number, position: number) => number;
interface NodeLayer {
  realPath: (node: object) => string;
  stream_ops: { write: Write; fsync?: (stream: Stream) => number };
}

/** How the file layer numbers "no space left on device". */
const ENOSPC = 51;
/** A flush that the disk itself failed; a file system that flushes no folders says something else. */
const FAILED: ReadonlySet<string> = new Set(['EIO', 'ENOSPC', 'EDQUOT']);

/** Called when the disk is full. */
interface Trouble {
  /** Gives back reserved room; false: there is none left. */
  full: () => boolean;
  /** Ends the process: the database's log cannot be written (null: the disk is full), or a flush failed. */
  lost: (flush: Error | null) => void;
}

/**
 * The data folder on a real disk: what PostgreSQL asks to be flushed is flushed. The file layer it is built with has no
 * fsync, so that without this an acknowledged write would stand in the machine's memory only, and go with its power.
 *
 * A disk that fills up in the middle of a write is met by giving back the room kept in reserve; if even that is gone the
 * process has to end, since the embedded database would spin for good: nothing acknowledged is lost by it.
 * The same goes for a flush that fails.
 */
export class DurableFs extends NodeFS {
  readonly #on: Trouble;

  constructor(folder: string, on: Trouble) {
    super(folder);
    this.#on = on;
  }

  override async init(...given: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
    const [pg, options] = given;
    const made = await super.init(pg as PGlite, options);
    const mount = (module: object) => this.#mend((module as { NODEFS: NodeLayer }).NODEFS);
    made.emscriptenOpts.preRun = [...(made.emscriptenOpts.preRun ?? []), mount];
    return made;
  }

  #mend(layer: NodeLayer): void {
    const { write } = layer.stream_ops;
    layer.stream_ops = {
      ...layer.stream_ops,
      fsync: (stream) => {
        try {
          fsyncSync(stream.nfd);
        } catch (error) {
          // Data that wasn’t flushed may be lost, and a second flush wouldn’t report it.
          if (FAILED.has((error as NodeJS.ErrnoException).code ?? '')) this.#on.lost(error as Error);
          throw error;
        }
        return 0;
      },
      write: (...args) => {
        for (;;) {
          try {
            return write(...args);
          } catch (error) {
            if ((error as { errno?: number }).errno !== ENOSPC) throw error;
            if (this.#on.full()) continue;
            if (layer.realPath(args[0].node).includes(`${path.sep}pg_wal${path.sep}`)) this.#on.lost(null);
            throw error;
          }
        }
      },
    };
  }
}

/** PGlite's own start parameters without `-F`, which turns flushing off. */
export const DURABLE_START = [
  '--single',
  '-O',
  '-j',
  '-c',
  'search_path=public',
  '-c',
  'exit_on_error=false',
  '-c',
  'log_checkpoints=false',
  '-c',
  'max_worker_processes=0',
  '-c',
  'max_parallel_workers=0',
  '-c',
  'max_parallel_workers_per_gather=0',
  '-c',
  'io_method=sync',
  '-c',
  'max_parallel_maintenance_workers=0',
  '-c',
  'fsync=on',
  '-c',
  'wal_sync_method=fsync',
  // Segments kept for reuse beyond this only fill a small disk.
  '-c',
  'min_wal_size=32MB',
  '-c',
  'max_wal_size=64MB',
];

function flush(what: string): void {
  const handle = openSync(what, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

/** Flushes a whole folder: what a database is made of is copied into place without being flushed. */
export function flushFolder(folder: string): void {
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true })) {
    flush(path.join(entry.parentPath, entry.name));
  }
  flush(folder);
  flush(path.dirname(folder));
}
