import Joi from 'joi';
import type { PlanFault, TaskPlace } from '../core/plan/index.ts';
import { t } from '../words.ts';
import { id, instant, line, objectOf, oneOf } from './joi.ts';

/** Questions about a plan: changes of its premises, chances, possible times of a task, files. */

/** Changes that could be made to the plan's premises. */
export type LeverCode =
  | 'second-person'
  | 'longer-days'
  | 'weekends'
  | 'any-launch-day'
  /** Each boat may be launched a week after the date wanted. */
  | 'later-launch'
  | 'tent'
  | 'heated'
  /** Every coat whose sheet states airless spray is sprayed. */
  | 'spray'
  /** Another product of the same coating type, where it can be overcoated sooner. */
  | 'quicker-products'
  /** One-packs where they are allowed over what is below. */
  | 'one-pack'
  /** Every step of two coats or more has one less. */
  | 'one-coat-fewer';

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
  /** Changes that the set-up does not have already. */
  levers: LeverCode[];
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
const flag = () => Joi.boolean().required();
const count = () => Joi.number().integer().min(0).required();
const money = () => Joi.number().integer();

const LEVER_CODES: Record<LeverCode, true> = {
  'second-person': true,
  'longer-days': true,
  weekends: true,
  'any-launch-day': true,
  'later-launch': true,
  tent: true,
  heated: true,
  spray: true,
  'quicker-products': true,
  'one-pack': true,
  'one-coat-fewer': true,
};
export const isLeverCode = (text: string): text is LeverCode => Object.hasOwn(LEVER_CODES, text);
const leverCodes = () =>
  Joi.array()
    .items(oneOf<LeverCode>(LEVER_CODES))
    .unique()
    .max(Object.keys(LEVER_CODES).length)
    .label(t`levers`);

export const leverReply = objectOf<LeverView>({
  levers: leverCodes().required(),
  launch: nullable(instant()),
  cost: nullable(money()),
  leftOut: count(),
});
export const leversReply = objectOf<LeversView>({ levers: leverCodes().required() });

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
    .label(t`levers`)
    .messages({ 'any.invalid': t`{#label} {#value} are not known changes, each once, with commas between` });
export const planWithQuery = objectOf<Pick<PlanOddsQuery, 'levers'>>({ levers: leversInAddress() });
/** Where a task could be put. */
export interface PlanPlacesView {
  /** The plan in which it would be moved. */
  key: string;
  places: { from: string; to: string; state: TaskPlace['state']; why: PlanFault['code'][] }[];
}
export const planPlacesQuery = objectOf<{ task: string }>({ task: line('task', 1, 200).required() });
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
  person: id().label(t`person`),
  boat: id().label(t`boat`),
});
export const planOddsQuery = objectOf<PlanOddsQuery>({
  levers: leversInAddress(),
  first: Joi.string()
    .pattern(/^(0|[1-9]\d{0,4})$/)
    .label(t`first`)
    .messages({ 'string.pattern.base': t`{#label} must be 0–99999, but is {#value}` }),
  // So many in one answer at the most that none takes long.
  count: Joi.string()
    .pattern(/^([1-9]|1\d|2[0-5])$/)
    .label(t`count`)
    .messages({ 'string.pattern.base': t`{#label} must be 1–25 draws, but is {#value}` }),
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
