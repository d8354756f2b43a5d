import { type AirHour, checkHour, dewPointC, rhWhenWarmed } from '../air/index.ts';
import {
  DEW_FORECAST_ERROR,
  FORECAST_ERROR,
  forecastSdC,
  HOUR_MS,
  HOURLY_AUTOCORRELATION,
  type LeadError,
} from '../cure/index.ts';
import { moment, QuantityError, within } from '../units/index.ts';
import { happens, normalOf, randomOf } from './random.ts';

/** How wrong a forecast is by lead time, one standard deviation each. */
export interface WeatherErrors {
  airC: readonly LeadError[];
  dewC: readonly LeadError[];
  /** Wind, m/s. */
  windMs: readonly LeadError[];
  /** Cloud, tenths. */
  cloudTenths: readonly LeadError[];
}

const table = (...sds: number[]): LeadError[] =>
  [0, 24, 72, 120, 240].map((leadH, i) => ({ leadH, sdC: sds[i] as number }));

/** Defaults until a yard has learned its own [M, handbook part 18]. */
export const WEATHER_ERRORS: WeatherErrors = {
  airC: FORECAST_ERROR,
  dewC: DEW_FORECAST_ERROR,
  windMs: table(0.7, 1.2, 1.7, 2.0, 2.5),
  cloudTenths: table(1.5, 2.5, 3, 3, 3.5),
};

/** Rain comes as forecast up to here, and from there on ever less surely, h [M, handbook part 18]. */
const RAIN_SURE_H = 24;
/** From here on only the season's share of wet hours says anything, h [M, handbook part 18]. */
const RAIN_OPEN_H = 120;
/** Rain of a wet hour that the forecast has dry, mm: any is too much for a wet film. */
const USUAL_RAIN_MM = 0.5;
/** Air drier than of this dew point is taken for as damp as that, °C [M]: it dries anything. */
const DRIEST_C = -40;
/** Lower limit of the relative humidity. */
const DRIEST_RH = 0.001;
const DAY_MS = 24 * HOUR_MS;
/** No plan looks further ahead. */
const MOST_DAYS = 120;

/** One way the weather may turn out, with the forecasts that are issued on the way. */
export interface WeatherDraw {
  /** What the air turns out to be. */
  truth: readonly AirHour[];
  /**
   * What somebody knows at a moment: the air up to then, and after it the forecast of the last morning, moved by what that
   * forecast is seen to be wrong by at the moment. What comes after is in it only as far as the forecast has it.
   *
   * @param untilMs where it may end; left out: with the draw
   */
  knownAt(ms: number, untilMs?: number): AirHour[];
}

/** The share of a forecast of rain that holds so far ahead; the rest is as the season has it. */
const rainHolds = (leadH: number): number =>
  Math.min(1, Math.max(0, (RAIN_OPEN_H - leadH) / (RAIN_OPEN_H - RAIN_SURE_H)));

/** Air, dew point, wind and cloud of each hour; unknown: NaN, which stays what it is. */
interface Series {
  airC: Float64Array;
  dewC: Float64Array;
  windMs: Float64Array;
  cloudTenths: Float64Array;
  /** 1 wet, 0 dry, 2 not known. */
  rain: Uint8Array;
}
const KEYS = ['airC', 'dewC', 'windMs', 'cloudTenths'] as const;
const NO_RAIN_DATA = 2;

const copied = ({ airC, dewC, windMs, cloudTenths, rain }: Series): Series => ({
  airC: airC.slice(),
  dewC: dewC.slice(),
  windMs: windMs.slice(),
  cloudTenths: cloudTenths.slice(),
  rain: rain.slice(),
});

/** The share of hours in which it rained, of those of which it is known; null: of none. */
export function wetShareOf(hours: readonly AirHour[]): number | null {
  const known = hours.filter(({ rainMm }) => rainMm !== undefined);
  if (known.length === 0) return null;
  return known.filter(({ rainMm }) => (rainMm as number) > 0).length / known.length;
}

