import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  boolean,
  check,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { CoatAirRecord, EntryBody, Shift, StationInput } from '../../../contract/index.ts';
import { area, boat } from './boats.ts';
import { archived, instant, version } from './columns.ts';
import { product, productSheet } from './systems.ts';

/** Append-only tables: log, weather, changed times. */

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
    /** Which coat of which step it is about; a step may be gone from the stack since. */
    stepId: uuid('step_id'),
    coatNo: integer('coat_no'),
    /** The sheet it was mixed or applied by. */
    productId: uuid('product_id').references(() => product.id),
    sheetVersion: integer('sheet_version'),
    litres: doublePrecision('litres'),
    areaM2: doublePrecision('area_m2'),
    endedAt: instant('ended_at'),
    /** What no other record is counted by. */
    body: jsonb('body').$type<Record<string, unknown>>().notNull(),
    /** Of a coat: the air of its own hours as it was known when it was logged, and what in it the sheet did not allow. */
    air: jsonb('air').$type<CoatAirRecord>(),
  },
  (table) => [
    foreignKey({
      name: 'log_sheet',
      columns: [table.productId, table.sheetVersion],
      foreignColumns: [productSheet.productId, productSheet.version],
    }),
    check(
      'log_facts',
      sql`${table.kind} not in ('coat', 'batch') or (${table.stepId} is not null and ${table.coatNo} is not null and ${table.productId} is not null and ${table.sheetVersion} is not null and ${table.litres} > 0)`,
    ),
    check(
      'log_coat',
      sql`${table.kind} <> 'coat' or (${table.areaM2} > 0 and ${table.endedAt} >= ${table.at})`,
    ),
    index('log_by_product').on(table.productId, table.sheetVersion),
    index('log_by_step').on(table.stepId, table.coatNo),
    index('log_by_area').on(table.areaId, table.kind, table.at),
    index('log_by_boat').on(table.boatId, table.at),
    index('log_by_kind').on(table.kind, table.at),
    uniqueIndex('log_corrected_once').on(table.corrects),
  ],
);

/** Which pots an entry used up: a coat the ones it was applied from, the end of a pot that one. */
export const batchUse = pgTable(
  'batch_use',
  {
    entryId: uuid('entry_id')
      .notNull()
      .references(() => logEntry.id),
    batchId: uuid('batch_id')
      .notNull()
      .references(() => logEntry.id),
  },
  (table) => [
    primaryKey({ columns: [table.entryId, table.batchId] }),
    index('batch_use_by_batch').on(table.batchId),
  ],
);

/** Successful writes, so that a repeat is recognised and changes nothing. */
export const writeSeen = pgTable(
  'write_seen',
  {
    /** Method, address, and the version it was written against. */
    key: text('key').primaryKey(),
    bodyHash: text('body_hash').notNull(),
    at: instant('at').notNull(),
  },
  (table) => [index('write_seen_by_time').on(table.at)],
);

/** A source of air: a logger that posts its readings, or an address that is asked for them. */
export const station = pgTable('station', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  gives: text('gives').$type<StationInput['gives']>().notNull(),
  way: text('way').$type<StationInput['way']>().notNull(),
  url: text('url'),
  everyMin: integer('every_min').notNull(),
  privateNet: boolean('private_net').notNull(),
  on: boolean('is_on').notNull(),
  rank: integer('rank').notNull(),
  /** Whether the rain of a reading fell before its timestamp or after it. */
  rainInterval: text('rain_interval').$type<StationInput['rainInterval']>().notNull().default('after'),
  /** Of its token, by which what it posts is known; null: none given out, or taken back. */
  tokenHash: text('token_hash'),
  /** When an address was last asked, by whichever process. */
  askedAt: instant('asked_at'),
  lastAt: instant('last_at'),
  lastHours: integer('last_hours'),
  fault: text('fault'),
  archived: archived(),
  version: version(),
});

/**
 * Weather data of one source: a file read, a forecast issued, a stand-in asked; and for each station one series of all that it
 * measured, and one of what its forecasts said of hours past.
 */
export const weatherSeries = pgTable(
  'weather_series',
  {
    id: uuid('id').primaryKey(),
    /** Where it came from, in words: a file's name, a station, the stand-in. */
    source: text('source').notNull(),
    kind: text('kind').$type<'measured' | 'forecast' | 'simulated'>().notNull(),
    /** The station it came from; null: a file, typed, the stand-in. */
    stationId: uuid('station_id').references(() => station.id),
    issuedAt: instant('issued_at').notNull(),
    /** A station's one series of its kind that is added to; of a forecast it holds past hours as last issued. */
    continuous: boolean('continuous').notNull().default(false),
  },
  (table) => [
    index('weather_series_by_issue').on(table.kind, table.issuedAt),
    index('weather_series_by_station').on(table.stationId, table.issuedAt),
    uniqueIndex('weather_series_continuous').on(table.stationId, table.kind).where(sql`${table.continuous}`),
    check('weather_series_kind', sql`${table.kind} in ('measured', 'forecast', 'simulated')`),
  ],
);

/** Every reading as it was given. The hours are worked out from these; old ones are dropped once their hours stand. */
export const weatherReading = pgTable(
  'weather_reading',
  {
    seriesId: uuid('series_id')
      .notNull()
      .references(() => weatherSeries.id),
    at: instant('at').notNull(),
    /** null in a row that holds only rain. */
    airC: doublePrecision('air_c'),
    rh: doublePrecision('rh'),
    windMs: doublePrecision('wind_ms'),
    rainMm: doublePrecision('rain_mm'),
    /** A moment within the period of the rain, whichever end the source’s timestamps mean: its hour counts the rain. */
    rainAt: instant('rain_at').notNull(),
    surfaceC: doublePrecision('surface_c'),
    cloudTenths: doublePrecision('cloud_tenths'),
  },
  (table) => [
    primaryKey({ columns: [table.seriesId, table.at] }),
    index('weather_reading_by_time').on(table.at),
  ],
);

/** Weather data hour by hour, worked out in SQL from the readings of a series. */
export const weatherHour = pgTable(
  'weather_hour',
  {
    seriesId: uuid('series_id')
      .notNull()
      .references(() => weatherSeries.id),
    at: instant('at').notNull(),
    airC: doublePrecision('air_c').notNull(),
    rh: doublePrecision('rh').notNull(),
    windMs: doublePrecision('wind_ms'),
    rainMm: doublePrecision('rain_mm'),
    surfaceC: doublePrecision('surface_c'),
    /** Cloud, tenths; null: not given. */
    cloudTenths: doublePrecision('cloud_tenths'),
  },
  (table) => [
    primaryKey({ columns: [table.seriesId, table.at] }),
    index('weather_hour_by_time').on(table.at),
  ],
);

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
  (table) => [index('shift_by_area').on(table.areaId, table.at), index('shift_by_time').on(table.at)],
);
