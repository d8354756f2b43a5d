import type { UseQueryResult } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useQueue, type Waiting } from './queue.ts';

/** The server’s answer with the entries that wait on this device added. */
export function useOverlaid<T>(
  query: UseQueryResult<T>,
  overlay: (data: T, waiting: readonly Waiting[]) => T,
): UseQueryResult<T> {
  const waiting = useQueue();
  const { data } = query;
  const overlaid = useMemo(
    () => (data === undefined || waiting.length === 0 ? data : overlay(data, waiting)),
    [data, waiting, overlay],
  );
  return { ...query, data: overlaid } as UseQueryResult<T>;
}
