import { expect, it } from 'vitest';
import { dewPointC, typedForecast } from './index.ts';

it('"from 08:00 for 7 days: −7 to 2 °C, RH 80, dry" is a week of cold nights with the moisture kept', () => {
  const fromMs = Date.parse('2026-11-27T08:00:00Z');
  const hours = typedForecast({ fromMs, days: 7, lowC: -7, highC: 2, rh: 0.8, rainMm: 0, utcOffsetH: 0 });
  expect(hours).toHaveLength(7 * 24 + 1);
  const at = (clock: string) =>
    hours.find((hour) => new Date(hour.at).toISOString() === `2026-11-28T${clock}:00.000Z`);
  expect([at('06:00')?.airC, at('15:00')?.airC]).toEqual([-7, 2]);
  expect(Math.min(...hours.map(({ airC }) => airC))).toBe(-7);
  // The dew point holds by day; at night the surplus has left as dew, at 100 %.
  const mean = dewPointC({ airC: -2.5, rh: 0.8 });
  expect(dewPointC({ airC: 2, rh: at('15:00')?.rh ?? 1 })).toBeCloseTo(mean, 1);
  expect(at('06:00')?.rh).toBe(1);
  expect(() =>
    typedForecast({ fromMs, days: 7, lowC: 3, highC: 2, rh: 0.8, rainMm: 0, utcOffsetH: 0 }),
  ).toThrow(/Highest temperature must be at least the lowest \(3 °C\), but is 2/);
});
