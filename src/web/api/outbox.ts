import { useSyncExternalStore } from 'react';
import type { Entry, EntryInput, Problem } from '../../contract/index.ts';
import { ApiProblem, api } from './client.ts';

/**
 * Log entries on their way to the server. Each is kept on the device first and sent until the server has it, so a
 * dropped connection loses nothing; the entry's own id makes sending it twice harmless. One that the server
 * refuses stays, with the reason, until it is mended or thrown away.
 */
export interface Waiting {
  entry: EntryInput;
  refused: Problem | null;
}

const KEY = 'jack-plane.outbox';
const RETRY_MS = 4000;
const listeners = new Set<() => void>();
let waiting: Waiting[] = JSON.parse(localStorage.getItem(KEY) ?? '[]') as Waiting[];
let sending: Promise<void> | null = null;
let onArrived: () => void = () => {};

function keep(next: Waiting[]): void {
  waiting = next;
  localStorage.setItem(KEY, JSON.stringify(waiting));
  for (const listener of listeners) listener();
}

async function sendAll(): Promise<void> {
  for (const item of waiting.filter((w) => w.refused === null)) {
    try {
      await api<Entry>('POST', '/log', item.entry);
      keep(waiting.filter((w) => w.entry.id !== item.entry.id));
      onArrived();
    } catch (error) {
      if (!(error instanceof ApiProblem)) return;
      // A fault of the server's is tried again; a refusal would only be repeated.
      if (error.problem.status >= 500) return;
      keep(waiting.map((w) => (w.entry.id === item.entry.id ? { ...w, refused: error.problem } : w)));
    }
  }
}

/** Sends what waits; one run at a time. */
export function flushOutbox(): Promise<void> {
  sending ??= sendAll().finally(() => {
    sending = null;
  });
  return sending;
}

/** Starts sending whenever there is hope of arriving. `arrived` is called for each entry the server took. */
export function startOutbox(arrived: () => void): () => void {
  onArrived = arrived;
  const again = () => {
    if (waiting.some((w) => w.refused === null)) void flushOutbox();
  };
  const timer = setInterval(again, RETRY_MS);
  window.addEventListener('online', again);
  again();
  return () => {
    clearInterval(timer);
    window.removeEventListener('online', again);
  };
}

/**
 * Keeps an entry and tries to send it now.
 *
 * @returns `arrived`, or `kept` when the server could not be reached and the entry waits on this device
 * @throws {ApiProblem} when the server refuses it; it is then not kept, since its form still is
 */
export async function logEntry(entry: EntryInput): Promise<'arrived' | 'kept'> {
  keep([...waiting, { entry, refused: null }]);
  await flushOutbox();
  // A run that was already under way may have passed this entry by.
  if (waiting.some((w) => w.entry.id === entry.id && w.refused === null)) await flushOutbox();
  const left = waiting.find((w) => w.entry.id === entry.id);
  if (!left) return 'arrived';
  if (!left.refused) return 'kept';
  keep(waiting.filter((w) => w.entry.id !== entry.id));
  throw new ApiProblem(left.refused);
}

export function throwAway(id: string): void {
  keep(waiting.filter((w) => w.entry.id !== id));
}

/** The entries that have not arrived yet. */
export function useOutbox(): readonly Waiting[] {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => waiting,
  );
}
