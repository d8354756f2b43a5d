import Joi from 'joi';
import type { Order, RehearsalMistake, RehearsalStep } from '../core/plan/index.ts';
import { t } from '../words.ts';
import { id, instant, objectOf, oneOf } from './joi.ts';
import { type PlanTaskView, planTaskView } from './planView.ts';

/** The plan played through one draw of the weather: what is asked, and what happened. */

/** What somebody decides otherwise than the plan, and when. */
export interface PlanOrder {
  kind: Order['kind'];
  taskId: string;
  at: string;
  decided: string;
}

/** A step of a rehearsal. A `refused` step has no task where no task has its id. */
export interface PlanStepView {
  kind: RehearsalStep['kind'];
  task: PlanTaskView | null;
  at: string;
  /** When the coat is safe from rain and dew; null: no coat, or not within the weather drawn. */
  safeAt: string | null;
  /** When its film takes what comes next, a coat or the water; null: nothing comes next, or not within the weather drawn. */
  readyAt: string | null;
  isOrdered: boolean;
  mistakes: { code: RehearsalMistake['code']; at: string | null }[];
  /** Why it was put off, spoilt or refused; null: done. */
  why:
    | 'not-ready'
    | 'weather'
    | 'rain'
    | 'dew'
    | 'too-soon'
    | 'too-late'
    | 'not-next'
    | 'nobody-free'
    | 'no-paint'
    | 'behind-support'
    | null;
}

export interface PlanRehearsalView {
  /** The plan that was played; empty: there is none. */
  key: string;
  draw: number;
  from: string;
  until: string;
  launches: { boatId: string; boatName: string; at: string | null }[];
  /** Minor units; null: a boat was not launched. */
  cost: number | null;
  steps: PlanStepView[];
  /** The weather as it turned out, an hour each; null: not known. */
  hours: { at: string; airC: number; rh: number; rainMm: number | null; windMs: number | null }[];
}

export interface PlanRehearsalQuery {
  draw?: string;
  orders?: string;
}

/** As the core has it. */
const MOST_ORDERS = 20;
const orderList = Joi.array()
  .items(
    objectOf<PlanOrder>({
      kind: oneOf<Order['kind']>({ begin: true, hold: true }).required(),
      taskId: Joi.string().max(200).required(),
      at: instant().required(),
      decided: instant().required(),
    }),
  )
  .max(MOST_ORDERS);

/** Decisions as an address has them; none: as planned. */
export const ordersOf = (text: string | undefined): PlanOrder[] =>
  text ? (JSON.parse(text) as PlanOrder[]) : [];

export const planRehearsalQuery = objectOf<PlanRehearsalQuery>({
  draw: Joi.string()
    .pattern(/^(0|[1-9]\d{0,4})$/)
    .label(t`draw`)
    .messages({ 'string.pattern.base': t`{#label} must be 0–99999, but is {#value}` }),
  orders: Joi.string()
    .max(12_000)
    .custom((text: string, helpers) => {
      try {
        return orderList.validate(JSON.parse(text), { convert: false }).error
          ? helpers.error('any.invalid')
          : text;
      } catch {
        return helpers.error('any.invalid');
      }
    })
    .label(t`orders`)
    .messages({ 'any.invalid': t`{#label} is not a list of up to ${MOST_ORDERS} decisions` }),
});

const nullable = (schema: Joi.Schema) => schema.allow(null).required();

export const planRehearsalReply = objectOf<PlanRehearsalView>({
  key: Joi.string().allow('').required(),
  draw: Joi.number().integer().min(0).required(),
  from: instant().required(),
  until: instant().required(),
  launches: Joi.array()
    .items(
      objectOf<PlanRehearsalView['launches'][number]>({
        boatId: id().required(),
        boatName: Joi.string().required(),
        at: nullable(instant()),
      }),
    )
    .required(),
  cost: nullable(Joi.number().integer()),
  steps: Joi.array()
    .items(
      objectOf<PlanStepView>({
        kind: oneOf<RehearsalStep['kind']>({
          done: true,
          'put-off': true,
          spoilt: true,
          refused: true,
        }).required(),
        task: planTaskView.allow(null).required(),
        at: instant().required(),
        safeAt: nullable(instant()),
        readyAt: nullable(instant()),
        isOrdered: Joi.boolean().required(),
        mistakes: Joi.array()
          .items(
            objectOf<PlanStepView['mistakes'][number]>({
              code: oneOf<RehearsalMistake['code']>({
                'too-soon': true,
                'too-late': true,
                dust: true,
                weather: true,
              }).required(),
              at: nullable(instant()),
            }),
          )
          .required(),
        why: nullable(Joi.string<NonNullable<PlanStepView['why']>>()),
      }),
    )
    .required(),
  hours: Joi.array()
    .items(
      objectOf<PlanRehearsalView['hours'][number]>({
        at: instant().required(),
        airC: Joi.number().required(),
        rh: Joi.number().required(),
        rainMm: nullable(Joi.number()),
        windMs: nullable(Joi.number()),
      }),
    )
    .required(),
});
