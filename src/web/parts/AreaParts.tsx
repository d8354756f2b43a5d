import type { AreaClock, AreaPart } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { sayAt, sayTime } from '../clock/say.ts';
import { StateMark } from '../state/StateMark.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

/** A part of an area, with the time it was applied. */
function sayPart(part: AreaPart, zone: string, now: number): string {
  const when = part.from ? t`applied ${sayTime(part.from, zone, now)}` : null;
  if (part.what === 'rest') return when ? t`not covered yet, over the coat ${when}` : t`still bare`;
  return when ?? 'applied';
}

/** The parts of an area that stand differently, each with its own clock. */
export function AreaParts({
  clock,
  zone,
  now,
}: {
  clock: Pick<AreaClock, 'parts' | 'areaName'>;
  zone: string;
  now: number;
}) {
  const { show } = useUnits();
  if (clock.parts.length === 0) return null;
  return (
    <ul aria-label={t`Parts of ${clock.areaName}`} className="space-y-1 text-sm">
      {clock.parts.map((part) => (
        <li key={`${part.what} ${part.from}`} className="flex flex-wrap items-center gap-x-2">
          <StateMark state={part.state} />
          <span>
            {show(part.areaM2, 'area')} {sayPart(part, zone, now)}
            {part.until && t`, until ${sayAt(part.until, zone, now).replace(/^at /, '')}`}
          </span>
        </li>
      ))}
    </ul>
  );
}
