import type { ReactNode } from 'react';
import type { BenchView } from '../../contract/index.ts';
import type { Site } from '../../core/air/index.ts';
import type { InsideAsked } from '../api/benchQueries.ts';
import { RestsOn } from '../parts/RestsOn.tsx';
import { HoursAhead } from './HoursAhead.tsx';
import { LeaveBare } from './LeaveBare.tsx';
import { LookAhead } from './LookAhead.tsx';
import { OtherPlaces } from './OtherPlaces.tsx';

/** The rest of the step Ready, below the verdict on a coat: the hours ahead, a tent or heat compared, masking. */
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
      <HoursAhead view={view} zone={zone} site={site} />
      {outlook && (
        <>
          <OtherPlaces outlook={outlook} now={now} zone={zone} inside={inside} onInside={onInside} />
          <LookAhead areaId={view.area.id} zone={zone} now={now} safeHours={safeHours} />
        </>
      )}
      <RestsOn productId={product.id} sheet={product.sheet} figures={['conditions']} />
      <LeaveBare view={view} zone={zone} />
      {children}
    </>
  );
}
