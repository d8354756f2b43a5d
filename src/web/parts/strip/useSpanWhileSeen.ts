import { type RefObject, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { Span, SpanStore } from './span.ts';

const toNothing = () => () => {};

/** The span of a strip, for a lane of it: one that is scrolled out of sight is not drawn again until it is seen. */
export function useSpanWhileSeen(store: SpanStore, lane: RefObject<Element | null>): Span {
  const [seen, setSeen] = useState(true);
  const last = useRef(store.get());
  useEffect(() => {
    const element = lane.current;
    if (!element || !('IntersectionObserver' in window)) return;
    // A little beyond the edge, so that scrolling meets lanes already drawn.
    const watch = new IntersectionObserver((entries) => setSeen(entries.at(-1)?.isIntersecting ?? true), {
      rootMargin: '120px',
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [lane]);
  return useSyncExternalStore(seen ? store.subscribe : toNothing, () => {
    if (seen) last.current = store.get();
    return last.current;
  });
}
