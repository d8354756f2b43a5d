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

/**
 * The embedded PostgreSQL in a thread of its own: neither its work nor its flushes to the disk hold up who is answered from
 * memory. Offers what the query builder uses of the engine.
 *
 * Statements outside a transaction are sent at once and answered in order; while a transaction runs, the others wait for it.
 */
export class ThreadEngine implements Query {
  readonly #worker: Worker;
  readonly #port: MessagePort;
  readonly #open = new Map<number, { resolve: (value: unknown) => void; reject: (error: Error) => void }>();
  #asked = 0;
  #isClosed = false;
  /** Ends with the transaction begun last. */
  #transaction: Promise<unknown> = Promise.resolve();

  private constructor(worker: Worker, port: MessagePort) {
    this.#worker = worker;
    this.#port = port;
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
    const worker = new Worker(new URL(file, import.meta.url), {
      workerData: { folder, port: port2 },
      transferList: [port2],
    });
    const engine = new ThreadEngine(worker, port1);
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
      await this.#query('BEGIN');
      try {
        const done = await work({ query: this.#query as PGlite['query'] });
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

  /**
   * Takes the answers that have arrived. A busy process would otherwise see to all its requests before it went on with a
   * transaction, after each of its statements.
   */
  readonly takeAnswers = (): void => {
    for (let got = receiveMessageOnPort(this.#port); got; got = receiveMessageOnPort(this.#port))
      this.#take(got.message as Answer);
  };

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
