import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { PlanPlacesView, PlanTaskView, PlanView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { wallOf } from '../clock/wallClock.ts';
import { Choice } from '../forms/Choice.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { sayFaultCodes, sayTask, sayTaskShort } from '../words/plan.ts';
import { daysFrom, sayClock, sayDay } from './planTimes.ts';
import { useSetupWrite } from './planWrite.ts';
import { pinsWith, placeAt, placesQuery, usePlaces } from './usePlaces.ts';

type By = 'area' | 'person' | 'boat';
const DAYS = 7;
const HALF_HOUR_MS = 30 * 60_000;
/** Tasks are moved by pointer here; what came of it is said below the chart. */
const nothing = () => undefined;
const SILENT = { onDragStart: nothing, onDragOver: nothing, onDragEnd: nothing, onDragCancel: nothing };

/** The rows of the chart: who or what, and its tasks. */
function lanesOf(tasks: readonly PlanTaskView[], by: By): [string, PlanTaskView[]][] {
  const lanes = new Map<string, PlanTaskView[]>();
  const put = (name: string, task: PlanTaskView) => lanes.set(name, [...(lanes.get(name) ?? []), task]);
  for (const task of tasks) {
    if (by === 'boat') put(task.boatName, task);
    else if (by === 'area')
      put(task.areaName === '' ? task.boatName : `${task.areaName}, ${task.boatName}`, task);
    else for (const name of task.people) put(name, task);
  }
  return [...lanes].sort(([a], [b]) => a.localeCompare(b));
}

/** The hours of a day that the chart shows: those in which anything is done. */
function hoursOf(tasks: readonly PlanTaskView[], zone: string): [number, number] {
  const hours = tasks.flatMap(({ start, end }) =>
    [start, end].map((at) => {
      const { hour, minute } = wallOf(Date.parse(at), zone);
      return hour + minute / 60;
    }),
  );
  const [from, to] = [Math.floor(Math.min(8, ...hours)), Math.ceil(Math.max(17, ...hours))];
  return [from, Math.max(from + 1, to)];
}

/** A week of the plan as lanes. Everything in it stands in the list below as text. */
export function PlanLanes({ view, zone }: { view: PlanView; zone: string }) {
  const [by, setBy] = useState<By>('area');
  const [week, setWeek] = useState(0);
  const chart = useRef<HTMLDivElement>(null);
  const days = daysFrom(Date.parse(view.from), zone, DAYS * (week + 1)).slice(DAYS * week);
  const [first, end] = [days[0] as number, days.at(-1) as number];
  const last = Math.max(...view.tasks.map((task) => Date.parse(task.end)));
  const [fromHour, toHour] = hoursOf(view.tasks, zone);
  const shown = view.tasks.filter((task) => Date.parse(task.start) < end && Date.parse(task.end) > first);
  /** Share of the width at which a moment lies; hours outside those shown lie at the edge of their day. */
  const across = (at: string): number => {
    const ms = Date.parse(at);
    const day = Math.max(
      0,
      days.findLastIndex((start) => start <= ms),
    );
    const hours = (ms - (days[day] as number)) / 3_600_000;
    const within = Math.min(1, Math.max(0, (hours - fromHour) / (toHour - fromHour)));
    return Math.min(1, (day + within) / DAYS);
  };
  const [dragged, setDragged] = useState<string | null>(null);
  const [announcement, setSaid] = useState('');
  const places = usePlaces(view, dragged);
  const client = useQueryClient();
  const { change } = useSetupWrite(view);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  /** The moment at a share of the width, on the half hour; the other way round from `across`. */
  const momentAt = (share: number): number => {
    const within = Math.min(DAYS - 1e-9, Math.max(0, share * DAYS));
    const day = days[Math.floor(within)] as number;
    const hours = fromHour + (within % 1) * (toHour - fromHour);
    return Math.round((day + hours * 3_600_000) / HALF_HOUR_MS) * HALF_HOUR_MS;
  };
  const drop = async ({ active, delta }: DragEndEvent) => {
    const task = view.tasks.find(({ id }) => id === active.id);
    const width = chart.current?.offsetWidth ?? 0;
    setDragged(null);
    if (!task || width === 0 || Math.abs(delta.x) < 2) return;
    const ms = momentAt(across(task.start) + delta.x / width);
    const at = new Date(ms).toISOString();
    setSaid(t`Checking this time…`);
    const found = await client.fetchQuery(placesQuery(view, task.id)).catch(() => null);
    if (!found) {
      setSaid(t`Couldn’t check this time. Try again.`);
      return;
    }
    const place = placeAt(found, ms);
    if (!place || place.state === 'forbidden') {
      const why = place ? sayFaultCodes(place.why) : t`The plan begins later or ends earlier.`;
      setSaid(t`${sayTask(task)} can’t start ${sayDay(ms, zone)}, ${sayClock(at, zone)}. ${why}`);
      return;
    }
    setSaid(t`${sayTask(task)}: moved to ${sayDay(ms, zone)}, ${sayClock(at, zone)}.`);
    change({ pins: pinsWith(view, task.id, ms) });
  };
  return (
    <section aria-labelledby="lanes" className="space-y-2">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 id="lanes" className="batten pb-1 text-lg">
          {t`${sayDay(first, zone)} to ${sayDay(end - 1, zone)}`}
        </h2>
        <div className="flex items-end gap-2">
          <Choice
            label={t`Rows by`}
            value={by}
            choices={[
              ['area', t`Area`],
              ['person', t`Person`],
              ['boat', t`Boat`],
            ]}
            onChange={(value) => setBy(value as By)}
          />
          <button
            type="button"
            className="btn target"
            disabled={week === 0}
            onClick={() => setWeek(week - 1)}
          >{t`Earlier`}</button>
          <button
            type="button"
            className="btn target"
            disabled={last <= end}
            onClick={() => setWeek(week + 1)}
          >{t`Later`}</button>
        </div>
      </div>
      <Scroller label={t`Chart of the week`}>
        <DndContext
          sensors={sensors}
          onDragStart={({ active }) => {
            setSaid('');
            setDragged(String(active.id));
          }}
          onDragCancel={() => setDragged(null)}
          onDragEnd={drop}
          accessibility={{ announcements: SILENT, screenReaderInstructions: { draggable: '' } }}
        >
          <div className="min-w-[44rem]" ref={chart}>
            <div className="grid grid-cols-7 text-sm" aria-hidden="true">
              {days.slice(0, DAYS).map((day) => (
                <span key={day} className="border-line border-l pl-1">
                  {sayDay(day, zone)}
                </span>
              ))}
            </div>
            {shown.length === 0 && <p className="py-3">{t`Nothing is planned in these days.`}</p>}
            {lanesOf(shown, by).map(([name, tasks]) => (
              <div key={name} className="border-line border-t py-1">
                <p className="text-sm font-semibold">{name}</p>
                <LaneOf
                  tasks={tasks}
                  zone={zone}
                  across={across}
                  places={tasks.some(({ id }) => id === dragged) ? (places.data?.places ?? []) : []}
                />
              </div>
            ))}
          </div>
        </DndContext>
      </Scroller>
      <p role="status" className="min-h-6 font-semibold">
        {announcement}
      </p>
      <p className="text-sm">{t`Drag a task to another time; the list below does the same with “Move”. While you drag, hatched times are not possible and dotted times make other tasks move. The list has the same tasks in words. Heavy frame: the launch waits for this. Dashed: after the end of the forecast. Each day shows ${fromHour}:00–${toHour}:00.`}</p>
    </section>
  );
}

/** The least share of the width that a bar takes, so that its word can be read. */
const LEAST_SHARE = 0.055;

/** Bars of a row of the chart; those that would cover each other lie below each other. */
function LaneOf({
  tasks,
  zone,
  across,
  places,
}: {
  tasks: PlanTaskView[];
  zone: string;
  across: (at: string) => number;
  /** Of the task that is dragged: where it could go. */
  places: PlanPlacesView['places'];
}) {
  const ends: number[] = [];
  const bars = tasks.map((task) => {
    const from = Math.min(across(task.start), 1 - LEAST_SHARE);
    const width = Math.max(LEAST_SHARE, across(task.end) - from);
    const free = ends.findIndex((end) => end <= from + 1e-9);
    const line = free < 0 ? ends.length : free;
    ends[line] = from + width;
    return { task, from, width, line };
  });
  return (
    <div className="week-days relative" style={{ height: `${ends.length * 1.6}rem` }} aria-hidden="true">
      {places.map(({ from, to, state }) => {
        const left = across(from);
        const end = across(new Date(Date.parse(to) + HALF_HOUR_MS).toISOString());
        return state === 'free' || end <= left ? null : (
          <span
            key={from}
            className={`absolute inset-y-0 ${state === 'forbidden' ? 'place-forbidden' : 'place-costly'}`}
            style={{ left: `${left * 100}%`, width: `${(end - left) * 100}%` }}
          />
        );
      })}
      {bars.map((bar) => (
        <Bar key={bar.task.id} {...bar} zone={zone} />
      ))}
    </div>
  );
}

function Bar(of: { task: PlanTaskView; zone: string; from: number; width: number; line: number }) {
  const { task, zone, from, width, line } = of;
  const day = sayDay(Date.parse(task.start), zone);
  const { setNodeRef, listeners, transform } = useDraggable({ id: task.id });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      title={`${sayTask(task)}, ${day} ${sayClock(task.start, zone)} to ${sayClock(task.end, zone)}`}
      className={`bg-base-200 border-base-content absolute flex h-[1.5rem] cursor-grab touch-pan-y items-center overflow-hidden rounded px-1 text-xs whitespace-nowrap ${task.critical ? 'border-[3px]' : 'border'} ${task.beyondForecast ? 'border-dashed' : ''} ${task.faults.length > 0 ? 'bg-error text-error-content' : ''}`}
      style={{
        left: `${from * 100}%`,
        width: `${width * 100}%`,
        top: `${line * 1.6}rem`,
        ...(transform && { transform: `translateX(${transform.x}px)`, zIndex: 5 }),
      }}
    >
      {sayTaskShort(task)}
      {task.pinned && t`, kept`}
    </span>
  );
}
