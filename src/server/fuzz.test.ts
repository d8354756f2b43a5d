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

it('made-up requests come to no server error, and every refusal is problem+json (ten thousand of them: npm run soak)', async () => {
  const { faults, statuses } = await fuzz({ address: server.address, requests: 400, seed: 4870 });
  expect(faults).toEqual([]);
  expect(statuses[200]).toBeGreaterThan(20);
});
