import Joi from 'joi';
import type { HandFinding } from '../core/cure/index.ts';
import type { Method } from '../core/film/index.ts';
import type { MeasuringTool } from '../core/mix/index.ts';
import type { OwnRatio, StepTask } from '../core/system/index.ts';
import { between, id, instant, line, objectOf, oneOf, text, title, version } from './joi.ts';
import { ownRatio, taskFields } from './stack.ts';

/** Air and surface at the work, as typed or as the series had it. */
export interface LoggedConditions {
  airC: number;
  /** Fraction 0–1. */
  rh: number;
  surfaceC: number | null;
  /** Where the figures are from; a simulated station never counts as measured. */
  source: 'typed' | 'measured' | 'forecast' | 'filled' | 'simulated';
}

/** A pot mixed: what went in, and the clocks it started. */
export interface BatchBody {
  stepId: string;
  coatNo: number;
  productId: string;
  sheetVersion: number;
  litres: number;
  pours: { name: string; amount: number; unit: 'g' | 'ml' }[];
  tool: MeasuringTool;
  ratioError: number;
  /** Mixed at another ratio than the sheet's on purpose, and why; null or left out: by the sheet. */
  ownRatio?: OwnRatio | null;
  /** Additives put in, ml of each; left out: none told. */
  additives?: { name: string; ml: number }[];
  thinnerLitres: number;
  potTempC: number;
  inductionMin: number;
  /** null for a one-pack, which has no pot life. */
  potLifeMin: number | null;
}

export interface BatchEndBody {
  batchId: string;
  fate: 'emptied' | 'discarded';
}

/** A coat laid, or the part of one. */
export interface CoatBody {
  stepId: string;
  coatNo: number;
  productId: string;
  sheetVersion: number;
  colour: string;
  method: Method;
  /** Unthinned litres used. */
  litres: number;
  thinner: number;
  areaM2: number;
  endedAt: string;
  conditions: LoggedConditions | null;
  batchIds: string[];
  note: string;
}

/** Steel blasted bare: from here on it waits to be primed. */
export interface BlastBody {
  /** Hours it may stand: 4 bare, longer under a passivating wash. */
  holdsHours: number;
}

/** A thing of the leave-bare list taped up before a coat, or untaped after it. */
export interface TapeBody {
  itemId: string;
  name: string;
  on: boolean;
  /** The coat it was taped for; null outside one. */
  stepId: string | null;
  coatNo: number | null;
  /** Kind of tape, which says how long it holds; left out: not told. */
  tape?: TapeKind;
}

export type TapeKind = 'masking' | 'fine-line';

/** Work before a coat, done: a wash, a sanding, a wait cut short, an inspection with what it found. */
export interface WorkBody extends StepTask {
  stepId: string;
  coatNo: number;
  /** The task's id in the stack, or the sanding between coats or after a missed window. */
  taskId: string;
  /** An inspection that finds faults leaves the work due. */
  outcome: 'done' | 'faults';
  /** What was found or is worth telling. */
  remark: string;
}

/** One more coat of a step than planned, because the work wants it: another round of filling and fairing. */
export interface RoundBody {
  stepId: string;
  reason: string;
}

/** What the hand found on a film: it corrects the film's clock. */
export interface HandTestBody {
  stepId: string;
  coatNo: number;
  found: HandFinding;
  /** Where on the area; empty: not told. */
  place: string;
  note: string;
}

export interface NoteBody {
  text: string;
}

/** Takes an entry back: it stays readable, struck out, and no longer counts. */
export interface StrikeBody {
  reason: string;
}

export type EntryBody =
  | { kind: 'batch'; body: BatchBody }
  | { kind: 'batch-end'; body: BatchEndBody }
  | { kind: 'coat'; body: CoatBody }
  | { kind: 'tape'; body: TapeBody }
  | { kind: 'blast'; body: BlastBody }
  | { kind: 'work'; body: WorkBody }
  | { kind: 'hand-test'; body: HandTestBody }
  | { kind: 'round'; body: RoundBody }
  | { kind: 'note'; body: NoteBody }
  | { kind: 'strike'; body: StrikeBody };

export type EntryKind = EntryBody['kind'];

/** A log entry: never overwritten; a correction is a new entry that names the old one. */
export type EntryInput = EntryBody & {
  id: string;
  areaId: string;
  /** When it happened (a coat: when laying began). */
  at: string;
  /** The entry this one takes the place of. */
  corrects: string | null;
};

export type Entry = EntryInput & {
  boatId: string;
  recordedAt: string;
  /** The entry that took this one's place. */
  correctedBy: string | null;
};

const tool = Joi.object<MeasuringTool>({
  kind: oneOf<MeasuringTool['kind']>({
    scale: true,
    cup: true,
    syringe: true,
    stick: true,
    'counted-cups': true,
    pump: true,
  }).required(),
  stepG: between('scale step (g)', 0.001, 1000),
  stepMl: between('step (ml)', 0.01, 5000),
  potDiameterMm: between('pot diameter (mm)', 5, 1000),
  stepMm: between('stick step (mm)', 0.1, 100),
  cupMl: between('cup (ml)', 0.1, 20_000),
  strokeMl: between('stroke (ml)', 0.01, 5000),
});

