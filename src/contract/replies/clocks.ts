import Joi from 'joi';
import type { ProgressView, SessionNoteView } from '../benchView.ts';
import { objectOf } from '../joi.ts';
import { batchBody } from '../log.ts';
import { taskFields } from '../stack.ts';
import type { AreaClock, AreaGlance, NextView, PotView, StrewnView, WorkView } from '../views.ts';
import type { Shift, WeatherHour } from '../weather.ts';
import {
  figure,
  flag,
  listOf,
  maybeFigure,
  maybeMoment,
  maybeUuid,
  maybeWord,
  moment,
  uuid,
  word,
} from './plain.ts';

/** Where areas stand, as replies. */

const part = Joi.object({
  areaId: uuid(),
  kind: Joi.valid('patch', 'spot', 'piece').required(),
  standId: maybeUuid(),
  sharesSystem: flag(),
  at: moment(),
})
  .allow(null)
  .required();

const next = objectOf<NextView>({
  stepId: uuid(),
  coatNo: figure(),
  coats: figure(),
  productId: uuid(),
  productName: word(),
  colour: word(),
  coveredM2: figure(),
  areaM2: figure(),
  band: maybeWord(),
});

const work = objectOf<WorkView>({
  ...taskFields,
  taskId: word(),
  doneAt: maybeMoment(),
  entryId: maybeUuid(),
  endsAt: maybeMoment(),
  fromAt: maybeMoment(),
  sandableAt: maybeMoment(),
  strewn: objectOf<StrewnView>({ at: moment(), kg: maybeFigure(), entryId: uuid() }).allow(null).required(),
});

export const clockReply = objectOf<AreaClock>({
  areaId: uuid(),
  areaName: word(),
  zone: word(),
  side: word(),
  boatId: uuid(),
  boatName: word(),
  areaM2: figure(),
  part,
  hiddenBy: Joi.object({ standId: uuid(), name: word(), shiftOn: maybeWord() }).allow(null).required(),
  primeBy: maybeMoment(),
  spread: figure(),
  film: Joi.object({
    entryIds: listOf(Joi.string().guid()),
    productId: uuid(),
    productName: word(),
    colour: word(),
    stepId: maybeUuid(),
    coatNo: figure(),
    coatLabel: word(),
    typical: listOf(Joi.string()),
    appliedFrom: moment(),
    appliedTo: moment(),
  })
    .allow(null)
    .required(),
  next: next.allow(null).required(),
  work: listOf(work),
  nextIsWater: flag(),
  state: word(),
  until: maybeMoment(),
  segments: listOf(Joi.object({ state: word(), from: moment(), to: maybeMoment() })),
  edges: listOf(
    Joi.object({
      edge: word(),
      at: maybeMoment(),
      points: listOf(Joi.object({ tempC: figure(), minutes: figure() })),
      stopC: maybeFigure(),
      runsOn: flag(),
      from: moment(),
      factor: figure(),
    }),
  ),
  events: listOf(Joi.object({ event: word(), at: maybeMoment() })),
  warnings: listOf(Joi.string()),
  keyGrit: maybeFigure(),
  ruleBy: maybeWord(),
  parts: listOf(
    Joi.object({
      what: Joi.valid('begun', 'rest', 'session').required(),
      areaM2: figure(),
      from: maybeMoment(),
      to: maybeMoment(),
      state: word(),
      until: maybeMoment(),
      segments: listOf(Joi.object({ state: word(), from: moment(), to: maybeMoment() })),
    }),
  ),
  lap: Joi.object({ start: moment(), farEnd: moment() }).allow(null).required(),
  hand: Joi.object({
    tests: listOf(Joi.object({ entryId: uuid(), at: moment(), found: word() })),
    factor: figure(),
    mustFactor: figure(),
    stuckAt: maybeMoment(),
    notCuring: flag(),
    low: figure(),
    high: figure(),
    contradicts: flag(),
    silent: flag(),
    opensBySheet: maybeMoment(),
    opensNow: maybeMoment(),
  })
    .allow(null)
    .required(),
  stepsDone: figure(),
  stepsAll: figure(),
  failed: maybeWord(),
});

export const glanceReply = objectOf<AreaGlance>({
  areaId: uuid(),
  areaName: word(),
  zone: word(),
  side: word(),
  state: word(),
  part,
});

export const progressReply = objectOf<ProgressView>({
  entryId: uuid(),
  at: moment(),
  section: Joi.object({ no: figure(), of: figure() }).allow(null).required(),
  comb: Joi.object({ wetMicrons: figure(), dryMicrons: figure() }).allow(null).required(),
  usedL: maybeFigure(),
  wetEdgeMin: maybeFigure(),
  cutIn: Joi.boolean().allow(null).required(),
});

export const sessionReply = objectOf<SessionNoteView>({
  entryId: uuid(),
  at: moment(),
  areaIds: listOf(Joi.string().guid()),
  people: listOf(Joi.string()),
  device: Joi.object({ id: uuid(), kind: word() }).required(),
  ended: Joi.boolean().required(),
});

export const potReply = objectOf<PotView>({
  entryId: uuid(),
  areaId: uuid(),
  areaName: word(),
  boatId: uuid(),
  boatName: word(),
  productName: word(),
  mixedAt: moment(),
  inductionEnds: moment(),
  potEnds: maybeMoment(),
  usedL: maybeFigure(),
  batch: batchBody.required(),
});

const hourFields = {
  at: moment(),
  airC: figure(),
  rh: figure(),
  windMs: maybeFigure(),
  rainMm: maybeFigure(),
  surfaceC: maybeFigure(),
  cloudTenths: maybeFigure(),
  source: Joi.valid('measured', 'forecast', 'filled').required(),
  simulated: flag(),
};
export const hourReply = objectOf<WeatherHour>(hourFields);
export const filmHourReply = Joi.object({ ...hourFields, filmC: figure() });

export const shiftReply = objectOf<Shift>({
  areaId: uuid(),
  areaName: word(),
  boatName: word(),
  edge: word(),
  beforeAt: maybeMoment(),
  afterAt: maybeMoment(),
  at: moment(),
  cause: word(),
  changedHours: figure(),
  meanChangeC: figure(),
});
