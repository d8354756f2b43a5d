import { useEffect, useRef } from 'react';
import { chime, showNotification } from '../state/chime.ts';

/**
 * Sounds, and notifies where the user allowed it, at the moment when something becomes due. What was due when the page opened
 * is on the page already and stays silent.
 */
export function useAnnounced(isDue: boolean, { title, text }: { title: string; text: string }): void {
  const was = useRef(isDue);
  useEffect(() => {
    if (isDue && !was.current) {
      chime();
      showNotification(title, text, title);
    }
    was.current = isDue;
  }, [isDue, title, text]);
}
