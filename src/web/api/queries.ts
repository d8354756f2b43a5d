import {
  keepPreviousData,
  type UseQueryResult,
  useInfiniteQuery,
  useQueries,
  useQuery,
} from '@tanstack/react-query';
import { useMemo } from 'react';
import type {
  BenchView,
  BoardView,
  BoatView,
  BuyingView,
  ClockDetail,
  CoatCheck,
  CostsView,
  FormView,
  LeversView,
  LogView,
  LookAheadView,
  MaterialsQuery,
  MaterialsView,
  MovementsView,
  OwnTemplate,
  PaceView,
  PlanView,
  Product,
  RunningView,
  StackView,
  StationsView,
  StripView,
  TinsView,
  TodayView,
  TradeView,
  Waterline,
  WeatherView,
  WorkRatesView,
  Yard,
} from '../../contract/index.ts';
import type { ShellKind } from '../../core/air/index.ts';
import { api } from './client.ts';
import { useQueue, type Waiting } from './queue.ts';
import {
  benchWithWaiting,
  boatWithWaiting,
  lineWithWaiting,
  logWithWaiting,
  templatesWithWaiting,
} from './withWaiting.ts';

/** What each screen asks the server for. The first word of a key is the view's name in the contract. */

/** The server’s answer with the entries that wait on this device added. */
export function useOverlaid<T>(
  query: UseQueryResult<T>,
  lay: (data: T, waiting: readonly Waiting[]) => T,
): UseQueryResult<T> {
  const waiting = useQueue();
  const { data } = query;
  const overlaid = useMemo(
    () => (data === undefined || waiting.length === 0 ? data : lay(data, waiting)),
    [data, waiting, lay],
  );
  return { ...query, data: overlaid } as UseQueryResult<T>;
}

export const useYard = () => useQuery({ queryKey: ['yard'], queryFn: () => api<Yard>('GET', '/yard') });

export const useBoard = () =>
  useQuery({ queryKey: ['board'], queryFn: () => api<BoardView>('GET', '/board'), refetchInterval: 60_000 });

export const useToday = () =>
  useQuery({
    queryKey: ['today'],
    queryFn: () => api<TodayView>('GET', '/today'),
    refetchInterval: 5 * 60_000,
  });

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

export const useProducts = () =>
  useQuery({ queryKey: ['products'], queryFn: () => api<Product[]>('GET', '/products') });

/**
 * A question about a cover: a heater's set point °C and power W, the enclosure and its surface m² (null: the usual), air
 * changes in tenths an hour, water drying inside in tenths of a litre an hour, the air inside m³.
 */
export interface InsideAsked {
  heatC: number;
  watts: number;
  shell: ShellKind | null;
  outsideM2: number | null;
  changesTenths: number | null;
  wetDl: number;
  roomM3: number;
}

/** The bench of an area; `safeHours`: until safe from dew and rain, told by hand where the sheet states none. */
export const useBench = (areaId: string, asked: { safeHours?: number | null } & Partial<InsideAsked> = {}) =>
  useOverlaid(
    useQuery({
      queryKey: ['bench', areaId, ...(Object.values(asked).some(Boolean) ? [asked] : [])],
      queryFn: () => {
        const query = new URLSearchParams();
        if (asked.safeHours) query.set('safeHours', String(asked.safeHours));
        const inside = ['heatC', 'watts', 'shell', 'outsideM2', 'changesTenths', 'wetDl', 'roomM3'] as const;
        for (const key of inside) if (asked[key] != null) query.set(key, String(asked[key]));
        return api<BenchView>('GET', `/bench/${areaId}${query.size > 0 ? `?${query}` : ''}`);
      },
      enabled: areaId !== '',
      placeholderData: keepPreviousData,
      refetchInterval: 60_000,
    }),
    benchWithWaiting,
  );

/** A question about the days ahead at a bench. */
export const useLookAhead = (
  areaId: string,
  asked: { safeHours: number | null; launchAt: string | null; damp: boolean },
) =>
  useQuery({
    queryKey: ['bench', areaId, 'ahead', asked],
    queryFn: () => {
      const query = new URLSearchParams();
      if (asked.safeHours) query.set('safeHours', String(asked.safeHours));
      if (asked.launchAt) query.set('launchAt', asked.launchAt);
      if (asked.damp) query.set('damp', 'yes');
      return api<LookAheadView>('GET', `/bench/${areaId}/ahead${query.size > 0 ? `?${query}` : ''}`);
    },
    placeholderData: keepPreviousData,
  });

interface CoatSpan {
  from: string | null;
  to: string | null;
}

const coatCheckQuery = (areaId: string, span: CoatSpan) => ({
  queryKey: ['bench', areaId, 'check', span],
  queryFn: () =>
    api<CoatCheck>(
      'GET',
      `/areas/${areaId}/coat-check?${new URLSearchParams({ from: span.from ?? '', to: span.to ?? '' })}`,
    ),
  enabled: span.from !== null && span.to !== null && span.from <= span.to,
  placeholderData: keepPreviousData<CoatCheck>,
  // Out of reach of the server the coat is logged without it.
  retry: false,
});

/** What the record would say against the next coat of an area, applied from then to then; not asked while a time is missing. */
export const useCoatCheck = (areaId: string, span: CoatSpan) => useQuery(coatCheckQuery(areaId, span));

/** As {@link useCoatCheck}, of several areas in their order. */
export const useCoatChecks = (areaIds: readonly string[], span: CoatSpan) =>
  useQueries({ queries: areaIds.map((areaId) => coatCheckQuery(areaId, span)) }).map(({ data }) => data);

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
    return logWithWaiting({ ...first, entries, films, products }, waiting);
  }, [pages.data, waiting]);
  return { ...pages, data } as UseQueryResult<LogView> &
    Pick<typeof pages, 'hasNextPage' | 'fetchNextPage' | 'isFetchingNextPage'>;
}

export const useWeather = () =>
  useQuery({
    queryKey: ['weather'],
    queryFn: () => api<WeatherView>('GET', '/weather?back=3&ahead=10'),
  });

/** The air of the time-strip, over an area or (null) over topsides in the open, so many days back. */
export const useStrip = (areaId: string | null, backDays: number) =>
  useQuery({
    queryKey: ['strip', areaId, backDays],
    queryFn: () =>
      api<StripView>('GET', `/strip?back=${backDays}${areaId === null ? '' : `&areaId=${areaId}`}`),
    placeholderData: keepPreviousData,
    refetchInterval: 5 * 60_000,
  });

/** How a product cures here by the hand tests of its films. */
export const useProductPace = (productId: string) =>
  useQuery({
    queryKey: ['pace', productId],
    queryFn: () => api<PaceView>('GET', `/products/${productId}/pace`),
  });

/** Every clock that runs beside the windows; of the yard, or of one area. */
export const useRunning = (areaId: string | null) =>
  useQuery({
    queryKey: ['running', areaId],
    queryFn: () => api<RunningView>('GET', `/running${areaId === null ? '' : `?areaId=${areaId}`}`),
    refetchInterval: 60_000,
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

export const useBoatCalendar = (boatId: string) =>
  useQuery({
    queryKey: ['calendar', boatId],
    queryFn: () => api<{ given: boolean }>('GET', `/boats/${boatId}/calendar`),
  });

export const useStations = () =>
  useQuery({
    queryKey: ['stations'],
    queryFn: () => api<StationsView>('GET', '/stations'),
    refetchInterval: 60_000,
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
