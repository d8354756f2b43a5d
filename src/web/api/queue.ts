import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { useSyncExternalStore } from 'react';
import type { Problem } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { ApiProblem, api, type WriteRequest } from './client.ts';
import { exclusively } from './exclusively.ts';

/**
 * Writes on their way to the server, one queue for all tabs of this browser. Each is kept on the device first and sent,
 * in order, until the server has it, so a dropped connection loses nothing; ids made here make sending it twice harmless.
 * One that the server refuses stays, with the reason, until somebody decides.
 */
export interface Waiting extends WriteRequest {
  /** Its place in the queue. */
  seq: number;
  /** Its name: “coat”, “finding deletion”. */
  what: string;
  refused: Problem | null;
  /** How often the server failed on it by a fault of its own. */
  faults?: number;
}

/** Something kept on this device that could not be read. */
export interface SetAside {
  seq: number;
  text: string;
}

interface Schema extends DBSchema {
  writes: { key: number; value: Omit<Waiting, 'seq'> & { seq?: number } };
  aside: { key: number; value: { seq?: number; text: string } };
}

const NAME = 'jack-plane';
const LOCK = 'jack-plane.queue';
const RETRY_MS = 4000;
/** After so many faults of the server over one write somebody has to decide about it. */
const MOST_FAULTS = 3;
/** Where earlier versions kept what waited. */
const OLD_ENTRIES = 'jack-plane.outbox';
const OLD_MARKS = 'jack-plane.marks.';

let db: Promise<IDBPDatabase<Schema>> | null = null;
let waiting: readonly Waiting[] = [];
let aside: readonly SetAside[] = [];
/** Why nothing can be kept on this device; null: it can. */
let broken: string | null = null;
const listeners = new Set<() => void>();
const news = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(LOCK);

const store = () => {
  db ??= opened().catch((error) => {
    // A store that failed to open is opened again by the next caller.
    db = null;
    throw error;
  });
  return db;
};

const opened = () =>
  openDB<Schema>(NAME, 1, {
    upgrade: (fresh) => {
      fresh.createObjectStore('writes', { keyPath: 'seq', autoIncrement: true });
      fresh.createObjectStore('aside', { keyPath: 'seq', autoIncrement: true });
    },
  });

/** Whether what lies in the store is a write of ours: a device may hold anything. */
function isWaiting(value: unknown): value is Waiting {
  const { seq, what, method, path, refused } = (value ?? {}) as Record<string, unknown>;
  return (
    typeof seq === 'number' &&
    typeof what === 'string' &&
    (method === 'POST' || method === 'PUT' || method === 'DELETE') &&
    typeof path === 'string' &&
    path.startsWith('/') &&
    (refused === null || (typeof refused === 'object' && 'detail' in (refused as object)))
  );
}

/** Reads the queue again. Entries that can’t be read are set aside, never sent and never in the way. */
async function refresh(): Promise<void> {
  const kept = await store();
  const found: unknown[] = await kept.getAll('writes');
  const good = found.filter(isWaiting);
  if (good.length < found.length) {
    const change = kept.transaction(['writes', 'aside'], 'readwrite');
    for (const [i, key] of (await change.objectStore('writes').getAllKeys()).entries()) {
      if (isWaiting(found[i])) continue;
      await change.objectStore('aside').add({ text: JSON.stringify(found[i]) });
      await change.objectStore('writes').delete(key);
    }
    await change.done;
  }
  waiting = good;
  aside = (await kept.getAll('aside')) as SetAside[];
  for (const listener of listeners) listener();
}

async function changed(): Promise<void> {
  await refresh();
  news?.postMessage('changed');
}

/** Takes over what an earlier version kept. */
async function takeOldOver(): Promise<void> {
  const kept = await store();
  const keys = Object.keys(localStorage).filter((key) => key === OLD_ENTRIES || key.startsWith(OLD_MARKS));
  for (const key of keys) {
    const text = localStorage.getItem(key) ?? '';
    try {
      const list = JSON.parse(text) as unknown[];
      if (!Array.isArray(list)) throw new TypeError('no list');
      const writes =
        key === OLD_ENTRIES
          ? (list as { entry: object }[]).map(({ entry }) => ({
              path: '/log',
              body: entry,
              what: t`a log entry`,
            }))
          : [
              {
                path: `/boats/${key.slice(OLD_MARKS.length)}/made-marks`,
                body: { marks: list },
                what: 'marks',
              },
            ];
      for (const write of writes) await kept.add('writes', { method: 'POST', ...write, refused: null });
    } catch {
      await kept.add('aside', { text });
    }
    localStorage.removeItem(key);
  }
}

