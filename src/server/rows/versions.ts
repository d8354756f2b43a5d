import { asc, gt, lte, sql } from 'drizzle-orm';
import type { Change, ChangeSet } from '../../contract/index.ts';
import type { Queries, Tx } from '../db/open.ts';
import { changeNotice, domainVersion, revision, writeSeen } from '../db/schema.ts';

/** The one row of the count of writes. */
const ROW = 1;
/** What a change is a change of, as its version is counted: `log:<boat>`, `stock:<product>`, `weather`. */
export function domainOf(change: Change): string {
  if ('boatId' in change) return `${change.of}:${change.boatId}`;
  if ('productId' in change && change.productId !== undefined) return `${change.of}:${change.productId}`;
  return change.of;
}

/**
 * Raises the write counter and locks it until the commit: writes of all processes are serialised, and a higher
 * revision is a later commit. To be called first in the transaction.
 */
export async function nextRevision(tx: Tx): Promise<number> {
  const [row] = await tx
    .insert(revision)
    .values({ id: ROW, n: 1 })
    .onConflictDoUpdate({ target: revision.id, set: { n: sql`${revision.n} + 1` } })
    .returning({ n: revision.n });
  return (row as { n: number }).n;
}

/** The count of writes committed so far. */
export async function currentRevision(db: Queries): Promise<number> {
  const [row] = await db.select({ n: revision.n }).from(revision).limit(1);
  return row?.n ?? 0;
}

/** A write by its name, with the hash of the body with which it took. */
export interface SeenWrite {
  key: string;
  hash: string;
}

/**
 * Raises the version of each domain that a write changed to that write's revision, and leaves a notice of it, heard by other processes
 * at the commit. Remembers the write itself where it can be sent again. One statement, since each costs a journey to a database server.
 */
export async function raiseVersions(
  tx: Tx,
  write: { n: number; changes: ChangeSet; process: string; at: Date; seen?: SeenWrite | undefined },
): Promise<void> {
  const { n, changes, process, at, seen } = write;
  if (changes.length === 0 && !seen) return;
  const remembered = seen
    ? sql`, remembered as (
      insert into ${writeSeen} (key, body_hash, at)
      values (${seen.key}, ${seen.hash}, ${at.toISOString()}::timestamptz)
      on conflict do nothing
    )`
    : sql``;
  const domains = JSON.stringify([...new Set(changes.map(domainOf))].sort());
  await tx.execute(sql`
    with raised as (
      insert into ${domainVersion} (domain, n)
      select value, ${n} from json_array_elements_text(${domains}::json)
      on conflict (domain) do update set n = excluded.n
    ), notified as (
      insert into ${changeNotice} (n, changes, process, at)
      values (${n}, ${JSON.stringify(changes)}::jsonb, ${process}::uuid, ${at.toISOString()}::timestamptz)
    )${remembered}
    select pg_notify('jack_plane', ${String(n)})`);
}

/** The domains changed since a revision, with the write that changed each last. */
export async function versionsSince(db: Queries, n: number): Promise<Map<string, number>> {
  const rows = await db.select().from(domainVersion).where(gt(domainVersion.n, n));
  return new Map(rows.map((row) => [row.domain, row.n]));
}

/** A notice of a write: what it changed, and which process wrote it. */
export interface Notice {
  n: number;
  changes: ChangeSet;
  process: string;
}

/** Notices after one revision, up to another, in order. */
export async function noticesBetween(db: Queries, after: number, upTo: number): Promise<Notice[]> {
  const rows = await db
    .select({ n: changeNotice.n, changes: changeNotice.changes, process: changeNotice.process })
    .from(changeNotice)
    .where(sql`${gt(changeNotice.n, after)} and ${lte(changeNotice.n, upTo)}`)
    .orderBy(asc(changeNotice.n));
  return rows;
}
