import { useState } from 'react';
import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { PlanTaskView, PlanView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { usePlan } from '../api/planQueries.ts';
import { useYard } from '../api/queries.ts';
import { startOfDay } from '../clock/wallClock.ts';
import { Choice } from '../forms/Choice.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { sayCondition } from '../words/airReasons.ts';
import { OLD_TAPE, sayFaults, sayPlanSupply, sayTask } from '../words/plan.ts';
import { sayClock, sayDate, sayDay } from './planTimes.ts';
import { useSetupWrite } from './planWrite.ts';

/** A day's work of each person, in order: to look at in the yard, to print and to pin up. */
export function TodayPage() {
  const plan = usePlan();
  const yard = useYard();
  return (
    <div className="max-w-3xl space-y-4 p-3 md:p-6">
      <h1 className="text-2xl">{t`Work of the day`}</h1>
      <QueryBoundary query={yard}>
        {({ zone }) =>
          plan.isPending ? (
            <p role="status">{t`Planning… Please wait a few seconds.`}</p>
          ) : (
            <QueryBoundary query={plan}>
              {(view) =>
                view.state === 'no-weather' ? (
                  <p>{t`There is no weather data for today, so nothing can be planned.`}</p>
                ) : (
                  <Days view={view} zone={zone} />
                )
              }
            </QueryBoundary>
          )
        }
      </QueryBoundary>
    </div>
  );
}

const beginMs = (task: PlanTaskView) => Date.parse(task.sandFrom ?? task.start);

function Days({ view, zone }: { view: PlanView; zone: string }) {
  const today = startOfDay(Date.parse(view.now), zone);
  const days = [...new Set([today, ...view.tasks.map((task) => startOfDay(beginMs(task), zone))])].sort(
    (a, b) => a - b,
  );
  // Today, or where nothing is planned today the next day with work.
  const [day, setDay] = useState(days.find((each) => each >= today && hasWork(view, each, zone)) ?? today);
  const [person, setPerson] = useState('');
  const tasks = tasksOn(view, day, zone);
  const people = view.setup.people.filter(({ name }) => person === '' || name === person);
  const at = days.indexOf(day);
  const launches = tasks.filter(({ people: who }) => who.length === 0);
  return (
    <>
      <div className="flex flex-wrap items-end gap-3 print:hidden">
        <Choice
          label={t`Day`}
          value={String(day)}
          choices={days.map((each) => [
            String(each),
            `${sayDay(each, zone)}${each === today ? ' (today)' : ''}`,
          ])}
          onChange={(value) => setDay(Number(value))}
        />
        <Choice
          label={t`Person`}
          value={person}
          choices={[['', t`Everybody`], ...view.setup.people.map(({ name }) => [name, name] as const)]}
          onChange={setPerson}
        />
        <button
          type="button"
          className="btn target"
          disabled={at <= 0}
          onClick={() => setDay(days[at - 1] ?? day)}
        >{t`Earlier`}</button>
        <button
          type="button"
          className="btn target"
          disabled={at >= days.length - 1}
          onClick={() => setDay(days[at + 1] ?? day)}
        >{t`Later`}</button>
        <button type="button" className="btn target" onClick={() => window.print()}>{t`Print`}</button>
      </div>
      <h2 className="text-xl">{sayDay(day, zone)}</h2>
      {people.map(({ id, name }) => (
        <PersonDay
          key={id}
          view={view}
          name={name}
          tasks={tasks.filter(({ people: who }) => who.includes(name))}
          zone={zone}
        />
      ))}
      {launches.length > 0 && <PersonDay view={view} name={t`Launches`} tasks={launches} zone={zone} />}
      <p className="text-sm">{t`The times hold if the weather is as forecast. Check the conditions at the bench before each coat.`}</p>
      <p className="print:hidden">
        <Link className="link" to="/plan">{t`Open the whole plan`}</Link>
      </p>
    </>
  );
}

const tasksOn = ({ tasks }: PlanView, day: number, zone: string) =>
  tasks.filter((task) => startOfDay(beginMs(task), zone) === day);
const hasWork = (view: PlanView, day: number, zone: string) => tasksOn(view, day, zone).length > 0;

/** Work that was added to the plan is done with it; everything else is logged at the bench. */
function DoneExtra({ view, task }: { view: PlanView; task: PlanTaskView }) {
  const { isPending, change } = useSetupWrite(view);
  const { extraWork } = view.setup;
  return (
    <button
      type="button"
      className="btn target mt-1 print:hidden"
      disabled={isPending}
      onClick={() => change({ extraWork: extraWork.filter(({ id }) => !task.id.includes(`/${id}`)) })}
    >
      {t`Done`}
      <span className="sr-only">: {sayTask(task)}</span>
    </button>
  );
}

/** Ticks the tape on the edges of an area: from then on its age counts, and the plan masks no more. */
function TapeOn({ task, areaId }: { task: PlanTaskView; areaId: string }) {
  const { mutate: log, isPending, isSuccess } = useQueued();
  const tick = () =>
    log(
      entryWrite({
        id: uuidv7(),
        areaId,
        at: new Date().toISOString(),
        corrects: null,
        kind: 'tape',
        body: {
          itemId: areaId,
          name: t`Edges of the area`,
          on: true,
          stepId: null,
          coatNo: null,
          tape: 'masking',
        },
      }),
    );
  return (
    <button
      type="button"
      className="btn target mt-1 print:hidden"
      disabled={isPending || isSuccess}
      onClick={tick}
    >
      {t`Tape on`}
      <span className="sr-only">: {sayTask(task)}</span>
    </button>
  );
}

function PersonDay({
  view,
  name,
  tasks,
  zone,
}: {
  view: PlanView;
  name: string;
  tasks: PlanTaskView[];
  zone: string;
}) {
  return (
    <section aria-label={name} className="space-y-1 break-inside-avoid">
      <h3 className="batten pb-1 text-lg">{name}</h3>
      {tasks.length === 0 ? (
        <p>{t`Nothing is planned.`}</p>
      ) : (
        <ol>
          {tasks.map((task) => (
            <li
              key={task.id}
              className="border-line grid grid-cols-[7.5rem_minmax(0,1fr)] gap-x-3 border-b py-2"
            >
              <span className="text-lg font-semibold tabular-nums">
                {sayClock(task.sandFrom ?? task.start, zone)}–{sayClock(task.end, zone)}
              </span>
              <span>
                <strong>{sayTask(task)}</strong>
                <span className="block">
                  {task.areaName ? `${task.areaName}, ${task.boatName}` : task.boatName}
                  {task.people.length > 1 &&
                    t`. With ${task.people.filter((each) => each !== name).join(', ')}`}
                </span>
                {task.sandFrom && (
                  <span className="block text-sm">{t`Sand first, until ${sayClock(task.start, zone)}.`}</span>
                )}
                {task.applyFrom && task.applyTo && (
                  <span className="block text-sm">{t`Apply ${sayClock(task.applyFrom, zone)}–${sayClock(task.applyTo, zone)}.`}</span>
                )}
                {task.conditions.map((code) => (
                  <span key={code} className="block text-sm font-semibold">
                    {sayCondition(code)}
                  </span>
                ))}
                {task.supply && task.supply.code !== 'delivery' && (
                  <span className="block text-sm font-semibold">
                    {sayPlanSupply(task.supply, task.supply.dueOn ? sayDate(task.supply.dueOn, zone) : '')}
                  </span>
                )}
                {task.tapeTooOld && <span className="block text-sm font-semibold">{OLD_TAPE}</span>}
                {task.beyondForecast && (
                  <span className="block text-sm">{t`After the end of the forecast: may change.`}</span>
                )}
                {task.faults.length > 0 && (
                  <strong className="text-error block text-sm">{sayFaults(task)}</strong>
                )}
                {task.work === 'extra' && <DoneExtra view={view} task={task} />}
                {task.work === 'mask' && task.areaId && <TapeOn task={task} areaId={task.areaId} />}
                {task.areaId && task.work !== 'extra' && task.work !== 'mask' && (
                  <Link className="btn target mt-1 print:hidden" to={`/bench/${task.areaId}`}>
                    {task.kind === 'coat' ? t`Mix and log at the bench` : t`Tick off at the bench`}
                    <span className="sr-only">: {sayTask(task)}</span>
                  </Link>
                )}
              </span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
