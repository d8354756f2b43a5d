import { sql } from 'drizzle-orm';
import { getTableConfig, type PgTable } from 'drizzle-orm/pg-core';
import type { FileStore } from './files.ts';
import type { Db, Tx } from './open.ts';
import * as schema from './schema.ts';

/** What a copy came to: rows of each table, and files. */
export interface Copied {
  rows: Record<string, number>;
  files: number;
}

/** Something in the copy is not what it was copied from. */
export class NotEqual extends Error {
  constructor(what: string) {
    super(
      `${what} differs between the yard and its copy. The yard it was copied from is untouched; discard the copy.`,
    );
    this.name = 'NotEqual';
  }
}

/** Rows copied in one statement. */
const CHUNK = 200;
const LARGEST_FILE = 400 * 1024 * 1024;
/** Of the database server alone; an embedded yard keeps files in a folder. */
const FILE_TABLES = ['stored_file', 'file_chunk'];

interface Table {
  name: string;
  /** Columns of the primary key. */
  key: string[];
  /** The column by which a row names another of its own table. */
  self: string | null;
  needs: string[];
}

function tables(): Table[] {
  const all = Object.values(schema)
    .filter((each) => Symbol.for('drizzle:IsDrizzleTable') in (each as object))
    .map((each): Table => {
      const { name, columns, primaryKeys, foreignKeys } = getTableConfig(each as unknown as PgTable);
      const links = foreignKeys.map((link) => {
        const { columns: own, foreignTable } = link.reference();
        return { to: getTableConfig(foreignTable as PgTable).name, column: own[0]?.name ?? '' };
      });
      return {
        name,
        key:
          primaryKeys[0]?.columns.map((column) => column.name) ??
          columns.filter((c) => c.primary).map((c) => c.name),
        self: links.find(({ to }) => to === name)?.column ?? null,
        needs: links.map(({ to }) => to).filter((to) => to !== name),
      };
    })
    .filter(({ name }) => !FILE_TABLES.includes(name));
  const ordered: Table[] = [];
  const placed = new Set<string>();
  while (ordered.length < all.length) {
    const next = all.filter(
      ({ name, needs }) => !placed.has(name) && needs.every((need) => placed.has(need)),
    );
    if (next.length === 0) throw new Error('tables name each other in a circle');
    for (const table of next) placed.add(table.name);
    ordered.push(...next);
  }
  return ordered;
}

const raw = (text: string) => sql.raw(text);
const keyList = ({ key }: Table) => key.map((column) => `"${column}"`).join(', ');

/** Rows so that one that names another of the same table comes after it. */
function afterTheirs(rows: Record<string, unknown>[], { key, self }: Table): Record<string, unknown>[] {
  if (self === null) return rows;
  const byId = new Map(rows.map((row) => [row[key[0] as string], row]));
  const done = new Set<unknown>();
  const ordered: Record<string, unknown>[] = [];
  const put = (row: Record<string, unknown>) => {
    const id = row[key[0] as string];
    if (done.has(id)) return;
    done.add(id);
    const named = byId.get(row[self]);
    if (named) put(named);
    ordered.push(row);
  };
  for (const row of rows) put(row);
  return ordered;
}

async function rowsOf(db: Db | Tx, table: Table): Promise<Record<string, unknown>[]> {
  const { rows } = await db.execute<{ row: string }>(
    raw(`select row_to_json(t)::text as row from "${table.name}" t order by ${keyList(table)}`),
  );
  return rows.map(({ row }) => JSON.parse(row) as Record<string, unknown>);
}

/** One word for all that a table holds, the same for the same rows on any server. */
async function sumOf(db: Db | Tx, { name }: Table): Promise<string> {
  const { rows } = await db.execute<{ sum: string | null; n: number }>(
    raw(
      `select count(*)::int as n, md5(string_agg(line, '' order by line)) as sum from (select md5(t::text) as line from "${name}" t) s`,
    ),
  );
  return `${rows[0]?.n} ${rows[0]?.sum}`;
}

/** Times are compared as text: in one zone. */
const inUtc = sql`set local time zone 'UTC'`;

/** Whether a yard has anything in it that a copy would overwrite. */
export async function isEmptyYard(db: Db): Promise<boolean> {
  for (const name of ['boat', 'product', 'station', 'weather_series', 'supplier']) {
    const { rows } = await db.execute(raw(`select 1 from "${name}" limit 1`));
    if (rows.length > 0) return false;
  }
  return true;
}

/**
 * Copies a whole yard, rows and files, into an empty one, and holds the two against each other.
 *
 * @throws {NotEqual} where something came out different; the copy is not committed then
 */
export async function copyYard(
  from: { db: Db; files: FileStore },
  to: { db: Db; files: FileStore },
): Promise<Copied> {
  const copied: Copied = { rows: {}, files: 0 };
  const order = tables();
  await from.db.transaction(
    async (source) => {
      await source.execute(inUtc);
      await to.db.transaction(async (target) => {
        await target.execute(inUtc);
        for (const table of order.toReversed()) await target.execute(raw(`delete from "${table.name}"`));
        for (const table of order) {
          const rows = afterTheirs(await rowsOf(source, table), table);
          for (let i = 0; i < rows.length; i += CHUNK) {
            const part = JSON.stringify(rows.slice(i, i + CHUNK));
            await target.execute(
              sql`insert into ${raw(`"${table.name}"`)} select * from json_populate_recordset(null::${raw(`"${table.name}"`)}, ${part}::json)`,
            );
          }
          if ((await sumOf(source, table)) !== (await sumOf(target, table)))
            throw new NotEqual(`the table ${table.name}`);
          copied.rows[table.name] = rows.length;
        }
      });
    },
    { isolationLevel: 'repeatable read' },
  );
  for (const name of await from.files.names()) {
    const one = await to.files.write(name, from.files.read(name), LARGEST_FILE);
    const other = await to.files.write(`${name}.check`, from.files.read(name), LARGEST_FILE);
    await to.files.remove(`${name}.check`);
    if (one.hash !== other.hash) throw new NotEqual(`the file ${name}`);
    copied.files++;
  }
  return copied;
}
