import { describe, expect, it } from 'vitest';
import { type AirHour, dewPointC, type SurfaceBody, sunPlace, surfaceSeries } from './index.ts';

const HOUR = 3_600_000;
const NIGHT = Date.parse('2026-01-15T00:00:00Z');
const SITE = { latitude: 50.5, longitude: -3.5 };
const TOPSIDES: SurfaceBody = {
  tiltDeg: 90,
  headingDeg: 180,
  absorptance: 0.9,
  emissivity: 0.9,
  heatCapacityJPerM2K: 10_000,
  insideWPerM2K: 3,
};
const DECK = { ...TOPSIDES, tiltDeg: 0, insideWPerM2K: 0 };
/** Relative humidity of air at `airC` with this dew point, by bisection of the dew point itself. */
function rhFor(airC: number, dewC: number): number {
  let [low, high] = [0.01, 1];
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (dewPointC({ airC, rh: mid }) < dewC) low = mid;
    else high = mid;
  }
  return low;
}
const steady = (hours: number, over: Partial<AirHour>, from = NIGHT): AirHour[] =>
  Array.from({ length: hours }, (_, h) => ({
    at: from + h * HOUR,
    airC: 5,
    rh: rhFor(5, 2.7),
    windMs: 0,
    cloudTenths: 0,
    ...over,
  }));
const below = (surface: SurfaceBody, over: Partial<AirHour> = {}, more = {}) => {
  const last = surfaceSeries({ hours: steady(4, over), surface, site: SITE, ...more }).at(-1);
  return (last?.surfaceC ?? Number.NaN) - (over.airC ?? 5);
};

describe('the sun', () => {
  it('stands where Reda & Andreas 2004 have it: zenith 50.11°, azimuth 194.34°, within a tenth of a degree', () => {
    const at = Date.parse('2003-10-17T12:30:30-07:00');
    const sun = sunPlace(at, { latitude: 39.742476, longitude: -105.1786 });
    expect((Math.acos(sun.cosZenith) * 180) / Math.PI).toBeCloseTo(50.11, 1);
    expect((((sun.azimuth * 180) / Math.PI) % 360) + (sun.azimuth < 0 ? 360 : 0)).toBeCloseTo(194.34, 1);
  });
});

describe('a surface by its balance of heat (handbook part 17, worked figures)', () => {
  it('a clear, still night: topsides 3.1 K below the air, an insulated deck 9.0 K', () => {
    expect(below(TOPSIDES)).toBeCloseTo(-3.1, 1);
    expect(below(DECK)).toBeCloseTo(-9, 1);
  });
  it('a third of it or so under full cloud, less than half in a wind of 5 m/s, none under cover', () => {
    expect(below(TOPSIDES, { cloudTenths: 10 })).toBeGreaterThan(-1.4);
    expect(below(TOPSIDES, { windMs: 5 })).toBeGreaterThan(-1.55);
    expect(below(TOPSIDES, {}, { surroundings: { kind: 'shed' } })).toBeCloseTo(0, 3);
    expect(below(TOPSIDES, {}, { surroundings: { kind: 'heated', setPointC: 15 } })).toBeCloseTo(10, 3);
  });
  it('dark topsides facing the sun run well above the air, white ones about a quarter of that', () => {
    const noon = Date.parse('2026-04-15T12:00:00Z');
    const at = (absorptance: number) => {
      const hours = steady(5, { airC: 20, rh: rhFor(20, 10), windMs: 2 }, noon - 4 * HOUR);
      const surface = { ...TOPSIDES, absorptance, insideWPerM2K: 5 };
      return (surfaceSeries({ hours, surface, site: SITE }).at(-1)?.surfaceC ?? 0) - 20;
    };
    expect(at(0.9)).toBeGreaterThan(10);
    expect(at(0.9)).toBeLessThan(32);
    expect(at(0.25) / at(0.9)).toBeLessThan(0.3);
  });
  it('a keel casting lags by hours', () => {
    const hours = [
      ...steady(12, { airC: -3, rh: 0.8 }),
      ...steady(6, { airC: 8, rh: 0.8 }, NIGHT + 12 * HOUR),
    ];
    const warmed = (heatCapacityJPerM2K: number) =>
      surfaceSeries({ hours, surface: { ...TOPSIDES, heatCapacityJPerM2K, absorptance: 0 }, site: SITE })[14]
        ?.surfaceC ?? 0;
    expect(warmed(10_000) - warmed(300_000)).toBeGreaterThan(4);
  });
  it('cloud not stated is a band from clear to overcast, not a number', () => {
    const last = surfaceSeries({
      hours: steady(4, { cloudTenths: undefined }),
      surface: TOPSIDES,
      site: SITE,
    }).at(-1);
    expect(last?.lowC).toBeCloseTo(5 - 3.1, 1);
    expect((last?.highC ?? 0) - (last?.lowC ?? 0)).toBeGreaterThan(1.5);
  });
  it('measured wins in its hour, and its difference fades with six hours', () => {
    const hours = steady(13, {}).map((hour, h) => (h === 0 ? { ...hour, surfaceC: 6 } : hour));
    const found = surfaceSeries({ hours, surface: TOPSIDES, site: SITE });
    const model = surfaceSeries({ hours: steady(13, {}), surface: TOPSIDES, site: SITE });
    const off = (h: number) => (found[h]?.surfaceC ?? 0) - (model[h]?.surfaceC ?? 0);
    expect(found[0]).toMatchObject({ surfaceC: 6, lowC: 6, highC: 6 });
    expect(off(6) / off(0)).toBeCloseTo(Math.exp(-1), 6);
  });
});
