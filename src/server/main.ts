import { rename } from 'node:fs/promises';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { demoAge, layDemo } from '../../demo/layDemo.ts';
import { FolderInUse, lockFolder } from './db/lock.ts';
import { projectRoot } from './db/open.ts';
import { type Running, start } from './start.ts';

const DEFAULT_PORT = 4870;
const STALE_DEMO_MS = 24 * 3_600_000;

const { values } = parseArgs({
  options: {
    demo: { type: 'boolean', default: false },
    fresh: { type: 'boolean', default: false },
    data: { type: 'string' },
    port: { type: 'string', default: String(DEFAULT_PORT) },
    quiet: { type: 'boolean', default: false },
  },
});

const root = projectRoot();
const folder = path.resolve(values.data ?? path.join(root, 'data', values.demo ? 'demo' : 'own'));
const say = (line: string) => process.stdout.write(`${line}\n`);

async function open(): Promise<Running> {
  const webFolder = path.join(root, 'dist/web');
  const options = { folder, port: Number(values.port), webFolder, quiet: values.quiet };
  if (!values.demo) return start(options);
  // Held only long enough to know that no other process serves the folder before it may be set aside.
  await (await lockFolder(folder))();
  const age = await demoAge(folder);
  if (age !== null && (values.fresh || age > STALE_DEMO_MS)) {
    const aside = `${folder}-${new Date().toISOString().replaceAll(/[:.]/g, '-')}`;
    await rename(folder, aside);
    say(`The demo laid ${Math.round(age / 3_600_000)} h ago was set aside in ${aside}; laying a new one.`);
  } else if (age !== null) {
    say(
      `Going on with the demo laid ${Math.round(age / 3_600_000)} h ago (npm run demo -- --fresh lays a new one).`,
    );
  }
  return start({ ...options, prepare: (db) => layDemo(db, { folder, now: Date.now() }) });
}

let running: Running;
try {
  running = await open();
} catch (error) {
  if (!(error instanceof FolderInUse)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
}
say(`Data folder: ${folder}`);
say(`Jack Plane is at ${running.address}`);

let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    if (stopping) process.exit(1);
    stopping = true;
    running.stop().then(
      () => process.exit(0),
      () => process.exit(1),
    );
  });
}
