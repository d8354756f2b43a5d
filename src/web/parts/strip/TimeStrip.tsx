import type { Site } from '../../../core/air/index.ts';
import { t } from '../../../words.ts';
import { STATES } from '../../state/states.ts';
import { AirPanel } from './AirPanel.tsx';
import { AxisHead } from './AxisHead.tsx';
import type { Lane } from './lanes.ts';
import { SpanButtons } from './SpanButtons.tsx';
import { StripLane } from './StripLane.tsx';
import { StripTools } from './StripTools.tsx';
import type { Span } from './span.ts';
import { useStripSpan } from './useStripSpan.ts';

interface Props {
  title: string;
  areaId: string;
  lanes: readonly Lane[];
  /** The period shown at first. */
  home: Span;
  zone: string;
  site: Site;
  height?: number;
  /** Below this the film's clock stands. */
  stopC?: number | undefined;
}

/** The time-strip of an area: its air, surface and dew point above the lanes of its films, all on one axis. */
export function TimeStrip({ title, areaId, lanes, home, zone, site, height = 200, stopC }: Props) {
  const store = useStripSpan(home);
  return (
    <div className="space-y-1">
      <div className="no-print flex flex-wrap items-center justify-between gap-2">
        <SpanButtons store={store} />
      </div>
      <AirPanel areaId={areaId} store={store} zone={zone} site={site} height={height} stopC={stopC} />
      <AxisHead store={store} zone={zone} />
      {lanes.map(({ key, name, segments }) => (
        <div key={key}>
          {lanes.length > 1 && <p className="text-sm">{name}</p>}
          <StripLane
            segments={segments}
            store={store}
            site={site}
            height={30}
            label={`${name}: ${segments.map((s) => STATES[s.state].word).join(', then ') || t`nothing curing`}`}
          />
        </div>
      ))}
      <StripTools title={title} lanes={lanes} areaId={areaId} store={store} zone={zone} site={site} />
    </div>
  );
}
