import { useEffect, useRef } from 'react';

/** What on the page has been typed and not saved, a key for each form. */
const unsaved = new Set<object>();

export const anyUnsaved = (): boolean => unsaved.size > 0;

/** Says of a form that something typed in it is not saved yet: who would leave the page is asked first. */
export function useUnsaved(is: boolean): void {
  const key = useRef({});
  useEffect(() => {
    if (!is) return;
    const form = key.current;
    unsaved.add(form);
    return () => {
      unsaved.delete(form);
    };
  }, [is]);
}

/** Goes elsewhere unasked: what was typed was of something that has just been removed. */
export function unasked(go: () => void): void {
  unsaved.clear();
  go();
}
