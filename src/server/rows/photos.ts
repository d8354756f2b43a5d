import { eq, isNotNull } from 'drizzle-orm';
import type { Queries } from '../db/open.ts';
import { photo } from '../db/schema.ts';

/** What is known of a photograph; its picture is a file. */
export interface PhotoRow {
  id: string;
  boatId: string;
  mime: string;
  hash: string | null;
}

export const photoFile = (id: string) => `${id}.photo`;

export async function photoById(db: Queries, id: string): Promise<PhotoRow | undefined> {
  const [row] = await db
    .select({ id: photo.id, boatId: photo.boatId, mime: photo.mime, hash: photo.hash })
    .from(photo)
    .where(eq(photo.id, id));
  return row;
}

export async function insertPhoto(db: Queries, row: PhotoRow & { takenAt: Date }): Promise<void> {
  await db.insert(photo).values(row);
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
