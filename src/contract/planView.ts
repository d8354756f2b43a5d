import Joi from 'joi';
import type { AirConditionCode } from '../core/air/index.ts';
import type { PlanFault, PlanMove, PlannedTask, TaskPlace, Unplanned } from '../core/plan/index.ts';
import { id, instant, line, objectOf, oneOf, text } from './joi.ts';
import { type PlanSetup, planSetup } from './plan.ts';
import { CURRENCY_CODES, type CurrencyCode } from './supply/currency.ts';

/** A task of the plan, as screens show it. */
export interface PlanTaskView {
  id: string;
  kind: PlannedTask['kind'];
  boatId: string;
  boatName: string;
  areaId: string | null;
  areaName: string;
  /** Product and colour of a coat; the note of other work. */
  what: string;
  /** Kind of work; null: a coat or a launch. */
  work: string | null;
  /** Number of the coat in its step from 0, and how many there are. */
  coatNo: number | null;
  coats: number | null;
  /** Number of the session from 0, and how many there are. */
  session: number;
  sessions: number;
  start: string;
  end: string;
  /** When the coat itself begins and ends within it: after getting ready, before cleaning up. */
  applyFrom: string | null;
  applyTo: string | null;
  people: string[];
  /** Start of the sanding that a closed window costs; null: none. */
  sandFrom: string | null;
  /** The launch waits for it. */
  critical: boolean;
  pinned: boolean;
  /** Faults of the time chosen by hand; empty where it is sound. */
  faults: PlanFault['code'][];
  /** What nobody gave of the weather of the coat (rain, wind, cloud): somebody at the boat has to see to it. */
  conditions: AirConditionCode[];
  /** Beyond the forecast: by a typical day. */
  beyondForecast: boolean;
}

/** Why an area is not in the plan. */
export type UnplannedCode =
  | Unplanned['code']
  | 'safe-not-stated'
  /** No hour within the plan passes the limits of its sheet. */
  | 'no-hour-passes'
  | 'behind-support'
  | 'not-curing'
  | 'no-weather'
  | 'failed';

/** Tasks of a boat that has no plan. */
export interface PlanClash {
  tasks: PlanTaskView[];
  /** What they clash over: codes of the scheduler. */
  why: string[];
  /** It is proven that they have no plan; else none was found in the time given. */
  proven: boolean;
  /** None of them can be left out. */
  minimal: boolean;
}

export interface PlanBoatView {
  boatId: string;
  boatName: string;
  /** Planned launch; null: there is no plan. */
  launch: string | null;
  wanted: string | null;
  /** Areas of hers that are left out: her date holds without them only. */
  unplanned: number;
}

/** A task that is elsewhere than it was agreed to be. */
export interface PlanMoveView {
  taskId: string;
  /** Start as agreed. */
  from: string;
  /** What is wrong with that time; empty: nothing, it moves with the others. */
  why: PlanMove['why'];
  /** The task that it waits for or meets there; null: none. */
  because: string | null;
}

export interface PlanView {
  now: string;
  /** Names this plan: another one has another. */
  key: string;
  setup: PlanSetup;
  /** Nobody has set it up: it rests on one person's usual week. */
  isDefault: boolean;
  currency: CurrencyCode;
  from: string;
  until: string;
  /** The forecast ends here; null: there is no weather data. */
  forecastUntil: string | null;
  /** Whether there is anything to plan, and a plan for it. */
  state: 'planned' | 'clash' | 'nothing' | 'no-weather';
  boats: PlanBoatView[];
  tasks: PlanTaskView[];
  /** Minor units; no plan costs less than the bound. */
  cost: number | null;
  bound: number | null;
  proven: boolean;
  /** What a plan would cost that does not keep to the agreed one; null: nothing was agreed. */
  freshCost: number | null;
  /** Tasks that are elsewhere than agreed, and why; empty where nothing was agreed. */
  moves: PlanMoveView[];
  /** What clashes of boats that have no plan: tasks of which none can be left out, and what they clash over; the others are planned. */
  clashes: PlanClash[];
  unplanned: {
    areaId: string;
    areaName: string;
    boatName: string;
    productName: string | null;
    code: UnplannedCode;
  }[];
  /** Boats with work left that are not in the plan. */
  otherBoats: { boatId: string; boatName: string }[];
}

