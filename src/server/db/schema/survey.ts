import { doublePrecision, index, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { BareItem, Finding, HullForm, Stand, WaterlineInput } from '../../../contract/index.ts';
import { area, boat } from './boats.ts';
import { archived, bytes, instant, version } from './columns.ts';

/** What the survey knows of a boat: shape, line, stands, findings. */

export const hullForm = pgTable('hull_form', {
  boatId: uuid('boat_id')
    .primaryKey()
    .references(() => boat.id),
  offsets: jsonb('offsets').$type<HullForm['offsets']>(),
  mesh: jsonb('mesh').$type<HullForm['mesh']>(),
  /** The kept file of the mesh; null: none. */
  meshFile: text('mesh_file'),
  use: text('use').$type<HullForm['use']>(),
  version: version(),
});

export const waterline = pgTable('waterline', {
  boatId: uuid('boat_id')
    .primaryKey()
    .references(() => boat.id),
  plan: jsonb('plan').$type<Omit<WaterlineInput, 'version'>>().notNull(),
  version: version(),
});

const ofBoat = () =>
  uuid('boat_id')
    .notNull()
    .references(() => boat.id);

export const stand = pgTable(
  'stand',
  {
    id: uuid('id').primaryKey(),
    boatId: ofBoat(),
    name: text('name').notNull(),
    kind: text('kind').$type<Stand['kind']>().notNull(),
    side: text('side').$type<Stand['side']>().notNull(),
    xM: doublePrecision('x_m').notNull(),
    zM: doublePrecision('z_m').notNull(),
    lengthM: doublePrecision('length_m').notNull(),
    widthM: doublePrecision('width_m').notNull(),
    shiftOn: text('shift_on'),
    shiftedAt: instant('shifted_at'),
    note: text('note').notNull(),
    archived: archived(),
    version: version(),
  },
  (table) => [index('stand_by_boat').on(table.boatId)],
);

export const bareItem = pgTable(
  'bare_item',
  {
    id: uuid('id').primaryKey(),
    boatId: ofBoat(),
    areaId: uuid('area_id').references(() => area.id),
    kind: text('kind').$type<BareItem['kind']>().notNull(),
    name: text('name').notNull(),
    note: text('note').notNull(),
    archived: archived(),
    version: version(),
  },
  (table) => [index('bare_item_by_boat').on(table.boatId), index('bare_item_by_area').on(table.areaId)],
);

export const finding = pgTable(
  'finding',
  {
    id: uuid('id').primaryKey(),
    boatId: ofBoat(),
    areaId: uuid('area_id').references(() => area.id),
    at: instant('at').notNull(),
    kind: text('kind').$type<Finding['kind']>().notNull(),
    value: doublePrecision('value'),
    grade: text('grade').$type<Finding['grade']>(),
    limit: doublePrecision('reading_limit'),
    place: jsonb('place').$type<Finding['place']>(),
    photoIds: jsonb('photo_ids').$type<string[]>().notNull(),
    note: text('note').notNull(),
    archived: archived(),
    version: version(),
  },
  (table) => [index('finding_by_boat').on(table.boatId), index('finding_by_area').on(table.areaId)],
);

/** The metadata of a photo; the image is a file beside the database. */
export const photo = pgTable(
  'photo',
  {
    id: uuid('id').primaryKey(),
    boatId: ofBoat(),
    mime: text('mime').notNull(),
    /** SHA-256 of the picture; null until it has been moved out of the database. */
    hash: text('hash'),
    /** Pictures kept by earlier versions, until the next start moves them to files. */
    bytes: bytes('bytes'),
    takenAt: instant('taken_at').notNull(),
  },
  (table) => [index('photo_by_boat').on(table.boatId)],
);
