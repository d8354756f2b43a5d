import Joi from 'joi';
import type { AirConditionCode, AirReason } from '../core/air/index.ts';
import { t } from '../words.ts';
import { id, objectOf } from './joi.ts';
import { airCondition, figure, flag, listOf, maybeWord, moment } from './replies/plain.ts';

/** The period asked for on the timeline; digits, since a query is text. */
export interface StripQuery {
  /** Whose surface and next coat it is about; left out: topsides in the open, and the usual limits. */
  areaId?: string;
  /** Days back from now. */
  back?: string;
}

/** An hour of weather at a surface, each temperature with its 90 % band, °C. Air in a heated space is that space's. */
export interface StripHour {
  at: string;
  source: 'measured' | 'simulated' | 'forecast' | 'filled';
  airC: number;
  airLowC: number;
  airHighC: number;
  dewC: number;
  dewLowC: number;
  dewHighC: number;
  surfaceC: number;
  surfaceLowC: number;
  surfaceHighC: number;
  /** What speaks against applying in this hour; empty for hours past. */
  reasons: AirReason[];
  /** What no data says of this hour, for hours to come. */
  conditions: AirConditionCode[];
}

/** What the time-strip draws above its lanes. */
export interface StripView {
  now: string;
  /** Whose limits block the hours; null: the usual ones. */
  productName: string | null;
  simulated: boolean;
  hours: StripHour[];
}

export const stripQuery = objectOf<StripQuery>({
  areaId: id().label('areaId'),
  back: Joi.string()
    .pattern(/^(\d|[1-9]\d|1[0-2]\d)$/)
    .label(t`back`)
    .messages({ 'string.pattern.base': t`{#label} must be 0–129 days, but is {#value}` }),
});

const stripHour = objectOf<StripHour>({
  at: moment(),
  source: Joi.valid('measured', 'simulated', 'forecast', 'filled').required(),
  airC: figure(),
  airLowC: figure(),
  airHighC: figure(),
  dewC: figure(),
  dewLowC: figure(),
  dewHighC: figure(),
  surfaceC: figure(),
  surfaceLowC: figure(),
  surfaceHighC: figure(),
  reasons: listOf(Joi.object({ code: Joi.string().required(), value: figure(), limit: figure() })),
  conditions: listOf(airCondition()),
});

export const stripReply = objectOf<StripView>({
  now: moment(),
  productName: maybeWord(),
  simulated: flag(),
  hours: listOf(stripHour),
});
