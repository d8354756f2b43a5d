import Joi from 'joi';
import type { Boat } from '../boat.ts';
import { hullFormInput } from '../form.ts';
import { objectOf } from '../joi.ts';
import { ownTemplate, stackStep } from '../stack.ts';
import type {
  BoardView,
  BoatView,
  ClockDetail,
  DiskRoom,
  FormView,
  LogView,
  StackView,
  TodayCoat,
  TodayView,
  WeatherView,
} from '../views.ts';
import type { WeatherImported } from '../weather.ts';
import { faultReply } from './bench.ts';
import { clockReply, filmHourReply, glanceReply, hourReply, potReply, shiftReply } from './clocks.ts';
import {
  airCondition,
  byName,
  extended,
  figure,
  flag,
  listOf,
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
  entryReply,
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

export const boardReply = objectOf<BoardView>({
  now: moment(),
  boats: listOf(
    extended<Boat, BoardView['boats'][number]>(boatReply, { areas: listOf(glanceReply), form: offsetTable }),
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

const extreme = Joi.object({ tempC: figure(), at: moment() }).required();

export const stackReply = objectOf<StackView>({
  areaId: uuid(),
  version: figure(),
  steps: listOf(stackStep),
  applied: byName(Joi.number()),
  asApplied: byName(Joi.array().items(Joi.number())),
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
  removedAt: byName(moment()),
  faults: listOf(faultReply),
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
      planned: moment().allow(null).required(),
      potEnds: maybeMoment(),
      workLeft: figure(),
      untaped: figure(),
      openFaults: figure(),
      paintEnds: flag(),
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
