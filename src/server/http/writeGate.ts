/**
 * Queues the writes of this process, so that they don’t wait for each other inside the database with a connection
 * in hand each. Nothing relies on it: what must be serial is a lock in the database.
 */
export class WriteGate {
  #last: Promise<unknown> = Promise.resolve();
  #open = 0;

  run<T>(work: () => Promise<T>): Promise<T> {
    this.#open++;
    const mine = this.#last.then(work, work).finally(() => {
      this.#open--;
    });
    this.#last = mine.catch(() => {});
    return mine;
  }

  /**
   * Lets the writes that are under way go first: a write of many statements is overtaken after each of them by whoever else
   * asks, and readers who wait a little are not slower for it.
   *
   * @param mostMs how long a reader waits at most
   */
  async letFirst(mostMs: number): Promise<void> {
    if (this.#open === 0) return;
    let timer: NodeJS.Timeout | undefined;
    const enough = new Promise<void>((resolve) => {
      timer = setTimeout(resolve, mostMs);
    });
    await Promise.race([this.#last, enough]);
    clearTimeout(timer);
  }
}
