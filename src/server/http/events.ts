import type { Request, Response } from 'express';
import type { ChangeSet } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { HttpProblem } from './problem.ts';

/** Streams that may be open at once: a browser needs one. */
const MOST_STREAMS = 200;
const BEAT_MS = 25_000;

/** Tells every open page what changed, as server-sent events, so that two screens never drift apart. */
export class LiveChanges {
  readonly #open = new Set<Response>();

  /**
   * Serves `GET /events`: stays open, says `hello`, then one `change` for each write, and a
   * comment every 25 s to stay open.
   */
  readonly serve = (req: Request, res: Response): void => {
    if (!req.accepts('text/event-stream') || req.get('accept')?.startsWith('image/')) {
      throw new HttpProblem(
        406,
        'not-acceptable',
        t`This address only serves server-sent events (text/event-stream).`,
      );
    }
    res.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' });
    if (req.method === 'HEAD') {
      res.end();
      return;
    }
    if (this.#open.size >= MOST_STREAMS) {
      throw new HttpProblem(
        503,
        'too-many-connections',
        t`${MOST_STREAMS} live connections are already open. Close other browsers and try again.`,
      );
    }
    res.flushHeaders();
    res.write('retry: 3000\nevent: hello\ndata: {}\n\n');
    this.#open.add(res);
    const beat = setInterval(() => res.write(': here\n\n'), BEAT_MS);
    res.on('close', () => {
      clearInterval(beat);
      this.#open.delete(res);
    });
  };

  /** Says what a write changed; pages ask again for what they show of it, but for the one that wrote it and knows. */
  publish(changes: ChangeSet, n: number): void {
    if (changes.length === 0) return;
    for (const res of this.#open) res.write(`event: change\ndata: ${JSON.stringify({ changes, n })}\n\n`);
  }

  /** Ends every stream, for a clean shutdown. */
  close(): void {
    for (const res of this.#open) res.end();
  }
}
