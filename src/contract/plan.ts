import Joi from 'joi';
import type { Surroundings } from '../core/air/index.ts';
import { t } from '../words.ts';
import { between, id, instant, line, objectOf, oneOf, title, version } from './joi.ts';
import { MOST_PLANNED } from './planLimits.ts';
import { surroundings } from './shelter.ts';

/** Somebody who works on the boats: on these days of the week (1 Monday … 7 Sunday), from this hour to that. */
export interface PlanPersonInput {
  id: string;
  name: string;
  days: number[];
  fromHour: number;
  toHour: number;
  /** Illness, holidays: no work in these times. Left out: none. */
  away?: { from: string; to: string }[];
}

/** Work, or a wait, before the next coat of an area. */
export interface ExtraWork {
  id: string;
  areaId: string;
  note: string;
  hours: number;
  /** A wait needs nobody. */
  kind: 'work' | 'wait';
  /** Harms wet films in the same air. */
  dusty: boolean;
}

/** From then on a boat stands elsewhere: out of the shed, under a tent that is put up. */
export interface PlaceChange {
  boatId: string;
  at: string;
  surroundings: Surroundings;
}

/** A plan that people follow: its tasks stay where they are as long as possible. */
export interface AgreedPlan {
  at: string;
  /** In the smallest unit of the currency. */
  cost: number | null;
  launches: { boatId: string; at: string }[];
  tasks: { taskId: string; start: string }[];
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
  /** No launching in these times: the crane is out of service, the tide too low. Left out: none. */
  launchStops?: { from: string; to: string }[];
  /** Boats that fit in the shed; null or left out: not limited. */
  shedPlaces?: number | null;
  /** Cost of each day that a boat is launched late, in the smallest unit of the currency. */
  latePerDay: number;
  /** What changes of the plan cost, in the smallest unit of the currency: a tent, a day of heat, and an hour of overtime beside its pay. */
  tentCost: number;
  heatPerDay: number;
  overtimePerHour: number;
  /** Places that boats change to on a date. Left out: every area stays where it stands. */
  placeChanges?: PlaceChange[];
  /** Work that the record does not know of: rust that was found, a repair. It comes before the area's next coat. */
  extraWork: ExtraWork[];
  /** Plans that were agreed to, the last one in force; those before it are for undo. */
  agreed: AgreedPlan[];
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
const clock = (hours: number) =>
  `${String(Math.floor(hours)).padStart(2, '0')}:${hours % 1 === 0 ? '00' : '30'}`;
/** An hour of the day after another field of the same object. */
const later = (label: string, than: string) =>
  hour(label)
    .custom((value: number, helpers) => {
      const start: unknown = helpers.state.ancestors[0][than];
      if (typeof start !== 'number' || value > start) return value;
      return helpers.error('hour.order', { limit: clock(start), given: clock(value) });
    })
    .messages({ 'hour.order': t`{#label} must be later than {#limit}, but is {#given}` });

const awayTime = objectOf<{ from: string; to: string }>({
  from: instant().label(t`away from`).required(),
  to: instant().label(t`back at`).required(),
})
  .custom((away: { from: string; to: string }, helpers) =>
    away.from < away.to ? away : helpers.error('away.order'),
  )
  .messages({ 'away.order': t`back at must be after away from` });

const launchStop = objectOf<{ from: string; to: string }>({
  from: instant().label(t`no launching from`).required(),
  to: instant().label(t`no launching until`).required(),
})
  .custom((stop: { from: string; to: string }, helpers) =>
    stop.from < stop.to ? stop : helpers.error('stop.order'),
  )
  .messages({ 'stop.order': t`no launching until must be after no launching from` });

const person = objectOf<PlanPersonInput>({
  id: id().required(),
  name: title('name').required(),
  days: weekdays(t`day of work`),
  fromHour: hour(t`start of work (hour)`),
  toHour: later(t`end of work`, 'fromHour'),
  away: Joi.array().items(awayTime).max(MOST_PLANNED.away).label(t`times away`),
});

const taskId = () => line('task', 1, 200).required();
const extraWork = objectOf<ExtraWork>({
  id: id().required(),
  areaId: id().label(t`area`).required(),
  note: title('work').required(),
  hours: between(t`time it takes (h)`, 0.25, 400).required(),
  kind: oneOf<ExtraWork['kind']>({ work: true, wait: true }).required(),
  dusty: Joi.boolean().required(),
});
const agreedPlan = objectOf<AgreedPlan>({
  at: instant().required(),
  cost: Joi.number().integer().min(0).max(1e12).allow(null).required(),
  launches: Joi.array()
    .items(objectOf<AgreedPlan['launches'][number]>({ boatId: id().required(), at: instant().required() }))
    .max(MOST_PLANNED.boats)
    .required(),
  tasks: Joi.array()
    .items(objectOf<AgreedPlan['tasks'][number]>({ taskId: taskId(), start: instant().required() }))
    .max(MOST_PLANNED.tasks)
    .unique('taskId')
    .label(t`tasks of the agreed plan`)
    .required(),
});

export const planSetup = objectOf<PlanSetup>({
  people: Joi.array()
    .items(person)
    .min(1)
    .max(MOST_PLANNED.people)
    .unique('id')
    .unique('name')
    .label(t`people`)
    .required(),
  boats: Joi.array()
    .items(
      objectOf<PlanSetup['boats'][number]>({
        boatId: id().label(t`boat`).required(),
        wanted: instant().label(t`launch wanted`).allow(null).required(),
      }),
    )
    .max(MOST_PLANNED.boats)
    .unique('boatId')
    .label(t`boats`)
    .required(),
  launchDays: weekdays(t`day of launching`),
  launchFromHour: hour(t`first hour of launching`),
  launchToHour: later(t`end of launching`, 'launchFromHour'),
  launchStops: Joi.array().items(launchStop).max(MOST_PLANNED.launchStops).label(t`times without launching`),
  shedPlaces: between(t`boats that fit in the shed`, 0, 200).integer().allow(null),
  latePerDay: between(t`a day late (minor units)`, 0, 1e7).integer().required(),
  tentCost: between(t`a tent (minor units)`, 0, 1e7).integer().required(),
  heatPerDay: between(t`a day of heat (minor units)`, 0, 1e7).integer().required(),
  overtimePerHour: between(t`an hour of overtime (minor units)`, 0, 1e7).integer().required(),
  placeChanges: Joi.array()
    .items(
      objectOf<PlaceChange>({
        boatId: id().label(t`boat`).required(),
        at: instant().label(t`time of the change`).required(),
        surroundings: surroundings.label(t`surroundings`).required(),
      }),
    )
    .max(MOST_PLANNED.placeChanges)
    .unique((a: PlaceChange, b: PlaceChange) => a.boatId === b.boatId && a.at === b.at)
    .label(t`changes of place`),
  extraWork: Joi.array()
    .items(extraWork)
    .max(MOST_PLANNED.extraWork)
    .unique('id')
    .label(t`extra work`)
    .required(),
  agreed: Joi.array().items(agreedPlan).max(MOST_PLANNED.agreed).label(t`agreed plans`).required(),
  pins: Joi.array()
    .items(
      objectOf<PlanSetup['pins'][number]>({
        taskId: taskId(),
        start: instant().label(t`start of the task`).required(),
      }),
    )
    .max(MOST_PLANNED.pins)
    .unique('taskId')
    .label(t`pins`)
    .required(),
  version: version(0),
});
