import type { PlanView } from '../../contract/index.ts';
import { type Chance, oddsOf } from '../../core/plan/index.ts';
import { sayMoney } from '../words/supply.ts';
import { sayMoment } from './planTimes.ts';
import { MORE_DRAWS, type Odds } from './useOdds.ts';

/** "72 % (± 4)": a chance with its sampling error, never sure. */
export const sayChance = ({ chance, error }: Chance): string =>
  `${Math.round(chance * 100)} % (± ${Math.max(1, Math.round(error * 100))})`;

const at = (ms: number | null, zone: string) =>
  ms === null ? 'more than two weeks after the plan' : sayMoment(new Date(ms).toISOString(), zone);

/** What the plan comes to where the weather differs from the forecast: chances of the dates, the cost and the trouble. */
export function Chances({ view, zone, odds }: { view: PlanView; zone: string; odds: Odds }) {
  const boats = view.boats.flatMap(({ boatId, launch, wanted }) =>
    launch
      ? [{ boatId, plannedMs: Date.parse(launch), wantedMs: wanted === null ? null : Date.parse(wanted) }]
      : [],
  );
  if (boats.length === 0) return null;
  const found = oddsOf(odds.outcomes, boats);
  const nameOf = new Map(view.boats.map(({ boatId, boatName }) => [boatId, boatName]));
  return (
    <section aria-labelledby="chances" className="space-y-2">
      <h2 id="chances" className="batten pb-1 text-lg">
        If the weather differs from the forecast
      </h2>
      {odds.outcomes.length > 0 && (
        <>
          <ul className="space-y-1">
            {found.boats.map(({ boatId, byPlan, byWanted, launch }) => (
              <li key={boatId}>
                <strong>
                  {nameOf.get(boatId)}: {sayChance(byPlan)}
                </strong>{' '}
                by the planned time{byWanted && <>, {sayChance(byWanted)} by the date wanted</>}. Likely by{' '}
                {at(launch.median, zone)}; nine times out of ten by {at(launch.ninetieth, zone)}.
              </li>
            ))}
          </ul>
          <ul className="list-disc pl-5 text-sm">
            {found.cost.median !== null && found.cost.tenth !== null && found.cost.ninetieth !== null && (
              <li>
                Cost: likely {sayMoney(found.cost.median, view.currency)}, eight times out of ten{' '}
                {sayMoney(found.cost.tenth, view.currency)} to {sayMoney(found.cost.ninetieth, view.currency)}
                .
              </li>
            )}
            <li>A window closes and the film is sanded: {sayChance(found.sanded)}.</li>
            <li>
              Rain or dew reaches a wet coat, which is sanded and applied again: {sayChance(found.harmed)}.
            </li>
            <li>A coat is outside a limit of its sheet for a while: {sayChance(found.outside)}.</li>
          </ul>
        </>
      )}
      <Progress odds={odds} />
      <p className="text-sm">
        Each simulation lets the weather differ from the forecast as much as forecasts usually do, plans again
        every morning with the forecast of that day, and follows the work.{' '}
        {odds.rain === false && 'There is no rain data, so rain is not simulated. '}
        The figure after ± is the sampling error.
      </p>
    </section>
  );
}

function Progress({ odds }: { odds: Odds }) {
  const { outcomes, wanted, isRunning, failed, more, stop } = odds;
  return (
    <div className="flex flex-wrap items-center gap-3 print:hidden">
      <span role="status" className="tabular-nums">
        {failed
          ? 'The simulation stopped because the server did not answer.'
          : isRunning
            ? `${outcomes.length} of ${wanted} simulations done`
            : `${outcomes.length} simulations`}
      </span>
      {isRunning ? (
        <>
          <progress className="progress w-40" value={outcomes.length} max={wanted} aria-label="Simulations" />
          <button type="button" className="btn btn-sm" onClick={stop}>
            Stop
          </button>
        </>
      ) : (
        (failed || outcomes.length < MORE_DRAWS) && (
          <button type="button" className="btn btn-sm" onClick={() => more(MORE_DRAWS)}>
            {failed ? 'Try again' : `Run ${MORE_DRAWS} simulations`}
          </button>
        )
      )}
    </div>
  );
}
