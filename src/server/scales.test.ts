import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { NOON } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type { Problem, ScaleView } from '../contract/index.ts';

let now = NOON;
let server: Awaited<ReturnType<typeof yardServer>>;
beforeAll(async () => {
  server = await yardServer(() => now);
});
afterAll(() => server.stop());

/** As a scale sends: no page of ours. */
const put = (id: string, line: string, type = 'text/plain') =>
  fetch(`${server.address}/api/v1/scales/${id}`, {
    method: 'PUT',
    body: line,
    headers: { 'content-type': type },
  });
const shown = async (id: string) =>
  (await server.ask<ScaleView>('GET', `/scales/${id}`)).body.readings.map(({ grams }) => grams);

it('lines of a scale are read as on its serial port, each scale by itself, for a minute', async () => {
  const [one, other] = [uuidv7(), uuidv7()];
  expect(await shown(one)).toEqual([]);
  for (const [line, status] of [
    ['ST,GS,+  0.4500 kg\r\n', 204],
    ['450.2 g', 204],
    ['-1.0 g', 204],
  ] as const) {
    // biome-ignore format: one line
    now += 200;
    expect((await put(one, line)).status, line).toBe(status);
  }
  await put(other, '1 lb');
  expect(await shown(one)).toEqual([450, 450.2, -1]);
  expect(await shown(other)).toEqual([453.59237]);
  // Two lines in one moment: the later one counts.
  await put(one, '7 g');
  expect(await shown(one)).toEqual([450, 450.2, 7]);
  now += 60_000;
  expect(await shown(one)).toEqual([]);
});

it('a line without one clear weight is refused with what is expected, and what is no line is not read', async () => {
  const id = uuidv7();
  for (const line of ['settling', '1,450 g', '450', '']) {
    const answer = await put(id, line);
    expect([answer.status, ((await answer.json()) as Problem).errors?.[0]?.path], line).toEqual([
      422,
      'line',
    ]);
  }
  expect((await put(id, '{"grams":1}', 'application/json')).status).toBe(415);
  expect((await put(id, 'x'.repeat(201))).status).toBe(413);
  expect((await put('bench', '1 g')).status).toBe(404);
  expect(await shown(id)).toEqual([]);
});

it('a flood of lines is refused before it reaches the disk', async () => {
  // Of a type that is not taken, so that each costs next to nothing: a slow machine still sends more than fifty a second.
  const all = await Promise.all(
    // A line may meet the end of a connection that stood idle: sent again by a scale, left out here.
    Array.from({ length: 1000 }, () => put(uuidv7(), '1 g', 'image/png').catch(() => null)),
  );
  const refused = all.filter((answer) => answer?.status === 429);
  const [first] = refused;
  expect(first).toBeDefined();
  expect(((await first?.json()) as Problem | undefined)?.detail).toMatch(
    /^Scales can send 50 lines a second/,
  );
});
