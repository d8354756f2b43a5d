import { and, eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Yard, YardInput } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { yard } from '../db/schema.ts';
import { found, written } from './missing.ts';

/** The one yard of this data folder. */
export async function theYard(db: Queries): Promise<Yard> {
  const [row] = await db.select().from(yard).limit(1);
  const { demoLaidAt, ...rest } = found(row, 'yard', 'in the data folder');
  return { ...rest, demo: demoLaidAt !== null };
}

export async function updateYard(db: Queries, current: Yard, input: YardInput): Promise<void> {
  written(
    await db
      .update(yard)
      .set({ ...input, version: current.version + 1 })
      .where(and(eq(yard.id, current.id), eq(yard.version, current.version)))
      .returning({ id: yard.id }),
    'yard',
  );
}

/** An empty folder gets a yard to put boats in; its name and place are the user's to change. */
export async function ensureYard(db: Queries): Promise<void> {
  const rows = await db.select({ id: yard.id }).from(yard).limit(1);
  if (rows.length > 0) return;
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  await db
    .insert(yard)
    .values({ id: uuidv7(), name: 'My yard', zone: timeZone || 'UTC', latitude: 50, longitude: 0 });
}
