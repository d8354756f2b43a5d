import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { LeversView, PlanView } from '../../contract/index.ts';
import { api } from './client.ts';

/** Queries of the plan. */

/** The plan, sought again every half hour: its tasks begin on the half hour. */
export const usePlan = () =>
  useQuery({
    queryKey: ['plan'],
    queryFn: () => api<PlanView>('GET', '/plan'),
    refetchInterval: 30 * 60_000,
    placeholderData: keepPreviousData,
  });

export const useLevers = (enabled: boolean) =>
  useQuery({
    queryKey: ['plan', 'levers'],
    queryFn: () => api<LeversView>('GET', '/plan/levers'),
    enabled,
  });
