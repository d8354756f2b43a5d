import fc from 'fast-check';
import psychrolib from 'psychrolib';
import { describe, expect, it } from 'vitest';
import {
  type AirHour,
  type AirLimits,
  DEFAULT_LIMITS,
  dewPointC,
  heatingCost,
  isUnderCover,
  judgeCoat,
  judgeConditions,
  judgeHours,
  rhWhenWarmed,
  rhWithMoisture,
  surfaceTempC,
  surfaceTemps,
} from './index.ts';

const HOUR = 3_600_000;
const fine = { airC: 18, rh: 0.6, surfaceC: 18 };
const limits = (over: Partial<AirLimits>): AirLimits => ({ ...DEFAULT_LIMITS, ...over });

describe('every limit has its own named reason, with the figure found and the limit broken', () => {
  it.each([
    ['air too cold', { airMinC: 20 }, fine, { code: 'air-too-cold', value: 18, limit: 20 }],
    ['air too hot', { airMaxC: 15 }, fine, { code: 'air-too-hot', value: 18, limit: 15 }],
    ['surface too cold', { surfaceMinC: 19 }, fine, { code: 'surface-too-cold', value: 18, limit: 19 }],
    ['surface too hot', { surfaceMaxC: 17 }, fine, { code: 'surface-too-hot', value: 18, limit: 17 }],
    [
      'too hot to touch, where the sheet states nothing',
      {},
      { ...fine, surfaceC: 46 },
      { code: 'surface-too-hot', value: 46, limit: 45 },
    ],
    ['too damp', { rhMax: 0.5 }, fine, { code: 'too-damp', value: 0.6, limit: 0.5 }],
    ['rain', {}, { ...fine, rainMm: 0.2 }, { code: 'rain', value: 0.2, limit: 0 }],
  ])('%s', (_what, over, conditions, reason) => {
    const verdict = judgeConditions({ conditions, limits: limits(over) });
    expect(verdict).toMatchObject({ ok: false, reasons: [reason] });
  });

  it('exactly at the limit passes', () => {
    const at = judgeConditions({
      conditions: fine,
      limits: limits({ airMaxC: 18, airMinC: 18, rhMax: 0.6 }),
    });
    expect(at.ok).toBe(true);
  });

  it('a limit the sheet does not set is not judged', () => {
    const open = limits({ airMinC: null, airMaxC: null, surfaceMinC: null, rhMax: null, dewMarginC: 0 });
    expect(judgeConditions({ conditions: { airC: 35, rh: 0.95, surfaceC: 36 }, limits: open }).ok).toBe(true);
  });

  it('no painting on a freezing surface, whatever else (common practice, no source)', () => {
    const frost = judgeConditions({ conditions: { airC: 2, rh: 0.3, surfaceC: -1 }, limits: DEFAULT_LIMITS });
    expect(frost.reasons.map((r) => r.code)).toContain('surface-too-cold');
  });

  it('a two-pack gloss on its tighter sheet: 80 % RH and 3.3 °C (6 °F) above dew point', () => {
    const tight = limits({ rhMax: 0.8, dewMarginC: 3.3, airMaxC: 27 });
    const air = { airC: 20, rh: 0.81, surfaceC: 20 };
    // 20 °C at 81 %: dew point 16.6 °C, 3.4 °C below the surface.
    expect(judgeConditions({ conditions: air, limits: tight }).reasons.map((r) => r.code)).toEqual([
      'too-damp',
    ]);
    expect(judgeConditions({ conditions: air, limits: DEFAULT_LIMITS }).ok).toBe(true);
  });

  it('refuses a surface no hull has', () => {
    expect(() => judgeConditions({ conditions: { ...fine, surfaceC: 200 }, limits: DEFAULT_LIMITS })).toThrow(
      'Surface temperature must be between -40 and 90, but is 200',
    );
  });
});

describe('dew', () => {
  it('damper or warmer air dews at a warmer surface; the dew point is never above the air', () => {
    const air = fc.double({ min: -10, max: 45, noNaN: true });
    const rh = fc.double({ min: 0.05, max: 0.99, noNaN: true });
    fc.assert(
      fc.property(air, rh, (airC, humidity) => {
        const dew = dewPointC({ airC, rh: humidity });
        expect(dew).toBeLessThanOrEqual(airC + 1e-9);
        expect(dewPointC({ airC, rh: humidity + 0.01 })).toBeGreaterThan(dew);
        expect(dewPointC({ airC: airC + 0.5, rh: humidity })).toBeGreaterThan(dew);
      }),
    );
    expect(dewPointC({ airC: 15, rh: 1 })).toBeCloseTo(15, 9);
  });
});

