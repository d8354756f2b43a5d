import Joi from 'joi';
import { between, id, instant, line, objectOf, title, version } from './joi.ts';

/** Somebody who works on the boats: on these days of the week (1 Monday … 7 Sunday), from this hour to that. */
export interface PlanPersonInput {
  id: string;
  name: string;
  days: number[];
  fromHour: number;
  toHour: number;
}

/** What the plan is made from, beside the record, the systems, the sheets and the weather data. */
export interface PlanSetup {
  people: PlanPersonInput[];
  /** Boats in the plan, with the date each should be afloat. An empty list plans the first few boats with work left. */
  boats: { boatId: string; wanted: string | null }[];
  /** When a boat can be launched: days of the week and hours. */
  launchDays: number[];
  launchFromHour: number;
  launchToHour: number;
  /** Cost of each day that a boat is launched late, in the smallest unit of the currency. */
  latePerDay: number;
  /** What changes of the plan cost, in the smallest unit of the currency: a tent, a day of heat, and an hour of overtime beside its pay. */
  tentCost: number;
  heatPerDay: number;
  overtimePerHour: number;
  /** Tasks placed by hand: they stay where they are put. */
  pins: { taskId: string; start: string }[];
  version: number;
}

const weekdays = (label: string) =>
  Joi.array()
    .items(between(label, 1, 7).integer())
    .min(1)
    .max(7)
    .unique()
    .label(`${label}s`)
    .required();
const hour = (label: string) => between(label, 0, 24).multiple(0.5).required();
/** An hour of the day after another. */
const later = (label: string, than: string) => hour(label).greater(Joi.ref(than));

const person = objectOf<PlanPersonInput>({
  id: id().required(),
  name: title('name').required(),
  days: weekdays('day of work'),
  fromHour: hour('start of work (hour)'),
  toHour: later('end of work (hour)', 'fromHour'),
});

/** Boats and people that a plan takes. */
export const MOST_PLANNED = { boats: 12, people: 8, pins: 200 } as const;

export const planSetup = objectOf<PlanSetup>({
  people: Joi.array().items(person).min(1).max(MOST_PLANNED.people).unique('id').label('people').required(),
  boats: Joi.array()
    .items(
      objectOf<PlanSetup['boats'][number]>({
        boatId: id().label('boat').required(),
        wanted: instant().label('launch wanted').allow(null).required(),
      }),
    )
    .max(MOST_PLANNED.boats)
    .unique('boatId')
    .label('boats')
    .required(),
  launchDays: weekdays('day of launching'),
  launchFromHour: hour('first hour of launching'),
  launchToHour: later('last hour of launching', 'launchFromHour'),
  latePerDay: between('a day late (minor units)', 0, 1e7).integer().required(),
  tentCost: between('a tent (minor units)', 0, 1e7).integer().required(),
  heatPerDay: between('a day of heat (minor units)', 0, 1e7).integer().required(),
  overtimePerHour: between('an hour of overtime (minor units)', 0, 1e7).integer().required(),
  pins: Joi.array()
    .items(
      objectOf<PlanSetup['pins'][number]>({
        taskId: line('task', 1, 120).required(),
        start: instant().label('start of the task').required(),
      }),
    )
    .max(MOST_PLANNED.pins)
    .unique('taskId')
    .label('pins')
    .required(),
  version: version(0),
});
