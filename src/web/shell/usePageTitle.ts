import { useEffect } from 'react';
import { useMatches } from 'react-router';
import type { BoardView } from '../../contract/index.ts';
import { t } from '../../words.ts';

/** What a route is called: "Survey"; `own` where its page sets more itself. */
export interface RouteHandle {
  title: string;
}

/** Every page has its own title: the place, the area and the boat it is of. "Systems, Topsides port, Grey Phalarope". */
export function usePageTitle(boats: BoardView['boats'] | undefined): void {
  const matches = useMatches();
  const last = matches.at(-1);
  const place = (last?.handle as RouteHandle | undefined)?.title ?? t`Page not found`;
  const { boatId, areaId } = last?.params ?? {};
  const boat = boats?.find((each) => each.id === boatId || each.areas.some((area) => area.areaId === areaId));
  const area = boat?.areas.find((each) => each.areaId === areaId);
  const title = [place, area?.areaName, boat?.name].filter(Boolean).join(', ');
  useEffect(() => {
    document.title = t`${title} · Jack Plane`;
  }, [title]);
}
