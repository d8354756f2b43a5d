import { useEffect, useRef, useSyncExternalStore } from 'react';

/** What on the page has been typed and not saved, a key for each form; and who wants to hear of it. */
const unsaved = new Set<object>();
const listeners = new Set<() => void>();
const emit = () => {
  for (const listener of listeners) listener();
};

export const anyUnsaved = (): boolean => unsaved.size > 0;

/** Whether anything on the page is typed and not saved, for what stands beside a form. */
export const useAnyUnsaved = (): boolean =>
  useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, anyUnsaved);

/** Says of a form that something typed in it is not saved yet: who would leave the page is asked first. */
export function useUnsaved(is: boolean): void {
  const key = useRef({});
  useEffect(() => {
    if (!is) return;
    const form = key.current;
    unsaved.add(form);
    emit();
    return () => {
      unsaved.delete(form);
      emit();
    };
  }, [is]);
}

/** Goes elsewhere discardUnsaved: what was typed was of something that has just been removed. */
export function discardUnsaved(go: () => void): void {
  unsaved.clear();
  emit();
  go();
}
