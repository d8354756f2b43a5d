import { MutationCache, QueryClient } from '@tanstack/react-query';
import { type ChangeSet, staleKeys } from '../../contract/changes.ts';
import { notify } from '../state/notices.ts';
import { listenToOwnChanges } from './client.ts';

declare module '@tanstack/react-query' {
  interface Register {
    mutationMeta: {
      /** Its refusal stands at the form it came from. */
      atForm?: boolean;
    };
  }
}

/**
 * The one place where it is decided what happens when something is asked for or changed: how often it is tried, what is
 * asked for again afterwards, and where a refusal is told.
 */
export function makeQueryClient(options: { retry: number | false } = { retry: 1 }): QueryClient {
  const client = new QueryClient({
    defaultOptions: {
      queries: { staleTime: 20_000, retry: options.retry, networkMode: 'always' },
      // Not tried again by itself: what must arrive goes through the queue.
      mutations: { retry: false, networkMode: 'always' },
    },
    mutationCache: new MutationCache({
      onError: (error, _variables, _context, mutation) => {
        if (!mutation.meta?.atForm) notify(error.message);
      },
    }),
  });
  listenToOwnChanges((changes) => refetch(client, changes));
  return client;
}

/** Asks again for what a change set made stale, and nothing else. */
export async function refetch(client: QueryClient, changes: ChangeSet): Promise<void> {
  await Promise.all(staleKeys(changes).map((queryKey) => client.invalidateQueries({ queryKey })));
}
