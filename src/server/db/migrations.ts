import { readFileSync } from 'node:fs';
import path from 'node:path';
import { type SQL, sql } from 'drizzle-orm';
import { migrationsFolder } from './places.ts';

/** The yard was written by a newer version of the program than this one. */
export class NewerYard extends Error {
  constructor(where: string) {
    super(
      `${where} was last served by a newer version of Jack Plane. Start that version or a later one. Nothing was changed.`,
    );
    this.name = 'NewerYard';
  }
}

/** When the newest migration of this program was made, as the database notes it. */
function newestKnown(): number {
  const journal = JSON.parse(readFileSync(path.join(migrationsFolder(), 'meta/_journal.json'), 'utf8')) as {
    entries: { when: number }[];
  };
  return Math.max(...journal.entries.map(({ when }) => when));
}

/** What runs a statement. */
interface Runs {
  execute: (statement: SQL) => PromiseLike<{ rows: unknown[] }>;
}

/** @throws {NewerYard} where the database has a migration that this program does not know */
export async function refuseNewer(db: Runs, where: string): Promise<void> {
  const { rows: there } = await db.execute(
    sql`select to_regclass('drizzle.__drizzle_migrations')::text as name`,
  );
  if (!(there[0] as { name: string | null } | undefined)?.name) return;
  const { rows } = await db.execute(
    sql`select max(created_at)::float8 as newest from drizzle.__drizzle_migrations`,
  );
  if (Number((rows[0] as { newest: unknown } | undefined)?.newest ?? 0) > newestKnown())
    throw new NewerYard(where);
}
