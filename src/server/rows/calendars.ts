import { createHash } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import type { Queries } from '../db/open.ts';
import { boat } from '../db/schema.ts';
import { found } from './missing.ts';

const hashOf = (secret: string) => createHash('sha256').update(secret.toLowerCase()).digest('hex');

/** @throws {Missing} */
export async function hasCalendar(db: Queries, boatId: string): Promise<boolean> {
  const [row] = await db.select({ hash: boat.calendarHash }).from(boat).where(eq(boat.id, boatId));
  return found(row, 'boat', boatId).hash !== null;
}

/** Keeps the mark of a new secret, or of none. */
export async function keepCalendar(db: Queries, boatId: string, secret: string | null): Promise<void> {
  await db
    .update(boat)
    .set({ calendarHash: secret === null ? null : hashOf(secret) })
    .where(eq(boat.id, boatId));
}

/** The boat whose calendar has this secret; archived boats are left out. */
export async function boatOfCalendar(
  db: Queries,
  secret: string,
): Promise<{ id: string; name: string } | undefined> {
  const [row] = await db
    .select({ id: boat.id, name: boat.name })
    .from(boat)
    .where(and(eq(boat.calendarHash, hashOf(secret)), eq(boat.archived, false)));
  return row;
}
