import { writeSync } from 'node:fs';
import { PGlite, type PGliteOptions } from '@electric-sql/pglite';
import { DiskRoom } from './diskRoom.ts';
import { DURABLE_START, DurableFs } from './durableFs.ts';
import { cannotOpen, FolderUnfit } from './folderCheck.ts';

/**
 * The embedded PostgreSQL in the thread that calls this.
 *
 * @param folder where the data lies, or null for memory
 * @param dump a dumped data folder to start from
 * @throws {FolderUnfit} where it can’t open what lies there
 */
export async function startEngine(
  folder: string | null,
  { dump }: { dump?: Blob | undefined } = {},
): Promise<PGlite> {
  const room = new DiskRoom(folder);
  const options: PGliteOptions = {
    ...(folder && {
      fs: new DurableFs(folder, { full: () => room.release(), lost: (flush) => endLost(folder, flush) }),
      startParams: DURABLE_START,
    }),
    ...(dump && { loadDataDir: dump }),
    relaxedDurability: false,
  };
  try {
    return await PGlite.create(options);
  } catch (error) {
    if (folder === null || error instanceof FolderUnfit) throw error;
    throw cannotOpen(folder, error);
  }
}

/** Exit code of a process that ended because of its disk; whoever started it may try again. */
const EXIT_DISK = 75;

/** Ends the process, or the thread and with it the process. */
function endLost(folder: string, flush: Error | null): never {
  const cause = flush === null ? 'is full' : `failed (${flush.message})`;
  writeSync(
    2,
    `The disk with ${folder} ${cause}, so the server is stopping. Everything confirmed as saved is safe.\n`,
  );
  process.exit(EXIT_DISK);
}
