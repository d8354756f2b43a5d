import { describe, expect, it } from 'vitest';
import {
  cubeAreaM2,
  heaterWarmsK,
  heatLossWPerK,
  heatNeededW,
  SHELL_DEFAULTS,
  surfaceSeries,
  thermostatKWh,
  warmUpHours,
} from './index.ts';

const HOUR = 3_600_000;
/** Worked in handbook part 21 [S: simplified heat-loss calculation as in EN 12831; U and n from memory]. */
const bow = { areaM2: 90, uWPerM2K: SHELL_DEFAULTS['hull-metal'].uWPerM2K, volumeM3: 60, airChangesPerH: 1 };
const tent = { areaM2: 150, uWPerM2K: 3.5, volumeM3: 150, airChangesPerH: 2 };

describe('heat that a space takes', () => {
  it('inside a steel bow 2 kW reach 3.8 K above outside, and 20 K need 10.5 kW', () => {
    expect(heatLossWPerK(bow)).toBeCloseTo(504 + 19.8, 6);
    expect(heaterWarmsK({ ...bow, watts: 2000 })).toBeCloseTo(3.8, 1);
    expect(heatNeededW({ ...bow, warmerK: 20 }) / 1000).toBeCloseTo(10.5, 1);
  });
  it('a two-film tent of 4 × 12 m: 5 kW reach 8 K', () => {
    expect(heatLossWPerK(tent)).toBeCloseTo(525 + 99, 6);
    expect(heaterWarmsK({ ...tent, watts: 5000 })).toBeCloseTo(8, 1);
  });
  it('steel warms with its air: the time constant is what is stored over what is lost', () => {
    expect(warmUpHours({ ...bow, storeKJPerM2K: 22 })).toBeCloseTo(
      ((22 * 90 + 1.2 * 60) * 1000) / (504 + 0.33 * 60) / 3600,
      6,
    );
    // With nothing but air to warm it is minutes.
    expect(warmUpHours({ ...tent, storeKJPerM2K: 0 })).toBeLessThan(0.1);
  });
  it('of spaces with the same air a cube loses least', () => {
    expect(cubeAreaM2(27)).toBeCloseTo(54, 9);
  });
  it('a thermostat takes what holds the set point, nothing when it is warm, and never more than the heater has', () => {
    const outside = [10, 30, 0, 0].map((airC, i) => ({ at: i * HOUR, airC }));
    const loss = heatLossWPerK(tent);
    const taken = thermostatKWh({ ...tent, watts: 5000, setPointC: 15, hours: outside });
    expect(taken).toBeCloseTo((5 * loss) / 1000 + 0 + 5, 6);
  });
});

describe('a surface in a space whose heater is too small', () => {
  const hours = Array.from({ length: 73 }, (_, i) => ({ at: i * HOUR, airC: -4, rh: 0.8 }));
  const surface = {
    tiltDeg: 180,
    headingDeg: null,
    absorptance: 0,
    emissivity: 0.9,
    heatCapacityJPerM2K: 19_000,
    insideWPerM2K: 5,
  };
  const last = (warmsK?: number) =>
    surfaceSeries({
      hours,
      surface,
      site: { latitude: 54, longitude: 0 },
      surroundings: { kind: 'heated', setPointC: 20, ...(warmsK !== undefined && { warmsK }) },
    }).at(-1)?.surfaceC;
  it('gets no warmer than the heater brings it, and with a big one no warmer than the set point', () => {
    expect(last(3.8)).toBeCloseTo(-0.2, 1);
    expect(last(100)).toBeCloseTo(20, 1);
    expect(last()).toBeCloseTo(20, 1);
  });
});
