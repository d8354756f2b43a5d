import Joi from 'joi';
import type { HandFinding } from '../core/cure/index.ts';
import type { MeasuringTool } from '../core/mix/index.ts';
import type { RemovalWay } from '../core/system/index.ts';
import { t } from '../words.ts';
import { between, fraction, id, instant, line, objectOf, oneOf, text, title, version } from './joi.ts';
import type {
  BatchBody,
  BatchEndBody,
  BlastBody,
  CoatBody,
  EntryKind,
  HandTestBody,
  LoggedConditions,
  NoteBody,
  RemovalBody,
  RoundBody,
  StrikeBody,
  TapeBody,
  WorkBody,
} from './logBodies.ts';
import { methods } from './methods.ts';
import { progressBody, sessionBody } from './sessionBodies.ts';
import { ownRatio, taskFields } from './stack.ts';

const tool = Joi.object<MeasuringTool>({
  kind: oneOf<MeasuringTool['kind']>({
    scale: true,
    cup: true,
    syringe: true,
    stick: true,
    'counted-cups': true,
    pump: true,
  }).required(),
  stepG: between(t`Scale graduation (g)`, 0.001, 1000),
  stepMl: between(t`Smallest graduation (ml)`, 0.01, 5000),
  potDiameterMm: between(t`pot diameter (mm)`, 5, 1000),
  stepMm: between(t`Stick graduation (mm)`, 0.1, 100),
  cupMl: between(t`Cup size (ml)`, 0.1, 20_000),
  strokeMl: between(t`Volume per stroke (ml)`, 0.01, 5000),
});

const step = {
  stepId: id().label(t`step`).required(),
  coatNo: between(t`coat number`, 0, 30).integer().required(),
  productId: id().label(t`product`).required(),
  sheetVersion: version(1).label(t`sheet version`),
};

export const batchBody = objectOf<BatchBody>({
  ...step,
  litres: between(t`Batch size (l)`, 0.0001, 1000).required(),
  pours: Joi.array()
    .items(
      Joi.object({
        name: title('part').required(),
        amount: between('amount', 0.001, 1_000_000).required(),
        unit: Joi.valid('g', 'ml').required(),
      }),
    )
    .min(1)
    .max(4)
    .required(),
  lots: Joi.array()
    .items(
      Joi.object({
        part: title('part').required(),
        lotId: id().label(t`lot`).required(),
        code: text(80).label(t`lot number`).required(),
      }),
    )
    .max(20)
    .unique('lotId')
    .optional(),
  tool: tool.required(),
  ratioError: fraction(t`Ratio error`, -1, 100).required(),
  litresEstimated: Joi.boolean().optional(),
  ownRatio: ownRatio.allow(null).optional(),
  additives: Joi.array()
    .items(
      Joi.object({
        name: title('additive').required(),
        ml: between('additive (ml)', 0.001, 100_000).required(),
      }),
    )
    .max(8)
    .unique('name')
    .label(t`additives`)
    .optional(),
  thinnerLitres: between('thinner (l)', 0, 500).required(),
  potTempC: between(t`Pot temperature (°C)`, -20, 60).required(),
  inductionMin: between('induction (min)', 0, 240).required(),
  potLifeMin: between(t`Pot life (min)`, 0.5, 100_000).allow(null).required(),
});

const conditions = objectOf<LoggedConditions>({
  airC: between(t`air temperature (°C)`, -40, 60).required(),
  rh: fraction(t`Relative humidity`, 0.01, 1).required(),
  surfaceC: between(t`surface temperature (°C)`, -40, 90).allow(null).required(),
  source: Joi.valid('typed', 'measured', 'forecast', 'filled', 'simulated').required(),
});

const coat = objectOf<CoatBody>({
  ...step,
  colour: text(80).label(t`colour`).required(),
  method: methods.required(),
  litres: between(t`Litres used`, 0.0001, 2000).required(),
  thinner: fraction(t`Thinner`, 0, 0.5).required(),
  areaM2: between(t`Area covered (m²)`, 0.0001, 10_000).required(),
  endedAt: instant().label(t`End time`).required(),
  conditions: conditions.allow(null).required(),
  batchIds: Joi.array().items(id()).max(50).unique().required(),
  by: title(t`Applied by`).optional(),
  note: text(2000).label(t`note`).required(),
});

