import { useMutation } from '@tanstack/react-query';
import { checkNoFault } from '../forms/faults.ts';
import { api, type WriteRequest } from './client.ts';
import { send } from './queue.ts';

/**
 * Changes something on the server. What it changed is asked for again by itself; a refusal is told in a corner of the
 * page, or, with `atForm`, where it was asked: the caller then shows `write.error`.
 *
 * `write.mutate({ method: 'DELETE', path }, { onSuccess: () => setRemoved(item) })`
 */
export const useWrite = <T = unknown>(meta: { atForm?: boolean } = {}) =>
  useMutation<T, Error, WriteRequest>({
    mutationFn: async ({ method, path, body }) => {
      checkNoFault();
      return api<T>(method, path, body);
    },
    meta,
  });

/** As {@link useWrite}, for what must not be lost while the server is out of reach: it waits on this device. */
export const useQueued = () =>
  useMutation<'arrived' | 'kept', Error, WriteRequest & { what: string }>({
    mutationFn: async (request) => {
      checkNoFault();
      return send(request);
    },
  });
