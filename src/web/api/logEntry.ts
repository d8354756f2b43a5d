import { v7 as uuidv7 } from 'uuid';
import type { EntryInput, EntryKind } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { send } from './queue.ts';

/** Entries in words, for what waits on a device. */
const KINDS: Record<EntryKind, string> = {
  batch: t`mixed batch`,
  'batch-end': t`end of a pot`,
  coat: 'coat',
  blast: 'blasting',
  removal: t`coats taken off`,
  work: 'task',
  tape: 'masking',
  'hand-test': t`hand test`,
  progress: t`progress of a coat`,
  session: t`coat begun`,
  round: t`additional coat`,
  note: 'note',
  strike: t`voided entry`,
};

/** A log entry as a write. */
export const entryWrite = (entry: EntryInput) => ({
  method: 'POST' as const,
  path: '/log',
  body: entry,
  what: KINDS[entry.kind],
});

/** Takes an entry back: struck out, with the reason; it stays readable. */
export const strikeWrite = (areaId: string, entryId: string, reason: string) =>
  entryWrite({
    id: uuidv7(),
    areaId,
    at: new Date().toISOString(),
    corrects: entryId,
    kind: 'strike',
    body: { reason },
  });

/**
 * Logs an entry: kept on this device until the server has it.
 *
 * @returns `arrived`, or `kept` when the server could not be reached
 * @throws {ApiProblem} when the server refuses it
 */
export const logEntry = (entry: EntryInput): Promise<'arrived' | 'kept'> => send(entryWrite(entry));
