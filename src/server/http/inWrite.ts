import type { ChangeSet } from '../../contract/index.ts';
import { t } from '../../words.ts';
import type { Air } from '../air/surfaces.ts';
import type { Context } from '../context.ts';
import type { Tx } from '../db/open.ts';
import { Stale } from '../rows/missing.ts';
import { nextRevision, raiseVersions, type SeenWrite } from '../rows/versions.ts';
import { codesOf } from './errors.ts';

/** Another process wrote in between what was looked at before the transaction and the transaction. */
class Overtaken extends Error {}

/** A write is tried so often where another one came in its way. */
const MOST_TRIES = 8;
/** Serialization failure and deadlock: what was looked at is looked at again. */
const RACED = ['40001', '40P01'];
/** Two who made the same record at once, or an id that is simply taken: a second look tells which. */
const TAKEN = '23505';

/** What a write works with inside its transaction. */
export interface InWrite<Before> {
  tx: Tx;
  now: number;
  before: Before;
}

/** What a write comes to. */
export interface Changing {
  changes: ChangeSet;
  /** Weather that was read on the way, as it stands after this write. */
  air?: Air;
  /** Nothing that a snapshot of the yard holds is changed. */
  keepsSnapshot?: boolean;
  /** Remembered, so that the same write sent again is known. */
  seen?: SeenWrite | undefined;
}

/**
 * Carries out a write in one transaction, counted and noted for every reader; after the commit this process's snapshots and its open
 * pages are told. What follows the commit and fails is logged, and takes nothing back from the answer.
 *
 * @param before what has to be known as it stood just before; read outside the transaction, of exactly the revision before it. `n` null:
 *   what no write between could have changed, as the reader made sure of itself
 */
export function inWrite<Before extends { n: number | null } | null, Result extends Changing>(
  context: Context,
  before: (now: number) => Promise<Before>,
  work: (writing: InWrite<Before>) => Promise<Result>,
): Promise<Result & { n: number }> {
  const { db, shared, memory, live, gate, process, log } = context;
  return gate.run(async () => {
    for (let tries = 1; ; tries++) {
      const now = context.now();
      try {
        // A database with one connection is read before its transaction; one that others write to, once they have to wait.
        const early = shared ? undefined : await before(now);
        const { n, result } = await db.transaction(async (tx) => {
          const n = await nextRevision(tx);
          const known = early === undefined ? await before(now) : early;
          if (known !== null && known.n !== null && known.n !== n - 1)
            throw new Overtaken(t`another write came first`);
          const result = await work({ tx, now, before: known });
          await raiseVersions(tx, {
            n,
            changes: result.changes,
            process,
            at: new Date(now),
            seen: result.seen,
          });
          return { n, result };
        });
        const { changes, air, keepsSnapshot } = result;
        memory.committed(n, changes, { air: air && { air, now }, keepsSnapshot });
        try {
          live.publish(changes, n);
        } catch (error) {
          log.error({ err: error }, 'pages could not be told of a write');
        }
        return { ...result, n };
      } catch (error) {
        const codes = codesOf(error);
        const raced =
          error instanceof Overtaken ||
          error instanceof Stale ||
          codes.some((code) => RACED.includes(code)) ||
          (tries === 1 && codes.includes(TAKEN));
        if (!raced || tries === MOST_TRIES) throw error;
      }
    }
  });
}

/** Nothing has to be known before. */
export const nothingBefore = async (): Promise<null> => null;
