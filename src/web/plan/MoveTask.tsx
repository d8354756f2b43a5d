import { useState } from 'react';
import type { PlanPlacesView, PlanTaskView, PlanView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { startOfDay } from '../clock/wallClock.ts';
import { Choice } from '../forms/Choice.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { sayFaultCodes, sayTask } from '../words/plan.ts';
import { daysFrom, sayClock, sayDay } from './planTimes.ts';
import { useSetupWrite } from './planWrite.ts';
import { pinsWith, placeAt, usePlaces } from './usePlaces.ts';

const HALF_HOUR_MS = 30 * 60_000;
const DAY_MS = 24 * 3_600_000;

/** Times to which a task can be moved: a day, then its half hours, each with what speaks against it. */
export function MoveTask({
  view,
  task,
  zone,
  onDone,
}: {
  view: PlanView;
  task: PlanTaskView;
  zone: string;
  onDone: () => void;
}) {
  const places = usePlaces(view, task.id);
  return (
    <div className="border-line col-span-full my-2 space-y-2 border-l-4 pl-3 print:hidden">
      <p className="font-semibold">{t`Move: ${sayTask(task)}`}</p>
      {places.isPending ? (
        <p role="status">{t`Looking for suitable times…`}</p>
      ) : (
        <QueryBoundary query={places}>
          {(found) => <Times view={view} task={task} zone={zone} found={found} onDone={onDone} />}
        </QueryBoundary>
      )}
      <button type="button" className="btn btn-sm" onClick={onDone}>{t`Cancel`}</button>
    </div>
  );
}

function Times(of: {
  view: PlanView;
  task: PlanTaskView;
  zone: string;
  found: PlanPlacesView;
  onDone: () => void;
}) {
  const { view, task, zone, found, onDone } = of;
  const { isPending, change } = useSetupWrite(view);
  const count = Math.ceil((Date.parse(view.until) - Date.parse(view.from)) / DAY_MS) + 1;
  const days = daysFrom(Date.parse(view.from), zone, count).slice(0, count);
  const [day, setDay] = useState(startOfDay(Date.parse(task.start), zone));
  const [refused, setRefused] = useState<string | null>(null);
  const end = days[days.indexOf(day) + 1] ?? day + DAY_MS;
  const times = Array.from(
    { length: Math.round((end - day) / HALF_HOUR_MS) },
    (_, i) => day + i * HALF_HOUR_MS,
  )
    .map((ms) => ({ ms, place: placeAt(found, ms) }))
    // Night hours in which nobody works are left out.
    .filter(({ place }) => place && !place.why.includes('person-not-free'));
  const choose = (ms: number, place: PlanPlacesView['places'][number]) => {
    if (place.state === 'forbidden') {
      setRefused(
        t`${sayClock(new Date(ms).toISOString(), zone)} isn’t possible. ${sayFaultCodes(place.why)}`,
      );
      return;
    }
    change({ pins: pinsWith(view, task.id, ms) });
    onDone();
  };
  return (
    <>
      <Choice
        label={t`Day`}
        value={String(day)}
        choices={days.map((each) => [String(each), sayDay(each, zone)])}
        onChange={(value) => {
          setDay(Number(value));
          setRefused(null);
        }}
      />
      {times.length === 0 && <p>{t`Nobody works on this day.`}</p>}
      <div className="flex flex-wrap gap-1">
        {times.map(({ ms, place }) => {
          if (!place) return null;
          const clock = sayClock(new Date(ms).toISOString(), zone);
          const word = { free: '', costly: ' ⇄', forbidden: ' ✕' }[place.state];
          const label = { free: 'possible', costly: t`other tasks move`, forbidden: t`not possible` }[
            place.state
          ];
          return (
            <button
              key={ms}
              type="button"
              disabled={isPending}
              className={`btn target px-2 tabular-nums ${place.state === 'forbidden' ? 'btn-ghost line-through' : ''}`}
              aria-label={`${clock}, ${label}`}
              onClick={() => choose(ms, place)}
            >
              {clock}
              {word}
            </button>
          );
        })}
      </div>
      {refused && <p role="alert">{refused}</p>}
      <p className="text-sm">{t`⇄ other tasks move. ✕ not possible: select it to see why.`}</p>
    </>
  );
}
