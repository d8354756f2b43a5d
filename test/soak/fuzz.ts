import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fuzz } from '../fuzz.ts';
import { running } from '../serverProcess.ts';

/** Ten thousand requests made up from the description of the API: none may come to a server error. */
const REQUESTS = 10_000;
const seed = Number(process.env.SEED ?? Date.now() % 1_000_000);

const home = mkdtempSync(path.join(tmpdir(), 'jack-plane-fuzz-'));
const server = await running(path.join(home, 'data'), ['--demo']);
const found = await fuzz({ address: server.address, requests: REQUESTS, seed });
await server.end('SIGTERM');
rmSync(home, { recursive: true, force: true });
const spread = Object.entries(found.statuses).map(([status, count]) => `${status}: ${count}`);
process.stdout.write(
  `seed ${seed}: ${REQUESTS} requests, ${spread.join(', ')}; ${found.faults.length} faults\n`,
);
for (const fault of found.faults.slice(0, 20)) process.stdout.write(`${fault}\n`);
process.exit(found.faults.length === 0 ? 0 : 1);
