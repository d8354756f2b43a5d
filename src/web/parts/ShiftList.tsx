import type { Shift } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { saySpan, sayTime } from '../clock/say.ts';
import { EDGE_WORDS } from '../state/states.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';

/** Changed times, with the difference and the cause. */
export function ShiftList({
  shifts,
  zone,
  now,
  withArea = false,
}: {
  shifts: readonly Shift[];
  zone: string;
  now: number;
  withArea?: boolean;
}) {
  const { show } = useUnits();
  if (shifts.length === 0) return null;
  return (
    <section aria-label={t`Changed times`}>
      <h2 className="batten pb-1 text-lg">{t`Changed times`}</h2>
      <ul className="space-y-2 pt-2">
        {shifts.map((shift) => {
          const moved =
            shift.beforeAt && shift.afterAt ? Date.parse(shift.afterAt) - Date.parse(shift.beforeAt) : null;
          return (
            <li key={`${shift.areaId}${shift.edge}${shift.at}`}>
              {withArea && (
                <>
                  <strong>{shift.areaName}</strong>, {shift.boatName}:{' '}
                </>
              )}
              {EDGE_WORDS[shift.edge]}{' '}
              {moved === null ? (
                <strong>
                  {shift.afterAt
                    ? t`now ${sayTime(shift.afterAt, zone, now)}`
                    : t`no longer reached at these temperatures`}
                </strong>
              ) : (
                <>
                  <strong>
                    {saySpan(moved)} {moved > 0 ? 'later' : 'earlier'}{' '}
                  </strong>{' '}
                  ({sayTime(shift.beforeAt ?? '', zone, now)} → {sayTime(shift.afterAt ?? '', zone, now)})
                </>
              )}
              . {shift.cause.charAt(0).toUpperCase() + shift.cause.slice(1)}, {sayTime(shift.at, zone, now)}
              {shift.changedHours > 0 &&
                t`. ${counted(shift.changedHours, 'hour')} changed, ${show(Math.abs(shift.meanChangeC), 'temperatureDifference')} ${shift.meanChangeC < 0 ? t`colder` : t`warmer`} on average`}
              .
            </li>
          );
        })}
      </ul>
    </section>
  );
}
