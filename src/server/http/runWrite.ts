import { createHash } from 'node:crypto';
import { type ChangeKind, strict } from '../../contract/index.ts';
import type { Context } from '../context.ts';
import type { Tx } from '../db/open.ts';
import type { YardReading, YardSnapshots } from '../memory/yardSnapshots.ts';
import type { SeenWrite } from '../rows/versions.ts';
import { seenHash } from '../rows/writeSeen.ts';
import type { Asked, Before, Write, Wrote } from './endpoint.ts';
import { inWrite } from './inWrite.ts';
import { canonical, conflict, idTaken, sameRecord } from './problem.ts';

type AnyWrite = Write<string, Record<string, unknown>, Record<string, unknown>>;
type AnyAsked = Asked<string, unknown, Record<string, unknown>>;

const hashOf = (body: unknown) =>
  createHash('sha256')
    .update(JSON.stringify(canonical(body)))
    .digest('base64');

/** Changes after which every clock of the yard has to be worked out again. */
const WHOLE_YARD: readonly ChangeKind[] = ['yard', 'weather', 'products'];

const AGAIN = { changes: [], made: false };

/** What a write came to: its answer, and whether it made a record that was not there. */
export type Outcome = Wrote<unknown> & { made: boolean; n?: number };

/** A record as its body would be taken at the border today: an earlier version may have kept an instant as it was written. */
const asSent = ({ body }: AnyWrite, record: unknown): unknown =>
  body?.validate(record, strict).value ?? record;

/** The input of a write inside its transaction. */
interface Underway {
  endpoint: AnyWrite;
  request: AnyAsked & { address: string };
  tx: Tx;
  /** Its name in the memory of writes, and the hash of its body. */
  key: string;
  hash: string;
}

/** The record that is there already, where this is a write that took before; null: it is a new one. @throws {HttpProblem} 409 */
async function repeated({ endpoint, request, tx, key, hash }: Underway): Promise<Outcome | null> {
  const { creates, replaces } = endpoint;
  const { body, params } = request;
  if (creates) {
    const known = await creates.find(tx, body);
    if (known === undefined) return null;
    const seen = await seenHash(tx, key);
    const same = seen === undefined ? sameRecord(asSent(endpoint, creates.sent(known)), body) : seen === hash;
    if (!same) throw idTaken(creates.what, creates.id(body));
    return { ...AGAIN, reply: known };
  }
  if (replaces) {
    const current = await replaces.find(tx, params);
    if (current.version === body.version) return null;
    if ((await seenHash(tx, key)) === hash) return { ...AGAIN, reply: current };
    throw conflict(replaces.what, current, body);
  }
  return null;
}

/**
 * Carries out a write: in one transaction, remembered, told to every reader once it is committed.
 *
 * The same write sent again, because its answer was lost on the way, changes nothing and is answered as it was; another
 * body under a known id, or a version that somebody else has written against since, is a 409.
 */
export async function runWrite(
  endpoint: AnyWrite,
  request: AnyAsked & { address: string },
  context: Context,
): Promise<Outcome> {
  const { memory, room, log } = context;
  room.require();
  const prepared = await endpoint.prepare?.(request, context);
  const { creates, replaces } = endpoint;
  const remembered = creates !== undefined || replaces !== undefined;
  const hash = remembered ? hashOf(request.body) : '';
  const key = creates
    ? `${endpoint.path} ${creates.id(request.body)}`
    : `${endpoint.method} ${request.address} ${request.body?.version}`;
  const which = endpoint.before?.(request) ?? null;
  const outcome = await inWrite(
    context,
    (now) => readingBefore(which, memory, now),
    async ({ tx, now, before }): Promise<Outcome & { seen?: SeenWrite }> => {
      const again = await repeated({ endpoint, request, tx, key, hash });
      if (again) return again;
      const wrote = await endpoint.run({ ...request, prepared }, { ...context, tx, now, before });
      return { ...wrote, made: creates !== undefined, ...(remembered && { seen: { key, hash } }) };
    },
  );
  try {
    await outcome.afterCommit?.();
    // Worked out before it is answered, so that the next screen asked for need not wait.
    if (outcome.changes.some(({ of }) => WHOLE_YARD.includes(of))) await memory.at(context.now());
  } catch (error) {
    log.error({ err: error }, 'what follows a committed write failed');
  }
  return outcome;
}

/** The yard before a write; `n` null: including later log entries. */
type Known = Omit<YardReading, 'n'> & { n: number | null };

async function readingBefore(which: Before, memory: YardSnapshots, now: number): Promise<Known | null> {
  if (which === null) return null;
  if (which === 'yard') return memory.at(now);
  if (!('placeOf' in which)) return memory.some(now, which);
  // Entries may have come since: they move no area, and no other write does while this one has its turn.
  return { ...(await memory.places(now, { areaId: which.placeOf })), n: null };
}
