import { moment, QuantityError } from '../units/index.ts';
import { dewPointC } from './dewPoint.ts';
import { type AirHour, checkHour } from './hour.ts';
import { rhWhenWarmed } from './warmed.ts';

const HOUR_MS = 3_600_000;
const DAY_HOURS = 24;
/** Air drier than of this dew point is taken for as damp as that, °C [M]: it dries anything. */
const DRIEST_C = -40;
/** Hours that the typical day is taken from: the last week that is known. */
const WEEK_HOURS = 7 * DAY_HOURS;
/** No plan looks further ahead. */
const LONGEST_MS = 120 * DAY_HOURS * HOUR_MS;

const mean = (values: readonly (number | undefined)[]): number | undefined =>
  values.some((value) => value === undefined) || values.length === 0
    ? undefined
    : (values as number[]).reduce((sum, value) => sum + value, 0) / values.length;

/**
 * Air beyond a forecast: of each hour of the day what it was on average over the last week that is known. Temperature, moisture,
 * wind and cloud; what was not known in any of those hours is not known, and neither is the rain of any hour to come.
 *
 * A week in which it was 10 °C at every noon: 10 °C at every noon after it.
 *
 * @param hours in order, an hour apart; none: nothing is known beyond either
 * @param untilMs the end of what is asked for, ms
 * @throws {QuantityError} on an hour that cannot be, or more than 120 days
 */
export function typicalHours(hours: readonly AirHour[], untilMs: number): AirHour[] {
  const last = hours.at(-1);
  if (!last) return [];
  const until = moment('end of the plan', untilMs);
  if (until - last.at > LONGEST_MS)
    throw new QuantityError('end of the plan', until, `${LONGEST_MS} ms after the forecast or sooner`);
  const week = hours.slice(-WEEK_HOURS);
  for (const hour of week) checkHour(hour);
  const hourOfDay = ({ at }: { at: number }) => Math.floor(at / HOUR_MS) % DAY_HOURS;
  const days = Array.from({ length: DAY_HOURS }, (_, h) => {
    // Fewer than a day of hours: every hour is as the mean of all.
    const own = week.filter((hour) => hourOfDay(hour) === h);
    const of = own.length > 0 ? own : week;
    const airC = mean(of.map((hour) => hour.airC)) as number;
    const dewC = mean(of.map((hour) => dewPointC(hour))) as number;
    const windMs = mean(of.map((hour) => hour.windMs));
    const cloudTenths = mean(of.map((hour) => hour.cloudTenths));
    return {
      airC,
      // Air of this dew point, warmed to its temperature.
      rh: rhWhenWarmed({ airC: Math.max(DRIEST_C, dewC), rh: 1, toC: airC }),
      ...(windMs !== undefined && { windMs }),
      ...(cloudTenths !== undefined && { cloudTenths }),
    };
  });
  const typical: AirHour[] = [];
  for (let at = last.at + HOUR_MS; at <= until; at += HOUR_MS)
    typical.push({ at, ...(days[hourOfDay({ at })] as (typeof days)[number]) });
  return typical;
}
