import { describe, expect, it } from 'vitest';
import { parseDuration } from '../forms/duration.ts';
import {
  fromLocalField,
  sayAt,
  sayCountdown,
  sayDated,
  sayDatedWithin,
  sayMinutes,
  sayRange,
  saySpan,
  sayTime,
  toLocalField,
} from './say.ts';

const zone = 'Europe/London';
const now = Date.parse('2026-05-14T12:00:00Z'); // Thursday, 13:00 in British Summer Time

describe('times are said with as much as is needed to be sure', () => {
  it.each([
    ['2026-05-14T20:40:00Z', '21:40'],
    ['2026-05-15T05:12:00Z', 'tomorrow 06:12'],
    ['2026-05-13T05:12:00Z', 'yesterday 06:12'],
    ['2026-05-17T05:12:00Z', 'Sun 17 May, 06:12'],
    ['2026-06-03T05:12:00Z', 'Wed 3 Jun, 06:12'],
    ['2026-05-10T05:12:00Z', 'Sun 10 May, 06:12'],
    ['2027-12-03T06:12:00Z', 'Fri 3 Dec 2027'],
  ])('%s is "%s"', (at, expected) => {
    expect(sayTime(at, zone, now)).toBe(expected);
  });

  it('on a record every time has its date, and what belongs to it on the same day only its hour', () => {
    const begun = '2026-05-13T20:40:00Z';
    expect(sayDated(begun, zone)).toBe('Wed 13 May 2026, 21:40');
    expect(sayDatedWithin('2026-05-13T21:40:00Z', begun, zone)).toBe('22:40');
    expect(sayDatedWithin('2026-05-13T23:40:00Z', begun, zone)).toBe('Thu 14 May 2026, 00:40');
  });

  it('midnight belongs to the day that begins, in the yard’s zone and not the reader’s', () => {
    expect(sayTime('2026-05-14T23:00:00Z', zone, now)).toBe('tomorrow 00:00');
    expect(sayTime('2026-05-14T23:00:00Z', 'UTC', now)).toBe('23:00');
  });
});

describe('spans', () => {
  it.each([
    [8_000, '8 s'],
    [4 * 60_000, '4 min'],
    [116 * 60_000, '1 h 56 min'],
    [120 * 60_000, '2 h'],
    [50 * 3_600_000, '2 d 2 h'],
    [-90_000, '1 min'],
  ])('%s ms is "%s"', (ms, expected) => {
    expect(saySpan(ms)).toBe(expected);
  });
  it('a clock that is watched counts seconds under an hour and never below nothing', () => {
    expect(sayCountdown(12 * 60_000 + 7_000)).toBe('12 min');
    expect(sayCountdown(59_000)).toBe('59 s');
    expect(sayCountdown(-5)).toBe('0 s');
    expect(sayCountdown(8 * 60_000 + 7_000)).toBe('8 min 7 s');
    expect([sayAt('2026-05-14T20:40:00Z', zone, now), sayAt('2026-05-15T05:12:00Z', zone, now)]).toEqual([
      'at 21:40',
      'tomorrow 06:12',
    ]);
    expect(sayCountdown(2 * 3_600_000)).toBe('2 h');
  });
});

describe('times as a sheet prints them', () => {
  it.each([
    ['45 min', 45],
    ['6 h', 360],
    ['6', 360],
    ['1,5 h', 90],
    ['10 d', 14_400],
    ['2 w', 20_160],
  ])('"%s" is %s minutes', (text, minutes) => {
    expect(parseDuration(text)).toBe(minutes);
  });
  it('what is printed is read back', () => {
    for (const minutes of [20, 45, 119, 120, 300, 1440, 4319, 4320, 10_080, 129_600]) {
      expect(Math.abs(parseDuration(sayMinutes(minutes)) / minutes - 1)).toBeLessThan(0.01);
    }
  });
  it('words are refused', () => {
    expect(() => parseDuration('overnight')).toThrow(
      'Can’t read “overnight” as a time. Try 45 min, 6 h or 10 d',
    );
    expect(() => parseDuration('-3 h')).toThrow('Can’t read “-3 h” as a time. Try 45 min, 6 h or 10 d');
  });
});

describe('fields for a moment', () => {
  it('are in the yard’s zone, there and back', () => {
    expect(toLocalField(now, zone)).toBe('2026-05-14T13:00');
    expect(fromLocalField('2026-05-14T13:00', zone)).toBe('2026-05-14T12:00:00.000Z');
    expect(fromLocalField('', zone)).toBeNull();
    expect(fromLocalField('2026-02-31T10:00', zone)).toBeNull();
  });
});

it('a stretch that ends within its minute is one time', () => {
  const now = Date.parse('2026-05-14T12:00:00Z');
  const at = (minute: number) => Date.parse(`2026-05-14T14:0${minute}:00Z`);
  expect(sayRange(at(1), at(5), 'UTC', now)).toBe('14:01–14:05');
  expect(sayRange(at(1), at(1) + 20_000, 'UTC', now)).toBe('14:01');
  // Far away a day is said without its hours.
  const far = at(1) + 300 * 24 * 3_600_000;
  expect(sayRange(far, far + 3_600_000, 'UTC', now)).toBe(sayTime(far, 'UTC', now));
});
