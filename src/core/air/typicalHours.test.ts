import { describe, expect, it } from 'vitest';
import { type AirHour, dewPointC, typicalHours } from './index.ts';

const HOUR = 3_600_000;
const T0 = Date.UTC(2026, 4, 4);
const hours = (count: number, of: (h: number) => Partial<AirHour>): AirHour[] =>
  Array.from({ length: count }, (_, h) => ({ at: T0 + h * HOUR, airC: 10, rh: 0.7, ...of(h) }));

describe('air beyond a forecast', () => {
  it('is the mean of each hour of the day over the last week, in temperature and in moisture', () => {
    // Warm and cold days in turn, and a month before that was hot: only the last week counts.
    const known = hours(30 * 24, (h) => ({ airC: h < 23 * 24 ? 30 : h % 24 === 12 ? (h % 48 === 12 ? 14 : 20) : 8, rh: 0.6 })); // biome-ignore format: one line
    const typical = typicalHours(known, T0 + 32 * 24 * HOUR);
    expect(typical).toHaveLength(49);
    const noons = known.slice(-168).filter((_, i) => i % 24 === 12);
    const noon = typical.find(({ at }) => (at / HOUR) % 24 === 12) as AirHour;
    const mean = (of: (hour: AirHour) => number) => noons.reduce((sum, hour) => sum + of(hour), 0) / 7;
    expect(noon.airC).toBeCloseTo(
      mean(({ airC }) => airC),
      9,
    );
    expect(dewPointC(noon)).toBeCloseTo(mean(dewPointC), 2);
    expect(typical[0]?.airC).toBeCloseTo(8, 9);
  });
  it('knows no rain, and no wind that one of its hours did not know', () => {
    const known = hours(168, (h) => ({ rainMm: 0, ...(h % 24 !== 3 && { windMs: 4 }) }));
    const typical = typicalHours(known, T0 + 200 * HOUR);
    expect(typical.every(({ rainMm }) => rainMm === undefined)).toBe(true);
    expect(typical.map(({ at, windMs }) => [(at / HOUR) % 24, windMs])).toContainEqual([3, undefined]);
    expect(typical.map(({ at, windMs }) => [(at / HOUR) % 24, windMs])).toContainEqual([4, 4]);
  });
  it('nothing known, nothing typical; a year ahead is refused', () => {
    expect(typicalHours([], T0)).toEqual([]);
    expect(() =>
      typicalHours(
        hours(48, () => ({})),
        T0 + 366 * 24 * HOUR,
      ),
    ).toThrow(/End of the plan must be 10368000000 ms after the forecast or sooner, but is 1809475200000/);
  });
});
