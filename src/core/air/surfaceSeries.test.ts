import { describe, expect, it } from 'vitest';
import {
  type AirHour,
  type AreaFace,
  absorptanceOf,
  dewPointC,
  type SurfaceBody,
  sunPlace,
  surfaceBodyOf,
  surfaceSeries,
} from './index.ts';

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
  it('in an hour of rain without cloud no sun is made up, and its night is no milder; the band stays whole [T: rain comes with cloud]', () => {
    const noon = Date.UTC(2026, 5, 21, 12);
    const last = (from: number, over: Partial<AirHour>) =>
      surfaceSeries({ hours: steady(3, over, from), surface: TOPSIDES, site: SITE }).at(-1);
    const unknown = { cloudTenths: undefined };
    const [wet, dry] = [{ ...unknown, rainMm: 2 }, unknown].map((over) => last(noon, over));
    expect(wet?.surfaceC).toBeLessThan(Number(dry?.surfaceC) - 1);
    expect(wet?.surfaceC).toBeLessThanOrEqual(Number(last(noon, { cloudTenths: 10 })?.surfaceC));
    expect([wet?.lowC, wet?.highC]).toEqual([expect.any(Number), dry?.highC]);
    expect(wet?.lowC).toBeLessThanOrEqual(Number(wet?.surfaceC));
    expect(last(NIGHT, { ...unknown, rainMm: 2 })).toEqual(last(NIGHT, unknown));
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

describe('against an integration of its own', () => {
  const SIGMA = 5.670374e-8;
  /** Sun on the face at a moment under cloud in tenths, by handbook part 17 written out again, W/m². */
  function sunOn(body: SurfaceBody, at: number, n: number): number {
    const tilt = (body.tiltDeg * Math.PI) / 180;
    const { cosZenith: cz, azimuth } = sunPlace(at, SITE);
    if (cz <= 0) return 0;
    const level = 1098 * cz * Math.exp(-0.057 / cz) * (1 - 0.75 * (n / 10) ** 3.4);
    const diffuse = level * (0.3 + 0.7 * (n / 10) ** 2);
    const turn = azimuth - ((body.headingDeg ?? 0) * Math.PI) / 180;
    const met = cz * Math.cos(tilt) + Math.sqrt(1 - cz * cz) * Math.sin(tilt) * Math.cos(turn);
    const beam = ((level - diffuse) * Math.max(0, met)) / Math.max(cz, 0.05);
    return beam + (diffuse * (1 + Math.cos(tilt))) / 2 + (level * 0.2 * (1 - Math.cos(tilt))) / 2;
  }
  /** What the skin gains at a temperature in K, W/m². */
  function gainAt(body: SurfaceBody, air: Record<'at' | 'airC' | 'rh' | 'windMs' | 'cloudTenths', number>) {
    const n = air.cloudTenths;
    const view = (1 + Math.cos((body.tiltDeg * Math.PI) / 180)) / 2;
    const sky =
      (0.787 + 0.764 * Math.log((dewPointC(air) + 273.15) / 273)) *
      (1 + 0.0224 * n - 0.0035 * n ** 2 + 0.00028 * n ** 3);
    const sun = body.absorptance * sunOn(body, air.at, n);
    const airK = air.airC + 273.15;
    const long = body.emissivity * (view * sky + 1 - view) * SIGMA * airK ** 4;
    return (T: number) =>
      sun +
      long -
      body.emissivity * SIGMA * T ** 4 +
      (2.8 + 3 * air.windMs + body.insideWPerM2K) * (airK - T);
  }
  /** Stepped by Euler's rule at two seconds, from rest in the first hour. */
  function byTwoSeconds(hours: readonly Parameters<typeof gainAt>[1][], body: SurfaceBody): number[] {
    const first = gainAt(body, hours[0] as Parameters<typeof gainAt>[1]);
    let [low, high] = [150, 400];
    for (let k = 0; k < 60; k++)
      [low, high] = first((low + high) / 2) > 0 ? [(low + high) / 2, high] : [low, (low + high) / 2];
    let skin = low;
    return hours.map((b, i) => {
      const a = hours[i - 1];
      for (let s = 0; a && s < 1800; s++) {
        const x = (s + 0.5) / 1800;
        const air = Object.fromEntries(
          (['at', 'airC', 'rh', 'windMs', 'cloudTenths'] as const).map((key) => [
            key,
            a[key] + x * (b[key] - a[key]),
          ]),
        ) as typeof b;
        skin += (gainAt(body, air)(skin) * 2) / body.heatCapacityJPerM2K;
      }
      return skin - 273.15;
    });
  }

  it.each([
    ['dark topsides to the south', TOPSIDES],
    ['an insulated deck', { ...DECK, absorptance: 0.4 }],
    ['a keel casting', { ...TOPSIDES, headingDeg: 90, heatCapacityJPerM2K: 300_000, insideWPerM2K: 0 }],
    ['a thin aluminium bottom', { ...TOPSIDES, tiltDeg: 150, heatCapacityJPerM2K: 12_000, emissivity: 0.1 }],
  ])(
    'three spring days of changing air, %s: within a tenth of a kelvin of two-second steps',
    (_what, body) => {
      const from = Date.parse('2026-04-15T00:00:00Z');
      const hours = Array.from({ length: 72 }, (_, h) => ({
        at: from + h * HOUR,
        airC: 9 + 6 * Math.sin(((h - 9) * Math.PI) / 12),
        rh: 0.75 - 0.15 * Math.sin(((h - 9) * Math.PI) / 12),
        windMs: 2 + 1.5 * Math.sin(h / 5),
        cloudTenths: 5 + 5 * Math.sin(h / 9),
      }));
      const fine = byTwoSeconds(hours, body);
      const found = surfaceSeries({ hours, surface: body, site: SITE });
      const off = found.map(({ surfaceC }, h) => Math.abs(surfaceC - (fine[h] as number)));
      expect(Math.max(...off)).toBeLessThan(0.1);
    },
  );

  it('with neither sky nor sun a surface comes to the air, with the time constant of its store over its exchange', () => {
    const hours = [...steady(1, { airC: 0, rh: 0.5 }), ...steady(40, { airC: 10, rh: 0.5 }, NIGHT + HOUR)];
    const body = {
      ...TOPSIDES,
      tiltDeg: 180,
      emissivity: 0,
      absorptance: 0,
      heatCapacityJPerM2K: 300_000,
      insideWPerM2K: 0,
    };
    const found = surfaceSeries({ hours, surface: body, site: SITE });
    // The air leaps within the first hour; from then on ΔT falls by e in C / h = 300 000 / 2.8 s.
    const [after, later] = [found[1]?.surfaceC as number, found[31]?.surfaceC as number];
    expect((10 - later) / (10 - after)).toBeCloseTo(Math.exp((-30 * 3600 * 2.8) / 300_000), 3);
  });
});

describe('a face whose heading nobody said', () => {
  const noon = Date.parse('2026-04-15T12:00:00Z');
  const hours = steady(5, { airC: 10, rh: 0.6, windMs: 2 }, noon - 4 * HOUR);
  const last = (surface: SurfaceBody) => surfaceSeries({ hours, surface, site: SITE }).at(-1);
  it('lies in a band from the side away from the sun to the one facing it, its middle between', () => {
    const unknown = last({ ...TOPSIDES, headingDeg: null });
    const [south, north] = [last(TOPSIDES), last({ ...TOPSIDES, headingDeg: 0 })];
    expect(unknown?.highC).toBeGreaterThanOrEqual((south?.surfaceC ?? 0) - 0.5);
    expect(unknown?.lowC).toBeLessThanOrEqual((north?.surfaceC ?? 0) + 0.1);
    // The mean over all headings, by eight of them.
    const mean = [0, 45, 90, 135, 180, 225, 270, 315].map(
      (headingDeg) => last({ ...TOPSIDES, headingDeg })?.surfaceC ?? 0,
    );
    expect(unknown?.surfaceC).toBeCloseTo(mean.reduce((sum, each) => sum + each, 0) / 8, 0);
  });
  it('a deck looks up, wherever the bow points', () => {
    const deck = last({ ...DECK, headingDeg: null });
    expect(deck?.surfaceC).toBeCloseTo(last({ ...DECK, headingDeg: 90 })?.surfaceC ?? 0, 9);
    expect((deck?.highC ?? 0) - (deck?.lowC ?? 0)).toBeLessThan(1e-9);
  });
});

describe('an area as a store of heat', () => {
  const face: AreaFace = {
    zone: 'topsides',
    side: 'port',
    substrate: 'grp',
    inside: false,
    colour: '#101030',
    coated: true,
    boatHeadingDeg: 90,
  };
  it('a bow to the east has its port side to the north, its starboard to the south, its transom to the west', () => {
    const heading = (over: Partial<AreaFace>) => surfaceBodyOf({ ...face, ...over }).headingDeg;
    expect([
      heading({}),
      heading({ side: 'starboard' }),
      heading({ zone: 'transom' }),
      heading({ side: 'both' }),
    ]).toEqual([0, 180, 270, null]);
    expect(heading({ boatHeadingDeg: null })).toBeNull();
  });
  it('colours take up what handbook part 17 has of them', () => {
    for (const [colour, share] of [
      ['#ffffff', 0.25],
      ['#000000', 0.9],
      ['#0a1e50', 0.9],
      ['#808080', 0.65],
      ['#d8d8d0', 0.4],
    ] as const)
      expect(Math.abs(absorptanceOf(colour) - share), colour).toBeLessThan(0.07);
    expect(surfaceBodyOf(face).absorptance).toBe(0.9);
    expect(surfaceBodyOf({ ...face, coated: false, substrate: 'steel' })).toMatchObject({
      absorptance: 0.75,
      emissivity: 0.8,
      heatCapacityJPerM2K: 19_000,
    });
    expect(() => absorptanceOf('navy')).toThrow('six hexadecimal digits');
  });
  it('a keel is a casting, a deck insulated, what is inside sees neither sun nor sky', () => {
    expect(surfaceBodyOf({ ...face, zone: 'keel' })).toMatchObject({
      heatCapacityJPerM2K: 300_000,
      insideWPerM2K: 0,
    });
    expect(surfaceBodyOf({ ...face, zone: 'deck' })).toMatchObject({ tiltDeg: 0, insideWPerM2K: 0 });
    expect(surfaceBodyOf({ ...face, inside: true })).toMatchObject({
      tiltDeg: 180,
      absorptance: 0,
      headingDeg: null,
    });
  });
});
