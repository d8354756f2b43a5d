import { desc, eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Shift } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { shift } from '../db/schema.ts';

/** Rows a statement. */
const CHUNK = 500;

export async function insertShifts(db: Queries, shifts: readonly Shift[], at: Date): Promise<void> {
  for (let i = 0; i < shifts.length; i += CHUNK) {
    await db
      .insert(shift)
      .values(shifts.slice(i, i + CHUNK).map((body) => ({ id: uuidv7(), areaId: body.areaId, at, body })));
  }
}

/** The latest moves of one area's windows, newest first. */
export async function shiftsOf(db: Queries, areaId: string): Promise<Shift[]> {
  const rows = await db
    .select()
    .from(shift)
    .where(eq(shift.areaId, areaId))
    .orderBy(desc(shift.at), desc(shift.id))
    .limit(12);
  return rows.map((row) => row.body);
}
