import Joi from 'joi';
import type { ShellKind } from '../core/air/index.ts';
import type { Method } from '../core/film/index.ts';
import type {
  Band,
  LayOrder,
  Overrule,
  OwnRatio,
  PlannedAdditive,
  PlannedTask,
  SchoolTask,
  TaskKind,
} from '../core/system/index.ts';
import { t } from '../words.ts';
import { between, fraction, id, instant, line, objectOf, oneOf, text, title, version } from './joi.ts';
import { methods } from './methods.ts';

/** One step of an area's system: a product in so many coats. */
export interface Step {
  id: string;
  productId: string;
  coats: number;
  dryMicronsPerCoat: number;
  method: Method;
  /** Fraction of the mixed paint. */
  thinner: number;
  /** Colours by name, used in turn from coat to coat. */
  colours: string[];
  /** Colour of the first coat, where it is to signal wear. */
  signal: string | null;
  /** Coats more on areas of high wear. */
  extraCoats: number;
  /** Work before the first coat of the step. */
  before: PlannedTask[];
  /** Grit between its coats; null: not sanded. */
  sandBetween: number | null;
  /** Grit of each joint where they differ, before coat 2, coat 3, …; null: that one is not sanded; none: all alike. */
  sandGrits: (number | null)[];
  /** Hours kept between its coats by choice; null: as the sheet allows. */
  spacingH: number | null;
  /** A word on tool or brush for each coat in turn; empty: none. */
  coatNotes: string[];
  /** Mixed at another ratio than the sheet's on purpose; null: by the sheet. */
  ownRatio: OwnRatio | null;
  /** Additives in every pot; empty: no additives. */
  additives: PlannedAdditive[];
  /** The part of the area it is applied on; null: the whole. */
  band: Band | null;
  /** Which way it is worked over the area; null: as it comes. */
  order: LayOrder | null;
  /** Rules overruled for it, and why: stands on the record. */
  overrule: Overrule | null;
}

/** What a step has where nobody chose otherwise, and what was kept before one could. */
export const AS_USUAL = {
  sandGrits: [],
  spacingH: null,
  coatNotes: [],
  ownRatio: null,
  additives: [],
} satisfies Partial<Step>;

export interface StackInput {
  steps: Step[];
  version: number;
}

/** What a task is, wherever one is named. */
export const taskFields = {
  kind: oneOf<TaskKind>({
    prepare: true,
    wash: true,
    sand: true,
    wait: true,
    inspect: true,
    aggregate: true,
  })
    .label(t`Task type`)
    .required(),
  amount: between(t`Grit or hours`, 0, 5000).allow(null).required(),
  note: text(300).label(t`Task note`).required(),
  school: oneOf<SchoolTask>({ 'panels-flat': true, 'faults-out': true }).label(t`way of working`),
};
const task = objectOf<PlannedTask>({ id: id().required(), ...taskFields });

/** A ratio of one's own, and why. */
export const ownRatio = objectOf<OwnRatio>({
  parts: Joi.array()
    .items(between(t`Parts in the custom ratio`, 0.001, 1000).required())
    .min(2)
    .max(4)
    .label(t`Custom ratio`)
    .required(),
  reason: line(t`Reason for the custom ratio`, 8, 600).required(),
});

export const stackStep = objectOf<Step>({
  id: id().required(),
  productId: id().label(t`product`).required(),
  coats: between(t`Coats`, 1, 20).integer().required(),
  dryMicronsPerCoat: between(t`Dry film per coat (µm)`, 0.5, 5000).required(),
  method: methods.label(t`method`).required(),
  thinner: fraction(t`Thinner`, 0, 0.5).required(),
  colours: Joi.array().items(text(80)).min(1).max(6).label(t`colours`).required(),
  signal: text(80).label(t`Signal colour`).allow(null).required(),
  extraCoats: between(t`Extra coats`, 0, 10).integer().required(),
  before: Joi.array().items(task).max(12).unique('id').label(t`Tasks before this step`).required(),
  sandBetween: between(t`grit between coats`, 24, 2000).integer().allow(null).required(),
  // Left out by what was written before they were: a file, a template, another program.
  sandGrits: Joi.array()
    .items(between(t`Grit between two coats`, 24, 2000).integer().allow(null))
    .max(30)
    .label(t`Grits between coats`)
    .default([]),
  spacingH: between(t`Hours between coats`, 0.1, 2000).allow(null).default(null),
  coatNotes: Joi.array().items(text(200).label(t`Coat note`)).max(30).label(t`Coat notes`).default([]),
  ownRatio: ownRatio.allow(null).default(null),
  additives: Joi.array()
    .items(
      objectOf<PlannedAdditive>({
        name: title('additive').required(),
        mlPerLitre: between('additive (ml/l)', 0.01, 500).required(),
      }),
    )
    .max(6)
    .unique('name')
    .label(t`additives`)
    .default([]),
  band: objectOf<Band>({
    name: title(t`Band name`).required(),
    areaM2: between(t`Band size (m²)`, 0.0001, 10_000).required(),
  })
    .allow(null)
    .required(),
  order: oneOf<LayOrder>({ 'bottom-up': true, 'top-down': true }).label(t`Direction`).allow(null).required(),
  overrule: objectOf<Overrule>({
    ruleIds: Joi.array().items(text(60)).min(1).max(20).unique().required(),
    reason: line(t`Reason for applying anyway`, 8, 600).required(),
  })
    .allow(null)
    .required(),
});

