import type { PartSupply } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayAmount, sayPart } from '../words/supply.ts';

/** Height of a bar and of the gap between the two, px. */
const BAR = 14;
const GAP = 3;

/**
 * The need of one part above its stock, to one scale: likely in full, up to safe hatched. Below it the stock, what is kept back * for these areas, and orders in outline.
 */
export function NeedBar({ part, most }: { part: PartSupply; most: number }) {
  const { show } = useUnits();
  const amount = (value: number) => sayAmount(show, value, part.unit);
  const pct = (value: number) => `${(100 * Math.max(0, value)) / most}%`;
  const have = part.there + part.keptForThese;
  const texts = [
    t`${sayPart(part.part, part.colour)}: need ${amount(part.likely)}–${amount(part.safe)}`,
    t`in stock ${amount(part.there)}`,
    part.keptForThese > 0 && t`kept back for these areas ${amount(part.keptForThese)}`,
    part.ordered > 0 && t`on order ${amount(part.ordered)}`,
    part.unusable > 0 && t`${amount(part.unusable)} in stock that can’t be used as it is`,
    part.short > 0 ? t`${amount(part.short)} short` : t`enough`,
  ].filter(Boolean);
  return (
    <div className="space-y-1">
      <p className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="font-semibold">{sayPart(part.part, part.colour)}</span>
        <span className="tabular-nums">
          {t`Need ${amount(part.likely)}–${amount(part.safe)} · in stock ${amount(part.there)} `}
          {part.keptForThese > 0 && <>{t` · kept back ${amount(part.keptForThese)}`}</>}{' '}
          {part.ordered > 0 && <>{t` · on order ${amount(part.ordered)}`}</>}{' '}
          {part.unusable > 0 && <>{t` · can’t be used as it is ${amount(part.unusable)}`}</>} {' · '}
          {part.short > 0 ? (
            <strong className="text-error">{t`${amount(part.short)} short`}</strong>
          ) : (
            <strong className="text-success">{t`enough`}</strong>
          )}
        </span>
      </p>
      <svg width="100%" height={2 * BAR + GAP} role="img" aria-label={texts.join('; ')}>
        <defs>
          <pattern
            id="need-safe"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="2.5" height="6" fill="currentColor" />
          </pattern>
        </defs>
        <rect
          width={pct(part.safe)}
          height={BAR}
          fill="url(#need-safe)"
          stroke="currentColor"
          strokeWidth="1"
        />
        <rect width={pct(part.likely)} height={BAR} fill="currentColor" />
        <g transform={`translate(0 ${BAR + GAP})`}>
          <rect width={pct(have)} height={BAR} className="fill-secondary" />
          {part.ordered > 0 && (
            <rect
              x={pct(have)}
              width={pct(part.ordered)}
              height={BAR - 1}
              fill="none"
              className="stroke-secondary"
              strokeDasharray="4 3"
              strokeWidth="1.5"
            />
          )}
        </g>
        {/* Where the safe need ends, carried down to what is there. */}
        <line
          x1={pct(part.safe)}
          x2={pct(part.safe)}
          y1="0"
          y2={2 * BAR + GAP}
          stroke="currentColor"
          strokeWidth="1.5"
        />
      </svg>
    </div>
  );
}
