import { useState } from 'react';
import type { PlanTaskView, PlanView } from '../../contract/index.ts';
import { wallOf } from '../clock/wallClock.ts';
import { Choice } from '../forms/Choice.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { sayTask, sayTaskShort } from '../words/plan.ts';
import { daysFrom, sayClock, sayDay } from './planTimes.ts';

type By = 'area' | 'person' | 'boat';
const DAYS = 7;

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
  return (
    <section aria-labelledby="lanes" className="space-y-2">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 id="lanes" className="batten pb-1 text-lg">
          {sayDay(first, zone)} to {sayDay(end - 1, zone)}
        </h2>
        <div className="flex items-end gap-2">
          <Choice
            label="Rows by"
            value={by}
            choices={[
              ['area', 'Area'],
              ['person', 'Person'],
              ['boat', 'Boat'],
            ]}
            onChange={(value) => setBy(value as By)}
          />
          <button
            type="button"
            className="btn target"
            disabled={week === 0}
            onClick={() => setWeek(week - 1)}
          >
            Earlier
          </button>
          <button
            type="button"
            className="btn target"
            disabled={last <= end}
            onClick={() => setWeek(week + 1)}
          >
            Later
          </button>
        </div>
      </div>
      <Scroller label="Chart of the week">
        <div className="min-w-[44rem]">
          <div className="grid grid-cols-7 text-sm" aria-hidden="true">
            {days.slice(0, DAYS).map((day) => (
              <span key={day} className="border-line border-l pl-1">
                {sayDay(day, zone)}
              </span>
            ))}
          </div>
          {shown.length === 0 && <p className="py-3">Nothing is planned in these days.</p>}
          {lanesOf(shown, by).map(([name, tasks]) => (
            <div key={name} className="border-line border-t py-1">
              <p className="text-sm font-semibold">{name}</p>
              <LaneOf tasks={tasks} zone={zone} across={across} />
            </div>
          ))}
        </div>
      </Scroller>
      <p className="text-sm">
        The list below has the same tasks in words. Heavy frame: the launch waits for this. Dashed: after the
        end of the forecast. Each day shows {fromHour}:00–{toHour}:00.
      </p>
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
}: {
  tasks: PlanTaskView[];
  zone: string;
  across: (at: string) => number;
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
      {bars.map((bar) => (
        <Bar key={bar.task.id} {...bar} zone={zone} />
      ))}
    </div>
  );
}

function Bar(of: { task: PlanTaskView; zone: string; from: number; width: number; line: number }) {
  const { task, zone, from, width, line } = of;
  const day = sayDay(Date.parse(task.start), zone);
  return (
    <span
      title={`${sayTask(task)}, ${day} ${sayClock(task.start, zone)} to ${sayClock(task.end, zone)}`}
      className={`bg-base-200 border-base-content absolute flex h-[1.5rem] items-center overflow-hidden rounded px-1 text-xs whitespace-nowrap ${task.critical ? 'border-[3px]' : 'border'} ${task.beyondForecast ? 'border-dashed' : ''} ${task.faults.length > 0 ? 'bg-error text-error-content' : ''}`}
      style={{ left: `${from * 100}%`, width: `${width * 100}%`, top: `${line * 1.6}rem` }}
    >
      {sayTaskShort(task)}
      {task.pinned && ', kept'}
    </span>
  );
}
