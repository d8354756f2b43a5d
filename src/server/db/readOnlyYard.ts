import { accessSync, closeSync, constants, createReadStream, openSync } from 'node:fs';
import { readdir, stat } from 'node:fs/promises';
import path from 'node:path';
import { buffer } from 'node:stream/consumers';
import { pipeline } from 'node:stream/promises';
import { tryLock } from 'fs-native-extensions';
import { type Pack, pack } from 'tar-stream';
import type { DiskRoom, ReadOnlyCause } from './diskRoom.ts';
import { checkFolder } from './folderCheck.ts';
import { FolderInUse, type FolderLock } from './lock.ts';

/**
 * Whether a yard that lies in a folder can only be read now: its disk is full, or it may not be written there.
 *
 * @throws {FolderUnfit} where no whole yard lies in a folder that cannot be written
 */
export function whyReadOnly(folder: string, room: DiskRoom): ReadOnlyCause | null {
  try {
    accessSync(path.join(folder, 'PG_VERSION'), constants.W_OK);
    accessSync(folder, constants.W_OK);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code !== 'EROFS' && code !== 'EACCES' && code !== 'EPERM') return null;
    return checkFolder(folder, { write: false }) ? 'not writable' : null;
  }
  return room.isFull() && checkFolder(folder) ? 'full' : null;
}

/**
 * Keeps others from writing to a yard while it is copied: a lock that only needs reading.
 *
 * @throws {FolderInUse} when another process serves it
 */
export function lockForReading(folder: string): FolderLock {
  const handle = openSync(path.join(folder, 'PG_VERSION'), 'r');
  const release = async () => closeSync(handle);
  if (!tryLock(handle, { shared: true })) {
    closeSync(handle);
    throw new FolderInUse(folder, 'another process');
  }
  return { hold: () => {}, release };
}

/** Left by a process that was killed; the engine would think that it still runs. */
const LEFT_BEHIND = 'postmaster.pid';

async function addTo(tar: Pack, folder: string): Promise<void> {
  for (const entry of await readdir(folder, { recursive: true, withFileTypes: true })) {
    const file = path.join(entry.parentPath, entry.name);
    const name = `/${path.relative(folder, file)}`;
    if (entry.isDirectory()) tar.entry({ name, type: 'directory', mode: 0o700 });
    else if (entry.isFile() && entry.name !== LEFT_BEHIND) {
      const { size, mode } = await stat(file);
      await pipeline(createReadStream(file), tar.entry({ name, size, mode }));
    }
  }
  tar.finalize();
}

/** A data folder as the engine takes it into memory; nothing is written to the disk. */
export async function packedYard(folder: string): Promise<Blob> {
  const tar = pack();
  const [bytes] = await Promise.all([buffer(tar), addTo(tar, folder)]);
  return new Blob([new Uint8Array(bytes)]);
}
