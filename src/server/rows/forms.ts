import { eq } from 'drizzle-orm';
import type { Boat, FormSource, HullForm, HullFormInput, Waterline } from '../../contract/index.ts';
import { formFromDimensions, hasHull, type OffsetTable, ofItsHulls } from '../../core/hull/index.ts';
import type { Queries } from '../db/open.ts';
import { hullForm, waterline } from '../db/schema.ts';
import { written } from './missing.ts';

/** The shape of boats, and their lines. */

/** A boat of which nothing but her dimensions is known. */
const NO_FORM = { offsets: null, mesh: null, meshFile: null, use: null, version: 0 };

/** A hull's shape as it is drawn: null by its dimensions. */
export interface Shape {
  table: OffsetTable | null;
  source: FormSource;
}

/** The hull a boat is drawn by and her line is struck on: what was chosen if it is there, else the best there is. */
export function shapeOf(form: Pick<HullForm, 'offsets' | 'mesh' | 'use'>): Shape {
  const tables = { dimensions: null, offsets: form.offsets, mesh: form.mesh?.table ?? null };
  const wanted = form.use ?? (tables.offsets ? 'offsets' : 'mesh');
  const source = tables[wanted] ? wanted : 'dimensions';
  return { table: tables[source], source };
}

export const NO_SHAPE: Shape = shapeOf(NO_FORM);

/** The hull form of a boat with the name of the stored mesh file. */
export type KeptForm = HullForm & { meshFile: string | null };

export async function formOfBoat(db: Queries, boatId: string): Promise<KeptForm> {
  const [row] = await db.select().from(hullForm).where(eq(hullForm.boatId, boatId));
  const form = { ...(row ?? NO_FORM), boatId };
  return { ...form, meshKept: form.meshFile !== null };
}

export async function putForm(
  db: Queries,
  boatId: string,
  values: HullFormInput & { meshFile: string | null },
): Promise<void> {
  written(
    await db
      .insert(hullForm)
      .values({ boatId, ...values })
      .onConflictDoUpdate({
        target: hullForm.boatId,
        set: values,
        setWhere: eq(hullForm.version, values.version - 1),
      })
      .returning({ id: hullForm.boatId }),
    'hull form',
  );
}

/** As {@link shapeOf}, with the usual curves of the boat's kind where nothing better is known; null: no hull is. */
export async function drawnForm(
  db: Queries,
  boat: Boat,
): Promise<{ table: OffsetTable | null; source: FormSource }> {
  const { table, source } = shapeOf(await formOfBoat(db, boat.id));
  if (!hasHull(boat)) return { table, source };
  return { table: table ? ofItsHulls(table, boat) : formFromDimensions(boat), source };
}

/** The hull forms of the named boats, or of every boat. Boats without one are drawn by their dimensions. */
export async function shapesByBoat(db: Queries, boatId: string | null): Promise<Map<string, Shape>> {
  const rows = await db
    .select()
    .from(hullForm)
    .where(boatId === null ? undefined : eq(hullForm.boatId, boatId));
  return new Map(rows.map((row) => [row.boatId, shapeOf(row)]));
}

/** Names of the files that records of meshes count on. */
export async function meshFilesInUse(db: Queries): Promise<Set<string>> {
  const rows = await db.select({ file: hullForm.meshFile }).from(hullForm);
  return new Set(rows.flatMap(({ file }) => (file ? [file] : [])));
}

/** A line not yet begun: the trade's usual figures to start from. */
const fresh = (boatId: string): Waterline => ({
  boatId,
  datum: 'laser',
  oldLine: 'unknown',
  marks: [],
  heelDeg: null,
  trimDeg: null,
  markErrorMm: 3,
  addedKg: 0,
  densityKgM3: 1025,
  waterplaneM2: null,
  slopMm: 50,
  stationStepM: 0.5,
  madeMarks: [],
  stiffness: 0.5,
  useFair: false,
  stripe: { gapMm: 20, heightMm: 60, bowSweepMm: 0, sternSweepMm: 0 },
  note: '',
  version: 0,
});

export async function waterlineOf(db: Queries, boatId: string): Promise<Waterline> {
  const [row] = await db.select().from(waterline).where(eq(waterline.boatId, boatId));
  return row ? { ...row.plan, boatId, version: row.version } : fresh(boatId);
}

export async function putWaterline(db: Queries, { boatId, version, ...plan }: Waterline): Promise<void> {
  const values = { plan, version };
  written(
    await db
      .insert(waterline)
      .values({ boatId, ...values })
      .onConflictDoUpdate({
        target: waterline.boatId,
        set: values,
        setWhere: eq(waterline.version, version - 1),
      })
      .returning({ id: waterline.boatId }),
    'waterline',
  );
}
