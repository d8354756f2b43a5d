import { and, asc, eq, gt, inArray, isNotNull, sql } from 'drizzle-orm';
import type {
  Area,
  BatchBody,
  BatchEndBody,
  BlastBody,
  Boat,
  CoatBody,
  Stand,
  Step,
  WorkBody,
} from '../../contract/index.ts';
import { areaOf } from '../../core/hull/index.ts';
import { type DoneTask, type LaidCoat, NOT_STATED, type ProductSheet } from '../../core/system/index.ts';
import type { Queries } from '../db/open.ts';
import { toArea, toBoat, toStand, toStep } from '../db/rows.ts';
import { area, boat, finding, logEntry, product, productSheet, stand, step } from '../db/schema.ts';

/** A coat entry that counts: neither corrected nor struck out. */
export interface CoatOnArea extends LaidCoat {
  entryId: string;
  body: CoatBody;
}

/** Work logged as done before one coat. */
export interface WorkOnArea extends DoneTask {
  kind: WorkBody['kind'];
  stepId: string;
  coatNo: number;
}

/** All that a clock needs to know of one area. */
export interface AreaState {
  area: Area;
  boat: Boat;
  stackVersion: number;
  steps: Step[];
  coats: CoatOnArea[];
  work: WorkOnArea[];
  /** When steel was last blasted here, and how long it may stand, ms; null: not told. */
  blast: { atMs: number; holdsMs: number } | null;
  /** Blast profile as last measured by tape, µm; null: not measured. */
  profileMicrons: number | null;
  /** m² of the pieces cut out of it: patches, spots, pieces. */
  cutM2: number;
  /** The stand that hides it, of a patch. */
  stand: Stand | null;
}

/** What is left of an area once its pieces are taken off, and its spread. */
export function netAreaOf(state: Pick<AreaState, 'area' | 'cutM2'>): { areaM2: number; spread: number } {
  const { areaM2, spread } = areaOf(state.area);
  return { areaM2: Math.max(0, areaM2 - state.cutM2), spread };
}

export interface KnownProduct {
  id: string;
  name: string;
  version: number;
  sheet: ProductSheet;
}

export interface Shelf {
  latest: Map<string, KnownProduct>;
  /** The sheet of one version, as a logged coat names it. */
  sheetOf(productId: string, version: number): ProductSheet | undefined;
}

/** Which areas: of the whole yard, of one boat, or a single one. Archived ones never run. */
export type Which = { boatId?: string; areaId?: string };

/** Rows that no other row corrects. */
export const stillCounts = sql`not exists (select 1 from log_entry c where c.corrects = ${logEntry.id})`;

/** Every product with its latest sheet, and older sheets by version. */
export async function loadShelf(db: Queries): Promise<Shelf> {
  const products = await db.select().from(product);
  const sheets = await db.select().from(productSheet);
  // A sheet kept from before a field was known does not state it.
  const byKey = new Map(
    sheets.map((row) => [`${row.productId}@${row.version}`, { ...NOT_STATED, ...row.sheet }]),
  );
  const sheetOf = (productId: string, version: number) => byKey.get(`${productId}@${version}`);
  const latest = new Map<string, KnownProduct>();
  for (const row of products) {
    const sheet = sheetOf(row.id, row.version);
    if (sheet) latest.set(row.id, { id: row.id, name: row.name, version: row.version, sheet });
  }
  return { latest, sheetOf };
}

function byArea<T extends { areaId: string }>(rows: readonly T[]): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const group = groups.get(row.areaId);
    if (group) group.push(row);
    else groups.set(row.areaId, [row]);
  }
  return groups;
}

