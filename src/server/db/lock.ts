import { closeSync, ftruncateSync, openSync, readFileSync, writeSync } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import path from 'node:path';
import { tryLock } from 'fs-native-extensions';

/** The data folder is in use by another process: two at once would destroy it. */
export class FolderInUse extends Error {
  constructor(folder: string, holder: string) {
    super(`${folder} is already served by ${holder}. Use the page it printed, or stop it first.`);
    this.name = 'FolderInUse';
  }
}

/** What the holder wrote into the lock's file; told to people, never relied on. */
function holderOf(file: string): string {
  const pid = readFileSync(file, 'utf8').trim();
  return /^\d+$/.test(pid) ? `process ${pid}` : 'another process';
}

/**
 * Takes the data folder for this process: PGlite is one process's database. The lock is the operating system's own, on
 * an open file: it goes with the process however that ends, so nothing is left behind that could block a later start,
 * and of two starts at the same moment one is refused.
 *
 * @returns how to give it back
 * @throws {FolderInUse}
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
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
  return async () => {
    ftruncateSync(handle, 0);
    closeSync(handle);
  };
}
