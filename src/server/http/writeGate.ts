/** Writes, one after the other: what one looks at before its transaction still holds within it. */
export class WriteGate {
  #last: Promise<unknown> = Promise.resolve();

  run<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.#last.then(work, work);
    this.#last = mine.catch(() => {});
    return mine;
  }
}