const step = {
  stepId: id().label('step').required(),
  coatNo: between('coat number', 0, 30).integer().required(),
  productId: id().label('product').required(),
  sheetVersion: version(1).label('sheet version'),
};

export const batchBody = objectOf<BatchBody>({
  ...step,
  litres: between('batch (l)', 0.0001, 1000).required(),
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
  tool: tool.required(),
  ratioError: between('ratio error (fraction)', -1, 100).required(),
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
    .label('additives')
    .optional(),
  thinnerLitres: between('thinner (l)', 0, 500).required(),
  potTempC: between('temperature of the pot (°C)', -20, 60).required(),
  inductionMin: between('induction (min)', 0, 240).required(),
  potLifeMin: between('pot life (min)', 0.5, 100_000).allow(null).required(),
});

const conditions = objectOf<LoggedConditions>({
  airC: between('air temperature (°C)', -40, 60).required(),
  rh: between('relative humidity (fraction)', 0.01, 1).required(),
  surfaceC: between('surface temperature (°C)', -40, 90).allow(null).required(),
  source: Joi.valid('typed', 'measured', 'forecast', 'filled', 'simulated').required(),
});

const coat = objectOf<CoatBody>({
  ...step,
  colour: text(80).label('colour').required(),
  method: oneOf<Method>({
    brush: true,
    roller: true,
    'roll-and-tip': true,
    'conventional-spray': true,
    'airless-spray': true,
    trowel: true,
    aerosol: true,
  }).required(),
  litres: between('litres used (l)', 0.0001, 2000).required(),
  thinner: between('thinner (fraction)', 0, 0.5).required(),
  areaM2: between('area covered (m²)', 0.0001, 10_000).required(),
  endedAt: instant().label('end').required(),
  conditions: conditions.allow(null).required(),
  batchIds: Joi.array().items(id()).max(50).unique().required(),
  note: text(2000).label('note').required(),
});

const bodies: Record<EntryKind, Joi.ObjectSchema> = {
  batch: batchBody,
  coat,
  'batch-end': objectOf<BatchEndBody>({
    batchId: id().required(),
    fate: Joi.valid('emptied', 'discarded').required(),
  }),
  tape: objectOf<TapeBody>({
    itemId: id().label('thing to leave bare').required(),
    name: title('name').required(),
    on: Joi.boolean().required(),
    stepId: id().label('step').allow(null).required(),
    coatNo: between('coat number', 0, 30).integer().allow(null).required(),
    tape: Joi.valid('masking', 'fine-line').label('kind of tape').optional(),
  }),
  blast: objectOf<BlastBody>({
    holdsHours: between('hours it may stand bare', 0.5, 96).required(),
  }),
  work: objectOf<WorkBody>({
    stepId: id().label('step').required(),
    coatNo: between('coat number', 0, 30).integer().required(),
    taskId: Joi.alternatives(id(), Joi.valid('between', 'spacing', 'key'))
      .label('task')
      .required(),
    ...taskFields,
    outcome: Joi.valid('done', 'faults').label('outcome').required(),
    remark: text(1000).label('remark').required(),
  }),
  'hand-test': objectOf<HandTestBody>({
    stepId: id().label('step').required(),
    coatNo: between('coat number', 0, 30).integer().required(),
    found: oneOf<HandFinding>({
      sticks: true,
      prints: true,
      'no-print': true,
      dents: true,
      hard: true,
      clogs: true,
      powders: true,
    })
      .label('what the hand found')
      .required(),
    place: text(200).label('place').required(),
    note: text(1000).label('note').required(),
  }),
  round: objectOf<RoundBody>({
    stepId: id().label('step').required(),
    reason: text(400).label('reason for another round').required(),
  }),
  note: objectOf<NoteBody>({ text: line('note', 1, 4000).required() }),
  strike: objectOf<StrikeBody>({
    reason: line('reason', 1, 400).required(),
  }),
};

export const entryInput = Joi.object({
  id: id().required(),
  areaId: id().label('area').required(),
  at: instant().label('start').required(),
  corrects: id().allow(null).required(),
  kind: Joi.valid(...Object.keys(bodies))
    .label('kind')
    .required(),
  body: Joi.alternatives().conditional('kind', {
    // biome-ignore lint/suspicious/noThenProperty: Joi's own word for the branch
    switch: Object.entries(bodies).map(([kind, schema]) => ({ is: kind, then: schema.required() })),
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
    .label('before'),
  limit: Joi.string()
    .pattern(/^([1-9]\d?|[1-4]\d\d|500)$/)
    .label('limit')
    .messages({ 'string.pattern.base': '{#label} {#value} is outside 1–500 entries' }),
});
