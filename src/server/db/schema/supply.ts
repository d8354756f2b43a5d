import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  bigint,
  boolean,
  check,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type {
  LotInput,
  MovementInput,
  OfferInput,
  PlanSetup,
  PurchaseLine,
  TradeSettings,
} from '../../../contract/index.ts';
import { area, boat, yard } from './boats.ts';
import { archived, instant, version } from './columns.ts';
import { logEntry } from './records.ts';
import { product } from './systems.ts';

/** The stock: lots and what moved of them; who sells, at what price, what was ordered. */

const money = (name: string) => bigint(name, { mode: 'number' });
const ofProduct = () =>
  uuid('product_id')
    .notNull()
    .references(() => product.id);

export const supplier = pgTable('supplier', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  delivery: money('delivery').notNull(),
  minOrder: money('min_order').notNull(),
  deliveryDays: integer('delivery_days').notNull(),
  note: text('note').notNull(),
  archived: archived(),
  version: version(),
});

export const offer = pgTable(
  'offer',
  {
    id: uuid('id').primaryKey(),
    productId: ofProduct(),
    part: text('part'),
    colour: text('colour'),
    litres: doublePrecision('litres').notNull(),
    price: money('price').notNull(),
    supplierId: uuid('supplier_id').references(() => supplier.id),
    discounts: jsonb('discounts').$type<OfferInput['discounts']>().notNull(),
    archived: archived(),
    version: version(),
  },
  (table) => [index('offer_by_product').on(table.productId), index('offer_by_supplier').on(table.supplierId)],
);

export const purchase = pgTable(
  'purchase',
  {
    id: uuid('id').primaryKey(),
    supplierId: uuid('supplier_id').references(() => supplier.id),
    orderedAt: instant('ordered_at').notNull(),
    dueOn: date('due_on', { mode: 'string' }),
    delivery: money('delivery').notNull(),
    note: text('note').notNull(),
    lines: jsonb('lines').$type<PurchaseLine[]>().notNull(),
    receivedAt: instant('received_at'),
    archived: archived(),
    version: version(),
  },
  (table) => [index('purchase_by_supplier').on(table.supplierId)],
);

export const lot = pgTable(
  'lot',
  {
    id: uuid('id').primaryKey(),
    productId: ofProduct(),
    part: text('part').notNull(),
    colour: text('colour'),
    code: text('code').notNull(),
    unit: text('unit').$type<LotInput['unit']>().notNull(),
    madeOn: date('made_on', { mode: 'string' }),
    place: text('place').notNull(),
    frost: boolean('frost').notNull(),
    heat: boolean('heat').notNull(),
    note: text('note').notNull(),
    cost: money('cost'),
    /** The delivery it belongs to; null: added without one. */
    receiptId: uuid('receipt_id'),
    archived: archived(),
    version: version(),
  },
  (table) => [
    index('lot_by_product').on(table.productId),
    index('lot_by_receipt').on(table.receiptId),
    check('lot_unit', sql`${table.unit} in ('l', 'kg')`),
  ],
);

/** Only ever added to: one that is wrong is named by the one that takes its place. */
export const lotMovement = pgTable(
  'lot_movement',
  {
    id: uuid('id').primaryKey(),
    lotId: uuid('lot_id')
      .notNull()
      .references(() => lot.id),
    kind: text('kind').$type<MovementInput['kind']>().notNull(),
    amount: doublePrecision('amount').notNull(),
    at: instant('at').notNull(),
    recordedAt: instant('recorded_at').notNull(),
    /** The batch or coat that took it; it counts as long as that entry does. */
    entryId: uuid('entry_id').references(() => logEntry.id),
    areaId: uuid('area_id').references(() => area.id),
    note: text('note').notNull(),
    corrects: uuid('corrects').references((): AnyPgColumn => lotMovement.id),
    /** Movements that were told together. */
    togetherId: uuid('together_id'),
  },
  (table) => [
    index('movement_by_lot').on(table.lotId, table.at),
    index('movement_by_time').on(table.at),
    index('movement_by_entry').on(table.entryId),
    index('movement_by_area').on(table.areaId),
    index('movement_together').on(table.togetherId),
    uniqueIndex('movement_corrected_once').on(table.corrects),
    check('movement_amount', sql`${table.amount} >= 0`),
  ],
);

/** How the yard reckons money: one row. */
export const planSetup = pgTable('plan_setup', {
  yardId: uuid('yard_id')
    .primaryKey()
    .references(() => yard.id),
  setup: jsonb('setup').$type<Omit<PlanSetup, 'version'>>().notNull(),
  version: version(),
});

export const tradeSetting = pgTable('trade_setting', {
  yardId: uuid('yard_id')
    .primaryKey()
    .references(() => yard.id),
  settings: jsonb('settings').$type<Omit<TradeSettings, 'version'>>().notNull(),
  version: version(),
});

export const boatQuote = pgTable('boat_quote', {
  boatId: uuid('boat_id')
    .primaryKey()
    .references(() => boat.id),
  number: text('number').notNull().default(''),
  customer: text('customer').notNull().default(''),
  validDays: integer('valid_days').notNull().default(0),
  terms: text('terms').notNull().default(''),
  title: text('title').notNull(),
  intro: text('intro').notNull(),
  closing: text('closing').notNull(),
  yardDays: doublePrecision('yard_days').notNull(),
  version: version(),
});
