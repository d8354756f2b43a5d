import { type RefObject, useEffect, useRef, useState } from 'react';

const HOUR = 3_600_000;
/** What is seen at first: the last half day, and two and a half days to come. */
const BACK_H = 12;
const AHEAD_H = 60;
const SPAN = (BACK_H + AHEAD_H) * HOUR;
/** From an hour to a season. */
const MOST_K = SPAN / HOUR;
const LEAST_K = SPAN / (120 * 24 * HOUR);

interface Zoomed {
  /** How many times as close as at first. */
  k: number;
  /** Where the first instant of the first view lies, in widths of the axis. */
  x: number;
}

export interface TimeSpan {
  from: number;
  to: number;
  /** The axis: wheel, pinch and drag on it zoom and pan. */
  axis: RefObject<HTMLDivElement | null>;
  /** Zooms about the middle. */
  zoom: (times: number) => void;
  /** Pans by a share of what is seen; positive: later. */
  pan: (share: number) => void;
  reset: () => void;
  moved: boolean;
}

const clampK = (k: number) => Math.min(MOST_K, Math.max(LEAST_K, k));

/** The stretch of time that a strip shows, moved by buttons and keys, and by wheel, pinch and drag on its axis. */
export function useTimeSpan(now: number): TimeSpan {
  const [{ k, x }, setZoomed] = useState<Zoomed>({ k: 1, x: 0 });
  const axis = useRef<HTMLDivElement | null>(null);
  const latest = useRef<Zoomed>({ k, x });
  latest.current = { k, x };
  useEffect(() => {
    const element = axis.current;
    if (!element) return;
    let gone = false;
    let detach = () => {};
    // Fetched after the first paint: nobody zooms before he has read.
    Promise.all([import('d3-zoom'), import('d3-selection')])
      .then(([{ zoom, zoomIdentity }, { select }]) => {
        if (gone) return;
        const width = () => Math.max(1, element.clientWidth);
        const behaviour = zoom<HTMLDivElement, unknown>()
          .scaleExtent([LEAST_K, MOST_K])
          .on('zoom', ({ transform, sourceEvent }) => {
            if (sourceEvent) setZoomed({ k: transform.k, x: transform.x / width() });
          });
        const axisOf = select(element).call(behaviour);
        // What buttons did since is where a gesture begins.
        const begin = () => {
          const { k: times, x: share } = latest.current;
          axisOf.property('__zoom', zoomIdentity.translate(share * width(), 0).scale(times));
        };
        for (const event of ['pointerdown', 'touchstart', 'wheel'] as const)
          element.addEventListener(event, begin, { capture: true, passive: true });
        detach = () => {
          axisOf.on('.zoom', null);
          for (const event of ['pointerdown', 'touchstart', 'wheel'] as const)
            element.removeEventListener(event, begin, { capture: true });
        };
      })
      .catch(() => {}); // without it the buttons still do
    return () => {
      gone = true;
      detach();
    };
  }, []);
  const first = now - BACK_H * HOUR;
  const from = first - (x / k) * SPAN;
  return {
    from,
    to: from + SPAN / k,
    axis,
    zoom: (times) =>
      setZoomed((was) => {
        const next = clampK(was.k * times);
        return { k: next, x: 0.5 - (0.5 - was.x) * (next / was.k) };
      }),
    pan: (share) => setZoomed((was) => ({ ...was, x: was.x - share })),
    reset: () => setZoomed({ k: 1, x: 0 }),
    moved: k !== 1 || x !== 0,
  };
}
