import { useState } from 'react';
import type { Site } from '../../../core/air/index.ts';
import { fromCanonical, shownUnit, unitDef } from '../../../core/units/index.ts';
import { t } from '../../../words.ts';
import { useMinute } from '../../clock/now.ts';
import { clockText, dayText, fieldText, monthText, wallOf } from '../../clock/wallClock.ts';
import { useUnits } from '../../units/UnitsContext.tsx';
import type { Lane } from './lanes.ts';
import { StripTable } from './StripTable.tsx';
import { saveStrip } from './saveStrip.tsx';
import { type SpanStore, useSpan } from './span.ts';
import { useStripAir } from './useStripAir.ts';

interface Props {
  title: string;
  lanes: readonly Lane[];
  areaId: string | null;
  store: SpanStore;
  zone: string;
  site: Site;
}

/** A strip taken away as a file, or read as a table. */
export function StripTools({ title, lanes, areaId, store, zone, site }: Props) {
  const now = useMinute();
  const { system } = useUnits();
  const span = useSpan(store);
  const { data: air } = useStripAir(areaId, store, now);
  const [table, setTable] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const unit = shownUnit('temperature', system);
  const day = (ms: number) => {
    const wall = wallOf(ms, zone);
    return `${dayText(wall)} ${wall.day} ${monthText(wall)} ${wall.year}, ${clockText(wall)}`;
  };
  const save = async (kind: 'svg' | 'png') => {
    try {
      await saveStrip(kind, `${title} ${fieldText(wallOf(now, zone)).replace('T', ' ').replace(':', '')}`, {
        title,
        subtitle: t`${day(span.from)} – ${day(span.to)}, as of ${day(now)}${air?.simulated ? t`; simulated weather` : ''}`,
        lanes,
        air,
        span,
        now,
        zone,
        site,
        shown: (celsius) => fromCanonical(celsius, unit),
        symbol: unitDef(unit).symbol,
      });
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <div className="no-print space-y-2">
      <div className="flex flex-wrap gap-1">
        <button
          type="button"
          className="btn btn-ghost btn-sm max-md:min-h-12"
          aria-expanded={table}
          onClick={() => setTable(!table)}
        >{t`Show table`}</button>
        <button
          type="button"
          className="btn btn-ghost btn-sm max-md:min-h-12"
          onClick={() => void save('svg')}
        >{t`Export SVG`}</button>
        <button
          type="button"
          className="btn btn-ghost btn-sm max-md:min-h-12"
          onClick={() => void save('png')}
        >{t`Export PNG`}</button>
      </div>
      {problem && <p role="alert">{problem}</p>}
      {table && <StripTable lanes={lanes} areaId={areaId} store={store} zone={zone} />}
    </div>
  );
}
