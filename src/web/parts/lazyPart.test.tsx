// @vitest-environment happy-dom
import { act, cleanup, render, screen } from '@testing-library/react';
import { Suspense } from 'react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { lazyPart } from './lazyPart.tsx';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

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

it('a part that could not be fetched is there within three seconds of the server being back', async () => {
  const load = away(8);
  await after(1000 + 6 * 3000);
  expect(screen.getByText('It comes')).toBeDefined();
  await after(3000);
  expect(screen.getByText('Here it is')).toBeDefined();
  expect(load).toHaveBeenCalledTimes(9);
});

it('after two minutes away it says so, with a way to load the page again, and stops asking', async () => {
  const load = away(1000);
  await after(130_000);
  expect(screen.getByRole('alert').textContent).toContain('could not be fetched');
  expect(screen.getByRole('button', { name: 'Load the page again' })).toBeDefined();
  const asked = load.mock.calls.length;
  await after(60_000);
  expect(load).toHaveBeenCalledTimes(asked);
});
