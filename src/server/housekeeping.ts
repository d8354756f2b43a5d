import type { Context } from './context.ts';
import { inWrite, nothingBefore } from './http/inWrite.ts';
import { countTables, isRetentionTurn, retentionStep } from './rows/retention.ts';

/** How often a small step is done, ms, and how soon the next one where more is due. */
const EVERY_MS = 10 * 60_000;
const MORE_MS = 2_000;
/** The first step comes once the first pages are served, ms. */
const FIRST_MS = 30_000;
/** How often the embedded database counts its tables, ms. */
const COUNT_EVERY_MS = 12 * 3_600_000;

/** Thins and drops what is kept long enough, in small steps while the server runs. */
export class Housekeeping {
  readonly #context: Context;
  #timer: NodeJS.Timeout;
  #stopped = false;
  #countedAt = 0;
  #running: Promise<unknown> = Promise.resolve();

  constructor(context: Context) {
    this.#context = context;
    this.#timer = this.#after(FIRST_MS);
  }

  /** One step. @returns how much it removed; 0: nothing was due, or another process is at it */
  async step(): Promise<number> {
    const { db, shared, room, now } = this.#context;
    // Even a deletion is written to the log first: a full disk is left to whoever frees it.
    if (['full', 'read-only'].includes(room.look().state)) return 0;
    if (!shared && now() - this.#countedAt > COUNT_EVERY_MS) {
      this.#countedAt = now();
      await countTables(db);
    }
    const { done, weather } = await db.transaction(async (tx) =>
      (await isRetentionTurn(tx)) ? retentionStep(tx, now()) : { done: 0, weather: false },
    );
    // What an old issue said of days to come is gone with it: readers read the weather again.
    if (weather) await inWrite(this.#context, nothingBefore, async () => ({ changes: [{ of: 'weather' }] }));
    return done;
  }

  async stop(): Promise<void> {
    this.#stopped = true;
    clearTimeout(this.#timer);
    await this.#running;
  }

  #after(ms: number): NodeJS.Timeout {
    const timer = setTimeout(() => {
      this.#running = this.step()
        // If the database refuses writes now, try again later.
        .catch(() => 0)
        .then((done) => {
          if (!this.#stopped) this.#timer = this.#after(done > 0 ? MORE_MS : EVERY_MS);
        });
    }, ms);
    timer.unref();
    return timer;
  }
}
