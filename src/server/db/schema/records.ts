import {
  type AnyPgColumn,
  boolean,
  doublePrecision,
  index,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { EntryBody, Shift } from '../../../contract/index.ts';
import { area, boat } from './boats.ts';
import { instant } from './columns.ts';

/** What is only ever added: the log, the air, what moved. */

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
