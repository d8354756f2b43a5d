import type { Db } from './db/open.ts';
import { isRetentionTurn, retentionStep } from './rows/retention.ts';

/** How often a small step is done, ms, and how soon the next one where more is due. */
const EVERY_MS = 10 * 60_000;
const MORE_MS = 2_000;

/** Thins and drops what is kept long enough, in small steps while the server runs. */
export class Housekeeping {
  readonly #db: Db;
  readonly #now: () => number;
  #timer: NodeJS.Timeout;
  #stopped = false;
  #running: Promise<unknown> = Promise.resolve();

  constructor(db: Db, now: () => number) {
    this.#db = db;
    this.#now = now;
    this.#timer = this.#after(EVERY_MS);
  }

  /** One step. @returns how much it removed; 0: nothing was due, or another process is at it */
  step(): Promise<number> {
    return this.#db.transaction(async (tx) => {
      return (await isRetentionTurn(tx)) ? retentionStep(tx, this.#now()) : 0;
    });
  }

  async stop(): Promise<void> {
    this.#stopped = true;
    clearTimeout(this.#timer);
    await this.#running;
  }

  #after(ms: number): NodeJS.Timeout {
    const timer = setTimeout(() => {
      this.#running = this.step()
        // A database that takes nothing now is asked again later.
        .catch(() => 0)
        .then((done) => {
          if (!this.#stopped) this.#timer = this.#after(done > 0 ? MORE_MS : EVERY_MS);
        });
    }, ms);
    timer.unref();
    return timer;
  }
}
