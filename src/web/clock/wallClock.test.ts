import fc from 'fast-check';
import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import {
  clockText,
  daysBetween,
  dayText,
  fieldText,
  momentOf,
  monthText,
  startOfDay,
  wallOf,
} from './wallClock.ts';

const ZONES = [
  'Europe/London',
  'America/New_York',
  'Australia/Lord_Howe',
  'Asia/Kathmandu',
  'Pacific/Apia',
  'UTC',
];
const moment = fc.integer({
  min: Date.parse('1990-01-01T00:00:00Z'),
  max: Date.parse('2040-01-01T00:00:00Z'),
});

describe('the clock on the wall, held against a kept library of dates', () => {
  it('shows the same figures and words, in every zone and on both sides of a clock change', () => {
    fc.assert(
      fc.property(moment, fc.constantFrom(...ZONES), (ms, zone) => {
        const time = DateTime.fromMillis(ms, { zone });
        const wall = wallOf(ms, zone);
        expect(`${fieldText(wall)} ${clockText(wall)} ${dayText(wall)} ${monthText(wall)}`).toBe(
          time.toFormat("yyyy-MM-dd'T'HH:mm HH:mm ccc LLL"),
        );
        expect(startOfDay(ms, zone)).toBe(time.startOf('day').toMillis());
      }),
      { seed: 20, numRuns: 400 },
    );
  });
  it('finds the moment a wall shows, and for an hour that is left out the one after it', () => {
    fc.assert(
      fc.property(moment, fc.constantFrom(...ZONES), (ms, zone) => {
        const wall = wallOf(ms, zone);
        const { year, month, day, hour, minute } = wall;
        expect(momentOf(wall, zone)).toBe(
          DateTime.fromObject({ year, month, day, hour, minute }, { zone }).toMillis(),
        );
      }),
      { seed: 21, numRuns: 400 },
    );
    const gap = { year: 2026, month: 3, day: 29, hour: 1, minute: 30 };
    expect(new Date(momentOf(gap, 'Europe/London')).toISOString()).toBe('2026-03-29T01:30:00.000Z');
  });
  it('counts days by the calendar: a day of 23 hours is one', () => {
    const at = (iso: string) => Date.parse(iso);
    expect(daysBetween(at('2026-03-28T23:59:00Z'), at('2026-03-29T00:01:00Z'), 'Europe/London')).toBe(1);
    expect(daysBetween(at('2026-03-29T00:30:00Z'), at('2026-03-29T22:30:00Z'), 'Europe/London')).toBe(0);
  });
});
