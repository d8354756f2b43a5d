import { keepPreviousData, type UseQueryResult, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type {
  BoatView,
  ClockDetail,
  FormView,
  LogView,
  OwnTemplate,
  StackView,
  Waterline,
} from '../../contract/index.ts';
import { boatWithWaiting, lineWithWaiting, logWithWaiting, templatesWithWaiting } from './boatWithWaiting.ts';
import { api } from './client.ts';
import { useOverlaid } from './overlaid.ts';
import { useQueue } from './queue.ts';

/** Queries of a boat. */

export const useBoat = (id: string) =>
  useOverlaid(
    useQuery({
      queryKey: ['boat', id],
      queryFn: () => api<BoatView>('GET', `/boats/${id}`),
      enabled: id !== '',
    }),
    boatWithWaiting,
  );

export const useStacks = (boatId: string) =>
  useQuery({
    queryKey: ['stacks', boatId],
    queryFn: () => api<StackView[]>('GET', `/boats/${boatId}/stacks`),
  });

export const useClockDetail = (areaId: string) =>
  useQuery({
    queryKey: ['clock', areaId],
    queryFn: () => api<ClockDetail>('GET', `/areas/${areaId}/clock`),
    refetchInterval: 60_000,
  });

/** A boat's log, as many pages of it as were asked for, as one. */
export function useLog(boatId: string) {
  const pages = useInfiniteQuery({
    queryKey: ['log', boatId],
    queryFn: ({ pageParam }) =>
      api<LogView>('GET', `/boats/${boatId}/log${pageParam === null ? '' : `?before=${pageParam}`}`),
    initialPageParam: null as string | null,
    getNextPageParam: (last) => last.next,
    placeholderData: keepPreviousData,
  });
  const waiting = useQueue();
  const data = useMemo(() => {
    const [first, ...older] = pages.data?.pages ?? [];
    if (!first) return undefined;
    const entries = [...first.entries, ...older.flatMap((page) => page.entries)];
    // Each page brings what is needed to read its own entries.
    const films = Object.assign({}, ...older.map((page) => page.films), first.films);
    const products = Object.assign({}, ...older.map((page) => page.products), first.products);
    const removedAt = Object.assign({}, ...older.map((page) => page.removedAt), first.removedAt);
    return logWithWaiting({ ...first, entries, films, products, removedAt }, waiting);
  }, [pages.data, waiting]);
  return { ...pages, data } as UseQueryResult<LogView> &
    Pick<typeof pages, 'hasNextPage' | 'fetchNextPage' | 'isFetchingNextPage'>;
}

export const useBoatCalendar = (boatId: string) =>
  useQuery({
    queryKey: ['calendar', boatId],
    queryFn: () => api<{ given: boolean }>('GET', `/boats/${boatId}/calendar`),
  });

export const useHullForm = (boatId: string) =>
  useQuery({ queryKey: ['form', boatId], queryFn: () => api<FormView>('GET', `/boats/${boatId}/form`) });

export const useWaterline = (boatId: string) =>
  useOverlaid(
    useQuery({
      queryKey: ['waterline', boatId],
      queryFn: () => api<Waterline>('GET', `/boats/${boatId}/waterline`),
    }),
    lineWithWaiting,
  );

export const useTemplates = () =>
  useOverlaid(
    useQuery({ queryKey: ['templates'], queryFn: () => api<OwnTemplate[]>('GET', '/templates') }),
    templatesWithWaiting,
  );
