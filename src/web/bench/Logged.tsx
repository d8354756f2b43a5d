import { Link } from 'react-router';
import type { BenchView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { sayTime } from '../clock/say.ts';
import { notBefore } from '../words/clocks.ts';
import { type CoatDone, Finish } from './Finish.tsx';
import { useTapeTick } from './useTapeTick.ts';

/** Under the last coat the tape comes off while that is wet; asked until it is off. */
export function PullTape({ view }: { view: BenchView }) {
  const tick = useTapeTick(view);
  const taped = view.bare.filter((item) => item.taped === true);
  const { next, film, events } = view.clock;
  if (next !== null || film === null || taped.length === 0) return null;
  const tackFree = events.find(({ event }) => event === 'tack-free')?.at ?? null;
  const isSet = tackFree !== null && Date.parse(tackFree) <= Date.parse(view.now);
  return (
    <section aria-label={t`Tape`} className="border-line space-y-2 border-2 p-3">
      <p className="text-lg">
        {isSet ? (
          <>
            <strong>{t`Pull the tape at once.`}</strong>
            {t` The last coat is past tack-free. Score along the line first, so that the film doesn’t tear with the tape.`}
          </>
        ) : (
          <>
            <strong>{t`Pull the tape now`}</strong>
            {t`, while this last coat is wet, or at tack-free at the latest. Pull it back on itself. Where paint has bridged the edge, score along the line first.`}
          </>
        )}
      </p>
      <ul className="flex flex-wrap gap-2">
        {taped.map((item) => (
          <li key={item.id}>
            <button type="button" className="btn target" onClick={() => tick(item, null)}>
              {t`Tape off: ${item.name}`}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A coat logged on this page; `coat` null: cleaned up after it. */
export interface LoggedCoat {
  how: 'arrived' | 'kept';
  coat: CoatDone | null;
}

/** The coat just logged: when the next one may go on, and what to clean up. */
export function JustLogged({
  logged,
  view,
  zone,
  onDone,
}: {
  logged: LoggedCoat | null;
  view: BenchView;
  zone: string;
  onDone: () => void;
}) {
  if (!logged) return null;
  return (
    <>
      <Logged how={logged.how} view={view} zone={zone} />
      {logged.coat && <Finish {...logged.coat} area={view.area} zone={zone} onDone={onDone} />}
    </>
  );
}

/** Says that the coat is logged, and when the next one may go on. */
function Logged({ how, view, zone }: { how: 'arrived' | 'kept'; view: BenchView; zone: string }) {
  const { clock } = view;
  const now = Date.parse(view.now);
  if (how === 'kept') {
    return (
      <p
        role="status"
        className="border-line border-2 p-3 text-lg"
      >{t`Coat saved on this device, waiting to sync.`}</p>
    );
  }
  const waits = notBefore(clock, now);
  const opens = waits && sayTime(waits.at, zone, now);
  return (
    <p role="status" className="border-line border-2 p-3 text-lg">
      <strong>{t`Coat logged.`}</strong>{' '}
      {opens
        ? `${clock.nextIsWater ? t`Ready to launch from` : waits?.clogs ? t`After sanding, the next coat may go on from` : t`The next coat may go on from`} ${opens}. `
        : ''}
      <Link className="link" to={`/window/${clock.areaId}`}>{t`See the window`}</Link>
    </p>
  );
}
