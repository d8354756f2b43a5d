import { doublePrecision, index, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import type { OwnTemplate } from '../../../contract/index.ts';
import type { Method } from '../../../core/film/index.ts';
import type {
  Band,
  LayOrder,
  Overrule,
  OwnRatio,
  PlannedAdditive,
  PlannedTask,
  ProductSheet,
} from '../../../core/system/index.ts';
import { area } from './boats.ts';
import { archived, instant, version } from './columns.ts';

/** Product sheets, and the steps of each area. */

export const product = pgTable('product', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  archived: archived(),
  version: version(),
});

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

/** How fast a product cures here by a method, as the yard took it over from its hand tests. */
export const productPace = pgTable(
  'product_pace',
  {
    productId: uuid('product_id')
      .notNull()
      .references(() => product.id),
    method: text('method').$type<Method>().notNull(),
    factor: doublePrecision('factor').notNull(),
    films: integer('films').notNull(),
    takenAt: instant('taken_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.productId, table.method] })],
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
    sandGrits: jsonb('sand_grits').$type<(number | null)[]>().notNull().default([]),
    spacingH: doublePrecision('spacing_h'),
    coatNotes: jsonb('coat_notes').$type<string[]>().notNull().default([]),
    ownRatio: jsonb('own_ratio').$type<OwnRatio>(),
    additives: jsonb('additives').$type<PlannedAdditive[]>().notNull().default([]),
    band: jsonb('band').$type<Band>(),
    order: text('lay_order').$type<LayOrder>(),
    overrule: jsonb('overrule').$type<Overrule>(),
  },
  (table) => [
    index('step_by_area').on(table.areaId, table.position),
    index('step_by_product').on(table.productId),
  ],
);

export const ownTemplate = pgTable('own_template', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  steps: jsonb('steps').$type<OwnTemplate['steps']>().notNull(),
  archived: archived(),
});
