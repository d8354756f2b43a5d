import { describe, expect, it } from 'vitest';
import { nightsBetween, sunPlace } from './index.ts';

const H = 3_600_000;
const at = (iso: string) => Date.parse(iso);

describe('nights', () => {
  it('on the equator at an equinox last half the day; each edge has the sun on the horizon', () => {
    const site = { latitude: 0, longitude: 0 };
    const nights = nightsBetween(at('2026-03-20T12:00:00Z'), at('2026-03-22T12:00:00Z'), site);
    expect(nights.length).toBe(2);
    for (const { fromMs, toMs } of nights) {
      expect(Math.abs((toMs - fromMs) / H - 12)).toBeLessThan(0.2);
      for (const edge of [fromMs, toMs]) expect(Math.abs(sunPlace(edge, site).cosZenith)).toBeLessThan(0.01);
    }
  });
  it('are cut at the ends, one through a polar winter, none in a polar summer', () => {
    const north = { latitude: 78, longitude: 15 };
    const [from, to] = [at('2026-12-20T00:00:00Z'), at('2026-12-23T00:00:00Z')];
    expect(nightsBetween(from, to, north)).toEqual([{ fromMs: from, toMs: to }]);
    expect(nightsBetween(at('2026-06-20T00:00:00Z'), at('2026-06-23T00:00:00Z'), north)).toEqual([]);
    const [cut] = nightsBetween(at('2026-01-10T00:00:00Z'), at('2026-01-10T12:00:00Z'), {
      latitude: 50,
      longitude: 0,
    });
    expect(cut?.fromMs).toBe(at('2026-01-10T00:00:00Z'));
    // The almanac's sunrise, refraction and rim counted, is 07:58 there (from memory); the middle of the sun is a little later.
    expect(Math.abs((cut?.toMs ?? 0) - at('2026-01-10T08:01:00Z'))).toBeLessThan(8 * 60_000);
  });
});
