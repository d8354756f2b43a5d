import { expect, it } from 'vitest';
import { dewPointC } from '../air/index.ts';
import { WEATHER_ERRORS, weatherDraws, wetShareOf } from './weatherDraws.ts';

const HOUR = 3_600_000;
const FROM = Date.UTC(2026, 3, 6, 6);
/** Twelve days: 10 °C, dew point about 6; it rains for six hours of each day as forecast. */
const hours = Array.from({ length: 12 * 24 }, (_, i) => ({
  at: FROM + (i - 24) * HOUR,
  airC: 10,
  rh: 0.76,
  windMs: 4,
  cloudTenths: 5,
  rainMm: i % 24 < 6 ? 1 : 0,
}));
const MORNING = FROM + 24 * HOUR;
const draws = Array.from({ length: 400 }, (_, seed) =>
  weatherDraws({ hours, fromMs: FROM, morningMs: MORNING, wetShare: 0.25 })(seed),
);
const sd = (values: readonly number[]) => {
  const mean = values.reduce((sum, each) => sum + each, 0) / values.length;
  return Math.sqrt(values.reduce((sum, each) => sum + (each - mean) ** 2, 0) / (values.length - 1));
};
const at = (i: number) => hours.findIndex((hour) => hour.at === FROM + i * HOUR);

it('the truth is as far from a forecast as handbook part 18 says, at every lead and whenever the forecast is issued', () => {
  for (const [leadH, expected] of [
    [24, 1.4],
    [72, 2.0],
    [120, 2.6],
    [240, 3.5],
  ] as const) {
    // Four standard errors of a standard deviation from 400 draws are 14 %.
    expect(sd(draws.map(({ truth }) => (truth[at(leadH)]?.airC ?? 0) - 10)) / expected).toBeCloseTo(1, 0.8);
    // Two mornings later an hour two days nearer is as well known as the table has it for its new lead.
    if (leadH < 72) continue;
    const off = draws.map(({ truth, knownAt }) => {
      const known = knownAt(MORNING + 24 * HOUR)[at(leadH)]?.airC ?? 0;
      return (truth[at(leadH)]?.airC ?? 0) - known;
    });
    const sdThen = { 72: 1.4, 120: 2.0, 240: 3.05 }[leadH as 72 | 120 | 240];
    expect(sd(off) / sdThen, `${leadH} h`).toBeGreaterThan(0.86);
    expect(sd(off) / sdThen, `${leadH} h`).toBeLessThan(1.14);
  }
});

it('errors of neighbouring hours go together, and no dew point is above its air', () => {
  const pairs = draws.map(({ truth }) => [truth[at(60)]?.airC ?? 0, truth[at(61)]?.airC ?? 0] as const);
  const covariance = pairs.reduce((sum, [a, b]) => sum + (a - 10) * (b - 10), 0) / pairs.length;
  const correlation = covariance / (sd(pairs.map(([a]) => a)) * sd(pairs.map(([, b]) => b)));
  expect(correlation).toBeGreaterThan(0.94);
  for (const { truth } of draws.slice(0, 50))
    for (const hour of truth) expect(dewPointC(hour)).toBeLessThanOrEqual(hour.airC + 1e-6);
});

it('rain within a day comes as forecast; five days ahead it says no more than the season', () => {
  const wet = (i: number) =>
    draws.filter(({ truth }) => (truth[at(i)]?.rainMm ?? 0) > 0).length / draws.length;
  // Hours of the day 0 to 5 are wet in the forecast (the series begins a day before).
  expect([wet(2), wet(12), wet(23)]).toEqual([1, 0, 0]);
  // At 72 h half of it holds: ½·1 + ½·0.25 and ½·0 + ½·0.25 [M].
  expect(wet(72)).toBeGreaterThan(0.53);
  expect(wet(72)).toBeLessThan(0.72);
  expect(wet(78)).toBeLessThan(0.22);
  for (const i of [144, 156, 192, 204]) {
    expect(wet(i), `${i} h`).toBeGreaterThan(0.16);
    expect(wet(i), `${i} h`).toBeLessThan(0.34);
  }
});

it('a morning knows what was, not what comes: two draws alike until then are known alike', () => {
  const [draw] = draws;
  const ms = MORNING + 30 * HOUR;
  const known = draw?.knownAt(ms) ?? [];
  expect(known.filter((hour) => hour.at <= ms)).toEqual(draw?.truth.filter((hour) => hour.at <= ms));
  expect(known.slice(at(60))).not.toEqual(draw?.truth.slice(at(60)));
  // Errors of what is known of an hour and of the step from there to the truth do not go together: nothing is told ahead.
  const steps = draws.map(({ truth, knownAt }) => {
    const then = knownAt(MORNING)[at(96)]?.airC ?? 0;
    return [then - 10, (truth[at(96)]?.airC ?? 0) - then] as const;
  });
  const covariance = steps.reduce((sum, [a, b]) => sum + a * b, 0) / steps.length;
  expect(Math.abs(covariance / (sd(steps.map(([a]) => a)) * sd(steps.map(([, b]) => b))))).toBeLessThan(0.2);
});

it('what nobody gave stays out; without rain data of any hour none is drawn', () => {
  const bare = hours.map(({ rainMm, windMs, cloudTenths, ...hour }) => hour);
  expect(wetShareOf(bare)).toBeNull();
  expect(wetShareOf(hours)).toBe(0.25);
  const { truth } = weatherDraws({ hours: bare, fromMs: FROM, morningMs: MORNING, wetShare: null })(1);
  expect(truth.every((hour) => !('rainMm' in hour) && !('windMs' in hour))).toBe(true);
  const sure = Object.fromEntries(Object.keys(WEATHER_ERRORS).map((key) => [key, [{ leadH: 0, sdC: 0 }]]));
  const errors = sure as unknown as typeof WEATHER_ERRORS;
  const exact = weatherDraws({ hours: bare, fromMs: FROM, morningMs: MORNING, wetShare: null, errors })(1);
  expect(exact.truth[at(100)]?.airC).toBeCloseTo(10, 9);
});
