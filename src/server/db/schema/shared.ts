import {
  bigint,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core';
import type { ChangeSet } from '../../../contract/index.ts';
import { bytes, instant } from './columns.ts';

/** What the processes that serve one database share: versions, notices, limits, files. */

const count = (name: string) => bigint(name, { mode: 'number' });

/** Counts the writes of the yard: one row, locked by each write until its commit, so that versions follow the order of commits. */
export const revision = pgTable('revision', {
  id: integer('id').primaryKey(),
  n: count('n').notNull(),
});

/** The write that last changed each domain: `log:<boat>`, `products`, `weather`… */
export const domainVersion = pgTable(
  'domain_version',
  {
    domain: text('domain').primaryKey(),
    n: count('n').notNull(),
  },
  (table) => [index('domain_version_by_n').on(table.n)],
);

/** What each write changed: the outbox of live events, and how a process that lost a notice catches up. */
export const changeNotice = pgTable(
  'change_notice',
  {
    n: count('n').primaryKey(),
    changes: jsonb('changes').$type<ChangeSet>().notNull(),
    /** The process that wrote it and has told its own pages already. */
    process: uuid('process').notNull(),
    at: instant('at').notNull(),
  },
  (table) => [index('change_notice_by_time').on(table.at)],
);

/** How often something was done in a span of time that ends at `endsAt`. */
export const rateCount = pgTable(
  'rate_count',
  {
    key: text('key').primaryKey(),
    hits: integer('hits').notNull(),
    endsAt: instant('ends_at').notNull(),
  },
  (table) => [index('rate_count_by_end').on(table.endsAt)],
);

/** Files of a yard on a database server: their parts in order. An embedded yard keeps them in a folder. */
export const storedFile = pgTable('stored_file', {
  name: text('name').primaryKey(),
  /** The parts it is made of; another one takes its place in one step. */
  contentId: uuid('content_id').notNull(),
  hash: text('hash').notNull(),
  bytes: count('bytes').notNull(),
});

export const fileChunk = pgTable(
  'file_chunk',
  {
    contentId: uuid('content_id').notNull(),
    no: integer('no').notNull(),
    data: bytes('data').notNull(),
  },
  (table) => [primaryKey({ columns: [table.contentId, table.no] })],
);

/** Readings of network scales from the last minute. */
export const scaleReading = pgTable(
  'scale_reading',
  {
    scaleId: uuid('scale_id').notNull(),
    at: instant('at').notNull(),
    grams: doublePrecision('grams').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.scaleId, table.at] }),
    index('scale_reading_by_time').on(table.at),
  ],
);
