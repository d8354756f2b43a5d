import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { projectRoot } from '../src/server/db/places.ts';

const main = path.join(projectRoot(), 'dist/server/main.js');

/** The built server as a process of its own, for what can only be seen from outside. */
export interface ServerProcess {
  address: string;
  child: ChildProcess;
  /** What it said on standard error. */
  errors: () => string;
  /** Sends a signal and waits for the end. */
  end: (signal: NodeJS.Signals) => Promise<number | null>;
}

export async function serverProcess(
  folder: string,
  args: string[] = [],
  env: Record<string, string> = {},
): Promise<ServerProcess | { refused: string; code: number | null }> {
  if (!existsSync(main)) throw new Error('build first: npm test does');
  const child = spawn(process.execPath, [main, '--data', folder, '--port', '0', '--quiet', ...args], {
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...env },
  });
  let [output, errors] = ['', ''];
  child.stderr?.on('data', (chunk: Buffer) => {
    errors += chunk.toString();
  });
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  const address = await new Promise<string | null>((resolve) => {
    child.stdout?.on('data', (chunk: Buffer) => {
      output += chunk.toString();
      const found = /at (http:\S+)/.exec(output)?.[1];
      if (found) resolve(found);
    });
    void ended.then(() => resolve(null));
  });
  if (address === null) return { refused: errors, code: await ended };
  return {
    address,
    child,
    errors: () => errors,
    end: (signal) => {
      child.kill(signal);
      return ended;
    },
  };
}

/** As {@link serverProcess}, where it has to come up. */
export async function running(
  folder: string,
  args: string[] = [],
  env: Record<string, string> = {},
): Promise<ServerProcess> {
  const server = await serverProcess(folder, args, env);
  if ('refused' in server) throw new Error(`the server ended early: ${server.refused}`);
  return server;
}

export const post = (address: string, route: string, body: object) =>
  fetch(`${address}/api/v1${route}`, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  });
