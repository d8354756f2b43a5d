import { Suspense } from 'react';
import { t } from '../../words.ts';
import { flushQueue, useQueue, useQueueBroken, useSetAside } from '../api/queue.ts';
import { saySpan } from '../clock/say.ts';
import { lazyPart } from '../parts/lazyPart.tsx';
import { useClockOff } from '../state/deviceClock.ts';

/** Seldom needed, and fetched ahead: not part of the script for the first screen. */
const ToDecide = lazyPart(async () => (await import('./QueueDecisions.tsx')).QueueDecisions);

/** Writes that have not reached the server yet, said until they have; and those that wait for somebody to decide. */
export function QueueNotice() {
  const waiting = useQueue();
  const open = waiting.filter(({ refused }) => refused === null);
  const undecided = useSetAside().length > 0 || waiting.length > open.length;
  return (
    <>
      {open.length > 0 && (
        <div role="status" className="border-line m-3 flex flex-wrap items-center gap-3 border-2 p-3">
          <p>
            <strong>
              {t`${open.length === 1 ? t`1 entry` : t`${open.length} entries`} saved on this device, waiting to sync `}
            </strong>{' '}
            ({[...new Set(open.map(({ what }) => what))].join(', ')})
          </p>
          <button type="button" className="btn" onClick={() => void flushQueue()}>{t`Sync now`}</button>
        </div>
      )}
      {undecided && (
        <Suspense fallback={null}>
          <ToDecide />
        </Suspense>
      )}
      <Broken />
      <ClockOff />
    </>
  );
}

/** A clock that is far off makes every window and pot life on this screen wrong. */
function ClockOff() {
  const off = useClockOff();
  if (off === 0) return null;
  return (
    <p role="alert" className="border-line m-3 border-2 p-3">
      <strong>{t`This device’s clock is ${saySpan(Math.abs(off))} ${off > 0 ? t`ahead of` : t`behind`} the server’s.`}</strong>
      {t` Times on this screen may be wrong. Set the clock of the device.`}
    </p>
  );
}

function Broken() {
  const broken = useQueueBroken();
  if (broken === null) return null;
  return (
    <p role="alert" className="border-line m-3 border-2 p-3">
      <strong>{t`This browser can’t save data on the device`}</strong>
      {t` (${broken}). Anything logged while offline is lost. Private windows do this; use a normal window.`}
    </p>
  );
}
