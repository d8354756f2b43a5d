import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import type { StripHour } from '../../../contract/index.ts';
import { airShapes } from './airShapes.ts';
import { axisMarks } from './axisMarks.ts';
import { createSpan } from './span.ts';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const ZONE = 'Europe/London';
const at = (iso: string) => DateTime.fromISO(iso, { zone: ZONE }).toMillis();

describe('the stretch of time that a strip shows', () => {
  const home = { from: 0, to: 72 * HOUR };
  it('follows its home until somebody moves it, and again once it is put back', () => {
    const span = createSpan(home);
    span.setHome({ from: HOUR, to: 73 * HOUR });
    expect(span.get()).toEqual({ from: HOUR, to: 73 * HOUR });
    span.zoom(2);
    span.setHome(home);
    expect(span.get()).toEqual({ from: 19 * HOUR, to: 55 * HOUR });
    span.reset();
    expect(span.get()).toBe(span.home());
  });
  it('is never shorter than an hour or longer than a season, and stays about its middle', () => {
    const span = createSpan(home);
    for (let i = 0; i < 20; i++) span.zoom(3);
    expect(span.get()).toEqual({ from: 35.5 * HOUR, to: 36.5 * HOUR });
    for (let i = 0; i < 20; i++) span.zoom(1 / 3);
    expect(span.get().to - span.get().from).toBe(120 * DAY);
  });
  it('tells whoever listens, once for each change', () => {
    const span = createSpan(home);
    let heardCount = 0;
    const stop = span.subscribe(() => heardCount++);
    span.pan(0.5);
    span.show(span.get());
    stop();
    span.pan(0.5);
    expect(heardCount).toBe(1);
  });
});

describe('marks on the time axis', () => {
  const words = (from: string, to: string) =>
    axisMarks({ from: at(from), to: at(to) }, ZONE).map(({ at: ms, text }) => [
      text,
      DateTime.fromMillis(ms, { zone: ZONE }).toFormat('HH'),
    ]);
  it.each([
    ['2026-03-28T18:00', '2026-03-29T12:00'],
    ['2026-10-24T18:00', '2026-10-25T12:00'],
  ])('say the hour of the wall clock through the night it is changed, %s', (from, to) => {
    const marks = words(from, to);
    expect(marks.map(([text]) => text)).toEqual(expect.arrayContaining(['03', '06', '09']));
    for (const [text, hour] of marks) expect(/^\d\d$/.test(text as string) ? text : '00').toBe(hour);
  });
  it('dates of a season leave room for their words', () => {
    expect(words('2026-03-01', '2026-06-28').length).toBeLessThan(8);
  });
});

describe('the air as it is drawn', () => {
  const hours = Array.from({ length: 96 }, (_, i): StripHour => {
    const airC = i === 37 ? 31 : 10;
    const same = { airC, airLowC: airC, airHighC: airC, dewC: 4, dewLowC: 4, dewHighC: 4 };
    return {
      ...same,
      at: new Date(i * HOUR).toISOString(),
      source: i > 40 && i < 44 ? 'filled' : 'measured',
      surfaceC: airC,
      surfaceLowC: airC,
      surfaceHighC: airC,
      conditions: [],
      reasons: [10, 11, 13].includes(i) ? [{ code: 'rain', value: 1, limit: 0 }] : [],
    };
  });
  const ys = (path: string) => [...path.matchAll(/[ML][\d.]+ ([\d.]+)/g)].map(([, y]) => Number(y));
  it('blocked hours and bridged ones stand as runs', () => {
    const { blocked, filled } = airShapes(hours, 100, (c) => c);
    expect(blocked).toEqual([{ from: 10, to: 12 }, { from: 13, to: 14 }]); // biome-ignore format: one line
    expect(filled).toEqual([{ from: 41, to: 44 }]);
  });
  it('hours drawn together keep the hottest of them, in a fraction of the points', () => {
    const [fine, coarse] = [airShapes(hours, 100, (c) => c), airShapes(hours, 100, (c) => c, undefined, 8)];
    expect(Math.min(...ys(coarse.air))).toBe(Math.min(...ys(fine.air)));
    expect(ys(coarse.air).length).toBeLessThan(ys(fine.air).length / 3);
  });
  it('the temperature at which a clock stands is in sight even where the air never comes near', () => {
    const { at: y } = airShapes(hours, 100, (c) => c, -5);
    expect(y(-5)).toBeLessThanOrEqual(100);
  });
});
