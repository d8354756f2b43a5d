import { useSyncExternalStore } from 'react';

/** Something the person has to know and that has no place of its own on the page. */
export interface Notice {
  id: number;
  text: string;
}

let notices: readonly Notice[] = [];
let count = 0;
const listeners = new Set<() => void>();

function put(next: readonly Notice[]): void {
  notices = next;
  for (const listener of listeners) listener();
}

/** Tells something, and keeps telling it until it is closed. The same thing is told once. */
export function notify(text: string): void {
  if (notices.some((notice) => notice.text === text)) return;
  count += 1;
  put([...notices, { id: count, text }]);
}

export const closeNotice = (id: number): void => put(notices.filter((notice) => notice.id !== id));

export const useNotices = (): readonly Notice[] =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => notices,
  );
