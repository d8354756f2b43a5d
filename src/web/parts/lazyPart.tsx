import { type ComponentType, lazy } from 'react';
import { t } from '../../words.ts';
import { anyUnsaved } from '../state/unsaved.ts';

/** Waits between attempts to load a part, ms: about two minutes in all. */
const AGAIN_AFTER_MS = [1000, ...Array.from({ length: 40 }, () => 3000)];
/** The page is not reloaded a second time within this, ms. */
const RELOAD_AFTER_MS = 60_000;
const RELOADED = 'jack-plane.reloaded';

/** Whether the server answers at all. */
const answers = (): Promise<boolean> =>
  fetch('/api/v1/yard', { method: 'HEAD', cache: 'no-store' }).then(
    () => true,
    () => false,
  );

/** Reloads the page, unless that would lose something typed or has just been done. @returns whether the page reloads */
function reloads(): boolean {
  if (anyUnsaved()) return false;
  try {
    const last = Number(sessionStorage.getItem(RELOADED) ?? 0);
    if (Date.now() - last < RELOAD_AFTER_MS) return false;
    sessionStorage.setItem(RELOADED, String(Date.now()));
  } catch {
    // Without storage nothing says whether the page has just been reloaded.
    return false;
  }
  window.location.reload();
  return true;
}

/**
 * A part of a screen that is loaded after the screen. Where the server is away, the part is loaded once the server is back. Browsers keep
 * an import that failed (so does Chromium, measured): then the page is reloaded, or where something is unsaved the user is asked to.
 */
export function lazyPart<Props extends object>(load: () => Promise<ComponentType<Props>>) {
  const loaded = () => load().catch(() => null);
  return lazy(async (): Promise<{ default: ComponentType<Props> }> => {
    const first = await loaded();
    if (first) return { default: first };
    for (const wait of AGAIN_AFTER_MS) {
      await new Promise((resolve) => setTimeout(resolve, wait));
      if (!(await answers())) continue;
      const again = await loaded();
      if (again) return { default: again };
      return reloads() ? new Promise(() => {}) : { default: NotFetched };
    }
    return { default: NotFetched };
  });
}

function NotFetched() {
  return (
    <p role="alert" className="p-2 text-sm">
      {t`Couldn’t load this part of the page. `}
      <button
        type="button"
        className="link"
        onClick={() => window.location.reload()}
      >{t`Reload page`}</button>
    </p>
  );
}
