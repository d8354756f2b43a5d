import type { Request, Response } from 'express';

/** What a change can be about. */
export type Topic =
  | 'yard'
  | 'boats'
  | 'areas'
  | 'products'
  | 'stacks'
  | 'log'
  | 'weather'
  | 'survey'
  | 'form';

/** Tells every open page what changed, as server-sent events, so that two screens never drift apart. */
export class LiveChanges {
  readonly #open = new Set<Response>();
  readonly #listeners: ((topic: Topic, areaId: string | undefined) => void)[] = [];

  /** Has `listener` called for each change, before any page hears of it. */
  listen(listener: (topic: Topic, areaId: string | undefined) => void): void {
    this.#listeners.push(listener);
  }

  /** Serves `GET /events`: stays open, one `change` event for each write, a comment every 25 s to keep it so. */
  readonly serve = (_req: Request, res: Response): void => {
    res.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      connection: 'keep-alive',
    });
    res.write('retry: 3000\n\n');
    this.#open.add(res);
    const beat = setInterval(() => res.write(': here\n\n'), 25_000);
    res.on('close', () => {
      clearInterval(beat);
      this.#open.delete(res);
    });
  };

  /** Says that something under `topic` changed; pages ask again for what they show of it. */
  tell(topic: Topic, areaId?: string): void {
    for (const listener of this.#listeners) listener(topic, areaId);
    for (const res of this.#open) res.write(`event: change\ndata: ${JSON.stringify({ topic })}\n\n`);
  }

  /** Ends every stream, for a clean shutdown. */
  close(): void {
    for (const res of this.#open) res.end();
  }
}
