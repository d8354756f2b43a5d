import { useQueries } from '@tanstack/react-query';
import { useState } from 'react';
import type { LeverCode, LeverView, PlanView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { useLevers } from '../api/planQueries.ts';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { LEVER_TAKES, leverNames } from '../words/plan.ts';
import { sayMoney } from '../words/supply.ts';
import { CheapestWay } from './CheapestWay.tsx';
import { sayMoment } from './planTimes.ts';
import { patiently } from './useOdds.ts';

/** What a second person, longer days, a tent and the like would change: planned when asked for. */
export function Levers({ view, zone }: { view: PlanView; zone: string }) {
  const [asked, setAsked] = useState(false);
  const levers = useLevers(asked);
  return (
    <section aria-labelledby="levers" className="space-y-2">
      <h2 id="levers" className="batten pb-1 text-lg">{t`What would change the date?`}</h2>
      {asked ? (
        <QueryBoundary query={levers}>
          {({ levers: changes }) => (
            <>
              <LeverTable view={view} zone={zone} changes={changes} />
              <CheapestWay
                key={view.key}
                view={view}
                changes={changes.filter((code) => code !== 'one-coat-fewer')}
              />
            </>
          )}
        </QueryBoundary>
      ) : (
        <button
          type="button"
          className="btn target"
          onClick={() => setAsked(true)}
        >{t`Compare changes`}</button>
      )}
    </section>
  );
}

/** The plan as it is and with each change, a row as soon as it is planned. */
function LeverTable({
  view,
  zone,
  changes,
}: {
  view: PlanView;
  zone: string;
  changes: readonly LeverCode[];
}) {
  const names = leverNames(useUnits().show);
  const codes = [null, ...changes];
  const rows = useQueries({
    queries: codes.map((code) => ({
      queryKey: ['plan', 'with', view.key, code],
      queryFn: () => patiently(() => api<LeverView>('GET', `/plan/with?levers=${code ?? ''}`)),
      staleTime: Number.POSITIVE_INFINITY,
    })),
  });
  const planned = rows.filter(({ isSuccess }) => isSuccess).length;
  return (
    <>
      <p role="status">
        {planned < rows.length &&
          !rows.some(({ isError }) => isError) &&
          t`${planned} of ${rows.length} planned…`}
      </p>
      <Scroller label={t`Changes compared`}>
        <table className="table">
          <thead>
            <tr>
              <th scope="col">{t`Change`}</th>
              <th scope="col">{t`Needs`}</th>
              <th scope="col">{t`Last launch`}</th>
              <th scope="col" className="text-right">{t`Cost`}</th>
              <th scope="col" className="text-right">{t`Areas not in the plan`}</th>
            </tr>
          </thead>
          <tbody>
            {codes.map((code, i) => (
              <tr key={code ?? 'now'}>
                <th scope="row">{code ? names[code] : t`No change`}</th>
                <td className="text-sm">{code ? LEVER_TAKES[code] : ''}</td>
                <Planned row={rows[i]} zone={zone} currency={view.currency} />
              </tr>
            ))}
          </tbody>
        </table>
      </Scroller>
      <p className="text-sm">{t`Each row is planned in under a second, so small differences mean little. Costs include the prices of a tent, heat and overtime that are set below. A row with fewer areas left out covers more work.`}</p>
    </>
  );
}

function Planned({
  row,
  zone,
  currency,
}: {
  row: { data: LeverView | undefined; isError: boolean; refetch: () => unknown } | undefined;
  zone: string;
  currency: PlanView['currency'];
}) {
  if (row?.isError)
    return (
      <td colSpan={3}>
        {t`Couldn’t plan this. `}
        <button type="button" className="btn btn-sm" onClick={() => row.refetch()}>{t`Try again`}</button>
      </td>
    );
  if (!row?.data) return <td colSpan={3}>…</td>;
  const { launch, cost, leftOut } = row.data;
  return (
    <>
      <td className="whitespace-nowrap">{launch ? sayMoment(launch, zone) : t`no plan`}</td>
      <td className="text-right whitespace-nowrap tabular-nums">
        {cost === null ? '–' : sayMoney(cost, currency)}
      </td>
      <td className="text-right tabular-nums">{leftOut}</td>
    </>
  );
}
