import { useLocation } from 'react-router';

const KEY = 'jack-plane.boat';

/** The boat whose places the rail leads to: the one in the address, else the last one that was. */
export function useBoatInHand(): string | null {
  const { pathname } = useLocation();
  const inAddress = /^\/boats\/([0-9a-f-]{36})\//.exec(pathname)?.[1];
  if (inAddress) localStorage.setItem(KEY, inAddress);
  return inAddress ?? localStorage.getItem(KEY);
}
