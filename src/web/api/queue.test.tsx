// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { beforeEach, describe, expect, it, vi } from 'vitest';

/** A browser's own storage, and a server that answers as the test says. */
let answer: (path: string, body: { id: string }) => Response | Promise<Response>;
const json = (status: number, body: object) => new Response(JSON.stringify(body), { status });
const down = () => Promise.reject(new TypeError('connection refused'));
const note = (id: string) => ({ method: 'POST' as const, path: '/log', body: { id }, what: 'note' });

/** A tab of its own: the module with nothing in memory, over the browser's storage. */
async function tab() {
  vi.resetModules();
  return import('./queue.ts');
}
const kept = async () => {
  const db = await openDB('jack-plane');
  const items = (await db.getAll('writes')) as { body: { id: string } }[];
  db.close();
  return items.map(({ body }) => body?.id);
};

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  localStorage.clear();
  vi.stubGlobal('fetch', (url: string, init: { body: string }) =>
    Promise.resolve(answer(url, JSON.parse(init.body ?? 'null') as { id: string })),
  );
});

describe('writes on their way to the server', () => {
  it('arrive, and are then no longer kept', async () => {
    const { send } = await tab();
    answer = (_, body) => json(201, body);
    expect(await send(note('one'))).toBe('arrived');
    expect(await kept()).toEqual([]);
  });

  it('of two tabs offline wait side by side, through a reload, and arrive once each, in order', async () => {
    answer = down;
    const [first, second] = [await tab(), await tab()];
    expect(await first.send(note('one'))).toBe('kept');
    expect(await second.send(note('two'))).toBe('kept');
    expect(await first.send(note('three'))).toBe('kept');
    expect(await kept()).toEqual(['one', 'two', 'three']);
    const arrived: string[] = [];
    answer = (_, body) => {
      arrived.push(body.id);
      return json(201, body);
    };
    await (await tab()).flushQueue();
    expect(arrived).toEqual(['one', 'two', 'three']);
    expect(await kept()).toEqual([]);
  });

  it('a refusal is told to the form and not kept: the form still has it', async () => {
    const { send } = await tab();
    answer = () => json(422, { title: 'Not accepted', status: 422, detail: 'litres -1', type: '' });
    await expect(send(note('bad'))).rejects.toMatchObject({ name: 'ApiProblem', message: 'litres -1' });
    expect(await kept()).toEqual([]);
  });

  it('one refused later stays with its reason, holds up nobody, and may be tried again', async () => {
    const queue = await tab();
    answer = down;
    for (const id of ['bad', 'good']) await queue.send(note(id));
    answer = (_, body) =>
      body.id === 'bad'
        ? json(409, { title: 'Corrected', status: 409, detail: 'corrected meanwhile', type: '' })
        : json(201, body);
    await queue.flushQueue();
    expect(await kept()).toEqual(['bad']);
    // Put right by hand it is sent as it is now.
    const sent: string[] = [];
    answer = (_, body) => {
      sent.push(body.id);
      return json(201, body);
    };
    const db = await openDB('jack-plane');
    const [seq] = await db.getAllKeys('writes');
    db.close();
    await queue.tryAgain(seq as number, { id: 'better' });
    expect([await kept(), sent]).toEqual([[], ['better']]);
  });

  it('a fault of the server’s own is tried again, not taken for a refusal', async () => {
    const { send, flushQueue } = await tab();
    answer = () => json(507, { title: 'Disk full', status: 507, detail: '0 B free', type: '' });
    expect(await send(note('one'))).toBe('kept');
    answer = (_, body) => json(200, body);
    await flushQueue();
    expect(await kept()).toEqual([]);
  });

  it('what cannot be read is set aside and neither sent nor in the way; what an earlier version kept is taken over', async () => {
    const { send } = await tab();
    answer = (_, body) => json(201, body);
    await send(note('first'));
    const db = await openDB('jack-plane');
    await db.add('writes', { method: 'EAT', path: 7, body: { id: 'junk' } });
    db.close();
    localStorage.setItem('jack-plane.outbox', JSON.stringify([{ entry: { id: 'old' }, refused: null }]));
    localStorage.setItem('jack-plane.marks.b', '{broken');
    const sent: string[] = [];
    answer = (_, body) => {
      sent.push(body.id);
      return json(201, body);
    };
    const again = await tab();
    const stop = again.startQueue();
    await vi.waitFor(async () => expect(await kept()).toEqual([]));
    stop();
    expect(sent).toEqual(['old']);
    const after = await openDB('jack-plane');
    expect(await after.count('aside')).toBe(2);
    after.close();
    expect(localStorage.length).toBe(0);
  });
});
