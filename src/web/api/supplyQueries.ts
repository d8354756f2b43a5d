import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type {
  BuyingView,
  CostsView,
  MaterialsQuery,
  MaterialsView,
  MovementsView,
  PaceView,
  TinsView,
  TradeView,
  WorkRatesView,
} from '../../contract/index.ts';
import { api } from './client.ts';

/** Queries of materials, stock and costs. */

/** How a product cures here by the hand tests of its films. */
export const useProductPace = (productId: string) =>
  useQuery({
    queryKey: ['pace', productId],
    queryFn: () => api<PaceView>('GET', `/products/${productId}/pace`),
  });

/** What the yard, a boat, an area or a product still takes, held against the stock. */
export const useMaterials = (asked: MaterialsQuery, enabled = true) =>
  useQuery({
    queryKey: ['materials', asked],
    queryFn: () => {
      const query = new URLSearchParams(asked as Record<string, string>);
      return api<MaterialsView>('GET', `/materials${query.size > 0 ? `?${query}` : ''}`);
    },
    placeholderData: keepPreviousData,
    enabled,
  });

export const useBuying = () =>
  useQuery({
    queryKey: ['buying'],
    queryFn: () => api<BuyingView>('GET', '/buying'),
    refetchInterval: ({ state }) => (state.data?.proving ? 3000 : false),
  });

export const useMovements = () =>
  useQuery({ queryKey: ['movements'], queryFn: () => api<MovementsView>('GET', '/movements') });

export const useTrade = () =>
  useQuery({ queryKey: ['trade'], queryFn: () => api<TradeView>('GET', '/trade') });

export const useWorkRates = () =>
  useQuery({ queryKey: ['workRates'], queryFn: () => api<WorkRatesView>('GET', '/work-rates') });

export const useTins = (productId: string, colour: string | null) =>
  useQuery({
    queryKey: ['tins', productId, colour],
    queryFn: () =>
      api<TinsView>(
        'GET',
        `/products/${productId}/tins${colour === null ? '' : `?${new URLSearchParams({ colour })}`}`,
      ),
  });

export const useCosts = (boatId: string) =>
  useQuery({
    queryKey: ['costs', boatId],
    queryFn: () => api<CostsView>('GET', `/boats/${boatId}/costs`),
    enabled: boatId !== '',
  });
