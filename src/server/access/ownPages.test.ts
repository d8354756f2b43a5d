import { request } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aBoat } from '../../../test/examples.ts';
import { yardServer } from '../../../test/yardServer.ts';
import type { Boat, Problem } from '../../contract/index.ts';

let server: Awaited<ReturnType<typeof yardServer>>;
beforeAll(async () => {
  server = await yardServer();
});
afterAll(() => server.stop());

/** A request with whatever headers a browser, or somebody pretending, would send. */
function ask(
  method: string,
  path: string,
  headers: Record<string, string>,
  body?: object,
): Promise<{ status: number; type: string; problem: Problem | undefined }> {
  return new Promise((resolve, reject) => {
    const sent = request(`${server.address}${path}`, {
      method,
      headers: { ...(body && { 'content-type': 'application/json' }), ...headers },
    });
    sent.on('response', (answer) => {
      let text = '';
      answer.on('data', (part: Buffer) => {
        text += part.toString();
        if (path.endsWith('/events')) answer.destroy();
      });
      answer.on('close', () => {
        const type = answer.headers['content-type'] ?? '';
        const problem = type.includes('problem') ? (JSON.parse(text) as Problem) : undefined;
        resolve({ status: answer.statusCode ?? 0, type, problem });
      });
    });
    sent.on('error', reject);
    sent.end(body && JSON.stringify(body));
  });
}
const own = () => new URL(server.address).host;
const BROWSER = { 'user-agent': 'Mozilla/5.0 (X11; Linux x86_64) Chrome/156' };
const boats = async () => (await server.ask<Boat[]>('GET', '/boats')).body.length;

describe('a page of strangers in the same browser', () => {
  it('that has its own name resolved to this machine is shut out: reading, writing and listening', async () => {
    const host = 'rebound.example:4870';
    for (const [method, path, body] of [
      ['GET', '/api/v1/boats', undefined],
      ['GET', '/', undefined],
      ['GET', '/api/v1/events', undefined],
      ['POST', '/api/v1/boats', aBoat()],
      ['DELETE', `/api/v1/boats/${aBoat().id}`, undefined],
    ] as const) {
      // Same origin as far as the browser knows, and older ones say nothing of the site.
      const answer = await ask(method, path, { ...BROWSER, host, origin: `http://${host}` }, body);
      expect([method, path, answer.status, answer.problem?.title]).toEqual([method, path, 403, 'Forbidden']);
    }
    expect(await boats()).toBe(0);
  });
  it.each([
    ['another site', { origin: 'http://evil.example' }],
    ['another port of this machine', { origin: 'http://127.0.0.1:9' }],
    ['a sandboxed frame', { origin: 'null' }],
    ['a site that the browser names', { 'sec-fetch-site': 'cross-site' }],
    ['a sister site', { 'sec-fetch-site': 'same-site' }],
    ['a browser that does not say', {}],
  ])('writes from %s are refused', async (_who, headers) => {
    const answer = await ask('POST', '/api/v1/boats', { ...BROWSER, ...headers } as never, aBoat());
    expect([answer.status, answer.type]).toEqual([403, expect.stringContaining('problem+json')]);
    expect(await boats()).toBe(0);
  });
  it('cannot listen to what changes either', async () => {
    for (const headers of [{ origin: 'http://evil.example' }, { 'sec-fetch-site': 'cross-site' }]) {
      expect((await ask('GET', '/api/v1/events', { ...BROWSER, ...headers } as never)).status).toBe(403);
    }
    // Nor hold connections open through a picture's address.
    expect((await ask('GET', '/api/v1/events', { accept: 'image/avif,image/*' })).status).toBe(406);
  });
  it('our own pages, and programs that are no browser, are served under every name of the loopback', async () => {
    const { port } = new URL(server.address);
    for (const host of [own(), `localhost:${port}`, `LOCALHOST:${port}`, `[::1]:${port}`]) {
      const origin = `http://${host}`;
      expect([
        host,
        (await ask('POST', '/api/v1/boats', { ...BROWSER, host, origin }, aBoat())).status,
      ]).toEqual([host, 201]);
    }
    expect((await ask('POST', '/api/v1/boats', {}, aBoat())).status).toBe(201);
    const page = { ...BROWSER, 'sec-fetch-site': 'same-origin', accept: 'text/event-stream' };
    expect((await ask('GET', '/api/v1/events', page)).status).toBe(200);
  });
});
