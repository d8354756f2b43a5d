import type { Problem } from '../src/contract/index.ts';
import { readDump } from '../src/server/db/open.ts';
import { type Running, start } from '../src/server/start.ts';
import { NOON } from './examples.ts';
import { dumpFile } from './migratedDump.ts';

/** A server over a fresh copy of the migrated dump, in memory, or over a database server; with a clock of the test's own. */
export async function yardServer(now: () => number = () => NOON, databaseUrl?: string) {
  const running: Running = await start({
    folder: null,
    databaseUrl,
    port: 0,
    webFolder: '/nowhere',
    quiet: true,
    now,
    checkReplies: true,
    ...(databaseUrl === undefined && { dump: await readDump(dumpFile()) }),
  });
  const ask = async <T>(
    method: string,
    path: string,
    body?: unknown,
  ): Promise<{ status: number; body: T }> => {
    const response = await fetch(`${running.address}/api/v1${path}`, {
      method,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
    const text = await response.text();
    return { status: response.status, body: (text ? JSON.parse(text) : undefined) as T };
  };
  return {
    ...running,
    ask,
    problem: (method: string, path: string, body?: unknown) => ask<Problem>(method, path, body),
  };
}