describe('surroundings', () => {
  const night = { at: 0, airC: 10, rh: 0.7, windMs: 0, sunUp: false };
  it('keep the rain off, or do not', () => {
    expect((['open', 'shaded', 'tent', 'shed'] as const).map((kind) => isUnderCover({ kind }))).toEqual([
      false,
      false,
      true,
      true,
    ]);
    expect(isUnderCover({ kind: 'heated', setPointC: 15 })).toBe(true);
  });
  it('an open surface loses heat to the night sky, a shaded one half, less with wind, none by day or in rain', () => {
    expect(surfaceTempC(night, { kind: 'shaded' })).toBe(10 - 3.5 / 2);
    for (const kind of ['tent', 'shed'] as const) expect(surfaceTempC(night, { kind })).toBe(10);
    expect(surfaceTempC({ ...night, windMs: 2 }, { kind: 'open' })).toBeCloseTo(10 - 3.5 / 2, 9);
    expect(surfaceTempC({ ...night, sunUp: true }, { kind: 'open' })).toBe(10);
    expect(surfaceTempC({ ...night, rainMm: 1 }, { kind: 'open' })).toBe(10);
  });
  it('a heater never cools', () => {
    expect(surfaceTempC({ ...night, airC: 22 }, { kind: 'heated', setPointC: 16 })).toBe(22);
  });
});

describe('hour after hour', () => {
  it('what a night took comes back over hours, not at the stroke of sunrise', () => {
    const hours = [0, 1, 2, 3, 4, 5].map((h) => ({
      at: h * HOUR,
      airC: 10,
      rh: 0.7,
      windMs: 0,
      sunUp: h >= 2,
    }));
    const temps = surfaceTemps(hours, { kind: 'open' });
    expect(temps.slice(0, 2)).toEqual([6.5, 6.5]);
    expect(temps[2]).toBeLessThan(8);
    expect(temps[5]).toBeGreaterThan(9);
  });
  it('whether the sun is up, where not known, is taken for the colder case', () => {
    expect(surfaceTempC({ at: 0, airC: 10, rh: 0.7, windMs: 0 }, { kind: 'open' })).toBe(6.5);
  });
  it('a heater of 2 kW running all of twelve hours takes 24 kWh at most, and what they cost', () => {
    const twelve = { watts: 2000, fromMs: 0, toMs: 12 * 3_600_000, pricePerKWh: 0.25 };
    expect(heatingCost(twelve)).toEqual({ kWh: 24, cost: 6 });
  });
  it('a heated tent is judged by its own air, which keeps its moisture: RH falls when it is warmed', () => {
    // Against ASHRAE (psychrolib): 5 °C at 90 % warmed to 20 °C.
    psychrolib.SetUnitSystem(psychrolib.SI);
    const ratio = psychrolib.GetHumRatioFromRelHum(5, 0.9, 101325);
    const reference = psychrolib.GetRelHumFromHumRatio(20, ratio, 101325);
    expect(rhWhenWarmed({ airC: 5, rh: 0.9, toC: 20 })).toBeCloseTo(reference, 2);
    const hours = [{ at: 0, airC: 5, rh: 0.9 }];
    const heated = judgeHours({
      hours,
      limits: DEFAULT_LIMITS,
      surroundings: { kind: 'heated', setPointC: 20 },
    });
    expect(heated[0]).toMatchObject({ ok: true, airC: 20 });
    expect(judgeHours({ hours, limits: DEFAULT_LIMITS, surroundings: { kind: 'shed' } })[0]?.ok).toBe(false);
  });
  it('rain leaves wetness behind that has to dry first; under cover it does not', () => {
    const hours = Array.from({ length: 7 }, (_, h) => ({
      at: h * HOUR,
      airC: 18,
      rh: 0.5,
      sunUp: true,
      rainMm: h === 1 ? 2 : 0,
    }));
    const codes = (kind: 'open' | 'shed') =>
      judgeHours({ hours, limits: DEFAULT_LIMITS, surroundings: { kind } }).map((h) => h.reasons[0]?.code);
    const wet = 'wet-surface';
    expect(codes('open')).toEqual([undefined, 'rain', wet, wet, wet, undefined, undefined]);
    expect(codes('shed').every((code) => code === undefined)).toBe(true);
  });
  it('says where the margin over the dew point is falling', () => {
    const hours = [20, 18, 18].map((airC, h) => ({ at: h * HOUR, airC, rh: 0.5, surfaceC: 20 - 3 * h }));
    const judged = judgeHours({ hours, limits: DEFAULT_LIMITS, surroundings: { kind: 'shed' } });
    expect(judged.map((h) => h.marginFalls)).toEqual([null, true, true]);
  });
});

