import type { Problem } from '../src/contract/index.ts';
import { type Running, start } from '../src/server/start.ts';
import { Jobs } from '../src/server/workers/jobs.ts';
import { atEnd } from './atEnd.ts';
import { closeYards, emptyYard } from './emptyYard.ts';
import { NOON } from './examples.ts';

/** Threads for heavy work, shared by the servers of a test file: starting one takes a second. */
const jobs = new Jobs();
/** Ends what the servers of a test file share. */
export async function closeShared(): Promise<void> {
  await jobs.stop();
  await closeYards();
}
atEnd.push(closeShared);

/** A server over an empty yard in memory, or over a database server; with a clock of the test's own. */
export async function yardServer(
  now: () => number = () => NOON,
  databaseUrl?: string,
  webFolder = '/nowhere',
) {
  const yard = databaseUrl === undefined ? await emptyYard() : null;
  const running: Running = await start({
    folder: null,
    databaseUrl,
    port: 0,
    webFolder,
    quiet: true,
    now,
    checkReplies: true,
    planMs: 500,
    jobs,
    opened: yard?.opened,
  });
  const stop = async () => {
    await running.stop();
    yard?.giveBack();
  };
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
    stop,
    ask,
    problem: (method: string, path: string, body?: unknown) => ask<Problem>(method, path, body),
  };
}
