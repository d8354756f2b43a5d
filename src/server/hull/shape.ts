import { eq } from 'drizzle-orm';
import type { Boat, FormSource, HullForm } from '../../contract/index.ts';
import { formFromDimensions, type OffsetTable } from '../../core/hull/index.ts';
import type { Queries } from '../db/open.ts';
import { hullForm } from '../db/schema.ts';

/** A boat of which nothing but her dimensions is known. */
export const NO_FORM = { offsets: null, mesh: null, use: null, version: 0 };

/** The hull a boat is drawn by and her line is struck on: what was chosen if it is there, else the best there is. */
export function shapeOf(form: Pick<HullForm, 'offsets' | 'mesh' | 'use'>): {
  table: OffsetTable | null;
  source: FormSource;
} {
  const tables = { dimensions: null, offsets: form.offsets, mesh: form.mesh?.table ?? null };
  const wanted = form.use ?? (tables.offsets ? 'offsets' : 'mesh');
  const source = tables[wanted] ? wanted : 'dimensions';
  return { table: tables[source], source };
}

/** As {@link shapeOf}, with the usual curves of the boat's kind where nothing better is known. */
export async function formOf(db: Queries, boat: Boat): Promise<{ table: OffsetTable; source: FormSource }> {
  const [row] = await db.select().from(hullForm).where(eq(hullForm.boatId, boat.id));
  const { table, source } = shapeOf(row ?? NO_FORM);
  return { table: table ?? formFromDimensions(boat), source };
}

/** The forms of all boats that have one; the others are drawn by their dimensions. */
export async function allShapes(db: Queries): Promise<Map<string, ReturnType<typeof shapeOf>>> {
  const rows = await db.select().from(hullForm);
  return new Map(rows.map((row) => [row.boatId, shapeOf(row)]));
}
