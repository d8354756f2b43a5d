import { Readable } from 'node:stream';
import type { FileStore } from './db/files.ts';
import type { Db } from './db/open.ts';
import { meshFilesInUse } from './rows/forms.ts';
import { incomingFile, photoBytes, photoFile, photoMovedOut, photosInDatabase } from './rows/photos.ts';

const LARGEST_PHOTO = 64 * 1024 * 1024;

const DAY_MS = 24 * 3_600_000;

/** When the id in a file's name was made, ms; 0: it has none. */
function madeAt(name: string): number {
  const ids = name.match(/[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[0-9a-f]{4}-[0-9a-f]{12}/g) ?? [];
  return Math.max(0, ...ids.map((id) => Number.parseInt(id.replaceAll('-', '').slice(0, 12), 16)));
}

/**
 * At the start: pictures that an earlier version kept in the database become files, files nothing counts on go.
 *
 * @param others now, where other processes may just be writing: what is younger than a day is left; null: there are none
 */
export async function tidyFiles(db: Db, files: FileStore, others: number | null): Promise<void> {
  for (const id of await photosInDatabase(db)) {
    const bytes = await photoBytes(db, id);
    if (!bytes) continue;
    const came = incomingFile();
    const { hash } = await files.write(came, Readable.from([Buffer.from(bytes)]), LARGEST_PHOTO);
    await files.rename(came, photoFile(id, hash));
    await photoMovedOut(db, id, hash);
  }
  const inUse = await meshFilesInUse(db);
  for (const name of await files.names()) {
    const left =
      (name.endsWith('.mesh') && !inUse.has(name)) ||
      name.endsWith('.photo.new') ||
      name.endsWith('.incoming');
    if (left && (others === null || madeAt(name) < others - DAY_MS)) await files.remove(name);
  }
}
