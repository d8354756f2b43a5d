import 'fake-indexeddb/auto';
import { request } from 'node:http';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, configure, render, screen, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterAll, afterEach, expect, inject, vi } from 'vitest';
import { makeQueryClient } from '../src/web/api/queryClient.ts';
import { startQueue } from '../src/web/api/queue.ts';
import { routes } from '../src/web/routes.tsx';
import { UnitsProvider } from '../src/web/units/UnitsContext.tsx';

/** Pages in a make-believe browser against a real server: what Chromium need not be started for. */

// A machine under load is slow, not wrong: what is waited for is waited for long.
configure({ asyncUtilTimeout: 60_000 });

const address = inject('webAddress');
(window as unknown as { happyDOM: { setURL(url: string): void } }).happyDOM.setURL(address);

/** The make-believe browser keeps answers that a real one would ask for again: requests go by Node's own client. */
const direct = ((input: RequestInfo | URL, init: RequestInit = {}) =>
  new Promise<Response>((resolve, reject) => {
    const sent = request(new URL(String(input), address), {
      method: init.method ?? 'GET',
      headers: (init.headers ?? {}) as Record<string, string>,
    });
    sent.on('response', (answer) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.on('end', () => {
        const status = answer.statusCode ?? 500;
        const headers = Object.entries(answer.headers).map(([key, value]): [string, string] => [
          key,
          String(value),
        ]);
        resolve(new Response(status === 204 ? null : Buffer.concat(parts).toString(), { status, headers }));
      });
    });
    sent.on('error', () => reject(new TypeError('fetch failed')));
    sent.end(init.body as string | undefined);
  })) as typeof fetch;

/** Longest time in milliseconds that a page's request, and its answer again, are held back (`npm run soak -- late`). */
const LATE = Number(process.env.LATE_ANSWERS ?? 0);
const held = () => new Promise((resolve) => setTimeout(resolve, LATE * (0.5 + Math.random() / 2)));
const late: typeof fetch = async (input, init) => {
  await held();
  const response = await direct(input, init);
  await held();
  return response;
};
globalThis.fetch = LATE ? late : direct;

let stopQueue = () => {};
afterEach(() => {
  stopQueue();
  cleanup();
});
// What a page has still under way ends before its browser is taken away.
afterAll(() => new Promise((resolve) => setTimeout(resolve, 50)));

/** A request past the page, as another device would make it. */
export async function ask<T>(method: string, path: string, body?: unknown): Promise<T> {
  const response = await direct(`${address}/api/v1${path}`, {
    method,
    ...(body === undefined
      ? {}
      : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  });
  const text = await response.text();
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${text}`);
  return (text ? JSON.parse(text) : undefined) as T;
}

/** Opens an address of the app. Answers with the hands of a user, and the news that something changed elsewhere. */
export async function openPage(path: string) {
  cleanup();
  const client = makeQueryClient({ retry: false });
  stopQueue();
  stopQueue = startQueue();
  const router = createMemoryRouter(routes, { initialEntries: [path] });
  const user = userEvent.setup();
  render(
    <QueryClientProvider client={client}>
      <UnitsProvider>
        <RouterProvider router={router} />
      </UnitsProvider>
    </QueryClientProvider>,
  );
  await screen.findByRole('heading', { level: 1 });
  return { user, router, news: () => client.invalidateQueries() };
}

/** Answers the question a page asks before it takes something away, once it has asked what is expected. */
export async function answer(
  user: ReturnType<typeof userEvent.setup>,
  question: RegExp,
  word: string,
): Promise<void> {
  const dialog = await screen.findByRole('alertdialog', { name: question });
  await user.click(within(dialog).getByRole('button', { name: word }));
  await waitFor(() => expect(screen.queryByRole('alertdialog')).toBeNull());
}

/** The server cannot be reached while `work` runs. */
export async function offline(work: () => Promise<void>): Promise<void> {
  const lost = vi.spyOn(globalThis, 'fetch').mockRejectedValue(new TypeError('fetch failed'));
  try {
    await work();
  } finally {
    lost.mockRestore();
  }
}
