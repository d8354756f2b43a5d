import { useState } from 'react';
import {
  flushQueue,
  forgetAside,
  throwAway,
  tryAgain,
  useQueue,
  useQueueBroken,
  useSetAside,
} from '../api/queue.ts';
import { saySpan } from '../clock/say.ts';
import { useConfirm } from '../parts/Confirm.tsx';
import { saveFile } from '../parts/drawing/exportDrawing.ts';
import { useClockOff } from '../state/deviceClock.ts';
import { EditRefused, typedLeaves } from './EditRefused.tsx';

/** Writes that have not reached the server yet, said until they have; and those that wait for somebody to decide. */
export function QueueNotice() {
  const waiting = useQueue();
  const open = waiting.filter(({ refused }) => refused === null);
  return (
    <>
      {open.length > 0 && (
        <div role="status" className="border-line m-3 flex flex-wrap items-center gap-3 border-2 p-3">
          <p>
            <strong>
              {open.length === 1 ? '1 entry' : `${open.length} entries`} saved on this device, waiting to sync{' '}
            </strong>{' '}
            ({[...new Set(open.map(({ what }) => what))].join(', ')})
          </p>
          <button type="button" className="btn" onClick={() => void flushQueue()}>
            Sync now
          </button>
        </div>
      )}
      <Refused />
      <SetAside />
      <Broken />
      <ClockOff />
    </>
  );
}

function Refused() {
  const confirm = useConfirm();
  const [editing, setEditing] = useState<number | null>(null);
  const refused = useQueue().filter((item) => item.refused !== null);
  if (refused.length === 0) return null;
  const discard = async (seq: number, what: string) => {
    const text = 'This entry was never synced. Discarding deletes it.';
    if (await confirm({ title: `Discard ${what}?`, text, action: 'Discard' })) await throwAway(seq);
  };
  return (
    <section aria-label="Rejected entries" className="border-error m-3 space-y-2 border-2 p-3">
      {refused.map(({ seq, what, refused: problem, method, path, body }) =>
        editing === seq ? (
          <EditRefused
            key={seq}
            body={body}
            problem={problem}
            onCancel={() => setEditing(null)}
            onSend={(better) => {
              setEditing(null);
              void tryAgain(seq, better);
            }}
          />
        ) : (
          <div key={seq} role="alert" className="flex flex-wrap items-center gap-3">
            <p>
              <strong>
                The server {problem?.status === 500 ? 'couldn’t process' : 'rejected'} {what}:
              </strong>{' '}
              {problem?.detail}
            </p>
            <button type="button" className="btn" onClick={() => void tryAgain(seq)}>
              Retry
            </button>
            {typedLeaves(body).length > 0 && (
              <button type="button" className="btn" onClick={() => setEditing(seq)}>
                Edit<span className="sr-only"> {what}</span>
              </button>
            )}
            <button
              type="button"
              className="btn"
              onClick={() =>
                saveFile(
                  `${what}.json`,
                  new Blob([JSON.stringify({ method, path, body }, null, 2)], { type: 'application/json' }),
                )
              }
            >
              Export
            </button>
            <button type="button" className="btn" onClick={() => void discard(seq, what)}>
              Discard
            </button>
          </div>
        ),
      )}
    </section>
  );
}

function SetAside() {
  const aside = useSetAside();
  if (aside.length === 0) return null;
  const save = () => {
    const text = aside.map((item) => item.text).join('\n');
    saveFile('unreadable data.txt', new Blob([text], { type: 'text/plain' }));
  };
  return (
    <div role="alert" className="border-line m-3 flex flex-wrap items-center gap-3 border-2 p-3">
      <p>
        <strong>Some data saved on this device couldn’t be read</strong> and was set aside. Nothing else is
        affected.
      </p>
      <button type="button" className="btn" onClick={save}>
        Save as file
      </button>
      <button type="button" className="btn" onClick={() => void forgetAside()}>
        Delete data
      </button>
    </div>
  );
}

/** A clock that is far off makes every window and pot life on this screen wrong. */
function ClockOff() {
  const off = useClockOff();
  if (off === 0) return null;
  return (
    <p role="alert" className="border-line m-3 border-2 p-3">
      <strong>
        This device’s clock is {saySpan(Math.abs(off))} {off > 0 ? 'ahead of' : 'behind'} the server’s.
      </strong>{' '}
      Times on this screen may be wrong. Set the clock of the device.
    </p>
  );
}

function Broken() {
  const broken = useQueueBroken();
  if (broken === null) return null;
  return (
    <p role="alert" className="border-line m-3 border-2 p-3">
      <strong>This browser can’t save data on the device</strong> ({broken}). Anything logged while offline is
      lost. Private windows do this; use a normal window.
    </p>
  );
}
