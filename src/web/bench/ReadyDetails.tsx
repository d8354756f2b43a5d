import type { ReactNode } from 'react';
import type { BenchView } from '../../contract/index.ts';
import type { Site } from '../../core/air/index.ts';
import { t } from '../../words.ts';
import type { InsideAsked } from '../api/benchQueries.ts';
import { RestsOn } from '../parts/RestsOn.tsx';
import { haveReady } from './cautions.ts';
import { HoursAhead } from './HoursAhead.tsx';
import { LeaveBare } from './LeaveBare.tsx';
import { LookAhead } from './LookAhead.tsx';
import { OtherPlaces } from './OtherPlaces.tsx';

/** The rest of the step Ready, below the verdict on a coat: protection, the hours ahead, a tent or heat compared, masking. */
export function ReadyDetails({
  view,
  zone,
  site,
  safeHours,
  inside,
  onInside,
  children,
}: {
  view: BenchView;
  zone: string;
  site: Site;
  safeHours: number | null;
  inside: InsideAsked;
  onInside: (inside: InsideAsked) => void;
  children: ReactNode;
}) {
  const { step, product, outlook } = view;
  if (!step || !product) return null;
  const now = Date.parse(view.now);
  return (
    <>
      <section aria-labelledby="have-ready" className="space-y-2">
        <h2 id="have-ready" className="batten pb-1 text-lg">{t`Before you open a tin`}</h2>
        <ul className="border-line space-y-1 border-l-4 pl-3">
          {haveReady(product.sheet.hazards, view.area, step.method).map((each) => (
            <li key={each}>{each}</li>
          ))}
          <li>{t`The product’s safety data sheet and local regulations come first.`}</li>
        </ul>
      </section>
      <HoursAhead view={view} zone={zone} site={site} />
      {outlook && (
        <>
          <OtherPlaces {...{ outlook, now, zone, inside, onInside }} currency={view.currency} />
          <LookAhead areaId={view.area.id} zone={zone} now={now} safeHours={safeHours} />
        </>
      )}
      <RestsOn productId={product.id} sheet={product.sheet} figures={['conditions']} />
      <LeaveBare view={view} zone={zone} />
      {children}
    </>
  );
}
