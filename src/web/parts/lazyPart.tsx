import { type ComponentType, lazy } from 'react';

/** Waits between attempts to fetch a part, ms: about two minutes in all, and never long once the server is back. */
const AGAIN_AFTER_MS = [1000, ...Array.from({ length: 40 }, () => 3000)];

/**
 * A part of a screen that is fetched after it. One that cannot be fetched, with the server away just then, is asked for again
 * and takes nothing else of the screen down with it.
 */
export function lazyPart<Props extends object>(load: () => Promise<ComponentType<Props>>) {
  return lazy(async (): Promise<{ default: ComponentType<Props> }> => {
    for (const wait of AGAIN_AFTER_MS) {
      try {
        return { default: await load() };
      } catch {
        await new Promise((resolve) => setTimeout(resolve, wait));
      }
    }
    return load().then(
      (part) => ({ default: part }),
      () => ({ default: NotFetched }),
    );
  });
}

function NotFetched() {
  return (
    <p role="alert" className="p-2 text-sm">
      This part of the screen could not be fetched.{' '}
      <button type="button" className="link" onClick={() => window.location.reload()}>
        Load the page again
      </button>
    </p>
  );
}