/** The areas asked for with their stacks and the coats that count on them. */
export async function loadAreaStates(db: Queries, which: Which = {}): Promise<AreaState[]> {
  const wanted = [eq(area.archived, false), eq(boat.archived, false)];
  if (which.boatId) wanted.push(eq(area.boatId, which.boatId));
  if (which.areaId) wanted.push(eq(area.id, which.areaId));
  const rows = await db
    .select()
    .from(area)
    .innerJoin(boat, eq(boat.id, area.boatId))
    .where(and(...wanted))
    .orderBy(asc(boat.name), asc(area.name));
  if (rows.length === 0) return [];
  const ids = rows.map((row) => row.area.id);
  const whole = !which.boatId && !which.areaId;
  // A piece may take the system, and the coats, of the area it was cut out of.
  const origins = rows.flatMap((row) => (row.area.partOf ? [row.area.partOf] : []));
  const needed = [...new Set([...ids, ...origins])];
  const steps = await db
    .select()
    .from(step)
    .where(whole ? undefined : inArray(step.areaId, needed))
    .orderBy(asc(step.position));
  const entries = await db
    .select()
    .from(logEntry)
    .where(
      and(
        inArray(logEntry.kind, ['coat', 'blast', 'work']),
        stillCounts,
        whole ? undefined : inArray(logEntry.areaId, needed),
      ),
    )
    .orderBy(asc(logEntry.at));
  const profiles = await db
    .select({ areaId: finding.areaId, microns: finding.value })
    .from(finding)
    .where(
      and(
        eq(finding.kind, 'profile'),
        eq(finding.archived, false),
        whole ? isNotNull(finding.areaId) : inArray(finding.areaId, ids),
      ),
    )
    .orderBy(asc(finding.at));
  const profileBy = new Map(profiles.map(({ areaId, microns }) => [areaId, microns]));
  const parts = await db
    .select()
    .from(area)
    .where(and(eq(area.archived, false), whole ? isNotNull(area.partOf) : inArray(area.partOf, ids)));
  const standIds = rows.flatMap((row) => (row.area.part?.standId ? [row.area.part.standId] : []));
  const stands = standIds.length ? await db.select().from(stand).where(inArray(stand.id, standIds)) : [];
  const standsBy = new Map(stands.map((row) => [row.id, toStand(row)]));
  const cutBy = new Map<string, number>();
  for (const row of parts) {
    const of = row.partOf as string;
    cutBy.set(of, (cutBy.get(of) ?? 0) + areaOf(toArea(row)).areaM2);
  }
  const stepsBy = byArea(steps);
  const entriesBy = byArea(entries);
  const logged = (areaId: string, kind: LogRow['kind']) =>
    (entriesBy.get(areaId) ?? []).filter((entry) => entry.kind === kind);
  const coatsOf = (areaId: string) => logged(areaId, 'coat').map(toCoat);
  return rows.map((row) => {
    const record = toArea(row.area);
    const { part } = record;
    const cutAt = part ? Date.parse(part.at) : 0;
    return {
      area: record,
      boat: toBoat(row.boat),
      stackVersion: row.area.stackVersion,
      steps: (stepsBy.get(part?.sharesSystem ? part.areaId : record.id) ?? []).map(toStep),
      coats: [
        ...(part?.kind === 'piece' ? coatsOf(part.areaId).filter((coat) => coat.toMs <= cutAt) : []),
        ...coatsOf(record.id),
      ],
      work: [
        ...(part?.kind === 'piece'
          ? logged(part.areaId, 'work')
              .flatMap(toWork)
              .filter(({ atMs }) => atMs <= cutAt)
          : []),
        ...logged(record.id, 'work').flatMap(toWork),
      ],
      blast: logged(record.id, 'blast').map(toBlast).at(-1) ?? null,
      profileMicrons: profileBy.get(record.id) ?? null,
      cutM2: cutBy.get(record.id) ?? 0,
      stand: standsBy.get(part?.standId ?? '') ?? null,
    };
  });
}

type LogRow = typeof logEntry.$inferSelect;

function toBlast(entry: LogRow) {
  return { atMs: entry.at.getTime(), holdsMs: (entry.body as BlastBody).holdsHours * 3_600_000 };
}

/** An inspection that found faults leaves its work due. */
function toWork(entry: LogRow): WorkOnArea[] {
  const { stepId, coatNo, taskId, kind, outcome } = entry.body as WorkBody;
  if (outcome !== 'done') return [];
  return [{ stepId, coatNo, taskId, kind, entryId: entry.id, atMs: entry.at.getTime() }];
}

function toCoat(entry: LogRow): CoatOnArea {
  const body = entry.body as CoatBody;
  return {
    entryId: entry.id,
    body,
    stepId: body.stepId,
    coatNo: body.coatNo,
    areaM2: body.areaM2,
    fromMs: entry.at.getTime(),
    toMs: Date.parse(body.endedAt),
  };
}

/** A pot older than this is long hard: it no longer stands on any screen, though its entry stays in the log. */
const POT_SHOWN_MS = 14 * 24 * 3_600_000;

/** Pots that were mixed and neither emptied, discarded nor laid. */
export async function loadOpenPots(db: Queries, now: number, which: Which = {}) {
  const since = new Date(now - POT_SHOWN_MS);
  const mixed = await db
    .select()
    .from(logEntry)
    .where(
      and(
        eq(logEntry.kind, 'batch'),
        gt(logEntry.at, since),
        stillCounts,
        which.areaId ? eq(logEntry.areaId, which.areaId) : undefined,
      ),
    )
    .orderBy(asc(logEntry.at));
  if (mixed.length === 0) return [];
  // Only where a pot was mixed can one have been emptied; a coat may have begun before its later pots were mixed.
  const endings = await db
    .select({ kind: logEntry.kind, body: logEntry.body })
    .from(logEntry)
    .where(
      and(
        inArray(logEntry.kind, ['batch-end', 'coat']),
        inArray(logEntry.areaId, [...new Set(mixed.map((row) => row.areaId))]),
        gt(logEntry.at, new Date(since.getTime() - POT_SHOWN_MS)),
        stillCounts,
      ),
    );
  const ended = new Set<string>();
  for (const row of endings) {
    if (row.kind === 'batch-end') ended.add((row.body as BatchEndBody).batchId);
    if (row.kind === 'coat') for (const id of (row.body as CoatBody).batchIds) ended.add(id);
  }
  return mixed
    .filter((row) => !ended.has(row.id))
    .map((row) => ({ entryId: row.id, areaId: row.areaId, at: row.at, body: row.body as BatchBody }));
}
