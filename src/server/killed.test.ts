import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { aBoat } from '../../test/examples.ts';
import type { Boat } from '../contract/index.ts';
import { projectRoot } from './db/places.ts';

const folder = mkdtempSync(path.join(tmpdir(), 'jack-plane-killed-'));
const main = path.join(projectRoot(), 'dist/server/main.js');
let child: ChildProcess | undefined;

function launch(): Promise<string> {
  child = spawn(process.execPath, [main, '--data', path.join(folder, 'data'), '--port', '0', '--quiet'], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    let output = '';
    child?.stdout?.on('data', (chunk: Buffer) => {
      output += chunk.toString();
      const address = /at (http:\S+)/.exec(output)?.[1];
      if (address) resolve(address);
    });
    child?.on('exit', () => reject(new Error(`the server ended early: ${output}`)));
  });
}

const ended = () =>
  new Promise<void>((resolve) => {
    child?.removeAllListeners('exit');
    child?.once('exit', () => resolve());
  });

beforeAll(() => {
  if (!existsSync(main)) throw new Error('build first: npm test does');
});
afterAll(() => {
  child?.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
});

it('a server killed in the middle of writes starts again with every acknowledged write', async () => {
  const address = await launch();
  const acknowledged: string[] = [];
  let killed = false;
  const writer = async () => {
    while (!killed) {
      const boat = aBoat();
      try {
        const response = await fetch(`${address}/api/v1/boats`, {
          method: 'POST',
          body: JSON.stringify(boat),
          headers: { 'content-type': 'application/json' },
        });
        if (response.status === 201) acknowledged.push(boat.id);
      } catch {
        return; // the connection died with the server: not acknowledged
      }
    }
  };
  const writers = [writer(), writer(), writer()];
  while (acknowledged.length < 60) await new Promise((resolve) => setTimeout(resolve, 5));
  const gone = ended();
  child?.kill('SIGKILL');
  await gone;
  killed = true;
  await Promise.all(writers);

  const again = await launch();
  const boats = (await (await fetch(`${again}/api/v1/boats`)).json()) as Boat[];
  const there = new Set(boats.map((boat) => boat.id));
  expect(acknowledged.length).toBeGreaterThanOrEqual(60);
  expect(acknowledged.filter((id) => !there.has(id))).toEqual([]);

  // A second process on the same folder would destroy it: it is refused and says by whom the folder is held.
  const second = spawnSync(process.execPath, [main, '--data', path.join(folder, 'data'), '--port', '0'], {
    encoding: 'utf8',
  });
  expect(second.status).toBe(1);
  expect(second.stderr).toContain(`is already in use by process ${child?.pid}`);

  const clean = ended();
  child?.kill('SIGTERM');
  await clean;
  expect(child?.exitCode).toBe(0);
});
