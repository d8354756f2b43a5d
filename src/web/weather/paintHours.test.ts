import { expect, it } from 'vitest';
import type { StripHour } from '../../contract/index.ts';
import { paintDays, stretchesOf } from './PaintHours.tsx';

const HOUR = 3_600_000;
const MIDNIGHT = Date.parse('2026-06-01T00:00Z');
/** Two days of hours, those named suitable. */
const hoursOf = (suitable: readonly number[]): StripHour[] =>
  Array.from({ length: 48 }, (_, i) => ({
    at: new Date(MIDNIGHT + i * HOUR).toISOString(),
    reasons: suitable.includes(i) ? [] : [{ code: 'rain', value: 2, limit: 0 }],
    conditions: [],
  })) as unknown as StripHour[];
const stretch = (from: number, to: number) => ({ from: MIDNIGHT + from * HOUR, to: MIDNIGHT + to * HOUR });

it('joins hours that follow each other, and cuts at midnight of the yard and at nightfall', () => {
  const hours = hoursOf([8, 9, 10, 13, 21, 22, 23, 24, 25]);
  expect(stretchesOf(hours, true)).toEqual([stretch(8, 11), stretch(13, 14), stretch(21, 26)]);
  const nights = [stretch(-3, 4), stretch(21.5, 28), stretch(45.5, 52)];
  const days = paintDays(hours, nights, MIDNIGHT, 'UTC');
  expect(days.map(({ suits }) => suits)).toEqual([
    [stretch(8, 11), stretch(13, 14), stretch(21, 21.5)],
    // Of the second day only dark hours suit: no hour is called the nearest.
    [],
  ]);
  expect(days[1]?.nearest).toBeNull();
});

it('a day of rain names its nearest hour, and hours past are not listed', () => {
  const days = paintDays(hoursOf([8, 9]), [], MIDNIGHT + 12 * HOUR, 'UTC');
  expect(days[0]?.suits).toEqual([]);
  expect(days[0]?.nearest?.reasons[0]?.code).toBe('rain');
});
