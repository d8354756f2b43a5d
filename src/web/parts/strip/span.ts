import { useSyncExternalStore } from 'react';

const HOUR = 3_600_000;
/** From an hour to a season. */
const SHORTEST_MS = HOUR;
const LONGEST_MS = 120 * 24 * HOUR;

/** The stretch of time that a strip shows, ms. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** What a strip shows now, listener to every lane of it without its page being drawn again. */
export interface SpanStore {
  get: () => Span;
  subscribe: (listener: () => void) => () => void;
  /** The period shown until somebody moves it, and after {@link reset}; it moves along with the time. */
  setHome: (home: Span) => void;
  home: () => Span;
  show: (span: Span) => void;
  /** Zooms about the middle; more than 1: closer. */
  zoom: (times: number) => void;
  /** Pans by a share of what is seen; positive: later. */
  pan: (share: number) => void;
  reset: () => void;
}

/** No shorter than an hour, no longer than a season, about the same middle. */
function clamped({ from, to }: Span): Span {
  const length = Math.min(LONGEST_MS, Math.max(SHORTEST_MS, to - from));
  if (length === to - from) return { from, to };
  const middle = (from + to) / 2;
  return { from: middle - length / 2, to: middle + length / 2 };
}

/** A strip's stretch of time, at home at first. */
export function createSpan(first: Span): SpanStore {
  let [home, span] = [first, first];
  const listeners = new Set<() => void>();
  const put = (next: Span) => {
    if (next.from === span.from && next.to === span.to) return;
    span = next;
    for (const listener of listeners) listener();
  };
  const store: SpanStore = {
    get: () => span,
    home: () => home,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    setHome: (next) => {
      const atHome = span === home;
      home = next;
      if (!atHome) return;
      put(home);
      span = home;
    },
    show: (next) => put(clamped(next)),
    zoom: (times) => {
      const [middle, half] = [(span.from + span.to) / 2, (span.to - span.from) / 2 / times];
      put(clamped({ from: middle - half, to: middle + half }));
    },
    pan: (share) => {
      const by = share * (span.to - span.from);
      put({ from: span.from + by, to: span.to + by });
    },
    reset: () => {
      put(home);
      span = home;
    },
  };
  return store;
}

export const useSpan = (store: SpanStore): Span => useSyncExternalStore(store.subscribe, store.get);
