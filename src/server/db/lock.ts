import { closeSync, existsSync, ftruncateSync, openSync, readFileSync, writeSync } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import path from 'node:path';
import { tryLock } from 'fs-native-extensions';

/** The data folder is in use by another process: two at once would destroy it. */
export class FolderInUse extends Error {
  constructor(folder: string, holder: string) {
    super(`${folder} is already in use by ${holder}. Open the address it printed, or stop it first.`);
    this.name = 'FolderInUse';
  }
}

/** What the holder wrote into the lock's file; told to people, never relied on. */
function holderOf(file: string): string {
  const pid = readFileSync(file, 'utf8').trim();
  return /^\d+$/.test(pid) ? `process ${pid}` : 'another process';
}

/** A file that every yard has, locked as well: if somebody removes the lock file, the yard stays locked. */
const OF_THE_YARD = 'PG_VERSION';

/** Holds the yard by a file of its own. @returns its handle; null: there is no yard yet. @throws {FolderInUse} */
function holdYard(folder: string): number | null {
  const file = path.join(folder, OF_THE_YARD);
  if (!existsSync(file)) return null;
  let handle: number;
  try {
    handle = openSync(file, 'r+');
  } catch {
    // A yard that may only be read is refused elsewhere, by that name.
    return null;
  }
  if (tryLock(handle)) return handle;
  closeSync(handle);
  throw new FolderInUse(folder, 'another process');
}

/** What gives a folder back. */
export interface FolderLock {
  /** Holds the yard in it too, once there is one. @throws {FolderInUse} */
  hold: () => void;
  release: () => Promise<void>;
}

/**
 * Takes the data folder for this process: PGlite is one process's database. The lock is the operating system's own, on
 * an open file: it goes with the process however that ends, so nothing is left behind that could block a later start,
 * and of two starts at the same moment one is refused.
 *
 * @returns how to hold the yard in it, and to give it back
 * @throws {FolderInUse}
 */
export async function lockFolder(folder: string): Promise<FolderLock> {
  const file = `${folder}.lock`;
  await mkdir(path.dirname(folder), { recursive: true });
  // The file itself stays: were it removed, two processes could hold locks on two files of one name.
  const handle = openSync(file, 'a+');
  if (!tryLock(handle)) {
    closeSync(handle);
    throw new FolderInUse(folder, holderOf(file));
  }
  try {
    ftruncateSync(handle, 0);
    writeSync(handle, String(process.pid), 0);
  } catch {
    // A full disk takes no number: whoever is refused then hears of "another process".
  }
  let yard: number | null = null;
  const release = async () => {
    if (yard !== null) closeSync(yard);
    ftruncateSync(handle, 0);
    closeSync(handle);
  };
  const hold = () => {
    yard ??= holdYard(folder);
  };
  try {
    hold();
  } catch (error) {
    await release();
    throw error;
  }
  return { hold, release };
}
