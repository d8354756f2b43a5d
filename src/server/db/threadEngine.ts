import { writeSync } from 'node:fs';
import { MessageChannel, type MessagePort, receiveMessageOnPort, Worker } from 'node:worker_threads';
import type { PGlite, Results } from '@electric-sql/pglite';
import { FolderUnfit } from './folderCheck.ts';

/** What the database’s thread is asked. */
export type Question = { id: number } & (
  | { ask: 'query'; text: string; params: unknown[]; rowMode: 'array' | 'object' }
  | { ask: 'close' }
);
/** An answer of the thread; 0: it has started. */
export type Answer = { id: number } & (
  | { value: unknown }
  | { error: { name: string; message: string; fields: Record<string, string> } }
);
type Ask = Question extends infer Each ? (Each extends Question ? Omit<Each, 'id'> : never) : never;
type Query = Pick<PGlite, 'query'>;

/** Longest that the process blocks for the answers to a transaction’s statements before others get their turn, ms. */
const MOST_BLOCKED_MS = 10;

/**
 * The embedded PostgreSQL in a thread of its own: neither its work nor its flushes to the disk hold up who is answered from
 * memory. Offers what the query builder uses of the engine.
 *
 * Statements outside a transaction are sent at once and answered in order; while a transaction runs, the others wait for it. Since all
 * wait for it, the process blocks until its short statements are answered, rather than handle other requests after each of them.
 */
export class ThreadEngine implements Query {
  readonly #worker: Worker;
  readonly #port: MessagePort;
  /** Counts the answers posted, so that the process can be woken by one. */
  readonly #answered: Int32Array;
  readonly #open = new Map<number, { resolve: (value: unknown) => void; reject: (error: Error) => void }>();
  #asked = 0;
  #isClosed = false;
  /** How long the process has been blocked since others last had their turn, ms; null: not at all. */
  #blockedMs: number | null = null;
  /** Ends with the transaction begun last. */
  #transaction: Promise<unknown> = Promise.resolve();

  private constructor(worker: Worker, port: MessagePort, answered: Int32Array) {
    this.#worker = worker;
    this.#port = port;
    this.#answered = answered;
    port.on('message', (answer: Answer) => this.#take(answer));
    port.unref();
    worker.on('error', (error) => this.#died(error));
    worker.on('exit', (code) => {
      if (!this.#isClosed) process.exit(code || 1);
    });
  }

  /** @throws {FolderUnfit} where the engine can’t open what lies in the folder */
  static async start(folder: string): Promise<ThreadEngine> {
    // Built, the thread’s file lies beside the server; from the source it needs somebody to read TypeScript.
    const file = import.meta.url.endsWith('.ts') ? '../workers/engineFromSource.mjs' : './engineThread.js';
    const { port1, port2 } = new MessageChannel();
    const answered = new Int32Array(new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT));
    const worker = new Worker(new URL(file, import.meta.url), {
      workerData: { folder, port: port2, answered },
      transferList: [port2],
    });
    const engine = new ThreadEngine(worker, port1, answered);
    try {
      await engine.#expect(0);
    } catch (error) {
      engine.#isClosed = true;
      await worker.terminate();
      const { name, message } = error as Error;
      throw name === 'FolderUnfit' ? new FolderUnfit(message) : error;
    }
    return engine;
  }

  query<T>(text: string, params: unknown[] = [], options: { rowMode?: 'array' | 'object' } = {}) {
    return this.#transaction.then(() => this.#query<T>(text, params, options));
  }

  /** Runs work between BEGIN and COMMIT, or ROLLBACK where it throws. */
  transaction<T>(work: (tx: Query) => Promise<T>): Promise<T> {
    const run = this.#transaction.then(async () => {
      await this.#queryNow('BEGIN');
      try {
        const done = await work({ query: this.#queryNow as PGlite['query'] });
        await this.#query('COMMIT');
        return done;
      } catch (error) {
        await this.#query('ROLLBACK');
        throw error;
      }
    });
    this.#transaction = run.catch(() => {});
    return run;
  }

  /** Blocks until the answer has arrived, or the process has been blocked for long enough. */
  #blockFor(id: number): void {
    if (this.#blockedMs === null) {
      this.#blockedMs = 0;
      setImmediate(() => {
        this.#blockedMs = null;
      });
    }
    for (;;) {
      const count = Atomics.load(this.#answered, 0);
      this.#takeAnswers();
      if (!this.#open.has(id) || this.#blockedMs >= MOST_BLOCKED_MS) return;
      const began = performance.now();
      Atomics.wait(this.#answered, 0, count, MOST_BLOCKED_MS - this.#blockedMs);
      this.#blockedMs += performance.now() - began;
    }
  }

  #takeAnswers(): void {
    for (let got = receiveMessageOnPort(this.#port); got; got = receiveMessageOnPort(this.#port))
      this.#take(got.message as Answer);
  }

  async close(): Promise<void> {
    if (this.#isClosed) return;
    await this.#transaction;
    await this.#ask({ ask: 'close' });
    this.#isClosed = true;
    await this.#worker.terminate();
  }

  readonly #query = <T>(
    text: string,
    params: unknown[] = [],
    { rowMode = 'object' }: { rowMode?: 'array' | 'object' } = {},
  ): Promise<Results<T>> => this.#ask({ ask: 'query', text, params, rowMode }) as Promise<Results<T>>;

  readonly #queryNow: ThreadEngine['query'] = (...query) => {
    const answer = this.#query(...query);
    this.#blockFor(this.#asked);
    return answer as never;
  };

  #ask(question: Ask): Promise<unknown> {
    if (this.#isClosed) return Promise.reject(new Error('The database is closed.'));
    const id = ++this.#asked;
    const answer = this.#expect(id);
    this.#port.postMessage({ id, ...question });
    return answer;
  }

  /** As long as something is asked, the process waits for the thread. */
  #expect(id: number): Promise<unknown> {
    this.#worker.ref();
    return new Promise((resolve, reject) => this.#open.set(id, { resolve, reject }));
  }

  #take(answer: Answer): void {
    const asker = this.#open.get(answer.id);
    this.#open.delete(answer.id);
    if (this.#open.size === 0) this.#worker.unref();
    if ('error' in answer) {
      const { name, message, fields } = answer.error;
      asker?.reject(Object.assign(new Error(message), { ...fields, name }));
    } else asker?.resolve(answer.value);
  }

  /** A thread that failed answers nothing more: whoever waits gets its error, and the process ends with it. */
  #died(error: Error): void {
    writeSync(
      2,
      `The database stopped (${error.message}), so the server is stopping. Everything confirmed as saved is safe.\n`,
    );
    for (const { reject } of this.#open.values()) reject(error);
    this.#open.clear();
  }
}
