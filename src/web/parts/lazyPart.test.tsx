// @vitest-environment happy-dom
import { act, cleanup, render, screen } from '@testing-library/react';
import { Suspense } from 'react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { useUnsaved } from '../state/unsaved.ts';
import { lazyPart } from './lazyPart.tsx';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

function Typed() {
  useUnsaved(true);
  return null;
}

/** A part whose first fetches fail, and how often it was asked for. */
function away(times: number) {
  const load = vi.fn(async () => {
    if (load.mock.calls.length <= times) throw new TypeError('Failed to fetch dynamically imported module');
    return () => <p>Here it is</p>;
  });
  const Part = lazyPart(load);
  render(
    <Suspense fallback={<p>It comes</p>}>
      <Part />
    </Suspense>,
  );
  return load;
}
const after = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

/** A server that answers from its so-manieth request on. */
function serverBackAfter(times: number) {
  const asked = vi.fn(async () => {
    if (asked.mock.calls.length <= times) throw new TypeError('Failed to fetch');
    return new Response();
  });
  vi.stubGlobal('fetch', asked);
  return asked;
}

it('a part is loaded within three seconds of the server being back, and not asked for in vain before', async () => {
  serverBackAfter(6);
  const load = away(1);
  await after(1000 + 5 * 3000);
  expect(screen.getByText('It comes')).toBeDefined();
  expect(load).toHaveBeenCalledTimes(1);
  await after(3000);
  expect(screen.getByText('Here it is')).toBeDefined();
});

it('a browser that keeps the failed import gets the page anew, once; what is typed and not saved is not lost', async () => {
  const reload = vi.spyOn(window.location, 'reload').mockImplementation(() => undefined);
  sessionStorage.clear();
  serverBackAfter(0);
  away(1000);
  await after(1000);
  expect(reload).toHaveBeenCalledTimes(1);
  cleanup();
  // Reloaded a moment ago: said instead.
  away(1000);
  await after(1000);
  expect(reload).toHaveBeenCalledTimes(1);
  expect(screen.getByRole('alert').textContent).toContain('Couldn’t load this part');
  expect(screen.getByRole('button', { name: 'Reload page' })).toBeDefined();
  cleanup();
  sessionStorage.clear();
  const Part = lazyPart(async () => Promise.reject(new TypeError('gone')));
  render(
    <>
      <Typed />
      <Suspense fallback={<p>It comes</p>}>
        <Part />
      </Suspense>
    </>,
  );
  await after(2000);
  expect(reload).toHaveBeenCalledTimes(1);
});

it('after two minutes away it says so, with a way to reload the page, and stops asking', async () => {
  const asked = serverBackAfter(1000);
  away(1000);
  await after(130_000);
  expect(screen.getByRole('button', { name: 'Reload page' })).toBeDefined();
  const times = asked.mock.calls.length;
  await after(60_000);
  expect(asked).toHaveBeenCalledTimes(times);
});
