import { existsSync } from 'node:fs';
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';

/** The data folder is in use by another process: two at once would destroy it. */
export class FolderInUse extends Error {
  constructor(folder: string, pid: number, file: string) {
    super(
      `${folder} is already served by process ${pid}. Use the page it printed, or stop it first (if it is not ours, remove ${file}).`,
    );
    this.name = 'FolderInUse';
  }
}

const isAlive = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // Not ours to signal, but there.
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

/**
 * Takes the data folder for this process: PGlite is one process's database. A lock left by a killed process is taken
 * over.
 *
 * @returns how to give it back
 * @throws {FolderInUse}
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
  const file = `${folder}.lock`;
  await mkdir(path.dirname(folder), { recursive: true });
  if (existsSync(file)) {
    const pid = Number(await readFile(file, 'utf8'));
    if (pid !== process.pid && pid > 0 && isAlive(pid)) throw new FolderInUse(folder, pid, file);
    await rm(file, { force: true });
  }
  // Made only if still absent: of two that start at once, one fails here.
  await writeFile(file, String(process.pid), { flag: 'wx' });
  return () => rm(file, { force: true });
}
