import { spawn } from 'node:child_process';
import path from 'node:path';
import { ensureBuilt, ensurePackages, root } from './ensure.mjs';

// npm run demo / npm start: installs what is missing, builds, serves. Arguments go on to the server.
ensurePackages();
ensureBuilt();

/** A server that ended by itself is started again, later each time it does not last. */
const LASTED_MS = 60_000;
const WAITS_MS = [500, 2000, 5000, 15_000, 30_000];
/** What it may take to end when it is told to. */
const LONGEST_STOP_MS = 5000;

const args = process.argv.slice(2);
const entry = path.join(root, 'dist/server', args.includes('--demo') ? 'demo.js' : 'main.js');
let server;
let stopping = false;
let short = 0;

function run(more) {
  const began = Date.now();
  // The channel tells the server when this process is gone.
  server = spawn(process.execPath, [entry, ...args.filter((arg) => !more || arg !== '--fresh')], {
    stdio: ['inherit', 'inherit', 'inherit', 'ipc'],
    cwd: root,
  });
  server.on('exit', (code, signal) => {
    // One that never came up, or was told to end, ends this too; one that was killed or hung is started again.
    const died = signal !== null || code === 75;
    if (stopping || !died) process.exit(code ?? 1);
    short = Date.now() - began > LASTED_MS ? 0 : short + 1;
    const wait = WAITS_MS[Math.min(short, WAITS_MS.length) - 1] ?? WAITS_MS[0];
    console.error(`The server ended (${signal ?? code}) and is started again in ${wait / 1000} s.`);
    setTimeout(() => stopping || run(true), wait);
  });
}
run(false);

// A terminal sends Ctrl-C to the server as well; it is the server that closes the data folder, so this waits for it.
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => {
    stopping = true;
    if (signal === 'SIGTERM') server.kill('SIGTERM');
    setTimeout(() => server.kill('SIGKILL'), LONGEST_STOP_MS).unref();
  });
}
