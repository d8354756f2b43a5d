import Joi from 'joi';
import { objectOf } from '../joi.ts';
import {
  type ReadingsTaken,
  type Station,
  type StationInput,
  type StationsView,
  stationInput,
} from '../station.ts';
import {
  extended,
  figure,
  flag,
  listOf,
  maybeFigure,
  maybeMoment,
  maybeWord,
  moment,
  word,
} from './plain.ts';

/** Stations and what they gave, as replies. */

export const stationReply = extended<StationInput, Station>(stationInput, {
  version: figure(),
  hasToken: flag(),
  lastAt: maybeMoment(),
  lastHours: maybeFigure(),
  fault: maybeWord(),
});

export const stationsReply = objectOf<StationsView>({
  now: moment(),
  stations: listOf(stationReply),
  forecastErrors: listOf(Joi.object({ leadH: figure(), sdC: figure(), hours: figure() })),
});

export const tokenReply = objectOf<{ token: string }>({ token: word() });

export const readingsReply = objectOf<ReadingsTaken>({
  hours: figure(),
  bad: listOf(
    Joi.object({
      at: moment(),
      fault: Joi.valid('out-of-range', 'dead-sensor', 'stuck', 'double', 'too-far').required(),
      figure: word(),
      value: figure(),
    }),
  ),
});

/** The address of a boat's calendar, below this server's own; given this once. */
export const calendarReply = objectOf<{ path: string }>({ path: word() });
export const calendarStateReply = objectOf<{ given: boolean }>({ given: flag() });