/** Changes that could be made to the plan's premises. */
export type LeverCode = 'second-person' | 'longer-days' | 'weekends' | 'any-launch-day' | 'tent' | 'heated';

export interface LeverView {
  /** The changes that are made together; none: the plan as it is. */
  levers: LeverCode[];
  /** When the last boat is launched; null: there is still no plan. */
  launch: string | null;
  /** With what the changes cost by themselves, in the smallest unit of the currency. */
  cost: number | null;
  /** Areas left out of the plan. */
  leftOut: number;
}
export interface LeversView {
  now: string;
  /** The plan as it is, then each change by itself; none: there is no weather data. */
  plans: LeverView[];
}

/** Which draws of the weather are asked for, and with which changes of the premises. */
export interface PlanOddsQuery {
  levers?: string;
  /** Number of the first draw: the same number is the same weather. */
  first?: string;
  count?: string;
}

/** How the plan came out in one draw of the weather. */
export interface PlanOutcome {
  /** null: not within two weeks of the plan's end. */
  launches: { boatId: string; at: string | null }[];
  cost: number | null;
  sanded: number;
  harmed: number;
  outside: number;
}

export interface PlanOddsReply {
  /** The plan that was followed; empty: there is none. */
  key: string;
  /** Whether rain is drawn: there is data on it. */
  rain: boolean;
  /** Of the draws from the first one on: fewer than asked for where they take long. */
  outcomes: PlanOutcome[];
}

const nullable = (schema: Joi.Schema) => schema.allow(null).required();
const words = () => text(600).required();
const kinds = oneOf<PlannedTask['kind']>({ film: true, work: true, coat: true, launch: true }).required();
const flag = () => Joi.boolean().required();
const count = () => Joi.number().integer().min(0).required();
const money = () => Joi.number().integer();

const taskView = objectOf<PlanTaskView>({
  id: words(),
  kind: kinds,
  boatId: id().required(),
  boatName: words(),
  areaId: nullable(id()),
  areaName: words(),
  what: words(),
  work: nullable(Joi.string()),
  coatNo: nullable(Joi.number().integer()),
  coats: nullable(Joi.number().integer()),
  session: count(),
  sessions: count(),
  start: instant().required(),
  end: instant().required(),
  applyFrom: nullable(instant()),
  applyTo: nullable(instant()),
  people: Joi.array().items(text(80)).required(),
  sandFrom: nullable(instant()),
  critical: flag(),
  pinned: flag(),
  faults: Joi.array().items(Joi.string<PlanFault['code']>()).required(),
  conditions: Joi.array().items(Joi.string<AirConditionCode>()).required(),
  beyondForecast: flag(),
});

export const planReply = objectOf<PlanView>({
  now: instant().required(),
  key: Joi.string().allow('').required(),
  setup: planSetup.required(),
  isDefault: flag(),
  currency: oneOf<CurrencyCode>(CURRENCY_CODES).required(),
  from: instant().required(),
  until: instant().required(),
  forecastUntil: nullable(instant()),
  state: oneOf<PlanView['state']>({
    planned: true,
    clash: true,
    nothing: true,
    'no-weather': true,
  }).required(),
  boats: Joi.array()
    .items(
      objectOf<PlanBoatView>({
        boatId: id().required(),
        boatName: words(),
        launch: nullable(instant()),
        wanted: nullable(instant()),
        unplanned: count(),
      }),
    )
    .required(),
  tasks: Joi.array().items(taskView).required(),
  cost: nullable(money()),
  bound: nullable(money()),
  proven: flag(),
  freshCost: nullable(money()),
  moves: Joi.array()
    .items(
      objectOf<PlanMoveView>({
        taskId: words(),
        from: instant().required(),
        why: Joi.array().items(Joi.string<PlanMove['why'][number]>()).required(),
        because: nullable(words()),
      }),
    )
    .required(),
  clashes: Joi.array()
    .items(
      objectOf<PlanClash>({
        tasks: Joi.array().items(taskView).required(),
        why: Joi.array().items(Joi.string()).required(),
        proven: flag(),
        minimal: flag(),
      }),
    )
    .required(),
  unplanned: Joi.array()
    .items(
      objectOf<PlanView['unplanned'][number]>({
        areaId: id().required(),
        areaName: words(),
        boatName: words(),
        productName: nullable(Joi.string()),
        code: oneOf<UnplannedCode>({
          'window-not-stated': true,
          'never-ready': true,
          'closed-for-water': true,
          'no-working-hour': true,
          'ready-not-stated': true,
          'too-large-for-bare-steel': true,
          'bare-too-long': true,
          'safe-not-stated': true,
          'no-hour-passes': true,
          'behind-support': true,
          'not-curing': true,
          'no-weather': true,
          failed: true,
        }).required(),
      }),
    )
    .required(),
  otherBoats: Joi.array()
    .items(objectOf<PlanView['otherBoats'][number]>({ boatId: id().required(), boatName: words() }))
    .required(),
});

