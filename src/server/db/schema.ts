import {
  type AnyPgColumn,
  boolean,
  customType,
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
import type {
  Area,
  BareItem,
  Boat,
  EntryBody,
  Finding,
  HullForm,
  OwnTemplate,
  PartOf,
  Shift,
  Stand,
  WaterlineInput,
} from '../../contract/index.ts';
import type { Band, LayOrder, Overrule, PlannedTask, ProductSheet } from '../../core/system/index.ts';

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });
const version = () => integer('version').notNull().default(1);
/** Bytes as they are. */
const bytes = customType<{ data: Uint8Array; driverData: Uint8Array }>({ dataType: () => 'bytea' });
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
    oldCoating: text('old_coating').$type<Area['oldCoating']>(),
    highWear: boolean('high_wear').notNull().default(false),
    /** The area this one was cut out of, and how. */
    partOf: uuid('part_of').references((): AnyPgColumn => area.id),
    part: jsonb('part').$type<Omit<PartOf, 'areaId'>>(),
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
    signal: text('signal'),
    extraCoats: integer('extra_coats').notNull().default(0),
    before: jsonb('before').$type<PlannedTask[]>().notNull().default([]),
    sandBetween: integer('sand_between'),
    band: jsonb('band').$type<Band>(),
    order: text('lay_order').$type<LayOrder>(),
    overrule: jsonb('overrule').$type<Overrule>(),
  },
  (table) => [index('step_by_area').on(table.areaId, table.position)],
);

/** Stacks kept under a name. */
export const ownTemplate = pgTable('own_template', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  steps: jsonb('steps').$type<OwnTemplate['steps']>().notNull(),
  archived: archived(),
});

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

/** What a boat's shape is known from; none of it: her dimensions. */
export const hullForm = pgTable('hull_form', {
  boatId: uuid('boat_id')
    .primaryKey()
    .references(() => boat.id),
  offsets: jsonb('offsets').$type<HullForm['offsets']>(),
  mesh: jsonb('mesh').$type<HullForm['mesh']>(),
  use: text('use').$type<HullForm['use']>(),
  version: version(),
});

/** A boat's line: its marks and how it is struck, as one record. */
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
  (table) => [index('bare_item_by_boat').on(table.boatId)],
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
  (table) => [index('finding_by_boat').on(table.boatId)],
);

export const photo = pgTable('photo', {
  id: uuid('id').primaryKey(),
  boatId: ofBoat(),
  mime: text('mime').notNull(),
  bytes: bytes('bytes').notNull(),
  takenAt: instant('taken_at').notNull(),
});
