import type { EntryInput } from '../../contract/index.ts';
import type { Waiting } from './queue.ts';

/** What waits on this device to be sent. */

/** Writes that the server has not refused. */
export const openWrites = (waiting: readonly Waiting[]) => waiting.filter(({ refused }) => refused === null);

/** Log entries made here. */
export function entriesIn(waiting: readonly Waiting[]): EntryInput[] {
  return openWrites(waiting).flatMap(({ method, path, body }) =>
    method === 'POST' && path === '/log' ? [body as EntryInput] : [],
  );
}

const RECORD = /^\/(?:findings|bare-items|stands|areas|templates)\/([^/]+)(\/restore)?$/;

/** Records removed here and not brought back since. */
export function removedHere(items: readonly Waiting[]): Set<string> {
  const removed = new Set<string>();
  for (const { method, path } of items) {
    const [, id, restored] = RECORD.exec(path) ?? [];
    if (id === undefined) continue;
    if (method === 'DELETE') removed.add(id);
    if (restored) removed.delete(id);
  }
  return removed;
}
