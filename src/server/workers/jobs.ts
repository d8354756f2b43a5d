import Tinypool from 'tinypool';
import { QuantityError } from '../../core/units/index.ts';
import { JobRefused } from './jobRefused.ts';
import type * as worker from './worker.ts';

/** Heavy work by name: what goes in and what comes out is copied between the threads. */
type JobTypes = typeof worker;
type JobName = keyof JobTypes;
type Args<Name extends JobName> = Parameters<JobTypes[Name]>[0];
type Result<Name extends JobName> = Extract<ReturnType<JobTypes[Name]>, { done: unknown }>['done'];

/** A job that takes longer is broken off: no file of ours takes as long. Waiting for its turn does not count. */
const LONGEST_MS = 30_000;
/** Work on the yard’s own data takes as long as it takes, on a machine that has other things to do: it is no stranger’s file. */
const OWN_MS = 300_000;
const OWN: ReadonlySet<JobName> = new Set<JobName>(['starts', 'plan', 'places', 'odds', 'rehearsal']);
/** Jobs at once: one core is left to answer everybody else. */
const THREADS = 2;
/** A thread that nobody needs any more ends after so long, ms. */
const IDLE_MS = 60_000;

/** Runs heavy work in worker threads, so that other requests are answered in the meantime. */
export class Jobs {
  readonly #pool: Tinypool;
  readonly #longestMs: number;
  #running = 0;
  #isStopped = false;
  readonly #waiting: (() => void)[] = [];

  constructor({ longestMs = LONGEST_MS } = {}) {
    this.#longestMs = longestMs;
    // Built, the worker lies beside the server; from the source it needs somebody to read TypeScript.
    this.#pool = new Tinypool({
      filename: new URL(import.meta.url.endsWith('.ts') ? './fromSource.mjs' : './worker.js', import.meta.url)
        .href,
      minThreads: 0,
      maxThreads: THREADS,
      idleTimeout: IDLE_MS,
    });
  }

  /**
   * @throws {JobRefused} when what came in cannot be taken, or takes too long
   * @throws {QuantityError} on a figure that cannot be
   */
  async run<Name extends JobName>(name: Name, ...args: Args<Name>): Promise<Result<Name>> {
    await this.#turn();
    const longestMs = OWN.has(name) ? OWN_MS : this.#longestMs;
    const signal = AbortSignal.timeout(longestMs);
    try {
      const answer = (await this.#pool.run(args, { name, signal })) as ReturnType<JobTypes[Name]>;
      if ('refused' in answer) throw new JobRefused(answer.refused.path, answer.refused.message);
      if ('impossible' in answer) {
        const { what, value, limit } = answer.impossible;
        throw new QuantityError(what, value, limit);
      }
      return answer.done as Result<Name>;
    } catch (error) {
      if (signal.aborted)
        throw new JobRefused('', `Processing took longer than ${longestMs / 1000} s and was stopped`);
      // A job under way when the pool is taken down: no fault of the job.
      if (this.#isStopped && !(error instanceof JobRefused || error instanceof QuantityError))
        throw new JobRefused('', 'the server is stopping: try again');
      throw error;
    } finally {
      this.#running--;
      this.#waiting.shift()?.();
    }
  }

  async stop(): Promise<void> {
    this.#isStopped = true;
    await this.#pool.destroy();
  }

  /** Waits for a thread: a job's time begins when it does. */
  async #turn(): Promise<void> {
    if (this.#running >= THREADS) await new Promise<void>((resolve) => this.#waiting.push(resolve));
    this.#running++;
  }
}
