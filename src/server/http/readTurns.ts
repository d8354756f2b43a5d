/**
 * Lets one reader begin in each turn of the event loop. Requests that arrive together would otherwise all be answered in one turn. A
 * write needs a turn for its body and one for the answer to each statement, and would wait for twenty readers each time.
 */
export class ReadTurns {
  readonly #waiting: (() => void)[] = [];
  #isRunning = false;

  /** Resolves when it is this reader’s turn. */
  take(): Promise<void> {
    return new Promise((resolve) => {
      this.#waiting.push(resolve);
      if (this.#isRunning) return;
      this.#isRunning = true;
      setImmediate(this.#next);
    });
  }

  readonly #next = (): void => {
    this.#waiting.shift()?.();
    if (this.#waiting.length > 0) setImmediate(this.#next);
    else this.#isRunning = false;
  };
}
