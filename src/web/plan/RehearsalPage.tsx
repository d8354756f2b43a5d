import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { PlanOrder, PlanRehearsalView, PlanTaskView } from '../../contract/index.ts';
import { api } from '../api/client.ts';
import { usePlan, useSlip, useYard } from '../api/queries.ts';
import { startOfDay } from '../clock/wallClock.ts';
import { Choice } from '../forms/Choice.tsx';
import { BoatDrawing } from '../parts/drawing/BoatDrawing.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { sayTask } from '../words/plan.ts';
import { comparedRows, PLAYED, sayMistakes, sayStep, sayWhy } from '../words/rehearsal.ts';
import { sayMoney } from '../words/supply.ts';
import { sayMoment } from './planTimes.ts';
import { areasAt, DRAWN_AS, nextAt, pastAt } from './played.ts';

const HOUR_MS = 3_600_000;
/** So many hours of the rehearsal go by in a second. */
const SPEEDS = { '1': 'Slow', '4': 'Normal', '16': 'Fast' } as const;
/** Weathers to choose from: any number is one. */
const WEATHERS = 12;

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
      <h1 className="text-2xl">Rehearsal</h1>
      <p>
        Play the plan hour by hour in simulated weather. Stop at any time, decide differently and see what
        happens. The plan and the log stay as they are.
      </p>
      <p>
        New to this?{' '}
        <Link className="link" to="/plan/practice">
          Start with six practice cases
        </Link>
      </p>
      <QueryBoundary query={yard}>
        {({ zone }) => (
          <QueryBoundary query={plan}>
            {(view) =>
              view.tasks.length === 0 ? (
                <p>
                  There is no plan to rehearse.{' '}
                  <Link className="link" to="/plan">
                    Open the plan
                  </Link>
                </p>
              ) : (
                <Rehearsed key={view.key} planKey={view.key} currency={view.currency} zone={zone} />
              )
            }
          </QueryBoundary>
        )}
      </QueryBoundary>
    </div>
  );
}

