import { eq, isNotNull } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Queries } from '../db/open.ts';
import { photo } from '../db/schema.ts';
import { found } from './missing.ts';

/** The metadata of a photo; its image is a file. */
export interface PhotoRow {
  id: string;
  boatId: string;
  mime: string;
  hash: string | null;
}

/** The file of a picture: its name tells its content, so that two pictures sent under one id never share a name. */
export const photoFile = (id: string, hash: string) => `${id}.${hash}.photo`;

/** The name that versions before this one gave it. */
const plainFile = (id: string) => `${id}.photo`;

/** A name for what is still on its way. */
export const incomingFile = () => `${uuidv7()}.incoming`;

/** The file of an image; null: missing. */
export async function pictureOf(
  files: { has: (name: string) => Promise<boolean> },
  { id, hash }: Pick<PhotoRow, 'id' | 'hash'>,
): Promise<string | null> {
  for (const name of [...(hash === null ? [] : [photoFile(id, hash)]), plainFile(id)])
    if (await files.has(name)) return name;
  return null;
}

export async function photoById(db: Queries, id: string): Promise<PhotoRow | undefined> {
  const [row] = await db
    .select({ id: photo.id, boatId: photo.boatId, mime: photo.mime, hash: photo.hash })
    .from(photo)
    .where(eq(photo.id, id));
  return row;
}

/** Records a photograph, once: of two sent under one id the first stands. @returns the one that stands, and whether it is this */
export async function insertPhotoOnce(
  db: Queries,
  row: PhotoRow & { takenAt: Date },
): Promise<{ known: PhotoRow; made: boolean }> {
  const [made] = await db.insert(photo).values(row).onConflictDoNothing().returning({ id: photo.id });
  if (made) return { known: row, made: true };
  return { known: found(await photoById(db, row.id), 'photograph', row.id), made: false };
}

/** Ids of photographs whose pictures an earlier version kept in the database. */
export async function photosInDatabase(db: Queries): Promise<string[]> {
  return (await db.select({ id: photo.id }).from(photo).where(isNotNull(photo.bytes))).map(({ id }) => id);
}

export async function photoBytes(db: Queries, id: string): Promise<Uint8Array | null> {
  const [row] = await db.select({ bytes: photo.bytes }).from(photo).where(eq(photo.id, id));
  return row?.bytes ?? null;
}

export async function photoMovedOut(db: Queries, id: string, hash: string): Promise<void> {
  await db.update(photo).set({ bytes: null, hash }).where(eq(photo.id, id));
}
