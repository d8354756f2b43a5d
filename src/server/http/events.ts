import type { Request, Response } from 'express';

/** Tells every open page what changed, as server-sent events, so that two screens never drift apart. */
export class LiveChanges {
  readonly #open = new Set<Response>();

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
  tell(topic: 'yard' | 'boats' | 'areas' | 'products' | 'stacks' | 'log' | 'weather'): void {
    for (const res of this.#open) res.write(`event: change\ndata: ${JSON.stringify({ topic })}\n\n`);
  }

  /** Ends every stream, for a clean shutdown. */
  close(): void {
    for (const res of this.#open) res.end();
  }
}
