import { useQuery } from '@tanstack/react-query';
import type {
  BenchView,
  BoatView,
  ClockDetail,
  FormView,
  LogView,
  OwnTemplate,
  Product,
  SlipView,
  StackView,
  Waterline,
  WeatherHour,
  Yard,
} from '../../contract/index.ts';
import { api } from './client.ts';

/** What each screen asks the server for. The first word of a key is what a live change names. */

export const useYard = () => useQuery({ queryKey: ['yard'], queryFn: () => api<Yard>('GET', '/yard') });

export const useSlip = () =>
  useQuery({ queryKey: ['slip'], queryFn: () => api<SlipView>('GET', '/slip'), refetchInterval: 60_000 });

export const useBoat = (id: string) =>
  useQuery({ queryKey: ['boat', id], queryFn: () => api<BoatView>('GET', `/boats/${id}`) });

export const useStacks = (boatId: string) =>
  useQuery({
    queryKey: ['stacks', boatId],
    queryFn: () => api<StackView[]>('GET', `/boats/${boatId}/stacks`),
  });

export const useProducts = () =>
  useQuery({ queryKey: ['products'], queryFn: () => api<Product[]>('GET', '/products') });

export const useBench = (areaId: string) =>
  useQuery({
    queryKey: ['bench', areaId],
    queryFn: () => api<BenchView>('GET', `/bench/${areaId}`),
    refetchInterval: 60_000,
  });

export const useClockDetail = (areaId: string) =>
  useQuery({
    queryKey: ['clock', areaId],
    queryFn: () => api<ClockDetail>('GET', `/areas/${areaId}/clock`),
    refetchInterval: 60_000,
  });

export const useLog = (boatId: string) =>
  useQuery({ queryKey: ['log', boatId], queryFn: () => api<LogView>('GET', `/boats/${boatId}/log`) });

export const useWeather = () =>
  useQuery({
    queryKey: ['weather'],
    queryFn: () => api<{ now: string; hours: WeatherHour[] }>('GET', '/weather?back=3&ahead=10'),
  });

export const useHullForm = (boatId: string) =>
  useQuery({ queryKey: ['form', boatId], queryFn: () => api<FormView>('GET', `/boats/${boatId}/form`) });

export const useWaterline = (boatId: string) =>
  useQuery({
    queryKey: ['waterline', boatId],
    queryFn: () => api<Waterline>('GET', `/boats/${boatId}/waterline`),
  });

export const useTemplates = () =>
  useQuery({ queryKey: ['templates'], queryFn: () => api<OwnTemplate[]>('GET', '/templates') });
