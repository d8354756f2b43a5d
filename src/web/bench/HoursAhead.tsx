import { DateTime } from 'luxon';
import type { BenchView } from '../../contract/index.ts';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayReason } from './sayReason.ts';

/** The coming hours as this product sees them: which pass, and the named reason of each that does not. */
export function HoursAhead({ hours, zone }: { hours: BenchView['hours']; zone: string }) {
  const { show } = useUnits();
  if (hours.length === 0) return null;
  const at = (iso: string) => DateTime.fromISO(iso, { zone });
  const good = hours.filter((hour) => hour.ok).length;
  return (
    <div>
      <svg
        viewBox={`0 0 ${hours.length * 20} 22`}
        preserveAspectRatio="none"
        className="block h-7 w-full"
        role="img"
        aria-label={`${good} of the next ${hours.length} hours are suitable`}
      >
        {hours.map((hour, i) => (
          <rect
            key={hour.at}
            x={i * 20 + 1}
            y={hour.ok ? 1 : 11}
            width="18"
            height={hour.ok ? 20 : 10}
            fill={hour.ok ? 'url(#st-open)' : 'url(#st-closed)'}
            stroke={hour.ok ? 'var(--st-open)' : 'var(--st-closed)'}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      <div className="relative h-5 text-xs" aria-hidden="true">
        {hours.map((hour, i) => {
          const time = at(hour.at);
          if (time.hour % 6 !== 0) return null;
          return (
            <span key={hour.at} className="absolute" style={{ left: `${(i / hours.length) * 100}%` }}>
              {time.hour === 0 ? time.toFormat('ccc') : time.toFormat('HH')}
            </span>
          );
        })}
      </div>
      <Why
        figure={
          <span>
            {good} of the next {hours.length} hours pass (tall bars)
          </span>
        }
      >
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
    </div>
  );
}