describe('a whole coat', () => {
  const clear = (h: number, over: Partial<AirHour> = {}) => ({ at: h * HOUR, airC: 15, rh: 0.6, ...over });
  const coat = (hours: AirHour[], surfaceC: (h: AirHour) => number, over = {}) =>
    judgeCoat({
      startMs: 1 * HOUR,
      endMs: 2.5 * HOUR,
      safeMs: 8 * HOUR,
      hours,
      surface: hours.map((h) => ({ at: h.at, surfaceC: surfaceC(h), lowC: surfaceC(h), highC: surfaceC(h) })),
      limits: DEFAULT_LIMITS,
      underCover: false,
      ...over,
    });
  const day = Array.from({ length: 12 }, (_, h) => clear(h));

  it('passes only when every hour does, on to safe from dew and rain (handbook part 9)', () => {
    expect(coat(day, () => 15)).toMatchObject({ ok: true, failures: [] });
    // Rain at six, long after the last corner, before it is safe: not fit now.
    const wet = day.map((h, i) => (i === 6 ? { ...h, rainMm: 0.4 } : h));
    expect(coat(wet, () => 15).failures[0]).toEqual({
      at: 6 * HOUR,
      code: 'rain',
      value: 0.4,
      limit: 0,
      phase: 'until-safe',
    });
    expect(coat(wet, () => 15, { safeMs: 6 * HOUR }).ok).toBe(true);
    expect(coat(wet, () => 15, { underCover: true }).ok).toBe(true);
  });
  it('the dew of the evening is found before it comes, in the right hour', () => {
    // Air at 15 °C and 60 % has its dew point at 7.3 °C: a surface of 10 °C is 2.7 above it.
    const evening = coat(day, ({ at }) => (at >= 7 * HOUR ? 10 : 15));
    expect(evening.failures.map(({ at, code }) => [at / HOUR, code])).toEqual([
      [7, 'dew-margin'],
      [8, 'dew-margin'],
    ]);
  });
  it('between readings the straight line is judged, at the start and the end', () => {
    const falling = day.map((h, i) => (i === 3 ? { ...h, rh: 0.99 } : h));
    const at = (limit: number) =>
      coat(falling, () => 15, { limits: { ...DEFAULT_LIMITS, dewMarginC: 0, rhMax: limit } }).failures[0];
    // Half-way from 60 to 99 % at 14:30: 79.5 %.
    expect(at(0.79)).toMatchObject({ at: 2.5 * HOUR, code: 'too-damp' });
    expect(at(0.79)?.value).toBeCloseTo(0.795, 9);
    expect(at(0.8)).toMatchObject({ at: 3 * HOUR });
  });
  it('a heat that would spoil its application does not count once it is on; a frost does', () => {
    const limits = { ...DEFAULT_LIMITS, airMaxC: 27 };
    const hot = day.map((h, i) => (i === 5 ? { ...h, airC: 30, rh: 0.3 } : h));
    expect(coat(hot, () => 15, { limits }).ok).toBe(true);
    const frost = coat(day, ({ at }) => (at === 5 * HOUR ? -1 : 15), { limits });
    expect(frost.failures.map(({ code }) => code)).toContain('surface-too-cold');
  });
  it('rain before the coat has left it wet, though the surface is known for a part of the hours only', () => {
    const rained = day.map((h, i) => (i === 0 ? { ...h, rainMm: 2 } : h));
    const part = rained.slice(0, 10).map(({ at }) => ({ at, surfaceC: 15, lowC: 15, highC: 15 }));
    expect(coat(rained, () => 15, { surface: part }).failures[0]).toMatchObject({
      code: 'wet-surface',
      phase: 'applying',
    });
  });
  it('what is not known is no leave', () => {
    expect(coat(day.slice(0, 5), () => 15).failures).toEqual([
      { at: 8 * HOUR, code: 'not-known', value: 8 * HOUR, limit: 4 * HOUR, phase: 'until-safe' },
    ]);
    expect(coat(day, () => 15, { safeMs: null }).ok).toBe(false);
    expect(() => coat(day, () => 15, { safeMs: Number.NaN })).toThrow(
      'Time safe from dew and rain must be a valid time, but is NaN',
    );
  });
  it('a band is judged at its cold end; too hot at its hot end alone depends on the sun, with both ends told', () => {
    const surface = day.map(({ at }) => ({ at, surfaceC: 15, lowC: 10, highC: 45 }));
    const banded = coat(day, () => 15, { surface, limits: { ...DEFAULT_LIMITS, surfaceMaxC: 40 } });
    expect(new Set(banded.failures.map(({ code }) => code))).toEqual(new Set(['dew-margin']));
    expect(banded.conditions.find(({ code }) => code === 'depends-on-sun')?.surface).toEqual({
      lowC: 10,
      highC: 45,
    });
    // Too hot whatever the sun does: refused.
    const hot = surface.map((each) => ({ ...each, lowC: 41, surfaceC: 43 }));
    const refused = coat(day, () => 15, { surface: hot, limits: { ...DEFAULT_LIMITS, surfaceMaxC: 40 } });
    expect(new Set(refused.failures.map(({ code }) => code))).toEqual(new Set(['surface-too-hot']));
  });
});

