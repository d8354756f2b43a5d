import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { EntryInput } from '../../contract/index.ts';

const note = (id: string): EntryInput => ({
  id,
  areaId: 'area',
  at: '2026-05-14T12:00:00Z',
  corrects: null,
  kind: 'note',
  body: { text: id },
});

/** A browser's storage, and a server that answers as the test says. */
const store = new Map<string, string>();
let answer: (body: EntryInput) => Response | Promise<Response>;
const json = (status: number, body: object) => new Response(JSON.stringify(body), { status });
const kept = () =>
  (JSON.parse(store.get('jack-plane.outbox') ?? '[]') as { entry: EntryInput }[]).map((w) => w.entry.id);

beforeEach(() => {
  store.clear();
  vi.resetModules();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => store.set(key, value),
  });
  vi.stubGlobal('fetch', (_url: string, init: { body: string }) =>
    Promise.resolve(answer(JSON.parse(init.body) as EntryInput)),
  );
});
afterEach(() => vi.unstubAllGlobals());
const outbox = () => import('./outbox.ts');
const down = () => Promise.reject(new TypeError('connection refused'));

describe('entries on their way to the server', () => {
  it('arrive, and are then no longer kept', async () => {
    const { logEntry } = await outbox();
    answer = (entry) => json(201, entry);
    expect(await logEntry(note('one'))).toBe('arrived');
    expect(kept()).toEqual([]);
  });

  it('wait on the device while the server is down, through a reload, and arrive in order once it is up', async () => {
    answer = down;
    const before = await outbox();
    expect(await before.logEntry(note('one'))).toBe('kept');
    expect(await before.logEntry(note('two'))).toBe('kept');
    expect(kept()).toEqual(['one', 'two']);
    vi.resetModules(); // the page is loaded again
    const after = await outbox();
    const arrived: string[] = [];
    answer = (entry) => {
      arrived.push(entry.id);
      return json(201, entry);
    };
    await after.flushOutbox();
    expect(arrived).toEqual(['one', 'two']);
    expect(kept()).toEqual([]);
  });

  it('a refusal is told to the form and not kept: the form still has it', async () => {
    const { logEntry } = await outbox();
    answer = () => json(422, { title: 'Not accepted', status: 422, detail: 'litres -1', type: '' });
    await expect(logEntry(note('bad'))).rejects.toMatchObject({ name: 'ApiProblem', message: 'litres -1' });
    expect(kept()).toEqual([]);
  });

  it('one refused later stays, with its reason, and does not hold up the others', async () => {
    const { logEntry, flushOutbox, throwAway } = await outbox();
    answer = down;
    await logEntry(note('bad'));
    await logEntry(note('good'));
    answer = (entry) =>
      entry.id === 'bad'
        ? json(409, { title: 'Corrected', status: 409, detail: 'corrected meanwhile', type: '' })
        : json(201, entry);
    await flushOutbox();
    expect(kept()).toEqual(['bad']);
    throwAway('bad');
    expect(kept()).toEqual([]);
  });

  it('a fault of the server’s own is tried again, not taken for a refusal', async () => {
    const { logEntry, flushOutbox } = await outbox();
    answer = () => json(500, { title: 'Server error', status: 500, detail: 'mended soon', type: '' });
    expect(await logEntry(note('one'))).toBe('kept');
    answer = (entry) => json(200, entry);
    await flushOutbox();
    expect(kept()).toEqual([]);
  });
});
