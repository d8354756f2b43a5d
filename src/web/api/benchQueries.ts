import { keepPreviousData, useQueries, useQuery } from '@tanstack/react-query';
import type { BenchView, CoatCheck, LookAheadView } from '../../contract/index.ts';
import type { ShellKind } from '../../core/air/index.ts';
import { benchWithWaiting } from './benchWithWaiting.ts';
import { api } from './client.ts';
import { useOverlaid } from './overlaid.ts';

/** Queries of the bench. */

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
