import { t } from '../../words.ts';

/** What the clock on the wall of a yard shows, by the browser's own calendar; a library of dates would be a seventh of the first script. */

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;
const DAYS = [t`Sunday`, t`Monday`, t`Tuesday`, t`Wednesday`, t`Thursday`, t`Friday`, t`Saturday`] as const;
const MONTHS = [
  'January', t`February`, t`March`, t`April`, t`May`, t`June`, t`July`, t`August`, t`September`, t`October`, t`November`, t`December`,
] as const; // biome-ignore format: a list

/** A moment as a calendar and a clock of some zone have it. Months count from 1. */
export interface Wall {
  year: number;
  month: number;
  day: number;
  hour: number;
  minute: number;
}

const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(zone: string): Intl.DateTimeFormat {
  const known = formats.get(zone);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    second: 'numeric',
  });
  formats.set(zone, made);
  return made;
}

/** The wall's figures as if they were UTC, ms. */
function asUtc(ms: number, zone: string): number {
  const part: Record<string, number> = {};
  for (const { type, value } of formatOf(zone).formatToParts(ms)) part[type] = Number(value);
  const { year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0 } = part;
  return Date.UTC(year, month - 1, day, hour, minute, second);
}

/** How far a zone's clock is ahead of UTC at a moment, ms. */
const offsetAt = (ms: number, zone: string): number => asUtc(ms, zone) - Math.floor(ms / 1000) * 1000;

export function wallOf(ms: number, zone: string): Wall {
  const utc = new Date(asUtc(ms, zone));
  return {
    year: utc.getUTCFullYear(),
    month: utc.getUTCMonth() + 1,
    day: utc.getUTCDate(),
    hour: utc.getUTCHours(),
    minute: utc.getUTCMinutes(),
  };
}

/** The moment at which a wall shows this, ms; days beyond a month's end run on. An hour that the clock change leaves out is the one after it. */
export function momentOf({ year, month, day, hour, minute }: Wall, zone: string): number {
  const guess = Date.UTC(year, month - 1, day, hour, minute);
  const first = offsetAt(guess, zone);
  const second = offsetAt(guess - first, zone);
  if (first === second) return guess - first;
  const third = offsetAt(guess - second, zone);
  return second === third ? guess - second : guess - Math.min(second, third);
}

/** Midnight at which the day of a moment begins, so many days later, ms. */
export function startOfDay(ms: number, zone: string, daysLater = 0): number {
  const { year, month, day } = wallOf(ms, zone);
  return momentOf({ year, month, day: day + daysLater, hour: 0, minute: 0 }, zone);
}

/** Whole days of the calendar from one moment to another. */
export function daysBetween(from: number, to: number, zone: string): number {
  const dayOf = (ms: number) => Math.floor(asUtc(ms, zone) / DAY_MS);
  return dayOf(to) - dayOf(from);
}

const two = (value: number) => String(value).padStart(2, '0');

/** "06:12" */
export const clockText = ({ hour, minute }: Wall): string => `${two(hour)}:${two(minute)}`;
/** "2026-05-14T06:12", as a date-time field has it. */
export const fieldText = (wall: Wall): string =>
  `${String(wall.year).padStart(4, '0')}-${two(wall.month)}-${two(wall.day)}T${clockText(wall)}`;
const weekday = ({ year, month, day }: Wall): string =>
  DAYS[new Date(Date.UTC(year, month - 1, day)).getUTCDay()] as string;
const monthName = ({ month }: Wall): string => MONTHS[month - 1] as string;
/** "Thu" and "Thursday", "Dec" and "December". */
export const dayText = (wall: Wall): string => weekday(wall).slice(0, 3);
export const longDayText = (wall: Wall): string => weekday(wall);
export const monthText = (wall: Wall): string => monthName(wall).slice(0, 3);
export const longMonthText = (wall: Wall): string => monthName(wall);
