import { useState } from 'react';
import type { LeversView, PlanView } from '../../contract/index.ts';
import { useLevers } from '../api/queries.ts';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { leverNames } from '../words/plan.ts';
import { sayMoney } from '../words/supply.ts';
import { CheapestWay } from './CheapestWay.tsx';
import { sayMoment } from './planTimes.ts';

/** What a second person, longer days, a tent and the like would change: worked out when asked for. */
export function Levers({ view, zone }: { view: PlanView; zone: string }) {
  const [asked, setAsked] = useState(false);
  const levers = useLevers(asked);
  return (
    <section aria-labelledby="levers" className="space-y-2">
      <h2 id="levers" className="batten pb-1 text-lg">
        What would change the date?
      </h2>
      {asked ? (
        levers.isPending ? (
          <p role="status">Planning each change… This takes about ten seconds.</p>
        ) : (
          <QueryBoundary query={levers}>
            {(found) => (
              <>
                <LeverTable plans={found.plans} zone={zone} currency={view.currency} />
                <CheapestWay
                  key={view.key}
                  view={view}
                  changes={found.plans.flatMap(({ levers: [code] }) => code ?? [])}
                />
              </>
            )}
          </QueryBoundary>
        )
      ) : (
        <button type="button" className="btn target" onClick={() => setAsked(true)}>
          Compare changes
        </button>
      )}
    </section>
  );
}

function LeverTable({
  plans,
  zone,
  currency,
}: {
  plans: LeversView['plans'];
  zone: string;
  currency: PlanView['currency'];
}) {
  const names = leverNames(useUnits().show);
  return (
    <>
      <Scroller label="Changes compared">
        <table className="table">
          <thead>
            <tr>
              <th scope="col">Change</th>
              <th scope="col">Last launch</th>
              <th scope="col" className="text-right">
                Cost
              </th>
              <th scope="col" className="text-right">
                Areas not in the plan
              </th>
            </tr>
          </thead>
          <tbody>
            {plans.map(({ levers: [code], launch, cost, leftOut }) => (
              <tr key={code ?? 'now'}>
                <th scope="row">{code ? names[code] : 'No change'}</th>
                <td className="whitespace-nowrap">{launch ? sayMoment(launch, zone) : 'no plan'}</td>
                <td className="text-right whitespace-nowrap tabular-nums">
                  {cost === null ? '–' : sayMoney(cost, currency)}
                </td>
                <td className="text-right tabular-nums">{leftOut}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroller>
      <p className="text-sm">
        Each row is planned in under a second, so small differences mean little. Costs include the prices of a
        tent, heat and overtime that are set below. A row with fewer areas left out covers more work.
      </p>
    </>
  );
}
