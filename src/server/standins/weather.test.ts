import { describe, expect, it } from 'vitest';
import { dewPointC } from '../../core/air/index.ts';
import { standInWeather } from './weather.ts';

const HOUR = 3_600_000;
const from = Date.parse('2026-05-01T00:00:00Z');
const year = standInWeather({ seed: 3, from, to: from + 365 * 24 * HOUR, utcOffsetHours: 1 });

describe('simulated air', () => {
  it('is hourly, without a gap, and possible', () => {
    expect(year).toHaveLength(365 * 24);
    year.forEach((hour, i) => {
      expect(hour.at).toBe(from + i * HOUR);
      expect(hour.rh).toBeGreaterThanOrEqual(0.35);
      expect(hour.rh).toBeLessThanOrEqual(0.99);
      expect(hour.windMs).toBeGreaterThanOrEqual(0);
      expect(Math.abs(hour.airC - 13.5)).toBeLessThan(12);
    });
  });

  it('does not depend on when or how much of it is asked for', () => {
    const piece = standInWeather({
      seed: 3,
      from: from + 1000 * HOUR,
      to: from + 1010 * HOUR,
      utcOffsetHours: 1,
    });
    expect(piece).toEqual(year.slice(1000, 1010));
    const other = standInWeather({ seed: 4, from, to: from + 10 * HOUR, utcOffsetHours: 1 });
    expect(other).not.toEqual(year.slice(0, 10));
  });

  it('has what a plan must live with: warm afternoons, damp nights, dew, fronts with rain', () => {
    const mean = (hours: typeof year, pick: (h: (typeof year)[number]) => number) =>
      hours.reduce((sum, h) => sum + pick(h), 0) / hours.length;
    const at = (clock: number) => year.filter((h) => new Date(h.at + HOUR).getUTCHours() === clock);
    expect(mean(at(15), (h) => h.airC)).toBeGreaterThan(mean(at(4), (h) => h.airC) + 3);
    expect(mean(at(4), (h) => h.rh)).toBeGreaterThan(mean(at(15), (h) => h.rh) + 0.1);
    const dewy = year.filter((h) => h.airC - dewPointC(h) < 3).length / year.length;
    expect(dewy).toBeGreaterThan(0.1);
    expect(dewy).toBeLessThan(0.7);
    const wet = year.filter((h) => (h.rainMm ?? 0) > 0).length / year.length;
    expect(wet).toBeGreaterThan(0.005);
    expect(wet).toBeLessThan(0.3);
  });
});
