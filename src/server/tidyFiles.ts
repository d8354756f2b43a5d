import { Readable } from 'node:stream';
import type { FileStore } from './db/files.ts';
import type { Db } from './db/open.ts';
import { meshFilesInUse } from './rows/forms.ts';
import { incomingFile, photoBytes, photoFile, photoMovedOut, photosInDatabase } from './rows/photos.ts';

const LARGEST_PHOTO = 64 * 1024 * 1024;

/** At the start: pictures that an earlier version kept in the database become files, files nothing counts on go. */
export async function tidyFiles(db: Db, files: FileStore): Promise<void> {
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
    if (left) await files.remove(name);
  }
}
