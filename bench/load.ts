import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import os, { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { layDemo } from '../demo/layDemo.ts';
import { projectRoot } from '../src/server/db/places.ts';
import { start } from '../src/server/start.ts';
import { startPostgres } from '../test/postgres.ts';
import { grow } from './grow.ts';
import { p95, say } from './say.ts';

/** What a yard bears: 20 connections that read and write, on the embedded database and on a server with 1, 2 and 4 processes. */

const CONNECTIONS = 20;
const SECONDS = 20;
/** Before that, not counted: code is compiled and each bench has its first look ahead worked out. */
const WARM_SECONDS = 6;

const ask = async (address: string, method: string, route: string, body?: object) => {
  const answer = await fetch(`${address}/api/v1${route}`, {
    method,
    ...(body && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  });
  if (!answer.ok) throw new Error(`${method} ${route}: ${answer.status}`);
  return answer.arrayBuffer();
};

/** Each connection asks for the screens of a boat and logs a note now and then, one in ten; its own boat, as people do. */
async function load(addresses: readonly string[]): Promise<void> {
  const board = JSON.parse(Buffer.from(await ask(addresses[0] as string, 'GET', '/board')).toString()) as {
    clocks: { areaId: string; boatId: string }[];
  };
  const [reads, writes]: [number[], number[]] = [[], []];
  const counted = performance.now() + WARM_SECONDS * 1000;
  const until = counted + SECONDS * 1000;
  const connection = async (no: number) => {
    const address = addresses[no % addresses.length] as string;
    const { areaId, boatId } = board.clocks[no % board.clocks.length] as { areaId: string; boatId: string };
    const screens = [
      '/board',
      `/boats/${boatId}`,
      `/bench/${areaId}`,
      `/areas/${areaId}/clock`,
      `/boats/${boatId}/log`,
    ];
    for (let i = 0; performance.now() < until; i++) {
      const began = performance.now();
      if (i % 10 === 9) {
        const entry = { id: uuidv7(), areaId, at: new Date().toISOString(), corrects: null };
        await ask(address, 'POST', '/log', { ...entry, kind: 'note', body: { text: 'measured' } });
        if (began > counted) writes.push(performance.now() - began);
      } else {
        await ask(address, 'GET', screens[i % screens.length] as string);
        if (began > counted) reads.push(performance.now() - began);
      }
    }
  };
  for (const address of addresses) await ask(address, 'GET', '/board');
  await Promise.all(Array.from({ length: CONNECTIONS }, (_, no) => connection(no)));
  say('  requests a second', `${Math.round((reads.length + writes.length) / SECONDS)}`, 'none set');
  say('  a reading, p95', `${p95(reads).toFixed(0)} ms`, '150 ms');
  say('  a writing, p95', `${p95(writes).toFixed(0)} ms`, '150 ms');
}

async function processOf(
  args: string[],
  env: Record<string, string>,
): Promise<{ address: string; child: ChildProcess }> {
  const main = path.join(projectRoot(), 'dist/server/main.js');
  const child = spawn(process.execPath, [main, '--port', '0', '--quiet', ...args], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, ...env },
  });
  const address = await new Promise<string>((resolve) => {
    let output = '';
    child.stdout?.on('data', (chunk: Buffer) => {
      output += chunk.toString();
      const found = /at (http:\S+)/.exec(output)?.[1];
      if (found) resolve(found);
    });
  });
  return { address, child };
}

const ended = (child: ChildProcess) =>
  new Promise<void>((resolve) => {
    child.once('exit', () => resolve());
    child.kill('SIGTERM');
  });

async function applied(to: { folder: string | null; databaseUrl?: string }, boats: number): Promise<void> {
  const server = await start({
    ...to,
    port: 0,
    webFolder: '/nowhere',
    quiet: true,
    prepare: (db) => layDemo(db, { folder: null, now: Date.now() }),
  });
  await grow(server.db, boats);
  // As housekeeping does, and a database server by itself.
  await server.db.execute(sql`analyze`);
  await server.stop();
}

console.log(
  `${os.cpus()[0]?.model ?? 'unknown processor'}, ${os.cpus().length} cores, Node ${process.version}`,
);
const home = mkdtempSync(path.join(tmpdir(), 'jack-plane-load-'));
const postgres = await startPostgres({ fsync: 'on' });
try {
  for (const boats of [200, 2000]) {
    const folder = path.join(home, `yard-${boats}`);
    await applied({ folder }, boats - 4);
    console.log(`embedded, ${boats} boats, ${CONNECTIONS} connections`);
    const one = await processOf(['--data', folder], {});
    await load([one.address]);
    await ended(one.child);
  }
  const url = await postgres.database();
  await applied({ folder: null, databaseUrl: url }, 196);
  for (const count of [1, 2, 4]) {
    console.log(
      `PostgreSQL server, ${count} ${count === 1 ? 'process' : 'processes'}, 200 boats, ${CONNECTIONS} connections`,
    );
    const all = await Promise.all(Array.from({ length: count }, () => processOf([], { DATABASE_URL: url })));
    await load(all.map(({ address }) => address));
    await Promise.all(all.map(({ child }) => ended(child)));
  }
} finally {
  await postgres.stop();
  rmSync(home, { recursive: true, force: true });
}
