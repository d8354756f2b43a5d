import { useEffect, useRef } from 'react';
import { chime, showNotification } from '../state/chime.ts';

/** So long something is due before it is announced, ms: litres that are being typed pass through values that nobody means. */
const SETTLED_MS = 1500;

/**
 * Sounds, and notifies where the user allowed it, once something has become due. What was due when the page opened is on the
 * page already and stays silent.
 */
export function useAnnounced(isDue: boolean, notice: { title: string; text: string }): void {
  const isAnnounced = useRef(isDue);
  const latest = useRef(notice);
  latest.current = notice;
  useEffect(() => {
    if (!isDue) isAnnounced.current = false;
    if (isAnnounced.current || !isDue) return;
    const timer = setTimeout(() => {
      const { title, text } = latest.current;
      isAnnounced.current = true;
      chime();
      showNotification(title, text, title);
    }, SETTLED_MS);
    return () => clearTimeout(timer);
  }, [isDue]);
}
