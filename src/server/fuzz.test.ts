import { afterAll, beforeAll, expect, it } from 'vitest';
import { aPlannedArea } from '../../test/examples.ts';
import { fuzz } from '../../test/fuzz.ts';
import { yardServer } from '../../test/yardServer.ts';

let server: Awaited<ReturnType<typeof yardServer>>;
beforeAll(async () => {
  server = await yardServer();
  await aPlannedArea(server);
});
afterAll(() => server.stop());

it('a thousand made-up requests come to no server error, and every refusal is problem+json (ten thousand: npm run soak)', async () => {
  const { faults, statuses } = await fuzz({ address: server.address, requests: 1000, seed: 4870 });
  expect(faults).toEqual([]);
  expect(statuses[200]).toBeGreaterThan(20);
});
