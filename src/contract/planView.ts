import Joi from 'joi';
import type { AirConditionCode } from '../core/air/index.ts';
import type { PlanFault, PlanMove, PlannedTask, Unplanned } from '../core/plan/index.ts';
import { id, instant, objectOf, oneOf, text } from './joi.ts';
import { type PlanSetup, planSetup } from './plan.ts';
import { CURRENCY_CODES, type CurrencyCode } from './supply/currency.ts';

/** Paint of a coat that isn't in stock: ordered, with the day the delivery is due, or not. */
export interface PlanSupply {
  code: 'delivery' | 'delivery-overdue' | 'delivery-undated' | 'not-in-stock';
  dueOn: string | null;
}

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
  /** The tape on its edges is too old by then: it is pulled and put on afresh before. */
  tapeTooOld: boolean;
  /** Beyond the forecast: by a typical day. */
  beyondForecast: boolean;
  /** What its paint waits for; null: it is in stock, or the task is no coat. */
  supply: PlanSupply | null;
}

/** Why an area is not in the plan. */
export type UnplannedCode =
  | Unplanned['code']
  | 'safe-not-stated'
  /** No hour within the plan passes the limits of its sheet. */
  | 'no-hour-passes'
  /** Its coats or the work before them take longer than a plan. */
  | 'takes-too-long'
  | 'behind-support'
  | 'not-curing'
  | 'no-weather'
  | 'failed';

/** Tasks of a boat that has no plan. */
export interface PlanClash {
  /** The boat that is left out because of it. */
  boatId: string;
  boatName: string;
  tasks: PlanTaskView[];
  /** Codes of the scheduler for what the tasks clash over. */
  why: string[];
  /** It is proven that they have no plan; else none was found in the time given. */
  proven: boolean;
  /** Whether every one of the tasks is needed for the clash. */
  minimal: boolean;
}

export interface PlanBoatView {
  boatId: string;
  boatName: string;
  /** Planned launch; null: there is no plan. */
  launch: string | null;
  wanted: string | null;
  /** Where its areas stand under cover: it takes up the tent, the shed or the heated place until its launch. */
  shelters: Shelter[];
  /** Areas of hers that are left out: her date holds without them only. */
  unplanned: number;
  /** Supports that the yard moves, and on which day: what is under them is planned from its noon on. */
  supportMoves: { name: string; on: string }[];
}

/** A stretch of time in which more boats stand in the shed than it holds; until null: for good. */
export interface ShedCrowd {
  from: string;
  until: string | null;
  boatNames: string[];
}

/** A place under cover. */
export type Shelter = 'tent' | 'shed' | 'heated';

/** A task that is elsewhere than it was agreed to be. */
export interface PlanMoveView {
  taskId: string;
  /** Start as agreed. */
  from: string;
  /** Faults of that time; empty where the task only moves with the others. */
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
  /** When more boats stand in the shed than it holds, in order. */
  shedCrowds: ShedCrowd[];
}

const nullable = (schema: Joi.Schema) => schema.allow(null).required();
const words = () => text(600).required();
const kinds = oneOf<PlannedTask['kind']>({ film: true, work: true, coat: true, launch: true }).required();
const flag = () => Joi.boolean().required();
const count = () => Joi.number().integer().min(0).required();
const money = () => Joi.number().integer();

export const planTaskView = objectOf<PlanTaskView>({
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
  tapeTooOld: flag(),
  beyondForecast: flag(),
  supply: nullable(
    objectOf<PlanSupply>({
      code: oneOf<PlanSupply['code']>({
        delivery: true,
        'delivery-overdue': true,
        'delivery-undated': true,
        'not-in-stock': true,
      }).required(),
      dueOn: nullable(Joi.string()),
    }),
  ),
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
        shelters: Joi.array()
          .items(oneOf<Shelter>({ tent: true, shed: true, heated: true }))
          .required(),
        unplanned: count(),
        supportMoves: Joi.array()
          .items(
            objectOf<PlanBoatView['supportMoves'][number]>({ name: words(), on: Joi.string().required() }),
          )
          .required(),
      }),
    )
    .required(),
  tasks: Joi.array().items(planTaskView).required(),
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
        boatId: id().required(),
        boatName: words(),
        tasks: Joi.array().items(planTaskView).required(),
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
          'takes-too-long': true,
          'behind-support': true,
          'not-curing': true,
          'no-weather': true,
          failed: true,
        }).required(),
      }),
    )
    .required(),
  shedCrowds: Joi.array()
    .items(
      objectOf<ShedCrowd>({
        from: instant().required(),
        until: instant().allow(null).required(),
        boatNames: Joi.array().items(words()).required(),
      }),
    )
    .required(),
  otherBoats: Joi.array()
    .items(objectOf<PlanView['otherBoats'][number]>({ boatId: id().required(), boatName: words() }))
    .required(),
});
