import {
  type AnyPgColumn,
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { Area, Boat, EntryBody, Shift } from '../../contract/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });
const version = () => integer('version').notNull().default(1);
const archived = () => boolean('archived').notNull().default(false);

export const yard = pgTable('yard', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  zone: text('zone').notNull(),
  latitude: doublePrecision('latitude').notNull(),
  longitude: doublePrecision('longitude').notNull(),
  /** When demo data was laid here; null in a user's own folder. */
  demoLaidAt: instant('demo_laid_at'),
  version: version(),
});

export const boat = pgTable('boat', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  kind: text('kind').$type<Boat['kind']>().notNull(),
  loaM: doublePrecision('loa_m').notNull(),
  lwlM: doublePrecision('lwl_m').notNull(),
  beamM: doublePrecision('beam_m').notNull(),
  draughtM: doublePrecision('draught_m').notNull(),
  freeboardM: doublePrecision('freeboard_m').notNull(),
  note: text('note').notNull(),
  archived: archived(),
  version: version(),
});

export const area = pgTable(
  'area',
  {
    id: uuid('id').primaryKey(),
    boatId: uuid('boat_id')
      .notNull()
      .references(() => boat.id),
    name: text('name').notNull(),
    zone: text('zone').$type<Area['zone']>().notNull(),
    side: text('side').$type<Area['side']>().notNull(),
    substrate: text('substrate').$type<Area['substrate']>().notNull(),
    service: text('service').$type<Area['service']>().notNull(),
    surroundings: jsonb('surroundings').$type<Area['surroundings']>().notNull(),
    measures: jsonb('measures').$type<Area['measures']>().notNull(),
    spread: doublePrecision('spread').notNull(),
    estimates: jsonb('estimates').$type<Area['estimates']>().notNull().default([]),
    chosenWay: text('chosen_way').$type<Area['chosenWay']>(),
    note: text('note').notNull(),
    archived: archived(),
    version: version(),
    /** The stack is edited as a whole and has a version of its own. */
    stackVersion: integer('stack_version').notNull().default(1),
  },
  (table) => [index('area_by_boat').on(table.boatId)],
);

export const product = pgTable('product', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  archived: archived(),
  version: version(),
});

/** Every version of a sheet is kept: a coat holds on to the one it was laid with. */
export const productSheet = pgTable(
  'product_sheet',
  {
    productId: uuid('product_id')
      .notNull()
      .references(() => product.id),
    version: integer('version').notNull(),
    sheet: jsonb('sheet').$type<ProductSheet>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.productId, table.version] })],
);

export const step = pgTable(
  'step',
  {
    id: uuid('id').primaryKey(),
    areaId: uuid('area_id')
      .notNull()
      .references(() => area.id),
    position: integer('position').notNull(),
    productId: uuid('product_id')
      .notNull()
      .references(() => product.id),
    coats: integer('coats').notNull(),
    dryMicronsPerCoat: doublePrecision('dry_microns_per_coat').notNull(),
    method: text('method').notNull(),
    thinner: doublePrecision('thinner').notNull(),
    colours: jsonb('colours').$type<string[]>().notNull(),
  },
  (table) => [index('step_by_area').on(table.areaId, table.position)],
);

/** Append only. A correction is a new row that names the old one; one correction at most for each row. */
export const logEntry = pgTable(
  'log_entry',
  {
    id: uuid('id').primaryKey(),
    boatId: uuid('boat_id')
      .notNull()
      .references(() => boat.id),
    areaId: uuid('area_id')
      .notNull()
      .references(() => area.id),
    kind: text('kind').$type<EntryBody['kind']>().notNull(),
    at: instant('at').notNull(),
    recordedAt: instant('recorded_at').notNull(),
    corrects: uuid('corrects').references((): AnyPgColumn => logEntry.id),
    body: jsonb('body').$type<EntryBody['body']>().notNull(),
  },
  (table) => [
    index('log_by_area').on(table.areaId, table.kind, table.at),
    index('log_by_boat').on(table.boatId, table.at),
    index('log_by_kind').on(table.kind, table.at),
    uniqueIndex('log_corrected_once').on(table.corrects),
  ],
);

export const weatherHour = pgTable(
  'weather_hour',
  {
    source: text('source').$type<'measured' | 'forecast'>().notNull(),
    at: instant('at').notNull(),
    airC: doublePrecision('air_c').notNull(),
    rh: doublePrecision('rh').notNull(),
    windMs: doublePrecision('wind_ms'),
    rainMm: doublePrecision('rain_mm'),
    surfaceC: doublePrecision('surface_c'),
    simulated: boolean('simulated').notNull(),
  },
  (table) => [primaryKey({ columns: [table.source, table.at] })],
);

/** What moved a window, and by how much: kept so that "why then" can be answered later. */
export const shift = pgTable(
  'shift',
  {
    id: uuid('id').primaryKey(),
    areaId: uuid('area_id')
      .notNull()
      .references(() => area.id),
    at: instant('at').notNull(),
    body: jsonb('body').$type<Shift>().notNull(),
  },
  (table) => [index('shift_by_area').on(table.areaId, table.at)],
);
