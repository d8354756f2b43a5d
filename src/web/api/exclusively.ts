const here = new Map<string, Promise<unknown>>();

/** Work that only one tab of this browser may do at a time; where there are no locks, one at a time in this one. */
export function exclusively<T>(name: string, work: () => Promise<T>): Promise<T> {
  if (typeof navigator !== 'undefined' && navigator.locks) {
    return navigator.locks.request(name, work) as Promise<T>;
  }
  const before = here.get(name) ?? Promise.resolve();
  const mine = before.then(work, work);
  here.set(
    name,
    mine.catch(() => {}),
  );
  return mine;
}
