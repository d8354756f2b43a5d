import { describe, expect, it } from 'vitest';
import type { AirHour } from '../air/index.ts';
import { eventTime, extremesFrom, HOUR_MS, type SplicedHour, spliceHours } from './index.ts';

const hour = (h: number, over: Partial<AirHour & { simulated: boolean }> = {}) => ({
  at: h * HOUR_MS,
  airC: 10,
  rh: 0.6,
  ...over,
});
const bridge = (a: Partial<AirHour & { simulated: boolean }>, b: Partial<AirHour & { simulated: boolean }>) =>
  spliceHours({ measured: [hour(0, a), hour(4, b)], forecast: [], now: 4 * HOUR_MS })[1] as SplicedHour;

describe('measured up to now, forecast after, gaps bridged and said to be', () => {
  it('what was measured beats what was forecast for it; nothing is measured ahead of now', () => {
    const hours = spliceHours({
      measured: [hour(0, { airC: 5 }), hour(1, { airC: 6 }), hour(2, { airC: 99 - 50 })],
      forecast: [hour(0, { airC: 20 }), hour(1, { airC: 21 }), hour(2, { airC: 22, simulated: true })],
      now: HOUR_MS,
    });
    expect(hours.map(({ airC, source, simulated }) => [airC, source, simulated])).toEqual([
      [5, 'measured', false],
      [6, 'measured', false],
      [22, 'forecast', true],
    ]);
  });
  it('a gap is bridged on straight lines: air, wind where both ends know it, simulated where one end is', () => {
    expect(bridge({ airC: 8, windMs: 2 }, { airC: 12, windMs: 6 })).toMatchObject({
      airC: 9,
      windMs: 3,
      source: 'filled',
    });
    expect(bridge({ windMs: 2 }, {}).windMs).toBeUndefined();
    expect(bridge({}, { windMs: 2 }).windMs).toBeUndefined();
    expect([
      bridge({}, {}).simulated,
      bridge({ simulated: true }, {}).simulated,
      bridge({}, { simulated: true }).simulated,
    ]).toEqual([false, true, true]);
  });
  it('a bridge that touches the night is night; where neither end knows, it is not known', () => {
    expect([
      bridge({ sunUp: true }, { sunUp: true }).sunUp,
      bridge({ sunUp: true }, { sunUp: false }).sunUp,
      bridge({}, { sunUp: true }).sunUp,
      bridge({}, {}).sunUp,
    ]).toEqual([true, false, true, undefined]);
  });
  it('a surface measured is carried as its distance from the air; known at one end only, a warm one is not made up', () => {
    expect(bridge({ surfaceC: 6 }, { surfaceC: 8 }).surfaceC).toBe(10 - 3.5);
    expect(bridge({ surfaceC: 6 }, {}).surfaceC).toBe(6);
    expect(bridge({}, { surfaceC: 7 }).surfaceC).toBe(7);
    expect(bridge({ surfaceC: 14 }, {}).surfaceC).toBeUndefined();
  });
  it('over a year apart nothing is bridged: what is new counts', () => {
    const hours = spliceHours({ measured: [hour(0), hour(9000)], forecast: [], now: 9000 * HOUR_MS });
    expect(hours.map(({ at }) => at / HOUR_MS)).toEqual([9000]);
  });
});

describe('what a series holds', () => {
  const temps = { startMs: 10 * HOUR_MS, valuesC: [3, 9, -2, 15, 4] };
  it('the coldest and the hottest hour from a moment on, each with its time', () => {
    expect(extremesFrom(temps, 0)).toEqual({
      coldest: { tempC: -2, atMs: 12 * HOUR_MS },
      hottest: { tempC: 15, atMs: 13 * HOUR_MS },
    });
    expect(extremesFrom(temps, 13.5 * HOUR_MS)?.coldest).toEqual({ tempC: 4, atMs: 14 * HOUR_MS });
    expect(extremesFrom(temps, 20 * HOUR_MS)).toBeNull();
  });
  it('beyond its ends the mean of the day there is assumed, and warned of', () => {
    // Ten days at 20 °C, then one at 10 °C: what follows is taken at 10.
    const valuesC = [...Array<number>(240).fill(20), ...Array<number>(24).fill(10)];
    const curve = { points: [{ tempC: 10, minutes: 6000 }, { tempC: 20, minutes: 3000 }], stopC: null }; // biome-ignore format: one line
    const end = 263 * HOUR_MS;
    const after = eventTime({ curve, temps: { startMs: 0, valuesC }, laidAt: end });
    expect(after).toEqual({ at: end + 6000 * 60_000, warnings: ['beyond-series'] });
    const before = eventTime({ curve, temps: { startMs: 0, valuesC }, laidAt: -3000 * 60_000 });
    expect(before).toEqual({ at: 0, warnings: ['before-series'] });
  });
});