/**
 * Draws of how the weather may turn out against a forecast, by how wrong forecasts are.
 *
 * Each morning brings a new forecast. What it changes of an hour to come varies by sd²(lead the day before) − sd²(lead now),
 * so that every forecast is as wrong as the table says at its own lead and none tells of a later one [S: martingale model of
 * forecast evolution, Heath & Jackson 1994, from memory]; changes of neighbouring hours go together (0.97 from hour to hour [M]). The dew
 * point is never above the air. Rain stays as forecast up to a day; before that a forecast of it gives way to the season's
 * share of wet hours, more the further ahead it is, by five days wholly [M].
 *
 * A forecast of 10 °C for noon tomorrow: over many draws the truth has 10 °C on average and one of 1.4 K about it.
 *
 * @param hours known and forecast, in order, an hour apart
 * @param fromMs now: what lies before it is measured and stays as it is
 * @param morningMs when the next forecast is issued, and another each 24 h after it
 * @param errors left out: the handbook's
 * @param wetShare share of hours with rain in the season; null: not known, and rain that nobody forecast stays unknown
 * @returns a function from a seed to a draw; the same seed gives the same
 * @throws {QuantityError} on hours that cannot be, out of order, or over more than 120 days
 */
export function weatherDraws(input: {
  hours: readonly AirHour[];
  fromMs: number;
  morningMs: number;
  errors?: WeatherErrors;
  wetShare: number | null;
}): (seed: number) => WeatherDraw {
  const { hours, errors = WEATHER_ERRORS } = input;
  const fromMs = moment('now', input.fromMs);
  const wetShare = input.wetShare === null ? null : within('share of wet hours', input.wetShare, 0, 1);
  const endMs = checked(hours, fromMs);
  const morningMs = within('next forecast (ms)', input.morningMs, fromMs + 1, fromMs + 2 * DAY_MS);
  /** When each forecast is issued; with the last one all is known. */
  const issuedMs = [fromMs];
  for (let at = morningMs; (issuedMs.at(-1) as number) < endMs; at += DAY_MS) issuedMs.push(at);
  const changes = issuedMs.length - 1;
  const first = hours.findIndex(({ at }) => at > fromMs);
  const firstAhead = first < 0 ? hours.length : first;
  const base: Series = {
    airC: Float64Array.from(hours, ({ airC }) => airC),
    dewC: Float64Array.from(hours, (hour) => Math.max(DRIEST_C, dewPointC(hour))),
    windMs: Float64Array.from(hours, ({ windMs }) => windMs ?? Number.NaN),
    cloudTenths: Float64Array.from(hours, ({ cloudTenths }) => cloudTenths ?? Number.NaN),
    rain: Uint8Array.from(hours, ({ rainMm }) => (rainMm === undefined ? NO_RAIN_DATA : rainMm > 0 ? 1 : 0)),
  };
  /** How much a morning changes of an hour, by key; and how far a forecast of its rain still holds the day before. */
  const leadAt = (i: number, issue: number) =>
    ((hours[i] as AirHour).at - (issuedMs[issue] as number)) / HOUR_MS;
  const changeAt = KEYS.map((key) =>
    Array.from({ length: changes }, (_, m) =>
      Float64Array.from(hours, (_hour, i) => {
        const [lead, next] = [leadAt(i, m), leadAt(i, m + 1)];
        if (i < firstAhead || lead <= 0) return 0;
        const rest = next > 0 ? forecastSdC(next, errors[key]) : 0;
        return Math.sqrt(Math.max(0, forecastSdC(lead, errors[key]) ** 2 - rest ** 2));
      }),
    ),
  );
  return (seed) => {
    const random = randomOf(within('seed', seed, 0, 2 ** 31));
    const normal = normalOf(random);
    const issued = [copied(base)];
    for (let m = 0; m < changes; m++) {
      const next = copied(issued[m] as Series);
      for (const [k, key] of KEYS.entries()) {
        let error = normal();
        const sds = (changeAt[k] as Float64Array[])[m] as Float64Array;
        const kept = Math.sqrt(1 - HOURLY_AUTOCORRELATION ** 2);
        for (let i = firstAhead; i < hours.length; i++) {
          const sd = sds[i] as number;
          if (sd > 0) next[key][i] = (next[key][i] as number) + sd * error;
          if (leadAt(i, m) > 0) error = HOURLY_AUTOCORRELATION * error + kept * normal();
        }
      }
      if (wetShare !== null) rainOf(next, { m, firstAhead, leadAt, wetShare, random });
      issued.push(next);
    }
    return drawOf(issued, { hours, issuedMs, firstAhead });
  };
}