describe('something wet dries inside (a steady moisture balance, ASHRAE Fundamentals ch. 1)', () => {
  const tent = { airC: 20, rh: 0.5, roomM3: 60, airChangesPerH: 1 };
  it.each([0, 5, 12, 20, 30])(
    'what it adds is by the humidity ratio of psychrolib at %i °C, within 2 %%',
    (airC) => {
      psychrolib.SetUnitSystem(psychrolib.SI);
      const addedG = (0.1 * 1000) / 60;
      const ratio = psychrolib.GetHumRatioFromRelHum(airC, 0.3, 101_325);
      const dryAirKgM3 = 1 / psychrolib.GetMoistAirVolume(airC, ratio, 101_325);
      const then = psychrolib.GetRelHumFromHumRatio(airC, ratio + addedG / 1000 / dryAirKgM3, 101_325);
      const ours = rhWithMoisture({ ...tent, airC, rh: 0.3, litresPerH: 0.1 });
      expect((ours - 0.3) / (Math.min(1, then) - 0.3)).toBeGreaterThan(0.98);
      expect((ours - 0.3) / (Math.min(1, then) - 0.3)).toBeLessThan(1.02);
    },
  );
  it('nothing wet changes nothing; more water is damper, more air drier; soaked is 1 and no more', () => {
    expect(rhWithMoisture({ ...tent, litresPerH: 0 })).toBe(0.5);
    const some = rhWithMoisture({ ...tent, litresPerH: 0.2 });
    expect(some).toBeCloseTo(0.69, 2);
    expect(rhWithMoisture({ ...tent, litresPerH: 0.2, airChangesPerH: 4 })).toBeLessThan(some);
    expect(rhWithMoisture({ ...tent, litresPerH: 9 })).toBe(1);
  });
});

describe('what nobody gave of the air', () => {
  const hours = Array.from(
    { length: 12 },
    (_, h): AirHour => ({ at: h * HOUR, airC: 18, rh: 0.5, rainMm: 0, windMs: 2 }),
  );
  const judged = (over: (h: AirHour, i: number) => Partial<AirHour>, more: object = {}) =>
    judgeCoat({
      startMs: 5 * HOUR,
      endMs: 6 * HOUR,
      safeMs: 9 * HOUR,
      hours: hours.map((h, i) => ({ ...h, ...over(h, i) })),
      surface: hours.map(({ at }) => ({ at, surfaceC: 18, lowC: 18, highC: 18 })),
      limits: DEFAULT_LIMITS,
      underCover: false,
      ...more,
    });
  const codes = (verdict: ReturnType<typeof judged>) => verdict.conditions.map(({ code }) => code);

  it('leaves a condition for rain until the coat is safe, and for rain before it that may have left it wet', () => {
    expect(codes(judged(() => ({})))).toEqual([]);
    const none = (at: number) => judged((_, i) => (i === at ? { rainMm: undefined } : {}));
    expect([1, 3, 5, 8].map((at) => codes(none(at)))).toEqual([
      [],
      ['no-rain-data'],
      ['no-rain-data'],
      ['no-rain-data'],
    ]);
    expect([9, 11].map((at) => codes(none(at)))).toEqual([[], []]);
    expect(none(8).ok).toBe(true);
    expect(codes(judged(() => ({ rainMm: undefined }), { underCover: true }))).toEqual([]);
  });
  it('wind is a condition only where wind is limited, and only while the coat is applied', () => {
    const limits = { ...DEFAULT_LIMITS, windMaxMs: 4 };
    const none = (at: number) => judged((_, i) => (i === at ? { windMs: undefined } : {}), { limits });
    expect([4, 5, 6, 7].map((at) => codes(none(at)))).toEqual([[], ['no-wind-data'], ['no-wind-data'], []]);
    expect(codes(judged(() => ({ windMs: undefined })))).toEqual([]);
  });
  it('unknown wind is calm: the surface under a clear night is as cold as in no wind at all', () => {
    const night = (windMs?: number) =>
      surfaceTempC({ at: 0, airC: 10, rh: 0.7, sunUp: false, windMs }, { kind: 'open' });
    expect(night()).toBe(night(0));
    expect(night()).toBeLessThan(night(2));
  });
});
