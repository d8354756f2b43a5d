import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { EntryBody, RunningClock, RunningKind } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { useRunning } from '../api/queries.ts';
import { useMinute } from '../clock/now.ts';
import { saySpan, sayTime } from '../clock/say.ts';
import { counted } from '../words/counted.ts';

/** Each kind: what it is called, what its end means, and the button that ends it by hand. */
const KINDS: Record<RunningKind, { word: string; by: string; end?: string }> = {
  pot: { word: t`Pot`, by: t`End of standing time or pot life`, end: t`Mark pot used up` },
  blast: { word: t`Bare steel`, by: t`Prime by this time. Ends with the first coat.` },
  wait: { word: t`Wait`, by: t`Ends automatically.`, end: t`End wait` },
  sanding: { word: t`Sanding`, by: t`Sandpaper clogs until this time.` },
  wiped: { word: t`Washed`, by: t`Coat by this time, or wipe again. Ends with the coat.` },
  tape: { word: t`Tape`, by: t`Remove by this time.`, end: t`Mark tape removed` },
  'tape-wet': {
    word: t`Pull the tape`,
    by: t`Pull while the last coat is wet, or at tack-free at the latest. Pull it back on itself. Where paint has bridged the edge, score along the line first.`,
    end: t`Mark tape removed`,
  },
  strew: {
    word: t`Strew aggregate`,
    by: t`Strew while the coat is wet: at once, or by tack-free at the latest. Too late, it doesn’t hold.`,
    end: t`Mark as strewn`,
  },
  'dew-safe': { word: t`Safe from dew and rain`, by: t`Ends automatically.` },
  'tack-free': { word: t`Tack-free`, by: t`Ends automatically.` },
  sandable: { word: t`Sandable`, by: t`Ends automatically.` },
  walk: { word: t`Safe to walk on`, by: t`Tighten screws and load lockers later than this.` },
  loading: {
    word: t`Screws and lockers`,
    by: t`Wait several days. The data sheet gives no full cure time; ask the manufacturer.`,
  },
  immersion: { word: t`Earliest launch`, by: t`Ends automatically.` },
  'latest-immersion': { word: t`Latest launch`, by: t`Launch by this time. Ends with the launch.` },
  'full-cure': { word: t`Full cure`, by: t`Tighten screws and load lockers from this time.` },
};

/** On the board, coats and pots have lines of their own; of the other timers only those that end soon are shown. */
const BESIDE: ReadonlySet<RunningKind> = new Set([
  'wait',
  'sanding',
  'wiped',
  'tape',
  'tape-wet',
  'strew',
  'dew-safe',
  'walk',
]);
const SOON_MS = 48 * 3_600_000;

/** The clocks that run beside the windows, soonest first, with what ends each; of the yard, or of one area. */
export function RunningClocks({ areaId, zone }: { areaId: string | null; zone: string }) {
  const now = useMinute();
  const { data } = useRunning(areaId);
  const clocks = (data?.clocks ?? []).filter(
    ({ kind, until }) =>
      areaId !== null || (BESIDE.has(kind) && until !== null && Date.parse(until) - now < SOON_MS),
  );
  if (clocks.length === 0) return null;
  const over = clocks.filter(({ until }) => until !== null && Date.parse(until) <= now).length;
  return (
    <details className="border-base-300 border-y py-2">
      <summary className="target cursor-pointer py-2">
        {areaId === null ? t`Other timers: tape, waiting times, curing` : t`Timers for this area`} (
        {clocks.length}){over > 0 && <strong>{t`, ${over} overdue`}</strong>}
      </summary>
      <ol className="divide-base-300 divide-y">
        {clocks.map((clock) => (
          <li
            key={clock.key}
            className="grid items-center gap-x-4 gap-y-1 py-1 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_8rem]"
          >
            <Clock clock={clock} named={areaId === null} zone={zone} now={now} />
          </li>
        ))}
      </ol>
      {data && data.more > 0 && (
        <p className="text-sm">{t`${counted(data.more, 'more timer')} not listed.`}</p>
      )}
    </details>
  );
}

interface ClockProps {
  clock: RunningClock;
  named: boolean;
  zone: string;
  now: number;
}

function Clock({ clock, named, zone, now }: ClockProps) {
  const { mutate: log } = useQueued();
  const { word, by, end } = KINDS[clock.kind];
  const until = clock.until === null ? null : Date.parse(clock.until);
  const stop = () => {
    const body = endOf(clock);
    if (!body) return;
    const entry = { id: uuidv7(), areaId: clock.areaId, at: new Date().toISOString(), corrects: null };
    log(entryWrite({ ...entry, ...body }));
  };
  return (
    <>
      <span>
        <strong>{word}</strong>
        {clock.name && `: ${clock.name}`}
        {named && (
          <span className="block text-sm">
            <Link className="link" to={`/bench/${clock.areaId}`}>
              {clock.areaName}, {clock.boatName}
            </Link>
          </span>
        )}
      </span>
      <span>
        {until === null ? (
          t`end unknown`
        ) : (
          <>
            {sayTime(until, zone, now)},{' '}
            {until > now ? (
              `in ${saySpan(until - now)}`
            ) : (
              <strong>{t`ended ${saySpan(now - until)} ago`}</strong>
            )}
          </>
        )}
        <span className="block text-sm">{by}</span>
      </span>
      {clock.end && end && (
        <button type="button" className="btn target" onClick={stop}>
          {end}
          <span className="sr-only">
            : {word} {clock.name}
          </span>
        </button>
      )}
    </>
  );
}

/** The entry that ends a clock by hand. */
function endOf({ end }: RunningClock): EntryBody | null {
  switch (end?.how) {
    case 'pot':
      return { kind: 'batch-end', body: { batchId: end.entryId, fate: 'emptied' } };
    case 'work':
      return { kind: 'work', body: { ...end.body, remark: '' } };
    case 'tape':
      return { kind: 'tape', body: { ...end.body, on: false, stepId: null, coatNo: null } };
    default:
      return null;
  }
}
