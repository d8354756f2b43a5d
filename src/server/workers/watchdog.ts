import { Worker } from 'node:worker_threads';

/** How often the process says that it lives, ms, and how many times in a row it may fail to. */
const USUAL = { beatMs: 500, missed: 40 };

/**
 * The other side, in a thread of its own: a process that spins answers nobody, not even a signal; only from beside it can
 * it be ended. Counted in looks, not in time: a machine that slept has missed none.
 */
const DOG = `
const { workerData } = process.getBuiltinModule('node:worker_threads');
const beat = new Int32Array(workerData.shared);
let [seen, missed] = [-1, 0];
setInterval(() => {
  const now = Atomics.load(beat, 0);
  missed = now === seen ? missed + 1 : 0;
  seen = now;
  if (missed < workerData.missed) return;
  process.getBuiltinModule('node:fs').writeSync(2, 'The server stopped responding and was ended. Everything confirmed as saved is safe.\\n');
  process.kill(process.pid, 'SIGKILL');
}, workerData.beatMs);
`;

/** Has the process ended when it hangs for some 20 s. Whoever started it starts it again. */
export function watchOver({ beatMs, missed } = USUAL): void {
  const shared = new SharedArrayBuffer(4);
  const beat = new Int32Array(shared);
  setInterval(() => Atomics.add(beat, 0, 1), beatMs).unref();
  new Worker(DOG, { eval: true, workerData: { shared, beatMs, missed } }).unref();
}
