import { useLocation } from 'react-router';
import type { BoardView } from '../../contract/index.ts';

const KEY = 'jack-plane.boat';

/** The boat whose places are led to: the one in the address, itself or by an area of it, else the last one that was. */
export function useBoatInHand(boats: BoardView['boats'] | undefined): string | null {
  const { pathname } = useLocation();
  const areaId = /^\/(?:bench|window)\/([0-9a-f-]{36})/.exec(pathname)?.[1];
  const inAddress =
    /^\/boats\/([0-9a-f-]{36})\//.exec(pathname)?.[1] ??
    boats?.find(({ areas }) => areas.some((area) => area.areaId === areaId))?.id;
  if (inAddress) localStorage.setItem(KEY, inAddress);
  return inAddress ?? localStorage.getItem(KEY);
}
