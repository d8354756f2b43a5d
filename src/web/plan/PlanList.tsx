import { useState } from 'react';
import { Link } from 'react-router';
import type { PlanTaskView, PlanView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { startOfDay } from '../clock/wallClock.ts';
import { sayCondition } from '../words/airReasons.ts';
import { OLD_TAPE, sayFaults, sayPlanSupply, sayTask } from '../words/plan.ts';
import { MoveTask } from './MoveTask.tsx';
import { sayClock, sayDate, sayDay } from './planTimes.ts';
import { useSetupWrite } from './planWrite.ts';
import { pinsWith } from './usePlaces.ts';

/** Tasks by the day they begin on, in order. */
function byDay(tasks: readonly PlanTaskView[], zone: string): [number, PlanTaskView[]][] {
  const days = new Map<number, PlanTaskView[]>();
  for (const task of tasks) {
    const day = startOfDay(Date.parse(task.start), zone);
    days.set(day, [...(days.get(day) ?? []), task]);
  }
  return [...days];
}

/** The plan as a list of days: what, where, who; each task can be kept at its time. */
export function PlanList({ view, zone }: { view: PlanView; zone: string }) {
  const { isPending, change } = useSetupWrite(view);
  const [moving, setMoving] = useState<string | null>(null);
  return (
    <section aria-labelledby="list" className="space-y-3">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h2 id="list" className="batten pb-1 text-lg">{t`Day by day`}</h2>
        <div className="flex flex-wrap gap-2 print:hidden">
          <Link className="btn btn-sm" to="/plan/today">{t`Work of the day`}</Link>
          <Link className="btn btn-sm" to="/plan/calendar">{t`Yard calendar`}</Link>
          <Link className="btn btn-sm" to="/plan/rehearsal">{t`Rehearse the plan`}</Link>
          <Downloads view={view} />
          <button type="button" className="btn btn-sm" onClick={() => window.print()}>{t`Print`}</button>
        </div>
      </div>
      {byDay(view.tasks, zone).map(([day, tasks]) => (
        <div key={day}>
          <h3 className="font-semibold">{sayDay(day, zone)}</h3>
          <ol className="space-y-1">
            {tasks.map((task) => (
              <li
                key={task.id}
                className="border-line grid gap-x-4 border-b py-1 sm:grid-cols-[8rem_minmax(0,1fr)_auto]"
              >
                <span className="font-semibold tabular-nums">
                  {sayClock(task.sandFrom ?? task.start, zone)}–{sayClock(task.end, zone)}
                </span>
                <TaskText task={task} zone={zone} />
                <span className="flex flex-wrap items-start gap-1 print:hidden">
                  <button
                    type="button"
                    className="btn btn-sm"
                    disabled={isPending}
                    aria-label={`${task.pinned ? 'Release' : t`Keep at this time`}: ${sayTask(task)}, ${task.areaName || task.boatName}`}
                    onClick={() =>
                      change({ pins: pinsWith(view, task.id, task.pinned ? null : Date.parse(task.start)) })
                    }
                  >
                    {task.pinned ? t`Release` : t`Keep at this time`}
                  </button>
                  <button
                    type="button"
                    className="btn btn-sm"
                    aria-expanded={moving === task.id}
                    aria-label={t`Move: ${sayTask(task)}, ${task.areaName || task.boatName}`}
                    onClick={() => setMoving(moving === task.id ? null : task.id)}
                  >{t`Move`}</button>
                </span>
                {moving === task.id && (
                  <MoveTask view={view} task={task} zone={zone} onDone={() => setMoving(null)} />
                )}
              </li>
            ))}
          </ol>
        </div>
      ))}
    </section>
  );
}

/** The plan as files: a table, and calendars for a person or a boat. */
function Downloads({ view: { setup, boats } }: { view: PlanView }) {
  const files: [string, string][] = [
    [t`Document (PDF)`, '/api/v1/plan.pdf'],
    [t`Table (CSV)`, '/api/v1/plan.csv'],
    [t`Calendar of everything`, '/api/v1/plan.ics'],
    ...setup.people.map(({ id, name }): [string, string] => [
      t`Calendar of ${name}`,
      `/api/v1/plan.ics?person=${id}`,
    ]),
    ...boats.map(({ boatId, boatName }): [string, string] => [
      t`Calendar of ${boatName}`,
      `/api/v1/plan.ics?boat=${boatId}`,
    ]),
  ];
  return (
    <details className="dropdown dropdown-end">
      <summary className="btn btn-sm">{t`Download`}</summary>
      <ul className="menu dropdown-content bg-base-200 border-line z-10 w-64 border">
        {files.map(([name, href]) => (
          <li key={href}>
            <a href={href} download>
              {name}
            </a>
          </li>
        ))}
      </ul>
    </details>
  );
}

function TaskText({ task, zone }: { task: PlanTaskView; zone: string }) {
  return (
    <span>
      {task.areaId ? (
        <Link className="font-semibold hover:underline" to={`/bench/${task.areaId}`}>
          {sayTask(task)}
        </Link>
      ) : (
        <strong>{sayTask(task)}</strong>
      )}{' '}
      {task.areaName ? `${task.areaName}, ${task.boatName}` : task.boatName}
      {task.people.length > 0 && `. ${task.people.join(' and ')}`}
      {task.applyFrom && task.applyTo && (
        <span className="block text-sm">
          {t`Apply ${sayClock(task.applyFrom, zone)}–${sayClock(task.applyTo, zone)}`}
          {task.sandFrom &&
            t`, after sanding from ${sayClock(task.sandFrom, zone)}: the window has closed by then`}
        </span>
      )}
      {task.conditions.map((code) => (
        <span key={code} className="block text-sm font-semibold">
          {sayCondition(code)}
        </span>
      ))}
      {task.tapeTooOld && <span className="block text-sm font-semibold">{OLD_TAPE}</span>}
      {task.supply && (
        <span className="block text-sm font-semibold">
          {sayPlanSupply(task.supply, task.supply.dueOn ? sayDate(task.supply.dueOn, zone) : '')}
        </span>
      )}
      {task.critical && <span className="block text-sm">{t`The launch waits for this.`}</span>}
      {task.pinned && <span className="block text-sm">{t`Kept at this time by hand.`}</span>}
      {task.faults.length > 0 && (
        <strong className="text-error block text-sm">
          {t`${sayFaults(task)} Release the task to plan another time.`}
        </strong>
      )}
    </span>
  );
}
