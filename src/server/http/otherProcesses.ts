import type { Context } from '../context.ts';
import { currentRevision, noticesBetween } from '../rows/versions.ts';

/** A notice that never came is made up for within this time, ms. */
const LOOK_MS = 2000;

type Notifying = Pick<Context, 'db' | 'live' | 'process' | 'log'>;

/**
 * Tells this process's open pages what other processes wrote. Notices only say that there is something: what it is stands in a table,
 * read in order from the last that was told. Readers do not rely on it, since each asks for the revision itself.
 */
export class OtherProcesses {
  readonly #context: Notifying;
  readonly #timer: NodeJS.Timeout;
  #lastSeen: number | null = null;
  #looking: Promise<void> | null = null;
  #again = false;

  constructor(context: Notifying) {
    this.#context = context;
    this.#timer = setInterval(() => this.look(), LOOK_MS);
    this.#timer.unref();
    this.look();
  }

  /** Looks for what was written since, now or as soon as the look in hand is done. */
  readonly look = (): void => {
    if (this.#looking) {
      this.#again = true;
      return;
    }
    this.#looking = this.#tell()
      .catch((error) =>
        this.#context.log.warn({ err: error }, 'what other processes wrote could not be read'),
      )
      .finally(() => {
        this.#looking = null;
        if (this.#again) {
          this.#again = false;
          this.look();
        }
      });
  };

  async stop(): Promise<void> {
    clearInterval(this.#timer);
    await this.#looking;
  }

  async #tell(): Promise<void> {
    const { db, live, process } = this.#context;
    const n = await currentRevision(db);
    if (this.#lastSeen !== null && n > this.#lastSeen)
      for (const notice of await noticesBetween(db, this.#lastSeen, n))
        if (notice.process !== process) live.publish(notice.changes, notice.n);
    this.#lastSeen = n;
  }
}
