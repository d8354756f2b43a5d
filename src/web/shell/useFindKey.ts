import { type RefObject, useEffect } from 'react';

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Letters typed before the search is there to take them; null while nobody waits for it. */
export type TypedEarly = RefObject<string | null>;

/**
 * One key opens the search: "/" where nothing is typed, Ctrl or ⌘ with K anywhere. What is typed before its field has the
 * focus is kept for it.
 */
export function useFindKey(open: () => void, early: TypedEarly): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { key } = event;
      const plain = !event.ctrlKey && !event.metaKey && !event.altKey && !isTyping(event.target);
      if (early.current !== null && plain && (key.length === 1 || key === 'Backspace')) {
        event.preventDefault();
        early.current = key === 'Backspace' ? early.current.slice(0, -1) : early.current + key;
        return;
      }
      const chord = key.toLowerCase() === 'k' && (event.ctrlKey || event.metaKey);
      if (!(plain && key === '/') && !chord) return;
      event.preventDefault();
      open();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [open, early]);
}
