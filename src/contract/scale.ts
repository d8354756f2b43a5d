import Joi from 'joi';
import { objectOf } from './joi.ts';
import { figure, listOf, moment } from './replies/plain.ts';

/** Readings of a network scale from the last minute, oldest first. */
export interface ScaleView {
  /** The server’s clock, by which the readings are timed. */
  now: string;
  readings: { at: string; grams: number }[];
}

export const scaleReply = objectOf<ScaleView>({
  now: moment(),
  readings: listOf(Joi.object({ at: moment(), grams: figure() })),
});
