import Joi from 'joi';
import type { AheadView, BareTick, BenchView, CoatCheck } from '../benchView.ts';
import type { Boat } from '../boat.ts';
import { hullFormInput } from '../form.ts';
import { objectOf } from '../joi.ts';
import { ownTemplate, shellKind, stackStep } from '../stack.ts';
import { benchTins } from '../supply/benchTins.ts';
import type {
  BoatView,
  ClockDetail,
  DiskRoom,
  FormView,
  LogView,
  SlipView,
  StackView,
  TodayCoat,
  TodayView,
  WeatherView,
} from '../views.ts';
import type { WeatherImported } from '../weather.ts';
import { clockReply, filmHourReply, glanceReply, hourReply, potReply, shiftReply } from './clocks.ts';
import {
  airCondition,
  byName,
  extended,
  figure,
  flag,
  listOf,
  maybeFigure,
  maybeMoment,
  maybeUuid,
  moment,
  uuid,
  word,
} from './plain.ts';
import {
  areaReply,
  bareItemReply,
  boatReply,
  coatAirReply,
  entryReply,
  failureReply,
  findingReply,
  hullFormReply,
  productReply,
  standReply,
} from './records.ts';

/** What screens are served. */

const offsetTable = hullFormInput.extract('offsets');
const formSource = Joi.valid('dimensions', 'offsets', 'mesh').required();

export const diskReply = objectOf<DiskRoom>({
  freeBytes: figure(),
  state: Joi.valid('fine', 'low', 'full', 'read-only').required(),
});

export const slipReply = objectOf<SlipView>({
  now: moment(),
  boats: listOf(
    extended<Boat, SlipView['boats'][number]>(boatReply, { areas: listOf(glanceReply), form: offsetTable }),
  ),
  pots: listOf(potReply),
  clocks: listOf(clockReply),
  more: figure(),
  air: hourReply.allow(null).required(),
  disk: diskReply.required(),
});

export const boatViewReply = objectOf<BoatView>({
  boat: boatReply.required(),
  areas: listOf(areaReply),
  clocks: listOf(clockReply),
  stands: listOf(standReply),
  bareItems: listOf(bareItemReply),
  findings: listOf(findingReply),
  form: offsetTable,
  formSource,
});

export const formViewReply = objectOf<FormView>({
  boat: boatReply.required(),
  areas: listOf(areaReply),
  form: hullFormReply.required(),
  source: formSource,
});

const tick = objectOf<BareTick>({
  id: uuid(),
  kind: word(),
  name: word(),
  taped: Joi.boolean().allow(null).required(),
  tape: Joi.valid('masking', 'fine-line').allow(null).required(),
  offBy: maybeMoment(),
});

const extreme = Joi.object({ tempC: figure(), at: moment() }).required();

export const stackReply = objectOf<StackView>({
  areaId: uuid(),
  version: figure(),
  steps: listOf(stackStep),
  laid: byName(Joi.number()),
  asLaid: byName(Joi.array().items(Joi.number())),
  bonds: byName(
    Joi.array().items(
      Joi.object({
        bond: word(),
        fault: Joi.valid('too-soon', 'not-keyed').allow(null).required(),
      }).allow(null),
    ),
  ),
  missedStepId: maybeUuid(),
  profile: Joi.object({ microns: figure(), from: word() }).allow(null).required(),
  extremes: Joi.object({ coldest: extreme, hottest: extreme }).allow(null).required(),
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

export const benchReply = objectOf<BenchView>({
  now: moment(),
  boat: boatReply.required(),
  area: areaReply.required(),
  clock: clockReply.required(),
  step: stackStep.allow(null).required(),
  product: productReply.allow(null).required(),
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
    safeBy: Joi.valid('dew-safe', 'tack-free', 'told').allow(null).required(),
    ok: flag(),
    starts: listOf(start),
    best: bestStart.allow(null).required(),
    instead: listOf(
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
  bare: listOf(tick),
  askOldLine: flag(),
  tins: benchTins.allow(null).required(),
});

export const coatCheckReply = objectOf<CoatCheck>({
  air: coatAirReply.allow(null).required(),
  tooSoon: Joi.object({ until: maybeMoment() }).allow(null).required(),
});

export const clockDetailReply = objectOf<ClockDetail>({
  clock: clockReply.required(),
  now: moment(),
  hours: listOf(filmHourReply),
  shifts: listOf(shiftReply),
  spreads: listOf(Joi.object({ edge: word(), early: maybeMoment(), late: maybeMoment() })),
});

export const logReply = objectOf<LogView>({
  boat: boatReply.required(),
  areas: listOf(areaReply),
  clocks: listOf(clockReply),
  form: offsetTable,
  entries: listOf(entryReply),
  next: Joi.string().allow(null).required(),
  total: figure(),
  overruled: listOf(
    Joi.object({ areaId: uuid(), productName: word(), ruleIds: listOf(Joi.string()), reason: word() }),
  ),
  products: byName(Joi.object({ name: word(), volumeSolids: figure(), version: figure() })),
  films: byName(figure()),
});

export const weatherReply = objectOf<WeatherView>({ now: moment(), hours: listOf(hourReply) });

export const weatherImportedReply = objectOf<WeatherImported>({
  hours: figure(),
  rainInterval: Joi.valid('before', 'after').required(),
  from: maybeMoment(),
  to: maybeMoment(),
  badRows: listOf(Joi.object({ line: figure(), message: word() })),
  moreBadRows: figure(),
  columns: byName(Joi.string().allow('')),
  shifts: listOf(shiftReply),
});

export const standInReply = Joi.object({ hours: figure(), shifts: listOf(shiftReply) });
export const sheetsReadReply = Joi.object({ added: figure(), changed: figure(), same: figure() });
export const productsReply = Joi.array().items(productReply);
export const aheadReply = objectOf<AheadView>({
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

export const todayReply = objectOf<TodayView>({
  now: moment(),
  coats: listOf(
    objectOf<TodayCoat>({
      areaId: uuid(),
      areaName: word(),
      boatId: uuid(),
      boatName: word(),
      productName: word(),
      colour: word(),
      applyH: figure(),
      starts: listOf(Joi.object({ from: moment(), to: moment() })),
      placed: Joi.object({ start: moment(), end: moment() }).allow(null).required(),
      potEnds: maybeMoment(),
      workLeft: figure(),
      safeNotStated: flag(),
      conditions: listOf(airCondition()),
    }),
  ),
  more: figure(),
});

export const boatsReply = Joi.array().items(boatReply);
export const stacksReply = Joi.array().items(stackReply);
export const templatesReply = Joi.array().items(ownTemplate);
/** The description of the API, which has a standard of its own. */
export const openApiReply = Joi.object().unknown();