function Rehearsed(of: { planKey: string; currency: Parameters<typeof sayMoney>[1]; zone: string }) {
  const { planKey, zone } = of;
  const [draw, setDraw] = useState(0);
  const [orders, setOrders] = useState<PlanOrder[]>([]);
  const planned = useRehearsal(planKey, draw, []);
  const decided = useRehearsal(planKey, draw, orders);
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
                    currency={of.currency}
                  /> // biome-ignore format: one line
                ) : (
                  <p>
                    <button type="button" className="btn target" onClick={() => setAtMs(untilMs)}>
                      Skip to the end
                    </button>
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

function Player(of: {
  at: number;
  fromMs: number;
  untilMs: number;
  onMove: (ms: number) => void;
  zone: string;
  draw: number;
  onDraw: (draw: number) => void;
}) {
  const { at, fromMs, untilMs, onMove, zone, draw, onDraw } = of;
  const [isPlaying, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<keyof typeof SPEEDS>('4');
  const isOver = at >= untilMs;
  useEffect(() => {
    if (!isPlaying || isOver) return;
    const timer = setTimeout(() => onMove(Math.min(untilMs, at + HOUR_MS)), 1000 / Number(speed));
    return () => clearTimeout(timer);
  }, [isPlaying, isOver, at, untilMs, speed, onMove]);
  const said = sayMoment(new Date(at).toISOString(), zone);
  return (
    <section aria-label="Time" className="space-y-2">
      <div className="flex flex-wrap items-end gap-3">
        <button
          type="button"
          className="btn btn-primary target"
          onClick={() => {
            if (isOver) onMove(fromMs);
            setPlaying(isOver || !isPlaying);
          }}
        >
          {isOver ? 'Play again' : isPlaying ? 'Pause' : 'Play'}
        </button>
        <button
          type="button"
          className="btn target"
          disabled={at <= fromMs}
          onClick={() => onMove(Math.max(fromMs, at - HOUR_MS))}
        >
          1 hour back
        </button>
        <button
          type="button"
          className="btn target"
          disabled={isOver}
          onClick={() => onMove(Math.min(untilMs, at + HOUR_MS))}
        >
          1 hour on
        </button>
        <Choice
          label="Speed"
          value={speed}
          choices={Object.entries(SPEEDS)}
          onChange={(value) => setSpeed(value as keyof typeof SPEEDS)}
        />
        <Choice
          label="Weather"
          value={String(draw)}
          choices={Array.from({ length: WEATHERS }, (_, i) => [String(i), `Simulated weather ${i + 1}`])}
          onChange={(value) => onDraw(Number(value))}
        />
      </div>
      <label className="block">
        <span className="text-xl font-semibold tabular-nums">{said}</span>
        <input
          type="range"
          className="range range-lg block w-full"
          aria-label="Time in the rehearsal"
          aria-valuetext={said}
          min={fromMs}
          max={untilMs}
          step={HOUR_MS / 2}
          value={at}
          onChange={({ target }) => onMove(Number(target.value))}
        />
      </label>
    </section>
  );
}

function WeatherAt({ view, at }: { view: PlanRehearsalView; at: number }) {
  const { show } = useUnits();
  const hour = view.hours.findLast((each) => Date.parse(each.at) <= at);
  if (!hour) return null;
  const rain = hour.rainMm === null ? 'no rain data' : hour.rainMm > 0 ? 'rain' : 'no rain';
  return (
    <p className="tabular-nums">
      Weather: air {show(hour.airC, 'temperature', { digits: 1 })}, humidity {Math.round(hour.rh * 100)} %,{' '}
      {rain}
      {hour.windMs !== null && `, wind ${show(hour.windMs, 'speed', { digits: 1 })}`}
    </p>
  );
}

function Boats({ view, at }: { view: PlanRehearsalView; at: number }) {
  const slip = useSlip();
  const played = areasAt(view, at);
  return (
    <section aria-labelledby="boats" className="space-y-4">
      <h2 id="boats" className="batten pb-1 text-lg">
        Boats
      </h2>
      <div className="grid gap-4 sm:grid-cols-2">
        {view.launches.map(({ boatId, boatName }) => {
          const own = played.filter((area) => area.boatId === boatId);
          const boat = slip.data?.boats.find(({ id }) => id === boatId);
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
                      state: state ? DRAWN_AS[state] : area.state,
                      number: i + 1,
                      part: area.part,
                    };
                  })}
                />
              )}
              <ul className="text-sm">
                {own.map((area) => (
                  <li key={area.areaId}>
                    <strong>{area.areaName}</strong>: {area.done} of {counted(area.coats, 'coat')} on,{' '}
                    {PLAYED[area.state]}
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

/** So many hours a task can be held. */
const HOLDS = { '2': '2 hours', '24': '1 day', '72': '3 days', '168': '7 days' } as const;

function Decide(of: {
  view: PlanRehearsalView;
  at: number;
  zone: string;
  orders: readonly PlanOrder[];
  isBusy: boolean;
  onOrders: (orders: PlanOrder[]) => void;
}) {
  const { view, at, zone, orders, isBusy, onOrders } = of;
  const next = nextAt(view, at);
  const [chosen, setChosen] = useState('');
  const [hold, setHold] = useState<keyof typeof HOLDS>('24');
  const task = next.find(({ id }) => id === chosen) ?? next[0];
  const name = (each: PlanTaskView) =>
    `${each.areaName === '' ? each.boatName : `${each.areaName}, ${each.boatName}`}: ${sayTask(each)}`;
  const halfHour = new Date(Math.ceil(at / (HOUR_MS / 2)) * (HOUR_MS / 2)).toISOString();
  const decide = (kind: PlanOrder['kind'], time: string) => {
    if (task) onOrders([...orders, { kind, taskId: task.id, at: time, decided: halfHour }]);
  };
  return (
    <section aria-labelledby="decide" className="space-y-2">
      <h2 id="decide" className="batten pb-1 text-lg">
        Decide differently
      </h2>
      {task ? (
        <>
          <Choice
            label="Task"
            value={task.id}
            choices={next.map((each) => [each.id, name(each)] as const)}
            onChange={setChosen}
          />
          <div className="flex flex-wrap items-end gap-3">
            <button
              type="button"
              className="btn target"
              disabled={isBusy}
              onClick={() => decide('begin', halfHour)}
            >
              Start now in any case
            </button>
            <Choice
              label="Wait"
              value={hold}
              choices={Object.entries(HOLDS)}
              onChange={(value) => setHold(value as keyof typeof HOLDS)}
            />
            <button
              type="button"
              className="btn target"
              disabled={isBusy}
              onClick={() =>
                decide('hold', new Date(Date.parse(halfHour) + Number(hold) * HOUR_MS).toISOString())
              }
            >
              Start later
            </button>
          </div>
        </>
      ) : (
        <p>No work is left.</p>
      )}
      <p role="status">{isBusy ? 'Working out what happens…' : ''}</p>
      {orders.length > 0 && (
        <>
          <h3 className="font-semibold">Your decisions</h3>
          <ol className="list-decimal pl-5">
            {orders.map((order) => (
              <li key={`${order.decided} ${order.taskId} ${order.kind}`}>
                {sayMoment(order.decided, zone)}: {nameOf(view, order.taskId)} {cameOf(view, order, zone)}
              </li>
            ))}
          </ol>
          <button
            type="button"
            className="btn target"
            disabled={isBusy}
            onClick={() => onOrders(orders.slice(0, -1))}
          >
            Undo last decision
          </button>
        </>
      )}
    </section>
  );
}

function nameOf({ steps }: PlanRehearsalView, taskId: string): string {
  const task = steps.find((step) => step.task?.id === taskId)?.task;
  return task ? `${task.areaName === '' ? task.boatName : task.areaName}, ${sayTask(task)}:` : 'Task:';
}

/** What came of a decision. */
function cameOf({ steps }: PlanRehearsalView, { kind, taskId, at }: PlanOrder, zone: string): string {
  if (kind === 'hold') return `held until ${sayMoment(at, zone)}`;
  const own = steps.filter(({ task }) => task?.id === taskId);
  const refused = own.find((step) => step.kind === 'refused' && step.at === at);
  if (refused) return `not possible, ${sayWhy(refused)}`;
  return own.some(({ mistakes }) => mistakes.length > 0) ? 'started, a mistake' : 'started';
}

function Happened({ view, at, zone }: { view: PlanRehearsalView; at: number; zone: string }) {
  const past = pastAt(view, at);
  const say = (moment: string) => sayMoment(moment, zone);
  const today = startOfDay(at, zone);
  return (
    <section aria-labelledby="happened" className="space-y-2">
      <h2 id="happened" className="batten pb-1 text-lg">
        What happened
      </h2>
      {past.length === 0 && <p>Nothing yet. Press “Play”.</p>}
      <Scroller label="What happened, latest first">
        <ol className="max-h-96 space-y-1 overflow-y-auto">
          {past.map((step) => {
            const mistakes = sayMistakes(step, say);
            const isBad = step.kind === 'spoilt' || step.kind === 'refused' || mistakes.length > 0;
            return (
              <li
                key={`${step.at} ${step.kind} ${step.task?.id}`}
                className={`border-l-4 pl-2 ${isBad ? 'border-error' : 'border-base-300'} ${startOfDay(Date.parse(step.at), zone) === today ? '' : 'opacity-80'}`}
              >
                <span className="text-sm tabular-nums">{say(step.at)}</span>
                <br />
                {isBad && <strong>{step.kind === 'refused' ? 'Not possible: ' : 'Mistake: '}</strong>}
                {sayStep(step)}. {mistakes.join(' ')}
              </li>
            );
          })}
        </ol>
      </Scroller>
    </section>
  );
}

function Outcome(of: {
  planned: PlanRehearsalView;
  decided: PlanRehearsalView;
  hasOrders: boolean;
  zone: string;
  currency: Parameters<typeof sayMoney>[1];
}) {
  const { planned, decided, hasOrders, zone, currency } = of;
  const say = (moment: string) => sayMoment(moment, zone);
  const rows = comparedRows(planned, decided, { moment: say, money: (minor) => sayMoney(minor, currency) });
  const early = decided.steps.filter(({ task, mistakes }) => task?.kind === 'launch' && mistakes.length > 0);
  return (
    <section aria-labelledby="outcome" className="space-y-2">
      <h2 id="outcome" className="batten pb-1 text-lg">
        Outcome
      </h2>
      <Scroller label="Outcome">
        <table className="table">
          <thead>
            <tr>
              <th scope="col">In this weather</th>
              <th scope="col">Following the plan</th>
              {hasOrders && <th scope="col">With your decisions</th>}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ label, planned: before, decided: after }) => (
              <tr key={label}>
                <th scope="row">{label}</th>
                <td>{before}</td>
                {hasOrders && <td className={before === after ? '' : 'font-semibold'}>{after}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </Scroller>
      {early.map((step) => (
        <p key={step.at} role="alert" className="border-error border-l-4 pl-3">
          <strong>{step.task?.boatName} was launched too soon.</strong> {sayMistakes(step, say).join(' ')} The
          cost above leaves out hauling the boat out and coating it again.
        </p>
      ))}
      <p className="text-sm">
        Another weather gives another outcome: choose one above and play again. The plan shows the chances
        over many.
      </p>
    </section>
  );
}
