import { boolean, customType, integer, timestamp } from 'drizzle-orm/pg-core';

/** Columns that many tables have alike. */

export const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });
export const version = () => integer('version').notNull().default(1);
/** Bytes as they are. */
export const bytes = customType<{ data: Uint8Array; driverData: Uint8Array }>({ dataType: () => 'bytea' });
export const archived = () => boolean('archived').notNull().default(false);
