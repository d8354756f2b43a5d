import { DateTime } from 'luxon';
import type { CoatOutlook, StartView } from '../../contract/index.ts';
import { wellClear } from '../../core/air/index.ts';
import { sayTime } from '../clock/say.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { type Show, sayFailure, sayMargin } from '../words/airReasons.ts';

interface Props {
  outlook: CoatOutlook;
  now: number;
  zone: string;
}

/** Stretches are listed up to here; the rest of ten days helps nobody today. */
const MOST = 4;

/** From when to when this coat may be started in the days that are forecast: the last start of today, and the best of all. */
export function Starts({ outlook, now, zone }: Props) {
  const { show } = useUnits();
  const { starts, best, safeBy } = outlook;
  if (safeBy === null) return null;
  if (starts.length === 0)
    return (
      <p className="font-semibold">
        No start time in the forecast stays suitable until the coat is safe from dew and rain.
      </p>
    );
  const day = (at: string | number) =>
    (typeof at === 'number' ? DateTime.fromMillis(at, { zone }) : DateTime.fromISO(at, { zone })).toISODate();
  const today = starts.filter(({ from }) => day(from) === day(now));
  const last = today.at(-1);
  const latest = last && (day(last.to) === day(now) ? last.to : null);
  return (
    <section aria-label="Start times" className="space-y-1">
      <p>
        {today.length === 0 ? (
          <strong>No suitable start time today.</strong>
        ) : latest ? (
          <>
            The last start that passes today is <strong>{sayTime(latest, zone, now)}</strong>
            {last?.after && `; begun later, ${sayMet(last.after, zone, now, show)}`}.
          </>
        ) : (
          `You can start at any time from ${last && Date.parse(last.from) > now ? sayTime(last.from, zone, now) : 'now'} today.`
        )}
      </p>
      {best && (
        <p>
          Best start: <strong>{sayTime(best.start, zone, now)}</strong>, safe {sayTime(best.safe, zone, now)}
          {best.tightest && wellClear(best.tightest) && ', well clear of every limit'}
          {best.tightest &&
            !wellClear(best.tightest) &&
            `. It comes nearest to a limit ${sayTime(best.tightest.at, zone, now)}: ${sayMargin(best.tightest, show)}`}
          .
        </p>
      )}
      <p className="text-sm">
        Starts that pass:{' '}
        {starts
          .slice(0, MOST)
          .map((each) => sayStretch(each, zone, now))
          .join('; ')}
        {starts.length > MOST && `; and ${starts.length - MOST} more`}.
      </p>
    </section>
  );
}

/** What a later start meets: "dew finds it still soft at 18:00: …". */
const sayMet = (met: NonNullable<StartView['after']>, zone: string, now: number, show: Show) =>
  `${sayTime(met.at, zone, now)}: ${sayFailure(met, show)}`;

const sayStretch = ({ from, to }: StartView, zone: string, now: number) =>
  `${sayTime(from, zone, now)} to ${sayTime(to, zone, now)}`;
