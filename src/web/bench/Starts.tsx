import { DateTime } from 'luxon';
import type { CoatOutlook, StartView } from '../../contract/index.ts';
import { wellClear } from '../../core/air/index.ts';
import { t } from '../../words.ts';
import { sayAt, sayRange, sayTime } from '../clock/say.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { type Show, sayFailure, sayMargin } from '../words/airReasons.ts';
import { counted } from '../words/counted.ts';

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
      <p className="font-semibold">{t`No start time in the forecast stays suitable until the coat is safe from dew and rain.`}</p>
    );
  const day = (at: string | number) =>
    (typeof at === 'number' ? DateTime.fromMillis(at, { zone }) : DateTime.fromISO(at, { zone })).toISODate();
  const today = starts.filter(({ from }) => day(from) === day(now));
  const last = today.at(-1);
  const latest = last && (day(last.to) === day(now) ? last.to : null);
  return (
    <section aria-label={t`Start times`} className="space-y-1">
      <p>
        {today.length === 0 ? (
          <strong>{t`No suitable start time today.`}</strong>
        ) : latest ? (
          <>
            {t`Start by `}
            <strong>{sayTime(latest, zone, now)}</strong>
            {t` today.`}
            {last?.after && ` ${sayMet(last.after, zone, now, show)}`}
          </>
        ) : (
          t`You can start at any time from ${last && Date.parse(last.from) > now ? sayTime(last.from, zone, now) : 'now'} today.`
        )}
      </p>
      {best && (
        <p>
          {t`Best start: `}
          <strong>{sayTime(best.start, zone, now)}</strong>
          {t`. Safe from dew and rain ${sayTime(best.safe, zone, now)}`}
          {best.tightest && wellClear(best.tightest) && t`, with a good margin on every limit`}
          {best.tightest &&
            !wellClear(best.tightest) &&
            t`. Closest to a limit ${sayAt(best.tightest.at, zone, now)}: ${sayMargin(best.tightest, show)}`}
          .
        </p>
      )}
      <p className="text-sm">
        {t`Can start ${starts
          .slice(0, MOST)
          .map((each) => sayStretch(each, zone, now))
          .join('; ')}`}
        {starts.length > MOST && `; ${counted(starts.length - MOST, 'more period')}`}.
      </p>
    </section>
  );
}

/** Why a later start isn’t suitable. */
const sayMet = (met: NonNullable<StartView['after']>, zone: string, now: number, show: Show) =>
  met.code === 'too-dark'
    ? t`A later start would finish after dark (${sayTime(met.at, zone, now)}), when runs and missed spots can’t be seen.`
    : t`A later start fails ${sayAt(met.at, zone, now)}: ${sayFailure(met, show)}.`;

const sayStretch = ({ from, to }: StartView, zone: string, now: number) => sayRange(from, to, zone, now);
