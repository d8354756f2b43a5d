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
        viewBox={`0 0 ${hours.length * 20} 34`}
        className="block w-full"
        role="img"
        aria-label={`${good} of the next ${hours.length} hours are fit to lay`}
      >
        {hours.map((hour, i) => {
          const time = at(hour.at);
          return (
            <g key={hour.at}>
              <rect
                x={i * 20 + 1}
                y={hour.ok ? 2 : 11}
                width="18"
                height={hour.ok ? 18 : 9}
                fill={hour.ok ? 'url(#st-open)' : 'url(#st-closed)'}
                stroke={hour.ok ? 'var(--st-open)' : 'var(--st-closed)'}
              />
              {time.hour % 6 === 0 && (
                <text x={i * 20 + 2} y="33" fontSize="11" fill="var(--color-base-content)">
                  {time.hour === 0 ? time.toFormat('ccc') : time.toFormat('HH')}
                </text>
              )}
            </g>
          );
        })}
      </svg>
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