/** The body of an entry by its kind. */
export const entryBodies: Record<EntryKind, Joi.ObjectSchema> = {
  batch: batchBody,
  coat,
  'batch-end': objectOf<BatchEndBody>({
    batchId: id().required(),
    fate: Joi.valid('emptied', 'discarded').required(),
    usedL: between(t`Applied from this pot (l)`, 0, 1000).when('fate', {
      is: 'emptied',
      // biome-ignore lint/suspicious/noThenProperty: Joi's own word for the branch
      then: Joi.forbidden(),
    }),
  }),
  tape: objectOf<TapeBody>({
    itemId: id().label(t`Masked item`).required(),
    name: title('name').required(),
    on: Joi.boolean().required(),
    stepId: id().label(t`step`).allow(null).required(),
    coatNo: between(t`coat number`, 0, 30).integer().allow(null).required(),
    tape: Joi.valid('masking', 'fine-line').label(t`Tape type`).optional(),
  }),
  blast: objectOf<BlastBody>({
    holdsHours: between(t`Hours the steel may stay bare`, 0.5, 96).required(),
  }),
  removal: objectOf<RemovalBody>({
    toGround: Joi.boolean().required(),
    coats: Joi.array()
      .items(
        Joi.object({
          stepId: id().label(t`step`).required(),
          coatNo: between(t`coat number`, 0, 30).integer().required(),
        }),
      )
      .max(100)
      .unique((a, b) => a.stepId === b.stepId && a.coatNo === b.coatNo)
      .label(t`coats taken off`)
      .required(),
    way: oneOf<RemovalWay>({ blasted: true, stripped: true, scraped: true, sanded: true })
      .label(t`how they were taken off`)
      .required(),
    grit: between('grit', 12, 5000).integer().allow(null).required(),
    holdsHours: between(t`Hours the steel may stay bare`, 0.5, 96).allow(null).required(),
    reason: line(t`why they were taken off`, 1, 400).required(),
  }),
  work: objectOf<WorkBody>({
    stepId: id().label(t`step`).required(),
    coatNo: between(t`coat number`, 0, 30).integer().required(),
    taskId: Joi.alternatives(id(), Joi.valid('between', 'spacing', 'key', 'wash'))
      .label(t`task`)
      .required(),
    ...taskFields,
    outcome: Joi.valid('done', 'faults', 'strewn').label(t`outcome`).required(),
    remark: text(1000).label(t`remark`).required(),
    aggregate: Joi.object({
      strewnKg: between('strewn (kg)', 0.001, 5000).required(),
      sweptBackKg: between(t`swept back (kg)`, 0, 5000).allow(null).required(),
    })
      .custom((value: NonNullable<WorkBody['aggregate']>, helpers) =>
        (value.sweptBackKg ?? 0) > value.strewnKg ? helpers.error('aggregate.more', { ...value }) : value,
      )
      .messages({
        'aggregate.more': t`swept back {#sweptBackKg} kg is more than the {#strewnKg} kg strewn`,
      }),
  })
    .custom((value: WorkBody, helpers) =>
      value.outcome === 'strewn' && value.kind !== 'aggregate' ? helpers.error('work.strewn') : value,
    )
    .messages({ 'work.strewn': t`only aggregate can be strewn` }),
  'hand-test': objectOf<HandTestBody>({
    stepId: id().label(t`step`).required(),
    coatNo: between(t`coat number`, 0, 30).integer().required(),
    found: oneOf<HandFinding>({
      sticks: true,
      prints: true,
      'no-print': true,
      dents: true,
      hard: true,
      clogs: true,
      powders: true,
    })
      .label(t`Hand test result`)
      .required(),
    place: text(200).label(t`place`).required(),
    note: text(1000).label(t`note`).required(),
  }),
  progress: progressBody,
  session: sessionBody,
  round: objectOf<RoundBody>({
    stepId: id().label(t`step`).required(),
    reason: text(400).label(t`Reason for the additional coat`).required(),
  }),
  note: objectOf<NoteBody>({ text: line('note', 1, 4000).required() }),
  strike: objectOf<StrikeBody>({
    reason: line('reason', 1, 400).required(),
  }),
};

export const entryInput = Joi.object({
  id: id().required(),
  areaId: id().label(t`area`).required(),
  at: instant().label(t`Start time`).required(),
  corrects: id().allow(null).required(),
  kind: Joi.valid(...Object.keys(entryBodies))
    .label(t`kind`)
    .required(),
  body: Joi.alternatives().conditional('kind', {
    // biome-ignore lint/suspicious/noThenProperty: Joi's own word for the branch
    switch: Object.entries(entryBodies).map(([kind, schema]) => ({ is: kind, then: schema.required() })),
  }),
});

/** Which page of a boat's log. */
export interface LogQuery {
  /** Older than this cursor, as the page before gave it. */
  before?: string;
  /** Entries a page; digits, since a query is text. */
  limit?: string;
}

export const logQuery = objectOf<LogQuery>({
  before: Joi.string()
    .pattern(/^\d{1,15}\.\d{1,15}\.[0-9a-f-]{36}$/)
    .label(t`before`),
  limit: Joi.string()
    .pattern(/^([1-9]\d?|[1-4]\d\d|500)$/)
    .label(t`limit`)
    .messages({ 'string.pattern.base': t`{#label} must be 1–500 entries, but is {#value}` }),
});
