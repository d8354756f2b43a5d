import { moment, within } from './quantityError.ts';

const DAY_MS = 24 * 3_600_000;
/** Of a part of a month, which no calendar has. */
const MEAN_MONTH_DAYS = 30.44;

/**
 * So many calendar months later, at the same time of the day (UTC): the 31st of January and one month is the last of February. A
 * part of a month counts as days of a mean one.
 *
 * @param at ms since the epoch
 * @throws {QuantityError} on a moment that is none, or months that cannot be
 */
export function monthsLater(at: number, months: number): number {
  const from = new Date(moment('moment to count months from', at));
  const whole = Math.floor(within('months', months, 0, 1200));
  const first = new Date(from);
  first.setUTCDate(1);
  first.setUTCMonth(first.getUTCMonth() + whole);
  const lastDay = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate();
  first.setUTCDate(Math.min(from.getUTCDate(), lastDay));
  return first.getTime() + Math.round((months - whole) * MEAN_MONTH_DAYS * DAY_MS);
}
