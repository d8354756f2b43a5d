import Joi from 'joi';
import type { ReadingFault } from '../core/air/index.ts';
import { t } from '../words.ts';
import { between, id, instant, objectOf, title, version } from './joi.ts';

/** A source of air: a logger that posts, or an address that is asked. */
export interface StationInput {
  id: string;
  name: string;
  gives: 'measured' | 'forecast';
  /** Whether it posts its readings here, or an address is asked for them. */
  way: 'posts' | 'asked';
  url: string | null;
  everyMin: number;
  /** Whether the address may be one of the yard's own network. */
  privateNet: boolean;
  on: boolean;
  /** Where two give the same hour, the lower rank counts. */
  rank: number;
  /** Whether the rain of a reading fell before its timestamp or after it; left out of a request: after. */
  rainInterval: 'before' | 'after';
}

export type StationUpdate = Omit<StationInput, 'rainInterval'> &
  Partial<Pick<StationInput, 'rainInterval'>> & { version: number };

export interface Station extends StationInput {
  version: number;
  hasToken: boolean;
  /** When it last gave something, and how many hours; null: never. */
  lastAt: string | null;
  lastHours: number | null;
  /** The last error; null: no error. */
  fault: string | null;
}

/** A reading left out, by name. */
export interface BadReadingView {
  at: string;
  fault: ReadingFault;
  figure: string;
  value: number;
}

export interface ReadingsTaken {
  hours: number;
  bad: BadReadingView[];
}

/** The station's error by lead time: what is gone by, and how many hours of it were compared here. */
export interface StationsView {
  now: string;
  stations: Station[];
  forecastErrors: { leadH: number; sdC: number; hours: number }[];
}

/** A reading as it is posted, or answered by an address that is asked. */
export interface PostedReading {
  at: string;
  airC: number;
  rhPercent: number;
  windMs?: number | null;
  rainMm?: number | null;
  surfaceC?: number | null;
  cloudTenths?: number | null;
}

export interface PostedReadings {
  readings: PostedReading[];
}

const stationFields = {
  name: title(t`Station name`).required(),
  gives: Joi.valid('measured', 'forecast').label(t`Data type`).required(),
  way: Joi.valid('posts', 'asked').label(t`Station type`).required(),
  url: Joi.string()
    .uri({ scheme: ['http', 'https'] })
    .max(500)
    .label(t`Web address`)
    .allow(null)
    .when('way', {
      is: 'asked',
      // biome-ignore lint/suspicious/noThenProperty: Joi's own word for the branch
      then: Joi.invalid(null).messages({ 'any.invalid': t`address is missing` }),
      otherwise: Joi.valid(null),
    })
    .messages({ 'string.uriCustomScheme': t`Web address must start with http:// or https://` })
    .required(),
  everyMin: between(t`Fetch interval (min)`, 5, 1440).integer().required(),
  privateNet: Joi.boolean().label(t`On the yard’s own network`).required(),
  on: Joi.boolean().label(t`on`).required(),
  rank: between(t`Position in the list`, 0, 100).integer().required(),
};

const rainInterval = () => Joi.valid('before', 'after').label(t`rain interval`);

export const stationInput = objectOf<StationInput>({
  id: id().required(),
  ...stationFields,
  rainInterval: rainInterval().default('after'),
});
/** The rain interval left out: as it was. */
export const stationUpdate = objectOf<StationUpdate>({
  id: id().required(),
  ...stationFields,
  rainInterval: rainInterval().optional(),
  version: version(1),
});

/** Wide on purpose: what no air can be is left out by name, not refused as a whole. */
const figure = (label: string) => between(label, -10_000, 10_000);

export const postedReadings = objectOf<PostedReadings>({
  readings: Joi.array()
    .items(
      Joi.object({
        at: instant().label(t`time of the reading`).required(),
        airC: figure(t`Air temperature (°C)`).required(),
        rhPercent: figure(t`relative humidity (%)`).required(),
        windMs: figure('wind (m/s)').allow(null).optional(),
        rainMm: figure('rain (mm)').allow(null).optional(),
        surfaceC: figure(t`Surface temperature (°C)`).allow(null).optional(),
        cloudTenths: figure(t`Cloud cover (tenths)`).allow(null).optional(),
      }),
    )
    .min(1)
    .max(2000)
    .label(t`readings`)
    .required(),
});
