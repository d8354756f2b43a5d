import { clockText, dayText, momentOf, monthText, startOfDay, wallOf } from '../clock/wallClock.ts';

/** "Fri 18 Dec", also for today. */
export function sayDay(ms: number, zone: string): string {
  const wall = wallOf(ms, zone);
  return `${dayText(wall)} ${wall.day} ${monthText(wall)}`;
}

/** "Fri 18 Dec, 14:00". */
export function sayMoment(at: string, zone: string): string {
  const ms = Date.parse(at);
  return `${sayDay(ms, zone)}, ${sayClock(at, zone)}`;
}

/** A calendar day, `YYYY-MM-DD`, as "Fri 18 Dec". */
export function sayDate(date: string, zone: string): string {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  return sayDay(momentOf({ year, month, day, hour: 12, minute: 0 }, zone), zone);
}

/** "14:00". */
export function sayClock(at: string, zone: string): string {
  return clockText(wallOf(Date.parse(at), zone));
}

/** Beginnings of so many days in a row, and the end of the last, ms. */
export const daysFrom = (ms: number, zone: string, count: number): number[] =>
  Array.from({ length: count + 1 }, (_, i) => startOfDay(ms, zone, i));

/** Whole days from one moment to another, by the calendar of the yard; at least one where it is later at all. */
export function daysLate(wanted: string, at: string): number {
  const ms = Date.parse(at) - Date.parse(wanted);
  return ms <= 0 ? 0 : Math.max(1, Math.round(ms / 86_400_000));
}
