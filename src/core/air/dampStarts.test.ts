import { describe, expect, it } from 'vitest';
import { type AirHour, bestStarts, DEFAULT_LIMITS, dampStarts, judgeCoat } from './index.ts';

const H = 3_600_000;
/** A morning that dries: RH from `first` falling by `fall` an hour from 06:00 on. */
const morning = (first: number, fall: number): AirHour[] =>
  Array.from({ length: 30 }, (_, i) => ({
    at: i * H,
    airC: 16,
    rh: Math.min(0.98, Math.max(0.5, first - fall * Math.max(0, i - 6))),
    rainMm: 0,
  }));
const asked = (hours: AirHour[]) => ({
  hours,
  surface: hours.map(({ at }) => ({ at, surfaceC: 20, lowC: 20, highC: 20 })),
  limits: { ...DEFAULT_LIMITS, rhMax: 0.8 },
  underCover: false,
  applyMs: 2 * H,
  safeAfter: (endMs: number) => endMs + 4 * H,
  fromMs: 0,
  toMs: 20 * H,
});

/** Edges are found to five minutes. */
const near = (hour: number, wanted: number) => expect(Math.abs(hour - wanted)).toBeLessThan(0.1);

describe('starting damp but drying, a school of its own (handbook part 9)', () => {
  it('begins before the sheet’s humidity is reached, within the hour before it, and ends where ordinary starts begin', () => {
    // 90 % until 06:00, then 5 % an hour: 80 % at 08:00, 85 % at 07:00.
    const hours = morning(0.9, 0.05);
    const [damp] = dampStarts(asked(hours)).stretches;
    const [ordinary] = bestStarts(asked(hours)).stretches;
    near((ordinary?.fromMs ?? 0) / H, 8);
    near((damp?.fromMs ?? 0) / H, 7);
    near((damp?.toMs ?? 0) / H, 8);
  });
  it('not where it dries too slowly, not where it rises, not where the sheet states no humidity', () => {
    expect(dampStarts(asked(morning(0.9, 0.005))).stretches).toEqual([]);
    expect(dampStarts(asked(morning(0.7, -0.02))).stretches).toEqual([]);
    const input = asked(morning(0.9, 0.05));
    expect(dampStarts({ ...input, limits: { ...input.limits, rhMax: null } }).best).toBeNull();
  });
  it('over two months of mornings: each start it names is dry by the sheet within the hour and from then on, as judged by itself', () => {
    const hours = Array.from(
      { length: 24 * 60 },
      (_, i): AirHour => ({
        at: i * H,
        airC: 14 + 6 * Math.sin(((i % 24) - 9) * 0.26) + Math.sin(i / 50),
        rh: 0.78 - 0.14 * Math.sin(((i % 24) - 9) * 0.26) + 0.05 * Math.sin(i / 37),
        rainMm: i % 131 === 0 ? 1 : 0,
      }),
    );
    const input = { ...asked(hours), toMs: 58 * 24 * H };
    const { stretches } = dampStarts(input);
    expect(stretches.length).toBeGreaterThan(20);
    for (const { best } of stretches) {
      const dryMs = Math.min(best.startMs + H, best.safeMs);
      const rest = { ...input, startMs: dryMs, endMs: Math.max(best.endMs, dryMs), safeMs: best.safeMs };
      expect([best.startMs / H, judgeCoat(rest).ok]).toEqual([best.startMs / H, true]);
      expect(judgeCoat({ ...input, ...best }).ok).toBe(false);
    }
  });
});
