import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type {
  BoardView,
  Product,
  RunningView,
  StationsView,
  StripView,
  TodayView,
  WeatherView,
  Yard,
} from '../../contract/index.ts';
import { api } from './client.ts';

/** What the screens of the whole yard ask the server for. The first word of a key is the view’s name in the contract; so in the files beside this one. */

export const useYard = () => useQuery({ queryKey: ['yard'], queryFn: () => api<Yard>('GET', '/yard') });

export const useBoard = () =>
  useQuery({ queryKey: ['board'], queryFn: () => api<BoardView>('GET', '/board'), refetchInterval: 60_000 });

export const useToday = () =>
  useQuery({
    queryKey: ['today'],
    queryFn: () => api<TodayView>('GET', '/today'),
    refetchInterval: 5 * 60_000,
  });

export const useProducts = () =>
  useQuery({ queryKey: ['products'], queryFn: () => api<Product[]>('GET', '/products') });

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

/** Every clock that runs beside the windows; of the yard, or of one area. */
export const useRunning = (areaId: string | null) =>
  useQuery({
    queryKey: ['running', areaId],
    queryFn: () => api<RunningView>('GET', `/running${areaId === null ? '' : `?areaId=${areaId}`}`),
    refetchInterval: 60_000,
  });

export const useStations = () =>
  useQuery({
    queryKey: ['stations'],
    queryFn: () => api<StationsView>('GET', '/stations'),
    refetchInterval: 60_000,
  });
