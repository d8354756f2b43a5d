import { Link } from 'react-router';
import type { PlanView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { usePlan } from '../api/planQueries.ts';
import { useYard } from '../api/queries.ts';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { sayClash, sayPlaceChange, sayTask, UNPLANNED } from '../words/plan.ts';
import { sayMoney } from '../words/supply.ts';
import { Agreed } from './Agreed.tsx';
import { Chances, LaunchChance } from './Chances.tsx';
import { ExtraWorkForm } from './ExtraWorkForm.tsx';
import { Levers } from './Levers.tsx';
import { PlanLanes } from './PlanLanes.tsx';
import { PlanList } from './PlanList.tsx';
import { PlanSetupForm } from './PlanSetupForm.tsx';
import { daysLate, sayDate, sayMoment } from './planTimes.ts';
import { ShedCrowds } from './ShedCrowds.tsx';
import { type Odds, useOdds } from './useOdds.ts';

/** The plan: launch dates, cost, chart, day list, changes compared and set-up. */
export function PlanPage() {
  const plan = usePlan();
  const yard = useYard();
  return (
    <div className="max-w-6xl space-y-6 p-3 md:p-6">
      <h1 className="text-2xl">{t`Plan`}</h1>
      <QueryBoundary query={yard}>
        {({ zone }) =>
          plan.isPending ? (
            <p role="status">{t`Planning… Please wait a few seconds.`}</p>
          ) : (
            <QueryBoundary query={plan}>{(view) => <Planned view={view} zone={zone} />}</QueryBoundary>
          )
        }
      </QueryBoundary>
    </div>
  );
}

function Planned({ view, zone }: { view: PlanView; zone: string }) {
  const odds = useOdds(view);
  return (
    <>
      <Answer view={view} zone={zone} odds={odds} />
      {view.state === 'planned' && <Agreed view={view} zone={zone} />}
      {view.tasks.length > 0 && (
        <>
          <PlanLanes view={view} zone={zone} />
          <PlanList view={view} zone={zone} />
        </>
      )}
      <Chances view={view} odds={odds} />
      {view.state !== 'no-weather' && view.boats.length > 0 && <Levers view={view} zone={zone} />}
      {view.state !== 'no-weather' && <ExtraWorkForm key={view.setup.extraWork.length} view={view} />}
      {view.state !== 'no-weather' && <PlanSetupForm view={view} zone={zone} />}
    </>
  );
}

function Answer({ view, zone, odds }: { view: PlanView; zone: string; odds: Odds }) {
  if (view.state === 'no-weather')
    return (
      <p>
        {t`There is no weather data for today, so nothing can be planned. `}
        <Link className="link" to="/weather">{t`Add weather data`}</Link>
      </p>
    );
  if (view.boats.length === 0)
    return (
      <p>
        {t`No work is left on any boat. Give an area a system to plan its coats: `}
        <Link className="link" to="/">{t`open the board`}</Link>.
      </p>
    );
  return (
    <section aria-labelledby="answer" className="space-y-3">
      <h2 id="answer" className="sr-only">{t`Launch dates`}</h2>
      <ul className="space-y-2">
        {view.boats.map((boat) => (
          <li key={boat.boatId}>
            <p className="text-xl">
              {boat.boatName}:{' '}
              {boat.launch ? (
                <strong>{t`ready to launch ${sayMoment(boat.launch, zone)}`}</strong>
              ) : (
                <strong>{t`no launch date`}</strong>
              )}
              {boat.launch && boat.wanted && <Wanted wanted={boat.wanted} launch={boat.launch} zone={zone} />}
            </p>
            <LaunchChance boat={boat} zone={zone} odds={odds} />
            <PlaceChanges boat={boat} view={view} zone={zone} />
            {boat.unplanned > 0 && (
              <p className="text-warning-content bg-warning inline-block rounded px-2 text-sm font-semibold">
                {t`${counted(boat.unplanned, 'area')} not included: see below`}
              </p>
            )}
          </li>
        ))}
      </ul>
      <ShedCrowds view={view} zone={zone} />
      <Cost view={view} />
      <Supplies view={view} />
      <p className="text-sm">
        {view.forecastUntil &&
          t`The weather data ends ${sayMoment(view.forecastUntil, zone)}. After that, the plan assumes an average day of the last week of data, without data on rain. `}
        {t`The dates change if the weather differs. On the day, follow the data sheet and the checks at the bench.`}
      </p>
      {view.clashes.map((clash) => (
        <div key={clash.boatId} role="alert" className="border-error border-l-4 pl-3">
          <p className="font-semibold">{t`${clash.boatName} is not in the plan: ${sayClash(clash)}`}</p>
          {!clash.why.includes('not-found') && (
            <ul className="list-disc pl-5">
              {clash.tasks.map((task) => (
                <li key={task.id}>
                  {task.areaName && `${task.areaName}: `}
                  {sayTask(task)}
                  {task.boatId !== clash.boatId && `, ${task.boatName}`}
                </li>
              ))}
            </ul>
          )}
        </div>
      ))}
      {view.unplanned.length > 0 && (
        <details open={view.tasks.length === 0}>
          <summary className="target cursor-pointer py-2 font-semibold">
            {t`${counted(view.unplanned.length, 'area')} not in the plan`}
          </summary>
          <ul className="list-disc space-y-1 pl-5">
            {view.unplanned.map((area) => (
              <li key={area.areaId}>
                <Link className="link" to={`/bench/${area.areaId}`}>
                  {area.areaName}, {area.boatName}
                </Link>
                {area.productName && `, ${area.productName}`}: {UNPLANNED[area.code]}
              </li>
            ))}
          </ul>
        </details>
      )}
      {view.otherBoats.length > 0 && (
        <p className="text-sm">{t`Not in this plan: ${view.otherBoats.map(({ boatName }) => boatName).join(', ')}. Select boats under “People, hours and boats”.`}</p>
      )}
    </section>
  );
}

/** Coats whose paint is neither in stock nor on its way by a known day. */
function Supplies({ view: { tasks } }: { view: PlanView }) {
  const short = tasks.filter(({ supply }) => supply !== null && supply.code !== 'delivery');
  if (short.length === 0) return null;
  return (
    <p className="border-warning border-l-4 pl-3">
      {t`Paint is missing for ${counted(short.length, 'coat')}. The plan assumes that it arrives in time. `}
      <Link className="link" to="/materials/buy">{t`See what to buy`}</Link>
    </p>
  );
}

/** Where a boat stands from when on; what should have changed by now is asked for. */
function PlaceChanges({
  boat,
  view,
  zone,
}: {
  boat: PlanView['boats'][number];
  view: PlanView;
  zone: string;
}) {
  const { show } = useUnits();
  const { mutate: write, isPending } = useWrite();
  const own = (view.setup.placeChanges ?? []).filter(({ boatId }) => boatId === boat.boatId);
  const now = Date.parse(view.from);
  return (
    <>
      {[...new Set(boat.supportMoves.map(({ on }) => on))].map((on) => (
        <p
          key={on}
        >{t`Supports moved on ${sayDate(on, zone)}: ${boat.supportMoves.flatMap((move) => (move.on === on ? [move.name] : [])).join(', ')}.`}</p>
      ))}
      {own
        .toSorted((a, b) => a.at.localeCompare(b.at))
        .map((change) =>
          Date.parse(change.at) > now ? (
            <p
              key={change.at}
            >{t`From ${sayMoment(change.at, zone)}: ${sayPlaceChange(boat.boatName, change, show)}.`}</p>
          ) : (
            <div key={change.at} role="alert" className="border-warning space-y-1 border-l-4 pl-3">
              <p>{t`Planned for ${sayMoment(change.at, zone)}: ${sayPlaceChange(boat.boatName, change, show)}. Has it been moved?`}</p>
              <p className="flex flex-wrap items-center gap-x-4 gap-y-1">
                <button
                  type="button"
                  className="btn target"
                  disabled={isPending}
                  onClick={() =>
                    write({
                      method: 'POST',
                      path: `/boats/${boat.boatId}/shelter`,
                      body: { at: change.at, surroundings: change.surroundings },
                    })
                  }
                >{t`Yes, at that time`}</button>
                <Link
                  className="link target"
                  to={`/boats/${boat.boatId}/survey`}
                >{t`At another time: record the move in the survey`}</Link>
                <span>{t`If not, remove or change it below.`}</span>
              </p>
            </div>
          ),
        )}
    </>
  );
}

function Wanted({ wanted, launch, zone }: { wanted: string; launch: string; zone: string }) {
  const late = daysLate(wanted, launch);
  return late === 0 ? (
    <span>{t` (in time for ${sayMoment(wanted, zone)})`}</span>
  ) : (
    <span className="font-semibold">
      {t` (${counted(late, 'day')} later than wanted, ${sayMoment(wanted, zone)})`}
    </span>
  );
}

function Cost({ view: { cost, bound, proven, currency, setup } }: { view: PlanView }) {
  if (cost === null) return null;
  if (cost === 0)
    return (
      <p>
        {t`No prices are set, so the plan aims for the earliest dates. `}
        <Link
          className="link"
          to="/materials/costs"
        >{t`Set the price of a working hour and of a yard day`}</Link>
      </p>
    );
  const isKept = setup.agreed.length > 0;
  return (
    <p>
      <strong>{sayMoney(cost, currency)}</strong>
      {t` for working hours, yard days and lateness, without paint. ${
        proven
          ? t`No other plan costs less.`
          : t`${isKept ? t`The plan keeps to the one agreed.` : t`This is the best plan found so far.`} No plan costs less than ${sayMoney(bound ?? 0, currency)}.`
      }`}
    </p>
  );
}
