import { Suspense } from 'react';
import type { BenchView } from '../../contract/index.ts';
import type { Site } from '../../core/air/index.ts';
import { t } from '../../words.ts';
import { useMinute } from '../clock/now.ts';
import { lazyPart } from '../parts/lazyPart.tsx';
import { aroundNow } from '../parts/strip/useStripSpan.ts';
import { ComingHours } from './ComingHours.tsx';

const TimeStrip = lazyPart(async () => (await import('../parts/strip/TimeStrip.tsx')).TimeStrip);

/** The weather of the coming hours, hour by hour and drawn, with what it does to the coat in hand. */
export function HoursAhead({ view, zone, site }: { view: BenchView; zone: string; site: Site }) {
  const now = useMinute();
  return (
    <section aria-labelledby="hours-ahead" className="space-y-3">
      <h2 id="hours-ahead" className="batten pb-1 text-lg">{t`Hours ahead`}</h2>
      <ComingHours hours={view.hours} zone={zone} />
      <Suspense fallback={<p className="h-56 p-4">{t`Loading chart…`}</p>}>
        <TimeStrip
          title={`${view.area.name}, ${view.boat.name}`}
          areaId={view.area.id}
          lanes={
            view.clock.segments.length > 0
              ? [{ key: view.area.id, name: view.area.name, segments: view.clock.segments }]
              : []
          }
          home={aroundNow(now)}
          zone={zone}
          site={site}
          height={130}
        />
      </Suspense>
    </section>
  );
}
