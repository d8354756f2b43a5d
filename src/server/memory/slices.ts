/** Longest stretch of work before others get their turn, ms. */
const SLICE_MS = 20;

/** Lets others that wait for the process have their turn. */
export const othersTurn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** Works through a long list without holding up what else the process has to answer. */
export async function inSlices<T, R>(items: readonly T[], work: (item: T) => R): Promise<R[]> {
  const done: R[] = [];
  let began = performance.now();
  for (const item of items) {
    done.push(work(item));
    if (performance.now() - began < SLICE_MS) continue;
    await othersTurn();
    began = performance.now();
  }
  return done;
}
