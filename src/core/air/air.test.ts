import psychrolib from 'psychrolib';
import { describe, expect, it } from 'vitest';
import { DEFAULT_LIMITS, dewPointC, judgeConditions, judgeHours, surfaceTempC } from './index.ts';

describe('dew point', () => {
  it.each([
    [20, 0.5, 9.3],
    [10, 0.85, 7.6],
  ])("handbook part 9's figures: %s °C at %s", (airC, rh, dew) => {
    expect(dewPointC({ airC, rh })).toBeCloseTo(dew, 1);
  });

  it('agrees with ASHRAE Fundamentals ch. 1 (psychrolib) within 0.1 K wherever the dew point is 0 °C or more', () => {
    psychrolib.SetUnitSystem(psychrolib.SI);
    let compared = 0;
    let worst = 0;
    for (let airC = -5; airC <= 45; airC += 0.5) {
      for (let rh = 5; rh <= 100; rh += 1) {
        const reference = psychrolib.GetTDewPointFromRelHum(airC, rh / 100);
        if (reference < 0) continue; // frost over ice there, not comparable: handbook part 9
        worst = Math.max(worst, Math.abs(dewPointC({ airC, rh: rh / 100 }) - reference));
        compared++;
      }
    }
    expect(compared).toBeGreaterThan(5000);
    expect(worst).toBeLessThan(0.1);
  });

  it('refuses humidity as a percentage', () => {
    expect(() => dewPointC({ airC: 20, rh: 50 })).toThrow(
      'Relative humidity must be between 0.001 and 1, but is 50',
    );
  });
});

describe('a surface and the night sky', () => {
  const night = { at: 0, airC: 10, rh: 0.7, sunUp: false };
  it('in the open runs 3–4 °C below still night air, not below windy air (common practice, no source)', () => {
    expect(surfaceTempC({ ...night, windMs: 0 }, { kind: 'open' })).toBe(6.5);
    expect(surfaceTempC({ ...night, windMs: 6 }, { kind: 'open' })).toBe(10);
  });
  it('is what was measured, whatever the estimate; a heated one keeps its set point', () => {
    expect(surfaceTempC({ ...night, surfaceC: 12 }, { kind: 'open' })).toBe(12);
    expect(surfaceTempC(night, { kind: 'heated', setPointC: 16 })).toBe(16);
  });
});

describe('may a coat be applied', () => {
  it('3 °C above dew point and RH ≤ 85 % (ISO 8502-4 guidance, ISO 12944-7 practice)', () => {
    const damp = judgeConditions({ conditions: { airC: 10, rh: 0.9, surfaceC: 9 }, limits: DEFAULT_LIMITS });
    expect(damp.reasons.map((r) => r.code)).toEqual(['too-damp', 'dew-margin']);
    const dry = judgeConditions({ conditions: { airC: 18, rh: 0.6, surfaceC: 18 }, limits: DEFAULT_LIMITS });
    expect(dry.ok).toBe(true);
  });

  it('names the hour that is too hot with its figures, and rain only in the open', () => {
    const hours = [
      { at: 0, airC: 24, rh: 0.5 },
      { at: 3_600_000, airC: 31, rh: 0.5 },
      { at: 7_200_000, airC: 24, rh: 0.5, rainMm: 1 },
    ];
    const limits = { ...DEFAULT_LIMITS, airMaxC: 27 };
    const open = judgeHours({ hours, limits, surroundings: { kind: 'open' } });
    expect(open[1]?.reasons).toEqual([{ code: 'air-too-hot', value: 31, limit: 27 }]);
    expect(open[2]?.reasons).toEqual([{ code: 'rain', value: 1, limit: 0 }]);
    const tent = judgeHours({ hours, limits, surroundings: { kind: 'tent' } });
    expect(tent.map((h) => h.ok)).toEqual([true, false, true]);
  });
});