/** Sends one write. False: the server can’t take writes now, so sending stops. */
async function sendOne({ seq, method, path, body }: Waiting): Promise<boolean> {
  const kept = await store();
  try {
    await api(method, path, body);
    await kept.delete('writes', seq);
  } catch (error) {
    // A server that is away or full is waited for; a refusal would only be repeated.
    if (!(error instanceof ApiProblem)) return false;
    const { problem } = error;
    const isFault = problem.status === 500;
    if (problem.status > 500) return false;
    const item = await kept.get('writes', seq);
    if (item) {
      const faults = (item.faults ?? 0) + (isFault ? 1 : 0);
      const stuck = isFault && faults >= MOST_FAULTS;
      await kept.put('writes', { ...item, faults, refused: isFault && !stuck ? null : problem });
      // One entry on which the server fails does not hold up the rest for good.
      if (isFault && !stuck) return false;
    }
  }
  await changed();
  return true;
}

/** Sends what waits, in order; one tab at a time. */
export function flushQueue(): Promise<void> {
  return exclusively(LOCK, async () => {
    for (;;) {
      await refresh();
      const next = waiting.find(({ refused }) => refused === null);
      if (!next || !(await sendOne(next))) return;
    }
  });
}

/**
 * Keeps a write and tries to send it now.
 *
 * @param write.what what it is, in words
 * @returns `arrived`, or `kept` when the server could not be reached and it waits on this device
 * @throws {ApiProblem} when the server refuses it; it is then not kept, since its form still is
 */
export async function send(write: WriteRequest & { what: string }): Promise<'arrived' | 'kept'> {
  if (broken !== null) {
    await api(write.method, write.path, write.body);
    return 'arrived';
  }
  const kept = await store();
  const seq = await kept.add('writes', { ...write, refused: null });
  await changed();
  await flushQueue();
  const left = await kept.get('writes', seq);
  if (!left) return 'arrived';
  if (!left.refused) return 'kept';
  await throwAway(seq);
  throw new ApiProblem(left.refused);
}

export async function throwAway(seq: number): Promise<void> {
  await (await store()).delete('writes', seq);
  await changed();
}

/**
 * Sends a refused write once more.
 *
 * @param body what it is to hold now; left out: as it was
 */
export async function tryAgain(seq: number, body?: unknown): Promise<void> {
  const kept = await store();
  const item = await kept.get('writes', seq);
  if (item)
    await kept.put('writes', { ...item, ...(body !== undefined && { body }), refused: null, faults: 0 });
  await changed();
  await flushQueue();
}

/** Forgets what was set aside, once somebody has seen it. */
export async function forgetAside(): Promise<void> {
  await (await store()).clear('aside');
  await changed();
}

/** Starts sending whenever there is hope of arriving. Returns how to stop. */
export function startQueue(): () => void {
  const report = (error: unknown) => {
    broken = error === null ? null : (error as Error).message;
    for (const listener of listeners) listener();
  };
  const begin = () =>
    takeOldOver()
      .then(refresh)
      .then(() => {
        if (broken !== null) report(null);
      });
  const again = () => {
    if (broken !== null) void begin().catch(report);
    else if (waiting.some(({ refused }) => refused === null)) void flushQueue();
  };
  const heard = () => void refresh();
  news?.addEventListener('message', heard);
  const timer = setInterval(again, RETRY_MS);
  window.addEventListener('online', again);
  begin().then(again).catch(report);
  return () => {
    clearInterval(timer);
    news?.removeEventListener('message', heard);
    window.removeEventListener('online', again);
  };
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** The writes that have not arrived yet. */
export const useQueue = (): readonly Waiting[] => useSyncExternalStore(subscribe, () => waiting);
/** Data on this device that couldn’t be read. */
export const useSetAside = (): readonly SetAside[] => useSyncExternalStore(subscribe, () => aside);
/** Why this device keeps nothing for the server; null: it does. */
export const useQueueBroken = (): string | null => useSyncExternalStore(subscribe, () => broken);
