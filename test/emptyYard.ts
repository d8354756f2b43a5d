import { sql } from 'drizzle-orm';
import { type Db, type OpenDb, openMemory, readDump } from '../src/server/db/open.ts';
import { dumpFile } from './migratedDump.ts';

/** Databases in memory that are emptied and used again: opening one takes longer than most tests. */
const free: OpenDb[] = [];
/** What a migrated database holds before anything is written, by table. */
let atFirst: Map<string, string> | null = null;

async function tablesOf(db: Db): Promise<string[]> {
  const { rows } = await db.execute<{ name: string }>(
    sql`select tablename as name from pg_tables where schemaname = 'public'`,
  );
  return rows.map(({ name }) => name);
}

async function rowsOf(db: Db): Promise<Map<string, string>> {
  const found = new Map<string, string>();
  for (const name of await tablesOf(db)) {
    const table = sql.identifier(name);
    const { rows } = await db.execute<{ rows: string | null }>(
      sql`select json_agg(t)::text as rows from ${table} t`,
    );
    if (rows[0]?.rows) found.set(name, rows[0].rows);
  }
  return found;
}

async function empty(db: Db): Promise<void> {
  const names = (await tablesOf(db)).map((name) => sql.identifier(name));
  await db.execute(sql`truncate ${sql.join(names, sql`, `)} restart identity cascade`);
  for (const [name, rows] of atFirst ?? []) {
    const table = sql.identifier(name);
    await db.execute(
      sql`insert into ${table} select * from json_populate_recordset(null::${table}, ${rows})`,
    );
  }
}

/** A migrated database in memory with nothing in it; `free` gives it back. */
export async function emptyYard(): Promise<{ opened: OpenDb; giveBack: () => void }> {
  const known = free.pop();
  if (known) await empty(known.db);
  const opened = known ?? (await openMemory(await readDump(dumpFile())));
  atFirst ??= await rowsOf(opened.db);
  return { opened, giveBack: () => free.push(opened) };
}

/** Closes the databases that were given back. */
export async function closeYards(): Promise<void> {
  for (const { close } of free.splice(0)) await close();
}
