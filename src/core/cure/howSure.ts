import { moment, QuantityError, within } from '../units/index.ts';
import { type EventCurve, readyCurve } from './curve.ts';
import { eventTime } from './eventTime.ts';
import { checkSeries, HOUR_MS, seriesEnd, type TempSeries } from './series.ts';

/** How wrong a forecast of the air is at a lead time: one standard deviation, K. */
export interface LeadError {
  leadH: number;
  sdC: number;
}

/** Defaults until a yard has learned its own [M, handbook part 18]. */
export const FORECAST_ERROR: readonly LeadError[] = [
  { leadH: 0, sdC: 0.5 },
  { leadH: 24, sdC: 1.4 },
  { leadH: 72, sdC: 2.0 },
  { leadH: 120, sdC: 2.6 },
  { leadH: 240, sdC: 3.5 },
];
/** Errors of neighbouring hours go together [M, handbook part 18]. */
export const HOURLY_AUTOCORRELATION = 0.97;
/** Standard deviations either way that contain 90 % of forecasts. */
export const NINE_OF_TEN = 1.645;

/** The standard deviation of a forecast so far ahead, on straight lines between the table's leads and level beyond it. */
export function forecastSdC(leadH: number, errors: readonly LeadError[] = FORECAST_ERROR): number {
  within('lead time (h)', leadH, 0, 24 * 366);
  const after = errors.findIndex((each) => each.leadH >= leadH);
  const next = errors[after];
  const before = errors[after - 1];
  const last = errors.at(-1);
  if (!last) throw new QuantityError('table of forecast errors', 'without a lead', '1 lead or more');
  for (const { sdC } of errors) within('forecast error (K)', sdC, 0, 30);
  if (!next) return last.sdC;
  if (!before) return next.sdC;
  return before.sdC + ((leadH - before.leadH) / (next.leadH - before.leadH)) * (next.sdC - before.sdC);
}

/** Between which moments an event comes, nine times of ten; null: not within what is known. */
export interface EventSpread {
  earlyMs: number | null;
  lateMs: number | null;
}

/**
 * How sure an event's moment is, from how wrong the forecast is: the share done of it varies by what each hour's error
 * does to the rate, errors of neighbouring hours going together, and the event comes early or late where that share,
 * carried up or down by its spread, reaches 1 [propagation of error to first order; S: any text of statistics].
 *
 * Past hours are measured and carry no error. The rate's slope is taken over one standard deviation either side, so that
 * a stop temperature inside it counts.
 *
 * @param nowMs from here on the series is a forecast
 * @param errors standard deviation by lead time
 * @param bandC how far the film may also be from each reading of the series, K either way: cloud or heading not known;
 *   left out: known
 * @throws {QuantityError} on an unusable table or series, a moment that is none
 */
export function eventSpread(input: {
  curve: EventCurve;
  temps: TempSeries;
  laidAt: number;
  nowMs: number;
  errors?: readonly LeadError[];
  bandC?: readonly number[];
}): EventSpread {
  const { curve, temps, errors = FORECAST_ERROR } = input;
  const laidAt = moment('time of application', input.laidAt);
  const nowMs = moment('now', input.nowMs);
  checkSeries(temps);
  const { at } = eventTime({ curve, temps, laidAt });
  const endMs = seriesEnd(temps);
  if (at !== null && at <= nowMs) return { earlyMs: at, lateMs: at };
  if (laidAt < temps.startMs || laidAt >= endMs) return { earlyMs: null, lateMs: null };
  const ready = readyCurve('event', curve);
  const rate = (tempC: number) => 60 / ready.minutesAt(tempC);
  let [done, variance, covariance] = [0, 0, 0];
  let earlyMs: number | null = null;
  let [before, beforeSd] = [0, 0];
  const first = Math.floor((laidAt - temps.startMs) / HOUR_MS);
  for (let i = first; i < temps.valuesC.length - 1; i++) {
    const hourMs = temps.startMs + i * HOUR_MS;
    const from = Math.max(hourMs, laidAt);
    const hours = (hourMs + HOUR_MS - from) / HOUR_MS;
    const tempC = ((temps.valuesC[i] as number) + (temps.valuesC[i + 1] as number)) / 2;
    done += rate(tempC) * hours;
    const leadH = (hourMs + HOUR_MS / 2 - nowMs) / HOUR_MS;
    const besideC = within('band of the film temperature (K)', input.bandC?.[i] ?? 0, 0, 120) / NINE_OF_TEN;
    const sdC = Math.hypot(leadH > 0 ? forecastSdC(leadH, errors) : 0, besideC);
    if (sdC > 0) {
      const weight = ((rate(tempC + sdC) - rate(tempC - sdC)) / 2) * hours;
      covariance *= HOURLY_AUTOCORRELATION;
      variance += 2 * weight * covariance + weight * weight;
      covariance += weight;
    }
    const sd = Math.sqrt(Math.max(0, variance));
    const reached = (z: number) => {
      const [was, is] = [before + z * beforeSd, done + z * sd];
      if (is < 1 || is <= was) return null;
      return from + Math.max(0, (1 - was) / (is - was)) * (hourMs + HOUR_MS - from);
    };
    earlyMs ??= reached(NINE_OF_TEN);
    const lateMs = reached(-NINE_OF_TEN);
    if (lateMs !== null)
      return { earlyMs: earlyMs === null ? null : Math.round(earlyMs), lateMs: Math.round(lateMs) };
    [before, beforeSd] = [done, sd];
  }
  return { earlyMs: earlyMs === null ? null : Math.round(earlyMs), lateMs: null };
}