const LEVER_CODES: Record<LeverCode, true> = {
  'second-person': true,
  'longer-days': true,
  weekends: true,
  'any-launch-day': true,
  tent: true,
  heated: true,
};
export const isLeverCode = (text: string): text is LeverCode => Object.hasOwn(LEVER_CODES, text);
const leverCodes = () => Joi.array().items(oneOf<LeverCode>(LEVER_CODES)).unique().max(6).label('levers');

export const leverReply = objectOf<LeverView>({
  levers: leverCodes().required(),
  launch: nullable(instant()),
  cost: nullable(money()),
  leftOut: count(),
});
export const leversReply = objectOf<LeversView>({
  now: instant().required(),
  plans: Joi.array().items(leverReply).required(),
});

/** Changes as an address has them, with commas between; none: as it is. */
export const leversOf = (text: string | undefined): LeverCode[] =>
  text ? text.split(',').filter(isLeverCode) : [];
const leversInAddress = () =>
  Joi.string()
    .allow('')
    .custom((text: string, helpers) => {
      const codes = text === '' ? [] : text.split(',');
      const isKnown = codes.every(isLeverCode) && new Set(codes).size === codes.length;
      return isKnown ? text : helpers.error('any.invalid');
    })
    .label('levers')
    .messages({ 'any.invalid': '{#label} {#value} are not known changes, each once, with commas between' });
export const planWithQuery = objectOf<Pick<PlanOddsQuery, 'levers'>>({ levers: leversInAddress() });
/** Where a task could be put. */
export interface PlanPlacesView {
  /** The plan in which it would be moved. */
  key: string;
  places: { from: string; to: string; state: TaskPlace['state']; why: PlanFault['code'][] }[];
}
export const planPlacesQuery = objectOf<{ task: string }>({ task: line('task', 1, 120).required() });
export const planPlacesReply = objectOf<PlanPlacesView>({
  key: Joi.string().allow('').required(),
  places: Joi.array()
    .items(
      objectOf<PlanPlacesView['places'][number]>({
        from: instant().required(),
        to: instant().required(),
        state: oneOf<TaskPlace['state']>({ free: true, costly: true, forbidden: true }).required(),
        why: Joi.array().items(Joi.string<PlanFault['code']>()).required(),
      }),
    )
    .required(),
});
export const planCalendarQuery = objectOf<{ person?: string; boat?: string }>({
  person: id().label('person'),
  boat: id().label('boat'),
});
export const planOddsQuery = objectOf<PlanOddsQuery>({
  levers: leversInAddress(),
  first: Joi.string()
    .pattern(/^(0|[1-9]\d{0,4})$/)
    .label('first')
    .messages({ 'string.pattern.base': '{#label} {#value} is outside 0–99999' }),
  // So many in one answer at the most that none takes long.
  count: Joi.string()
    .pattern(/^([1-9]|1\d|2[0-5])$/)
    .label('count')
    .messages({ 'string.pattern.base': '{#label} {#value} is outside 1–25 draws' }),
});

export const planOddsReply = objectOf<PlanOddsReply>({
  key: Joi.string().allow('').required(),
  rain: flag(),
  outcomes: Joi.array()
    .items(
      objectOf<PlanOutcome>({
        launches: Joi.array()
          .items(
            objectOf<PlanOutcome['launches'][number]>({ boatId: id().required(), at: nullable(instant()) }),
          )
          .required(),
        cost: nullable(money()),
        sanded: count(),
        harmed: count(),
        outside: count(),
      }),
    )
    .required(),
});
