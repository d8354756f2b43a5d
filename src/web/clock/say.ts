import { DateTime } from 'luxon';

/** Times and spans as the screens say them, in the yard's zone. */

const day = (time: DateTime) => time.startOf('day');

/** "21:40", "tomorrow 06:12", "Thu 06:12", "Thu 3 Dec 06:12", "3 Dec 2027": as much as is needed to be sure. */
export function sayTime(at: string | number, zone: string, now: number): string {
  const time = typeof at === 'number' ? DateTime.fromMillis(at, { zone }) : DateTime.fromISO(at, { zone });
  const today = DateTime.fromMillis(now, { zone });
  const days = Math.round(day(time).diff(day(today), 'days').days);
  const clock = time.toFormat('HH:mm');
  if (days === 0) return clock;
  if (days === 1) return `tomorrow ${clock}`;
  if (days === -1) return `yesterday ${clock}`;
  if (days > 1 && days < 7) return `${time.toFormat('ccc')} ${clock}`;
  if (Math.abs(days) < 200) return `${time.toFormat('ccc d LLL')} ${clock}`;
  return time.toFormat('d LLL yyyy');
}

/** "8 s", "4 min", "1 h 56 min", "3 d 4 h": two figures at most. */
export function saySpan(ms: number): string {
  const seconds = Math.abs(ms) / 1000;
  if (seconds < 60) return `${Math.floor(seconds)} s`;
  const minutes = Math.floor(seconds / 60);
  if (minutes < 60) return `${minutes} min`;
  const hours = Math.floor(minutes / 60);
  if (hours < 48) return minutes % 60 ? `${hours} h ${minutes % 60} min` : `${hours} h`;
  const days = Math.floor(hours / 24);
  return hours % 24 ? `${days} d ${hours % 24} h` : `${days} d`;
}

/** As {@link sayTime} within a sentence: "at 21:40", "tomorrow 06:12". */
export function sayAt(at: string | number, zone: string, now: number): string {
  const said = sayTime(at, zone, now);
  return /^\d\d:\d\d$/.test(said) ? `at ${said}` : said;
}

/** A clock that is being watched: "8 min 7 s" in its last ten minutes, else as {@link saySpan}. Never looks like a time of day. */
export function sayCountdown(ms: number): string {
  const seconds = Math.max(0, Math.floor(ms / 1000));
  if (seconds < 60 || seconds >= 600) return saySpan(seconds * 1000);
  return seconds % 60 ? `${Math.floor(seconds / 60)} min ${seconds % 60} s` : `${seconds / 60} min`;
}

/** Minutes of a sheet's table: "45 min", "6 h", "10 d". */
export function sayMinutes(minutes: number): string {
  if (minutes < 120) return `${Math.round(minutes)} min`;
  if (minutes < 72 * 60) return `${Number((minutes / 60).toFixed(1))} h`;
  return `${Number((minutes / 1440).toFixed(1))} d`;
}

/** For `datetime-local` fields, in the yard's zone. */
export function toLocalField(at: number, zone: string): string {
  return DateTime.fromMillis(at, { zone }).toFormat("yyyy-MM-dd'T'HH:mm");
}
export function fromLocalField(value: string, zone: string): string | null {
  const time = DateTime.fromISO(value, { zone });
  return time.isValid ? (time.toUTC().toISO() as string) : null;
}