/** Moves a forecast of rain on by a day. */
function rainOf(
  { rain }: Series,
  of: {
    m: number;
    firstAhead: number;
    leadAt: (i: number, morning: number) => number;
    wetShare: number;
    random: (n: number) => number;
  },
): void {
  const { m, firstAhead, leadAt, wetShare, random } = of;
  let wet = happens(random, wetShare);
  let chance = random(1_000_000) / 1_000_000;
  for (let i = firstAhead; i < rain.length; i++) {
    const lead = leadAt(i, m);
    if (lead <= 0) continue;
    // Neighbouring hours go together: the state and the chance of the hour before, or new ones.
    if (!happens(random, HOURLY_AUTOCORRELATION)) wet = happens(random, wetShare);
    if (!happens(random, HOURLY_AUTOCORRELATION)) chance = random(1_000_000) / 1_000_000;
    const next = rainHolds(leadAt(i, m + 1));
    const holds = next === 0 ? 0 : rainHolds(lead) / next;
    if (rain[i] === NO_RAIN_DATA || chance >= holds) rain[i] = wet ? 1 : 0;
  }
}

function drawOf(
  issued: readonly Series[],
  of: { hours: readonly AirHour[]; issuedMs: readonly number[]; firstAhead: number },
): WeatherDraw {
  const { hours, issuedMs, firstAhead } = of;
  const end = issued.at(-1) as Series;
  const truth = hours.map((hour, i) => (i < firstAhead ? hour : hourOf(hour, end, i)));
  return {
    truth,
    knownAt: (ms, untilMs = Number.POSITIVE_INFINITY) => {
      const last = Math.max(
        0,
        issuedMs.findLastIndex((at) => at <= ms),
      );
      const forecast = issued[last] as Series;
      const next = hours.findIndex(({ at }) => at > ms);
      const ahead = next < 0 ? hours.length : Math.max(next, firstAhead);
      // Seen now, beside what the morning said of it.
      const now = ahead - 1;
      const isSeen = now >= firstAhead && ms > (issuedMs[last] as number);
      const off = (key: (typeof KEYS)[number]) =>
        isSeen ? (end[key][now] as number) - (forecast[key][now] as number) : 0;
      const offs = { airC: off('airC'), dewC: off('dewC'), windMs: off('windMs'), cloudTenths: off('cloudTenths') }; // biome-ignore format: one line
      const past = hours.findIndex(({ at }) => at > untilMs);
      return (past < 0 ? hours : hours.slice(0, past)).map((hour, i) => {
        if (i < ahead) return truth[i] as AirHour;
        const fades = isSeen ? HOURLY_AUTOCORRELATION ** (i - now) : 0;
        return hourOf(hour, forecast, i, { offs, fades });
      });
    },
  };
}

/** An hour as a series has it; what nobody gave stays out. */
function hourOf(
  hour: AirHour,
  series: Series,
  i: number,
  moved?: { offs: Record<(typeof KEYS)[number], number>; fades: number },
): AirHour {
  const value = (key: (typeof KEYS)[number], least: number, most: number) =>
    Math.min(most, Math.max(least, (series[key][i] as number) + (moved ? moved.fades * moved.offs[key] : 0)));
  const airC = value('airC', -40, 60);
  const dewC = Math.min(airC, value('dewC', DRIEST_C, 60));
  const wet = series.rain[i];
  const rainMm = hour.rainMm !== undefined && hour.rainMm > 0 ? hour.rainMm : USUAL_RAIN_MM;
  const { surfaceC: _, rainMm: __, windMs, cloudTenths, ...rest } = hour;
  return {
    ...rest,
    airC,
    rh: Math.max(DRIEST_RH, rhWhenWarmed({ airC: dewC, rh: 1, toC: airC })),
    ...(windMs !== undefined && { windMs: value('windMs', 0, 60) }),
    ...(cloudTenths !== undefined && { cloudTenths: value('cloudTenths', 0, 10) }),
    ...(wet !== NO_RAIN_DATA && { rainMm: wet === 1 ? rainMm : 0 }),
  };
}

/** @returns the end of the hours, ms. @throws {QuantityError} */
function checked(hours: readonly AirHour[], fromMs: number): number {
  hours.forEach((hour, i) => {
    checkHour(hour);
    const before = hours[i - 1];
    if (before && hour.at !== before.at + HOUR_MS)
      throw new QuantityError(
        'time of an hour',
        hour.at,
        `${before.at + HOUR_MS}, an hour after the one before`,
      );
  });
  const endMs = hours.at(-1)?.at ?? fromMs;
  if (endMs - fromMs > MOST_DAYS * DAY_MS)
    throw new QuantityError('end of the weather', endMs, `${fromMs + MOST_DAYS * DAY_MS} or sooner`);
  return endMs;
}
