import { useQuery } from '@tanstack/react-query';
import type { PlanPlacesView, PlanView } from '../../contract/index.ts';
import { api } from '../api/client.ts';

/** Where a task of this plan could be put, as a query. */
export const placesQuery = ({ key }: PlanView, taskId: string) => ({
  queryKey: ['plan', 'places', key, taskId],
  queryFn: () => api<PlanPlacesView>('GET', `/plan/places?task=${encodeURIComponent(taskId)}`),
  staleTime: 60_000,
});

/** Where a task of this plan could be put; null: none is asked for. */
export const usePlaces = (view: PlanView, taskId: string | null) =>
  useQuery({ ...placesQuery(view, taskId ?? ''), enabled: taskId !== null });

/** The place that a start falls into; undefined: outside the plan. */
export const placeAt = (
  { places }: PlanPlacesView,
  ms: number,
): PlanPlacesView['places'][number] | undefined =>
  places.find(({ from, to }) => Date.parse(from) <= ms && ms <= Date.parse(to));

/** The set-up's tasks placed by hand, with one more or another time. */
export const pinsWith = ({ setup, from }: PlanView, taskId: string, ms: number | null) => [
  ...setup.pins.filter((pin) => pin.taskId !== taskId && Date.parse(pin.start) >= Date.parse(from)),
  ...(ms === null ? [] : [{ taskId, start: new Date(ms).toISOString() }]),
];
