import { DateTime } from 'luxon';
import type { BenchView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayCondition, sayReason } from '../words/airReasons.ts';
import { counted } from '../words/counted.ts';

/** The number of suitable hours ahead for this product, and the reason for each unsuitable one. */
export function ComingHours({ hours, zone }: { hours: BenchView['hours']; zone: string }) {
  const { show } = useUnits();
  if (hours.length === 0) return null;
  const at = (iso: string) => DateTime.fromISO(iso, { zone });
  const good = hours.filter((hour) => hour.ok).length;
  const conditions = [...new Set(hours.flatMap((hour) => (hour.ok ? hour.conditions : [])))];
  return (
    <Why
      figure={
        <span>
          {t`${good} of the next ${counted(hours.length, 'hour')} ${good === 1 ? 'is' : 'are'} suitable`}
          {conditions.length > 0 && t`, if the missing data is checked`}
        </span>
      }
    >
      {conditions.map((code) => (
        <p key={code}>{sayCondition(code)}</p>
      ))}
      <ul className="max-h-64 overflow-y-auto">
        {hours
          .filter((hour) => !hour.ok)
          .map((hour) => (
            <li key={hour.at}>
              {at(hour.at).toFormat('ccc HH:mm')}: {hour.reasons.map((r) => sayReason(r, show)).join('; ')}
            </li>
          ))}
      </ul>
    </Why>
  );
}
