import { useSyncExternalStore } from 'react';

/** How far this device's clock is off the server's. Windows and pot lives are told by the device's. */

/** Less than this nobody notices, ms; an answer's own time on the way is in it. */
const WORTH_TELLING_MS = 3 * 60_000;

let offMs = 0;
const listeners = new Set<() => void>();

/** Hears the server's clock in an answer. */
export function noteServerClock(date: string | null): void {
  const server = date === null ? Number.NaN : Date.parse(date);
  if (Number.isNaN(server)) return;
  const off = Date.now() - server;
  const next = Math.abs(off) < WORTH_TELLING_MS ? 0 : off;
  // A change of seconds is no news.
  if (Math.abs(next - offMs) < WORTH_TELLING_MS && (next === 0) === (offMs === 0)) return;
  offMs = next;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** ms this device is ahead of the server, or behind it; 0: as good as together. */
export const useClockOff = (): number => useSyncExternalStore(subscribe, () => offMs);
