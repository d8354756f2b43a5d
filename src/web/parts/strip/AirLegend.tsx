import { t } from '../../../words.ts';
import { AIR_LINES } from './airShapes.ts';

/** What the lines above a strip are, and by whose limits hours are blocked. */
export function AirLegend({
  whose,
  simulated,
  blocked,
  filled,
}: {
  /** Product whose limits block; null: the usual ones, for topsides in the open. */
  whose: string | null;
  simulated: boolean;
  blocked: boolean;
  filled: boolean;
}) {
  return (
    <p className="flex flex-wrap items-center gap-x-4 text-xs">
      {AIR_LINES.map(({ key, word, stroke, dash, weight }) => (
        <span key={key} className="inline-flex items-center gap-1">
          <svg width="22" height="8" aria-hidden="true">
            <line x1="0" x2="22" y1="4" y2="4" stroke={stroke} strokeWidth={weight} strokeDasharray={dash} />
          </svg>
          {word}
          {key === 'surface' && whose === null && t` (topsides, outdoors)`}
        </span>
      ))}
      {blocked && (
        <span className="inline-flex items-center gap-1">
          <svg width="22" height="9" aria-hidden="true">
            <rect width="22" height="9" fill="url(#st-closed)" stroke="var(--st-closed)" />
          </svg>
          {whose === null ? t`too cold, damp or wet to coat` : t`not suitable for ${whose}`}
        </span>
      )}
      {filled && (
        <span className="inline-flex items-center gap-1">
          <svg width="22" height="9" aria-hidden="true">
            <rect width="22" height="9" fill="url(#st-hidden)" stroke="var(--st-hidden)" />
          </svg>
          {t`interpolated`}
        </span>
      )}
      <span>
        {t`shaded band: 90 % of forecasts`}
        {simulated && t`; simulated weather`}
      </span>
    </p>
  );
}
