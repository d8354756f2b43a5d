import { useSyncExternalStore } from 'react';

/** One ticking clock for the whole page, a second at a time, so that all countdowns turn over together. */
const listeners = new Set<() => void>();
let tick = Date.now();
let timer: ReturnType<typeof setInterval> | undefined;

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  timer ??= setInterval(() => {
    tick = Date.now();
    for (const each of listeners) each();
  }, 1000);
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0) {
      clearInterval(timer);
      timer = undefined;
    }
  };
}

/** The present moment, ms; the component renders again each second. */
export function useNow(): number {
  return useSyncExternalStore(subscribe, () => {
    if (!timer) tick = Date.now();
    return tick;
  });
}

/** The present moment to the minute: for drawings that need not be redrawn every second. */
export function useMinute(): number {
  return useSyncExternalStore(subscribe, () => Math.floor((timer ? tick : Date.now()) / 60_000) * 60_000);
}
