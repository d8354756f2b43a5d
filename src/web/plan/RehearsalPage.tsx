import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { PlanOrder, PlanRehearsalView, PlanView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { usePlan } from '../api/planQueries.ts';
import { useBoard, useYard } from '../api/queries.ts';
import { BoatDrawing } from '../parts/drawing/BoatDrawing.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { PLAYED } from '../words/rehearsal.ts';
import { Decide } from './Decide.tsx';
import { Player } from './Player.tsx';
import { areasAt, DRAWN_AS } from './played.ts';
import { Happened, Outcome } from './RehearsalOutcome.tsx';

const HOUR_MS = 3_600_000;
const useRehearsal = (key: string, draw: number, orders: readonly PlanOrder[]) =>
  useQuery({
    queryKey: ['plan', 'rehearsal', key, draw, orders],
    queryFn: () =>
      api<PlanRehearsalView>(
        'GET',
        `/plan/rehearsal?draw=${draw}${orders.length === 0 ? '' : `&orders=${encodeURIComponent(JSON.stringify(orders))}`}`,
      ),
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
  });

/** The plan played hour by hour in simulated weather, with decisions of one's own. */
export function RehearsalPage() {
  const plan = usePlan();
  const yard = useYard();
  return (
    <div className="max-w-6xl space-y-4 p-3 md:p-6">
      <h1 className="text-2xl">{t`Rehearsal`}</h1>
      <p>{t`Play the plan hour by hour in simulated weather. Stop at any time, decide differently and see what happens. The plan and the log stay as they are.`}</p>
      <p>
        {t`New to this? `}
        <Link className="link" to="/plan/practice">{t`Start with six practice cases`}</Link>
      </p>
      <QueryBoundary query={yard}>
        {({ zone }) => (
          <QueryBoundary query={plan}>
            {(view) =>
              view.tasks.length === 0 ? (
                <p>
                  {t`There is no plan to rehearse. `}
                  <Link className="link" to="/plan">{t`Open the plan`}</Link>
                </p>
              ) : (
                <Rehearsed plan={view} zone={zone} />
              )
            }
          </QueryBoundary>
        )}
      </QueryBoundary>
    </div>
  );
}

function Rehearsed({ plan, zone }: { plan: PlanView; zone: string }) {
  const [draw, setDraw] = useState(0);
  const [decisions, setOrders] = useState<PlanOrder[]>([]);
  // The plan moves on while somebody looks at it: decisions from before its start have no place in it.
  const orders = decisions.filter(({ decided }) => decided >= plan.from);
  const dropped = decisions.length - orders.length;
  const planned = useRehearsal(plan.key, draw, []);
  const decided = useRehearsal(plan.key, draw, orders);
  const [atMs, setAtMs] = useState<number | null>(null);
  return (
    <QueryBoundary query={planned}>
      {(asPlanned) => (
        <QueryBoundary query={decided}>
          {(view) => {
            const fromMs = Date.parse(view.from);
            const untilMs = Date.parse(view.until) + HOUR_MS;
            const at = Math.min(untilMs, Math.max(fromMs, atMs ?? fromMs));
            return (
              <>
                <Player
                  at={at}
                  fromMs={fromMs}
                  untilMs={untilMs}
                  onMove={setAtMs}
                  zone={zone}
                  draw={draw}
                  onDraw={(each) => {
                    setDraw(each);
                    setOrders([]);
                    setAtMs(null);
                  }}
                />
                <WeatherAt view={view} at={at} />
                {dropped > 0 && (
                  <p role="status">{t`The plan now starts later. Decisions before its start were removed (${dropped}).`}</p>
                )}
                <div className="grid gap-6 lg:grid-cols-2">
                  <Boats view={view} at={at} />
                  <div className="space-y-6">
                    <Decide
                      view={view}
                      at={at}
                      zone={zone}
                      orders={orders}
                      isBusy={decided.isPlaceholderData || decided.isFetching}
                      onOrders={setOrders}
                    />
                    <Happened view={view} at={at} zone={zone} />
                  </div>
                </div>
                {at >= untilMs ? (
                  <Outcome
                    planned={asPlanned}
                    decided={view}
                    hasOrders={orders.length > 0}
                    zone={zone}
                    currency={plan.currency}
                  />
                ) : (
                  <p>
                    <button
                      type="button"
                      className="btn target"
                      onClick={() => setAtMs(untilMs)}
                    >{t`Skip to the end`}</button>
                  </p>
                )}
              </>
            );
          }}
        </QueryBoundary>
      )}
    </QueryBoundary>
  );
}

function WeatherAt({ view, at }: { view: PlanRehearsalView; at: number }) {
  const { show } = useUnits();
  const hour = view.hours.findLast((each) => Date.parse(each.at) <= at);
  if (!hour) return null;
  const rain = hour.rainMm === null ? t`no rain data` : hour.rainMm > 0 ? 'rain' : t`no rain`;
  return (
    <p className="tabular-nums">
      {t`Weather: air ${show(hour.airC, 'temperature', { digits: 1 })}, humidity ${Math.round(hour.rh * 100)} %, ${rain}`}
      {hour.windMs !== null && t`, wind ${show(hour.windMs, 'speed', { digits: 1 })}`}
    </p>
  );
}

function Boats({ view, at }: { view: PlanRehearsalView; at: number }) {
  const board = useBoard();
  const played = areasAt(view, at);
  return (
    <section aria-labelledby="boats" className="space-y-4">
      <h2 id="boats" className="batten pb-1 text-lg">{t`Boats`}</h2>
      <div className="grid gap-4 sm:grid-cols-2">
        {view.launches.map(({ boatId, boatName }) => {
          const own = played.filter((area) => area.boatId === boatId);
          const boat = board.data?.boats.find(({ id }) => id === boatId);
          return (
            <div key={boatId}>
              <h3 className="lettered">{boatName}</h3>
              {boat && (
                <BoatDrawing
                  boat={boat}
                  areas={boat.areas.map((area, i) => {
                    const state = own.find(({ areaId }) => areaId === area.areaId)?.state;
                    return {
                      id: area.areaId,
                      name: area.areaName,
                      zone: area.zone,
                      side: area.side === 'port' ? 'both' : area.side,
                      state: state && state !== 'waiting' ? DRAWN_AS[state] : area.state,
                      number: i + 1,
                      part: area.part,
                    };
                  })}
                />
              )}
              <ul className="text-sm">
                {own.map((area) => (
                  <li key={area.areaId}>
                    <strong>{area.areaName}</strong>:{' '}
                    {area.coats === 0
                      ? t`not painted in this weather`
                      : t`${area.done} of ${counted(area.coats, 'planned coat')} on`}
                    , {PLAYED[area.state]}
                  </li>
                ))}
              </ul>
            </div>
          );
        })}
      </div>
    </section>
  );
}
