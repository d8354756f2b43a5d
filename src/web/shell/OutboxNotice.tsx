import type { EntryKind } from '../../contract/index.ts';
import { flushOutbox, throwAway, useOutbox } from '../api/outbox.ts';

const KINDS: Record<EntryKind, string> = {
  batch: 'a batch mixed',
  'batch-end': 'a pot emptied',
  coat: 'a coat',
  blast: 'steel blasted',
  work: 'work before a coat',
  tape: 'a tick of the leave-bare list',
  note: 'a note',
  strike: 'a strike-out',
};

/** Entries that have not reached the server yet: said until they have. */
export function OutboxNotice() {
  const waiting = useOutbox();
  if (waiting.length === 0) return null;
  const refused = waiting.filter((w) => w.refused);
  const open = waiting.filter((w) => !w.refused);
  return (
    <div role="status" className="border-line m-3 space-y-2 border-2 p-3">
      {open.length > 0 && (
        <div className="flex flex-wrap items-center gap-3">
          <p>
            <strong>
              {open.length === 1 ? '1 entry is' : `${open.length} entries are`} kept on this device
            </strong>{' '}
            ({open.map((w) => KINDS[w.entry.kind]).join(', ')}) and will be sent when the server answers.
          </p>
          <button type="button" className="btn" onClick={() => void flushOutbox()}>
            Send now
          </button>
        </div>
      )}
      {refused.map((w) => (
        <div key={w.entry.id} className="flex flex-wrap items-center gap-3">
          <p>
            <strong>The server refused {KINDS[w.entry.kind]}:</strong> {w.refused?.detail}
          </p>
          <button type="button" className="btn" onClick={() => throwAway(w.entry.id)}>
            Throw it away
          </button>
        </div>
      ))}
    </div>
  );
}
