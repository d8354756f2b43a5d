import { type RefObject, useEffect } from 'react';
import type { SpanStore } from './span.ts';

/**
 * Wheel, pinch and drag on a strip zoom and pan it. Where the page would be scrolled by the wheel, `wheelFree` says whether
 * this element can use it without Ctrl.
 */
export function useSpanGestures(
  box: RefObject<HTMLElement | null>,
  store: SpanStore,
  { wheelFree }: { wheelFree: boolean },
): void {
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let gone = false;
    let detach = () => {};
    // Fetched after the first paint: nobody zooms before he has read.
    Promise.all([import('d3-zoom'), import('d3-selection')])
      .then(([{ zoom, zoomIdentity }, { select }]) => {
        if (gone) return;
        const width = () => Math.max(1, element.clientWidth);
        const base = store.home();
        const length = base.to - base.from;
        let frame = 0;
        const behaviour = zoom<HTMLElement, unknown>()
          .filter((event: MouseEvent) =>
            event.type === 'wheel' ? wheelFree || event.ctrlKey : !event.ctrlKey && !event.button,
          )
          .on('zoom', ({ transform: { k, x }, sourceEvent }) => {
            if (!sourceEvent) return;
            // A frame is drawn once, however many events it holds.
            cancelAnimationFrame(frame);
            frame = requestAnimationFrame(() => {
              const from = base.from - (x / width() / k) * length;
              store.show({ from, to: from + length / k });
            });
          });
        const zoomed = select(element).call(behaviour);
        // What buttons did since is where a gesture begins.
        const begin = () => {
          const { from, to } = store.get();
          const k = length / (to - from);
          const x = -k * ((from - base.from) / length) * width();
          zoomed.property('__zoom', zoomIdentity.translate(x, 0).scale(k));
        };
        const begins = ['mousedown', 'pointerdown', 'touchstart', 'wheel'] as const;
        for (const event of begins) element.addEventListener(event, begin, { capture: true, passive: true });
        detach = () => {
          cancelAnimationFrame(frame);
          zoomed.on('.zoom', null);
          for (const event of begins) element.removeEventListener(event, begin, { capture: true });
        };
      })
      .catch(() => {}); // without it the buttons still do
    return () => {
      gone = true;
      detach();
    };
  }, [box, store, wheelFree]);
}
