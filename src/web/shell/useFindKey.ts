import { useEffect } from 'react';

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** One key opens the search: "/" where nothing is typed, Ctrl or ⌘ with K anywhere. */
export function useFindKey(open: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const slash =
        event.key === '/' && !isTyping(event.target) && !event.ctrlKey && !event.metaKey && !event.altKey;
      const chord = event.key.toLowerCase() === 'k' && (event.ctrlKey || event.metaKey);
      if (!slash && !chord) return;
      event.preventDefault();
      open();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}
