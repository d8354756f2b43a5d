import Joi from 'joi';
import type { BareTick, BenchView, CoatCheck, LookAheadView } from '../benchView.ts';
import { objectOf, oneOf } from '../joi.ts';
import { shellKind, stackStep } from '../stack.ts';
import { benchTins } from '../supply/benchTins.ts';
import { CURRENCY_CODES, type CurrencyCode } from '../supply/currency.ts';
import type { OpenFault } from '../survey.ts';
import { clockReply, hourReply, potReply, progressReply, sessionReply } from './clocks.ts';
import { airCondition, figure, flag, listOf, maybeFigure, maybeMoment, moment, uuid, word } from './plain.ts';
import { areaReply, boatReply, coatAirReply, failureReply, productReply } from './records.ts';

/** What the bench is served. */

const tick = objectOf<BareTick>({
  id: uuid(),
  kind: word(),
  name: word(),
  taped: Joi.boolean().allow(null).required(),
  tape: Joi.valid('masking', 'fine-line').allow(null).required(),
  offBy: maybeMoment(),
});

const bestStart = Joi.object({
  start: moment(),
  safe: moment(),
  tightest: Joi.object({ at: moment(), code: word(), value: figure(), limit: figure() })
    .allow(null)
    .required(),
});
const start = Joi.object({
  from: moment(),
  to: moment(),
  after: failureReply.allow(null).required(),
  conditions: listOf(airCondition()),
  best: bestStart.required(),
});

export const faultReply = objectOf<OpenFault>({
  findingId: uuid(),
  areaId: uuid(),
  kind: word(),
  reason: word(),
  at: moment(),
  paintedOverAt: moment().allow(null).required(),
});

export const benchReply = objectOf<BenchView>({
  now: moment(),
  boat: boatReply.required(),
  area: areaReply.required(),
  clock: clockReply.required(),
  step: stackStep.allow(null).required(),
  product: productReply.allow(null).required(),
  rate: Joi.object({ m2PerH: figure(), isOwn: flag() }).allow(null).required(),
  currency: oneOf<CurrencyCode>(CURRENCY_CODES).required(),
  litresForCoat: maybeFigure(),
  air: hourReply.allow(null).required(),
  hours: listOf(
    Joi.object({
      at: moment(),
      ok: flag(),
      reasons: listOf(Joi.object({ code: word(), value: figure(), limit: figure() })),
      conditions: listOf(airCondition()),
      surfaceC: figure(),
      surfaceLowC: figure(),
      surfaceHighC: figure(),
      dewPointC: figure(),
      marginFalls: Joi.boolean().allow(null).required(),
    }),
  ),
  outlook: Joi.object({
    start: moment(),
    end: moment(),
    safe: moment().allow(null),
    safeBy: Joi.valid('dew-safe', 'tack-free', 'entered').allow(null).required(),
    ok: flag(),
    starts: listOf(start),
    best: bestStart.allow(null).required(),
    otherPlaces: listOf(
      Joi.object({
        surroundings: Joi.object({ kind: word(), setPointC: Joi.number() }).required(),
        start: maybeMoment(),
        safe: maybeMoment(),
        next: maybeMoment(),
        heat: Joi.object({
          shell: shellKind().required(),
          areaM2: figure(),
          uWPerM2K: figure(),
          volumeM3: figure(),
          airChangesPerH: figure(),
          watts: figure(),
          lossWPerK: figure(),
          warmsK: figure(),
          coldestOutsideC: figure(),
          coldestInsideC: figure(),
          neededW: figure(),
          warmUpH: figure(),
          until: maybeMoment(),
          kWhLikely: maybeFigure(),
          kWhMost: maybeFigure(),
        })
          .allow(null)
          .required(),
      }),
    ),
    failures: listOf(failureReply),
    conditions: listOf(
      Joi.object({
        code: airCondition().required(),
        at: moment(),
        surface: Joi.object({ lowC: figure(), highC: figure() }).allow(null).required(),
      }),
    ),
  })
    .allow(null)
    .required(),
  pots: listOf(potReply),
  emptied: listOf(potReply),
  progress: listOf(progressReply),
  session: listOf(sessionReply),
  paintedFrom: Joi.object({ areaId: uuid(), areaName: word() }).allow(null).required(),
  lying: listOf(
    Joi.object({
      stepId: uuid(),
      coatNo: figure(),
      productName: word(),
      colour: Joi.string().allow('').required(),
    }),
  ),
  alike: listOf(
    Joi.object({
      areaId: uuid(),
      areaName: word(),
      stepId: uuid(),
      coatNo: figure(),
      leftM2: figure(),
      coveredM2: figure(),
      litres: figure(),
      workLeft: figure(),
      readyFrom: moment(),
      progress: listOf(progressReply),
    }),
  ),
  plannedTogether: Joi.object({ start: moment(), areaIds: listOf(uuid()) })
    .allow(null)
    .required(),
  faults: listOf(faultReply),
  bare: listOf(tick),
  askOldLine: flag(),
  takesAggregate: flag(),
  tins: benchTins.allow(null).required(),
});

export const coatCheckReply = objectOf<CoatCheck>({
  air: coatAirReply.allow(null).required(),
  tooSoon: Joi.object({ until: maybeMoment() }).allow(null).required(),
});

export const aheadReply = objectOf<LookAheadView>({
  now: moment(),
  second: Joi.array().items(start).allow(null).required(),
  launch: Joi.object({
    at: moment(),
    stated: flag(),
    coatsLeft: figure(),
    startBy: maybeMoment(),
    ready: maybeMoment(),
    knownUntil: moment(),
  })
    .allow(null)
    .required(),
  damp: listOf(start),
});
