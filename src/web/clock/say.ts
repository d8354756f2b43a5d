import { t } from '../../words.ts';
import { clockText, daysBetween, dayText, fieldText, momentOf, monthText, wallOf } from './wallClock.ts';

/** Times and spans as the screens say them, in the yard's zone. */

/** "21:40", "tomorrow 06:12", "yesterday 06:12", otherwise "Thu 3 Dec, 06:12"; far away "Fri 3 Dec 2027". */
export function sayTime(at: string | number, zone: string, now: number): string {
  const ms = typeof at === 'number' ? at : Date.parse(at);
  const wall = wallOf(ms, zone);
  const days = daysBetween(now, ms, zone);
  const clock = clockText(wall);
  if (days === 0) return clock;
  if (days === 1) return t`tomorrow ${clock}`;
  if (days === -1) return t`yesterday ${clock}`;

  if (Math.abs(days) < 200) return `${dayText(wall)} ${wall.day} ${monthText(wall)}, ${clock}`;
  return `${dayText(wall)} ${wall.day} ${monthText(wall)} ${wall.year}`;
}

/** A time on a record, which is read on another day and on paper: "Mon 30 Nov 2026, 17:36". */
export function sayDated(at: string | number, zone: string): string {
  const wall = wallOf(typeof at === 'number' ? at : Date.parse(at), zone);
  return `${dayText(wall)} ${wall.day} ${monthText(wall)} ${wall.year}, ${clockText(wall)}`;
}

/** As {@link sayDated}, but the hour alone on the day of what it belongs to: "finished 18:47". */
export function sayDatedWithin(at: string, of: string, zone: string): string {
  const ms = Date.parse(at);
  return daysBetween(Date.parse(of), ms, zone) === 0 ? clockText(wallOf(ms, zone)) : sayDated(ms, zone);
}

/** A calendar day, `YYYY-MM-DD`, as "3 Aug 2026". */
export function sayCalendarDay(day: string): string {
  const wall = wallOf(Date.parse(`${day}T12:00Z`), 'UTC');
  return `${wall.day} ${monthText(wall)} ${wall.year}`;
}

/** A stretch of time: "06:12–09:00", "tomorrow 06:12–09:00"; over several days "Thu 3 Dec, 22:00 – Fri 4 Dec, 02:00". */
export function sayRange(from: string | number, to: string | number, zone: string, now: number): string {
  const ms = (at: string | number) => (typeof at === 'number' ? at : Date.parse(at));
  const [first, last] = [sayTime(from, zone, now), clockText(wallOf(ms(to), zone))];
  if (daysBetween(ms(from), ms(to), zone) === 0)
    // So far away it is said without its hours.
    return first.endsWith(last) || !first.includes(':') ? first : `${first}–${last}`;
  return `${sayTime(from, zone, now)} – ${sayTime(to, zone, now)}`;
}

/** "8 s", "4 min", "1 h 56 min", "3 d 4 h": two figures at most. */
export function saySpan(ms: number): string {
  const seconds = Math.abs(ms) / 1000;
  if (seconds < 60) return `${Math.floor(seconds)} s`;
  const minutes = Math.floor(seconds / 60);
  if (minutes < 60) return t`${minutes} min`;
  const hours = Math.floor(minutes / 60);
  if (hours < 48) return minutes % 60 ? t`${hours} h ${minutes % 60} min` : `${hours} h`;
  const days = Math.floor(hours / 24);
  return hours % 24 ? `${days} d ${hours % 24} h` : `${days} d`;
}

/** As {@link sayTime} within a sentence: "at 21:40", "tomorrow 06:12". */
export function sayAt(at: string | number, zone: string, now: number): string {
  const text = sayTime(at, zone, now);
  return /^\d\d:\d\d$/.test(text) ? `at ${text}` : text;
}

/** A clock that is being watched: "8 min 7 s" in its last ten minutes, else as {@link saySpan}. Never looks like a time of day. */
export function sayCountdown(ms: number): string {
  const seconds = Math.max(0, Math.floor(ms / 1000));
  if (seconds < 60 || seconds >= 600) return saySpan(seconds * 1000);
  return seconds % 60 ? t`${Math.floor(seconds / 60)} min ${seconds % 60} s` : t`${seconds / 60} min`;
}

/** Minutes of a sheet's table: "45 min", "6 h", "10 d". */
export function sayMinutes(minutes: number): string {
  if (minutes < 120) return t`${Math.round(minutes)} min`;
  if (minutes < 72 * 60) return `${Number((minutes / 60).toFixed(1))} h`;
  return `${Number((minutes / 1440).toFixed(1))} d`;
}

/** For `datetime-local` fields, in the yard's zone. */
export const toLocalField = (at: number, zone: string): string => fieldText(wallOf(at, zone));
export function fromLocalField(value: string, zone: string): string | null {
  const parts = /^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)(?::\d\d(?:\.\d+)?)?$/.exec(value);
  if (!parts) return null;
  const [year, month, day, hour, minute] = parts.slice(1).map(Number) as [
    number,
    number,
    number,
    number,
    number,
  ];
  const isDay = new Date(Date.UTC(year, month - 1, day)).getUTCDate() === day;
  if (month < 1 || month > 12 || !isDay || hour > 23 || minute > 59) return null;
  return new Date(momentOf({ year, month, day, hour, minute }, zone)).toISOString();
}
