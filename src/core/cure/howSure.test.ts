import { describe, expect, it } from 'vitest';
import { cases } from '../../../test/cases.ts';
import { eventSpread, eventTime, forecastSdC, HOUR_MS, HOURLY_AUTOCORRELATION, hourBands } from './index.ts';

/** Numbers from 0 to 1 from a seed [mulberry32, common practice]. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
const days = (mean: number, swing: number) => ({
  startMs: 0,
  valuesC: Array.from({ length: 15 * 24 }, (_, h) => mean + swing * Math.sin(((h - 9) * Math.PI) / 12)),
});
/** The event's moment under each of many forecasts drawn with the errors of handbook part 18. */
function drawn(
  temps: { startMs: number; valuesC: number[] },
  minutes: number,
  stopC: number | null,
  count: number,
) {
  const random = seeded(7);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const times: number[] = [];
  for (let n = 0; n < count; n++) {
    let error = normal();
    const valuesC = temps.valuesC.map((tempC, h) => {
      if (h > 0)
        error = HOURLY_AUTOCORRELATION * error + Math.sqrt(1 - HOURLY_AUTOCORRELATION ** 2) * normal();
      return tempC + forecastSdC(h) * error;
    });
    const { at } = eventTime({
      curve: { points: [{ tempC: 20, minutes }], stopC },
      temps: { startMs: 0, valuesC },
      laidAt: 0,
    });
    times.push(at ?? Number.POSITIVE_INFINITY);
  }
  times.sort((a, b) => a - b);
  return {
    early: times[Math.floor(count * 0.05)] as number,
    late: times[Math.floor(count * 0.95)] as number,
  };
}

describe('bands of doubt of an hour (handbook part 18)', () => {
  const surface = { surfaceC: 8, lowC: 5, highC: 8 };
  it('nine of ten: 1.645 standard deviations of the table, independent doubts added in quadrature', () => {
    const { air, dew, surface: skin } = hourBands({ airC: 10, dewC: 6, surface, leadH: 24 });
    expect([air.lowC, air.highC, dew.lowC, dew.highC].map((t) => t.toFixed(1))).toEqual(['7.7', '12.3', '3.5', '8.5']); // biome-ignore format: one line
    expect(skin.lowC).toBeCloseTo(8 - Math.sqrt(3 ** 2 + (1.645 * 1.4) ** 2), 6);
    expect(skin.highC).toBeCloseTo(8 + 1.645 * 1.4, 6);
  });
  it('a measured hour leaves open only what cloud and heading do; no dew point lies above the air', () => {
    expect(hourBands({ airC: 10, dewC: 6, surface, leadH: -1 })).toEqual({
      air: { lowC: 10, highC: 10 },
      dew: { lowC: 6, highC: 6 },
      surface: { lowC: 5, highC: 8 },
    });
    const { air, dew } = hourBands({ airC: 10, dewC: 10, surface, leadH: 24 });
    expect(dew.highC).toBe(air.highC);
    expect(() => hourBands({ airC: 10, dewC: 11, surface, leadH: 0 })).toThrow(
      'Dew point (°C) must be at or below the air temperature (10 °C), but is 11',
    );
  });
});

describe('how sure an edge is', () => {
  it('the default errors are those of handbook part 18, on straight lines between', () => {
    expect([0, 12, 24, 72, 96, 240, 400].map((lead) => Number(forecastSdC(lead).toFixed(3)))).toEqual([
      0.5, 0.95, 1.4, 2, 2.3, 3.5, 3.5,
    ]);
  });
  it.each([
    ['a day of mild air', days(15, 4), 600, null],
    ['five days of cool air', days(12, 5), 4320, null],
    ['cold nights about the stop', days(9, 5), 1500, 5],
  ] as const)(
    '%s: as wide as thousands of forecasts drawn, within a tenth',
    (_what, temps, minutes, stopC) => {
      const curve = { points: [{ tempC: 20, minutes }], stopC };
      const { earlyMs, lateMs } = eventSpread({ curve, temps, laidAt: 0, nowMs: 0 });
      const draws = drawn(temps, minutes, stopC, cases(2000, 10_000));
      const width = ((lateMs ?? 0) - (earlyMs ?? 0)) / (draws.late - draws.early);
      expect(width).toBeGreaterThan(0.9);
      expect(width).toBeLessThan(1.1);
    },
    60_000,
  );
  it('what is past is sure, and the further ahead the wider', () => {
    const temps = days(15, 4);
    const spread = (minutes: number, nowMs: number) => {
      const { earlyMs, lateMs } = eventSpread({
        curve: { points: [{ tempC: 20, minutes }], stopC: null },
        temps,
        laidAt: 0,
        nowMs,
      });
      return ((lateMs ?? 0) - (earlyMs ?? 0)) / HOUR_MS;
    };
    expect(spread(600, 40 * HOUR_MS)).toBe(0);
    expect(spread(3000, 0)).toBeGreaterThan(spread(600, 0));
    expect(spread(3000, 24 * HOUR_MS)).toBeLessThan(spread(3000, 0));
  });
  it('beyond what is forecast nothing is said of how late', () => {
    const curve = { points: [{ tempC: 20, minutes: 60 * 24 * 11 }], stopC: null };
    expect(eventSpread({ curve, temps: days(15, 4), laidAt: 0, nowMs: 0 }).lateMs).toBeNull();
  });
});
