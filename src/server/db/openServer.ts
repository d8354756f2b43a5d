import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { refuseNewer } from './migrations.ts';
import type { Db, OpenDb } from './open.ts';
import { migrationsFolder } from './places.ts';
import * as schema from './schema.ts';

/** Connections of one process; the rest of them wait in line. */
const MOST_CONNECTIONS = 10;
/** A request fails if it gets no connection in this time, ms. */
const CONNECT_MS = 10_000;
/** Of the lock under which one process at a time brings the tables up to date. */
const START_LOCK = 7_312_000;
const CHANNEL = 'jack_plane';
/** After a lost connection it is listened again after so long, ms. */
const AGAIN_MS = 1000;

/** Where a database server is, without its password. */
export const withoutPassword = (url: string): string =>
  url.replace(/:\/\/([^:@/]*):[^@/]*@/, '://$1:…@').replace(/([?&]password=)[^&]*/gi, '$1…');

/**
 * Opens a PostgreSQL server of version 15 or later and brings its tables up to date, one process at a time.
 *
 * @param first what else one process at a time does before the first request
 * @throws {NewerYard} where a newer program has served it
 */
export async function openServer(
  url: string,
  first: (db: Db) => Promise<void> = async () => {},
): Promise<OpenDb> {
  const pool = new pg.Pool({
    connectionString: url,
    max: MOST_CONNECTIONS,
    connectionTimeoutMillis: CONNECT_MS,
    application_name: 'jack-plane',
  });
  // A connection that breaks while nobody uses it: the next request makes another.
  pool.on('error', () => {});
  const db = drizzle(pool, { schema }) as unknown as Db;
  const client = await pool.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [START_LOCK]);
    const one = drizzle(client, { schema });
    await refuseNewer(one as unknown as Db, withoutPassword(url));
    await migrate(one, { migrationsFolder: migrationsFolder() });
    await first(one as unknown as Db);
  } catch (error) {
    client.release(true);
    await pool.end();
    throw error;
  }
  await client.query('select pg_advisory_unlock($1)', [START_LOCK]);
  client.release();
  return {
    db,
    shared: true,
    close: () => pool.end(),
    listen: (heard) => listen(url, heard),
  };
}

/** Hears of commits of other processes. A notice is a hint: whoever hears it looks what there is. @returns how to stop */
function listen(url: string, heard: () => void): () => Promise<void> {
  let [stopped, current]: [boolean, pg.Client | null] = [false, null];
  const connect = async () => {
    if (stopped) return;
    const client = new pg.Client({ connectionString: url, application_name: 'jack-plane-listener' });
    current = client;
    const again = () => {
      client.removeAllListeners('end');
      setTimeout(() => void connect(), AGAIN_MS).unref();
    };
    client.on('error', () => {});
    client.on('notification', heard);
    try {
      await client.connect();
      client.once('end', again);
      await client.query(`listen ${CHANNEL}`);
      // Catches up with changes missed while not listening.
      heard();
    } catch {
      again();
    }
  };
  void connect();
  return async () => {
    stopped = true;
    await current?.end().catch(() => {});
  };
}
