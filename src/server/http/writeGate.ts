/**
 * Queues the writes of this process, so that they don’t wait for each other inside the database with a connection
 * in hand each. Nothing relies on it: what must be serial is a lock in the database.
 */
export class WriteGate {
  #last: Promise<unknown> = Promise.resolve();

  run<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.#last.then(work, work);
    this.#last = mine.catch(() => {});
    return mine;
  }
}
