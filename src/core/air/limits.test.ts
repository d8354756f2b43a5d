import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type AirLimits,
  DEFAULT_LIMITS,
  dewPointC,
  isUnderCover,
  judgeConditions,
  judgeHours,
  startWindows,
  surfaceTempC,
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
      'surface temperature 200',
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
  it('only an open surface loses heat to the night sky, less with wind, not at all by day or in rain', () => {
    for (const kind of ['shaded', 'tent', 'shed'] as const) expect(surfaceTempC(night, { kind })).toBe(10);
    expect(surfaceTempC({ ...night, windMs: 2 }, { kind: 'open' })).toBeCloseTo(10 - 3.5 / 2, 9);
    expect(surfaceTempC({ ...night, sunUp: true }, { kind: 'open' })).toBe(10);
    expect(surfaceTempC({ ...night, rainMm: 1 }, { kind: 'open' })).toBe(10);
  });
  it('a heater never cools', () => {
    expect(surfaceTempC({ ...night, airC: 22 }, { kind: 'heated', setPointC: 16 })).toBe(22);
  });
});

describe('runs of hours in which a start is possible', () => {
  const hours = [1, 0, 1, 1, 1, 0, 1, 1].map((good, i) => ({
    at: i * HOUR,
    airC: 18,
    rh: good ? 0.5 : 0.95,
  }));
  const judged = judgeHours({ hours, limits: DEFAULT_LIMITS, surroundings: { kind: 'shed' } });
  it('are unbroken and long enough', () => {
    const span = (from: number, to: number) => ({ from: from * HOUR, to: to * HOUR });
    expect(startWindows({ judged, minHours: 1 })).toEqual([span(0, 1), span(2, 5), span(6, 8)]);
    expect(startWindows({ judged, minHours: 3 })).toEqual([span(2, 5)]);
    expect(startWindows({ judged, minHours: 4 })).toEqual([]);
  });
  it('break where an hour is missing from the series', () => {
    const gap = judged.filter((_, i) => i !== 3);
    expect(startWindows({ judged: gap, minHours: 2 })).toEqual([{ from: 6 * HOUR, to: 8 * HOUR }]);
  });
});
