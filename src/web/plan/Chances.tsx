import type { PlanBoatView, PlanView } from '../../contract/index.ts';
import { type Chance, oddsOf } from '../../core/plan/index.ts';
import { t } from '../../words.ts';
import { sayMoney } from '../words/supply.ts';
import { sayMoment } from './planTimes.ts';
import { FIRST_DRAWS, MORE_DRAWS, type Odds } from './useOdds.ts';

/** "72 % (± 4)": a chance with its sampling error, never sure. */
export const sayChance = ({ chance, error }: Chance): string =>
  `${Math.min(99, Math.max(1, Math.round(chance * 100)))} % (± ${Math.max(1, Math.round(error * 100))})`;

/** Fewer draws than this say nothing; fewer than twenty say nothing of one in ten. */
const LEAST_DRAWS = 10;

/** How likely a boat is launched by the planned time, and when it is likely launched. */
export function LaunchChance({ boat, zone, odds }: { boat: PlanBoatView; zone: string; odds: Odds }) {
  if (!boat.launch || odds.outcomes.length < LEAST_DRAWS) return null;
  const { boatId, launch, wanted } = boat;
  const dates = {
    boatId,
    plannedMs: Date.parse(launch),
    wantedMs: wanted === null ? null : Date.parse(wanted),
  };
  const [found] = oddsOf(odds.outcomes, [dates]).boats;
  if (!found) return null;
  const { byPlan, byWanted, launch: at } = found;
  const say = (ms: number) => sayMoment(new Date(ms).toISOString(), zone);
  return (
    <p>
      <strong>{sayChance(byPlan)}</strong>
      {t` by then`}
      {byWanted && (
        <>
          , <strong>{sayChance(byWanted)}</strong>
          {t` by the date wanted`}
        </>
      )}
      . {at.median === null ? t`Likely more than two weeks later.` : t`Likely by ${say(at.median)}.`}{' '}
      {at.median !== null &&
        odds.outcomes.length >= FIRST_DRAWS &&
        (at.ninetieth === null
          ? t`It may take more than two weeks longer.`
          : t`Nine times out of ten by ${say(at.ninetieth)}.`)}
    </p>
  );
}

/** What the plan comes to where the weather differs from the forecast: cost and trouble. */
export function Chances({ view, odds }: { view: PlanView; odds: Odds }) {
  if (view.boats.every(({ launch }) => launch === null)) return null;
  const { cost, sanded, harmed, outside } = oddsOf(odds.outcomes, []);
  const money = (minor: number) => sayMoney(minor, view.currency);
  return (
    <section aria-labelledby="chances" className="space-y-2">
      <h2 id="chances" className="batten pb-1 text-lg">{t`If the weather differs from the forecast`}</h2>
      {odds.outcomes.length >= LEAST_DRAWS && (
        <ul className="list-disc pl-5">
          {cost.median !== null && cost.tenth !== null && cost.ninetieth !== null && cost.ninetieth > 0 && (
            <li>
              {t`Cost: likely ${money(cost.median)}, eight times out of ten ${money(cost.tenth)} to ${money(cost.ninetieth)}`}
            </li>
          )}
          <li>{t`At least one window closes, so a film is sanded: ${sayChance(sanded)}`}</li>
          <li>{t`Rain or dew reaches a wet coat, which is sanded and applied again: ${sayChance(harmed)}`}</li>
          <li>{t`A coat is outside a limit of its sheet for a while: ${sayChance(outside)}`}</li>
        </ul>
      )}
      <Progress odds={odds} />
      <p className="text-sm">
        {t`Each simulation lets the weather differ from the forecast as much as forecasts usually do. It plans again every morning with the forecast of that day, and follows the work. `}
        {odds.rain === false && t`There is no rain data, so rain is not simulated. `}
        {t`The figure after ± is the sampling error.`}
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
          ? t`The simulation stopped because the server did not answer.`
          : isRunning
            ? t`${outcomes.length} of ${wanted} simulations done`
            : t`${outcomes.length} simulations`}
      </span>
      {isRunning ? (
        <>
          <progress
            className="progress w-40"
            value={outcomes.length}
            max={wanted}
            aria-label={t`Simulations`}
          />
          <button type="button" className="btn btn-sm" onClick={stop}>{t`Stop`}</button>
        </>
      ) : (
        (failed || outcomes.length < MORE_DRAWS) && (
          <button type="button" className="btn btn-sm" onClick={() => more(MORE_DRAWS)}>
            {failed ? t`Try again` : t`Run ${MORE_DRAWS} simulations`}
          </button>
        )
      )}
    </div>
  );
}