const steps = Joi.array().items(stackStep).max(30).unique('id').label(t`steps`).required();

export const stackInput = objectOf<StackInput>({
  steps,
  version: version(1),
});

/** One stack applied on several areas at once. */
export interface StackForAreas {
  areaIds: string[];
  steps: Step[];
}
export const stackForAreas = objectOf<StackForAreas>({
  areaIds: Joi.array().items(id()).min(1).max(60).unique().label(t`areas`).required(),
  steps,
});

/** A stack kept under a name, for use on other boats. */
export interface OwnTemplate {
  id: string;
  name: string;
  steps: Step[];
}
export const ownTemplate = objectOf<OwnTemplate>({
  id: id().required(),
  name: title(t`Template name`).required(),
  steps,
});

/** Hours until a coat is safe from dew and rain, told by hand where its sheet states none. */
export interface BenchQuery {
  safeHours?: string;
  /** Set point of a heater asked about, whole °C, and its power, W; digits, since a query is text. */
  heatC?: string;
  watts?: string;
  /** What keeps the heated space from the outside, its surface there, m², and air changes, tenths an hour. */
  shell?: ShellKind;
  outsideM2?: string;
  changesTenths?: string;
  /** Water given off inside a tent or a heated room, tenths of a litre an hour, and the air in there, m³. */
  wetDl?: string;
  roomM3?: string;
}

const safeHoursText = Joi.string()
  .pattern(/^(?:0\.\d|[1-9]\d?(?:\.\d)?|1\d\d|2[0-3]\d|240)$/)
  .label('safeHours')
  .messages({ 'string.pattern.base': t`{#label} must be 0.1–240 h, but is {#value}` });

/** A question about the days ahead; text, as every query. */
export interface LookAheadQuery {
  safeHours?: string;
  launchAt?: string;
  damp?: string;
}

/** What a heated space may be enclosed by. */
export const shellKind = () =>
  oneOf<ShellKind>({
    tent: true,
    'tent-two-films': true,
    'shed-metal': true,
    'shed-boards': true,
    'shed-insulated': true,
    'hull-metal': true,
    'hull-grp': true,
    'hull-sandwich': true,
    'hull-timber': true,
  });

export const benchQuery = objectOf<BenchQuery>({
  safeHours: safeHoursText,
  heatC: Joi.string()
    .pattern(/^([5-9]|[1-3]\d|4[0-5])$/)
    .label('heatC')
    .messages({ 'string.pattern.base': t`{#label} must be 5–45 °C, but is {#value}` }),
  watts: Joi.string()
    .pattern(/^[1-9]\d{0,5}$/)
    .label(t`watts`)
    .messages({ 'string.pattern.base': t`{#label} must be 1–999999 W, but is {#value}` }),
  shell: shellKind().label(t`shell`),
  outsideM2: Joi.string()
    .pattern(/^[1-9]\d{0,4}$/)
    .label('outsideM2')
    .messages({ 'string.pattern.base': t`{#label} must be 1–99999 m², but is {#value}` }),
  changesTenths: Joi.string()
    .pattern(/^(0|[1-9]\d{0,2})$/)
    .label('changesTenths')
    .messages({ 'string.pattern.base': t`{#label} must be 0–999 tenths an hour, but is {#value}` }),
  wetDl: Joi.string()
    .pattern(/^(0|[1-9]\d{0,2})$/)
    .label('wetDl')
    .messages({ 'string.pattern.base': t`{#label} must be 0–999 tenths of a litre, but is {#value}` }),
  roomM3: Joi.string()
    .pattern(/^[1-9]\d{0,4}$/)
    .label('roomM3')
    .messages({ 'string.pattern.base': t`{#label} must be 1–99999 m³, but is {#value}` }),
});

/** The hours of a coat asked about. */
export interface CoatCheckQuery {
  from: string;
  to: string;
}

export const coatCheckQuery = objectOf<CoatCheckQuery>({
  from: instant().label(t`start`).required(),
  to: instant().label(t`end`).required(),
});

export const lookAheadQuery = objectOf<LookAheadQuery>({
  safeHours: safeHoursText,
  launchAt: instant().label(t`launch`),
  damp: Joi.valid('yes').label(t`damp`),
});
