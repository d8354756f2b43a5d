import {
  type AnyPgColumn,
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  uuid,
} from 'drizzle-orm/pg-core';
import type { Area, Boat, PartOf } from '../../../contract/index.ts';
import { archived, instant, version } from './columns.ts';

/** The yard, its boats and their areas. */

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

export const boat = pgTable(
  'boat',
  {
    id: uuid('id').primaryKey(),
    name: text('name').notNull(),
    kind: text('kind').$type<Boat['kind']>().notNull(),
    /** All five, or none: a boat not measured yet, or parts that are no hull. */
    loaM: doublePrecision('loa_m'),
    lwlM: doublePrecision('lwl_m'),
    beamM: doublePrecision('beam_m'),
    draughtM: doublePrecision('draught_m'),
    freeboardM: doublePrecision('freeboard_m'),
    /** Where the bow points on the hard, degrees from north; null: not told. */
    headingDeg: doublePrecision('heading_deg'),
    /** Hash of the secret in the calendar link; null: no link, or revoked. */
    calendarHash: text('calendar_hash'),
    note: text('note').notNull(),
    archived: archived(),
    version: version(),
  },
  (table) => [index('boat_by_calendar').on(table.calendarHash)],
);

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
    earlierShelters: jsonb('earlier_shelters').$type<Area['earlierShelters']>().notNull().default([]),
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
  (table) => [index('area_by_boat').on(table.boatId), index('area_by_origin').on(table.partOf)],
);
