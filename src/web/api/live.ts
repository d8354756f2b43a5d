import type { ChangeSet } from '../../contract/index.ts';
import { isOwnWrite } from './client.ts';

/** What tabs tell each other: what changed, or that something may have been missed. */
type News = { changes: ChangeSet; n?: number } | { lost: true };

const NAME = 'jack-plane.live';
/** A free lock is granted at once. */
const WAITED_MS = 1000;

/**
 * Hears of changes made on other screens. One tab holds the browser's only stream and tells the others, since a browser
 * opens no more than six connections to a server; when it is closed the next one takes over.
 *
 * @param on.changes what changed
 * @param on.lost something may have been missed: the stream was dropped, or the server restarted
 * @returns how to stop
 */
export function followChanges(on: { changes: (changes: ChangeSet) => void; lost: () => void }): () => void {
  const stop = new AbortController();
  const tabs = new BroadcastChannel(NAME);
  const hear = (news: News) => {
    if (!('changes' in news)) return on.lost();
    void isOwnWrite(news.n).then((own) => own || on.changes(news.changes));
  };
  tabs.addEventListener('message', (event: MessageEvent<News>) => hear(event.data));

  /** @param missed whether something may have been told to nobody before it is open */
  const stream = (missed: boolean) => {
    let dropped = missed;
    const source = new EventSource('/api/v1/events');
    const pass = (news: News) => {
      tabs.postMessage(news);
      hear(news);
    };
    // Said by the server whenever the stream opens: at first, and after it was dropped or the server restarted.
    source.addEventListener('hello', () => {
      if (dropped) pass({ lost: true });
      dropped = false;
    });
    source.addEventListener('change', (event) => {
      pass(JSON.parse((event as MessageEvent<string>).data) as { changes: ChangeSet; n?: number });
    });
    source.addEventListener('error', () => {
      dropped = true;
    });
    stop.signal.addEventListener('abort', () => source.close());
  };

  const began = performance.now();
  const hold = () => {
    // Waited for: another tab had the stream until now, and in between nobody had.
    stream(performance.now() - began > WAITED_MS);
    return new Promise<void>((resolve) => stop.signal.addEventListener('abort', () => resolve()));
  };
  if (navigator.locks) {
    navigator.locks.request(NAME, { signal: stop.signal }, hold).catch(() => {}); // stopped before its turn
  } else void hold();
  return () => {
    stop.abort();
    tabs.close();
  };
}
