import { useState } from 'react';
import type { PlanOrder, PlanRehearsalView, PlanTaskView } from '../../contract/index.ts';
import { MOST_ORDERS } from '../../core/plan/index.ts';
import { t } from '../../words.ts';
import { Choice } from '../forms/Choice.tsx';
import { sayTask } from '../words/plan.ts';
import { sayWhy } from '../words/rehearsal.ts';
import { sayMoment } from './planTimes.ts';
import { nextAt } from './played.ts';

const HOUR_MS = 3_600_000;
/** So many hours a task can be held. */
const HOLDS = { '2': '2 hours', '24': '1 day', '72': '3 days', '168': '7 days' } as const;

/** Starts a task at once or later than planned, and lists the decisions so far. */
export function Decide(of: {
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
      <h2 id="decide" className="batten pb-1 text-lg">{t`Decide differently`}</h2>
      {orders.length >= MOST_ORDERS ? (
        <p>{t`A rehearsal takes up to ${MOST_ORDERS} decisions. Undo one to decide again.`}</p>
      ) : task ? (
        <>
          <Choice
            label={t`Task`}
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
            >{t`Start now in any case`}</button>
            <Choice
              label={t`Wait`}
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
            >{t`Start later`}</button>
          </div>
        </>
      ) : (
        <p>{t`No work is left.`}</p>
      )}
      <p role="status">{isBusy ? t`Working out what happens…` : ''}</p>
      {orders.length > 0 && (
        <>
          <h3 className="font-semibold">{t`Your decisions`}</h3>
          <ol className="list-decimal pl-5">
            {orders.map((order) => (
              <li key={`${order.decided} ${order.kind} ${order.taskId} ${order.at}`}>
                {sayMoment(order.decided, zone)}: {nameOf(view, order.taskId)} {cameOf(view, order, zone)}
              </li>
            ))}
          </ol>
          <button
            type="button"
            className="btn target"
            disabled={isBusy}
            onClick={() => onOrders(orders.slice(0, -1))}
          >{t`Undo last decision`}</button>
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
  if (kind === 'hold') return t`held until ${sayMoment(at, zone)}`;
  const own = steps.filter(({ task }) => task?.id === taskId);
  const refused = own.find((step) => step.kind === 'refused' && step.at === at);
  if (refused) return t`not possible, ${sayWhy(refused)}`;
  return own.some(({ mistakes }) => mistakes.length > 0) ? t`started, a mistake` : t`started`;
}
