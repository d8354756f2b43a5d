import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { coatAir } from './coatAir.ts';
import { type AirHour, bestStarts, DEFAULT_LIMITS, judgeCoat } from './index.ts';

const HOUR = 3_600_000;
/** From midnight: the air at each hour, the surface with it. */
const air = (count: number, of: (h: number) => Partial<AirHour>): AirHour[] =>
  Array.from({ length: count }, (_, h) => ({ at: h * HOUR, airC: 15, rh: 0.6, ...of(h) }));
const skin = (hours: readonly AirHour[], colder = 0) =>
  hours.map(({ at, airC }) => ({ at, surfaceC: airC - colder, lowC: airC - colder, highC: airC - colder }));
const starts = (hours: readonly AirHour[], over: Partial<Parameters<typeof bestStarts>[0]> = {}) =>
  bestStarts({
    hours,
    surface: skin(hours),
    limits: DEFAULT_LIMITS,
    underCover: false,
    applyMs: 2 * HOUR,
    safeAfter: (endMs) => endMs + 4 * HOUR,
    fromMs: 0,
    toMs: (hours.at(-1) as AirHour).at,
    ...over,
  });
const hoursOf = ({ stretches }: ReturnType<typeof bestStarts>) =>
  stretches.map(({ fromMs, toMs }) => [fromMs / HOUR, toMs / HOUR]);

describe('best starts over a forecast [T, handbook part 9]', () => {
  it('dew at 20:00: the last start is early enough for the film to be safe by then, and the damp morning waits', () => {
    // 95 % until 9, 60 % by day, 95 % again from 20:00; 85 % is crossed on the way, at 8:17 and 19:43.
    const hours = air(30, (h) => ({ rh: h <= 8 || h >= 20 ? 0.95 : 0.6 }));
    const [first, last] = hoursOf(starts(hours))[0] as [number, number];
    expect(first).toBeGreaterThan(8);
    expect(first).toBeLessThan(9.1);
    // Two hours to apply and four until safe, all before it is damp.
    expect(last).toBeLessThanOrEqual(20 - 6);
    expect(last).toBeGreaterThan(20 - 6 - 1);
  });
  it('rain at 15:00 that a film safe by then does not mind; nothing starts while it is wet', () => {
    const found = hoursOf(starts(air(60, (h) => (h === 15 ? { rainMm: 2 } : {}))));
    expect(found[0]?.[1]).toBe(9);
    // Rain until 16:00, then three hours of drying (from memory).
    expect(found[1]?.[0]).toBeGreaterThanOrEqual(18);
  });
  it('the best is the one with the widest margins, and says where it comes nearest to a limit', () => {
    const hours = air(24, (h) => ({ rh: 0.6 + 0.02 * Math.abs(h - 12) }));
    const { best } = starts(hours, { applyMs: HOUR, safeAfter: (endMs) => endMs });
    expect((best?.startMs ?? 0) / HOUR).toBeCloseTo(11.5, 0);
    expect(best?.tightest).toMatchObject({ code: 'dew-margin', limit: 3 });
  });
  it('launch at eight: only starts whose film is through by then', () => {
    const launchMs = 32 * HOUR;
    const found = starts(
      air(60, () => ({})),
      {
        toMs: 40 * HOUR,
        fits: ({ endMs }) => endMs + 16 * HOUR <= launchMs,
      },
    );
    // Two hours to apply and sixteen in the dry: by 14:00 the day before.
    expect(hoursOf(found)).toEqual([[0, 14]]);
  });
  it('nothing known, or never safe: no start', () => {
    expect(starts(air(3, () => ({}))).best).toBeNull();
    expect(
      starts(
        air(48, () => ({})),
        { safeAfter: () => null },
      ).stretches,
    ).toEqual([]);
  });
  it('a moment passes exactly when no reason is named for it', () => {
    const hours = air(200, (h) => ({
      airC: 12 + 15 * Math.sin(h / 3),
      rh: 0.75 + 0.24 * Math.sin(h / 5),
      rainMm: h % 11 === 0 ? 1 : 0,
    }));
    const limits = { ...DEFAULT_LIMITS, airMinC: 5, airMaxC: 24, surfaceMinC: 3, surfaceMaxC: 22 };
    const about = coatAir({ hours, surface: skin(hours, 1), limits, underCover: false });
    for (let ms = 0; ms < 199 * HOUR; ms += HOUR / 3)
      for (const phase of ['applying', 'until-safe'] as const)
        for (const rain of [true, false])
          expect(about.passesAt(ms, phase, rain)).toBe(about.reasonsAt(ms, phase, rain)?.length === 0);
  });
  it('whatever the air, a coat started within a stretch passes when judged by itself', () => {
    const hour = fc.record({
      airC: fc.double({ min: 0, max: 30, noNaN: true }),
      rh: fc.double({ min: 0.3, max: 1, noNaN: true }),
      rainMm: fc.constantFrom(0, 0, 0, 0, 1),
    });
    fc.assert(
      fc.property(
        fc.array(hour, { minLength: 24, maxLength: 72 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (made, x) => {
          const hours = air(made.length, (h) => made[h] as Partial<AirHour>);
          const surface = skin(hours, 1);
          for (const { fromMs, toMs, best } of starts(hours, { surface }).stretches) {
            const ok = (startMs: number) =>
              judgeCoat({
                startMs,
                endMs: startMs + 2 * HOUR,
                safeMs: startMs + 6 * HOUR,
                hours,
                surface,
                limits: DEFAULT_LIMITS,
                underCover: false,
              }).ok;
            expect([fromMs, toMs, best.startMs, fromMs + x * (toMs - fromMs)].map(ok)).toEqual([
              true,
              true,
              true,
              true,
            ]);
            expect(best.startMs).toBeGreaterThanOrEqual(fromMs);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
