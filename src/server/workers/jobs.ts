import { Worker } from 'node:worker_threads';
import type { cheapestPurchase } from '../../core/supply/index.ts';
import { JobRefused } from './jobRefused.ts';
import type { readSheetsFile } from './sheetsFile.ts';
import type { readWeatherFile } from './weatherFile.ts';

/** Heavy work by name: what goes in and what comes out is copied between the threads. */
export interface JobTypes {
  weather: typeof readWeatherFile;
  sheets: typeof readSheetsFile;
  purchase: typeof cheapestPurchase;
}

export type JobRequest = {
  [Name in keyof JobTypes]: { id: number; name: Name; args: Parameters<JobTypes[Name]> };
}[keyof JobTypes];

export type JobAnswer = { id: number } & (
  | { done: unknown }
  | { refused: { path: string; message: string } }
  | { failed: string }
);

/** A job that takes longer is broken off: no file of ours takes as long. */
const LONGEST_MS = 30_000;

interface Waiting {
  resolve: (value: never) => void;
  reject: (error: Error) => void;
  timer: NodeJS.Timeout;
}

const fromSource = (file: URL) =>
  `import('tsx/esm/api').then(({ register }) => { register(); return import(${JSON.stringify(file.href)}); })`;

/** Runs heavy work in a thread of its own, so that everybody else is answered meanwhile. */
export class Jobs {
  #worker: Worker | null = null;
  #count = 0;
  readonly #waiting = new Map<number, Waiting>();

  /** @throws {JobRefused} when what came in cannot be taken */
  run<Name extends keyof JobTypes>(
    name: Name,
    ...args: Parameters<JobTypes[Name]>
  ): Promise<ReturnType<JobTypes[Name]>> {
    const id = ++this.#count;
    const worker = this.#thread();
    return new Promise((resolve, reject) => {
      const timer = setTimeout(() => {
        this.#end(new JobRefused('', `it took longer than ${LONGEST_MS / 1000} s`));
      }, LONGEST_MS);
      this.#waiting.set(id, { resolve: resolve as Waiting['resolve'], reject, timer });
      worker.ref();
      worker.postMessage({ id, name, args });
    });
  }

  async stop(): Promise<void> {
    await this.#worker?.terminate();
    this.#worker = null;
  }

  #thread(): Worker {
    if (this.#worker) return this.#worker;
    // Built, it lies beside the server; from the source it needs somebody to read TypeScript.
    const worker = import.meta.url.endsWith('.ts')
      ? new Worker(fromSource(new URL('./worker.ts', import.meta.url)), { eval: true })
      : new Worker(new URL('./worker.js', import.meta.url));
    worker.unref();
    worker.on('message', (answer: JobAnswer) => this.#answer(answer));
    worker.on('error', (error) => this.#end(error));
    this.#worker = worker;
    return worker;
  }

  #answer(answer: JobAnswer): void {
    const waiting = this.#waiting.get(answer.id);
    if (!waiting) return;
    this.#waiting.delete(answer.id);
    clearTimeout(waiting.timer);
    if (this.#waiting.size === 0) this.#worker?.unref();
    if ('done' in answer) waiting.resolve(answer.done as never);
    else if ('refused' in answer) waiting.reject(new JobRefused(answer.refused.path, answer.refused.message));
    else waiting.reject(new Error(answer.failed));
  }

  /** The thread is lost: whoever waits on it is told, the next job gets another one. */
  #end(error: Error): void {
    void this.#worker?.terminate();
    this.#worker = null;
    for (const { reject, timer } of this.#waiting.values()) {
      clearTimeout(timer);
      reject(error);
    }
    this.#waiting.clear();
  }
}
