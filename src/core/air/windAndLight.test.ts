import { describe, expect, it } from 'vitest';
import {
  bestStarts,
  type Conditions,
  DEFAULT_LIMITS,
  judgeCoat,
  judgeConditions,
  judgeHours,
  nightsBetween,
  SETS_BEFORE_IT_FLOWS,
  settingSpeed,
} from './index.ts';

const HOUR = 3_600_000;
const gloss = { ...DEFAULT_LIMITS, windMaxMs: 8, settingMax: SETS_BEFORE_IT_FLOWS };
const codes = (conditions: Conditions, underCover = false) =>
  judgeConditions({ conditions, limits: gloss, underCover }).reasons.map(({ code }) => code);

describe('a gloss turns pebbly where it sets before it could flow: too hot, too dry, too windy (handbook part 9)', () => {
  it('in mild air it is 1; twice as fast for each 10 °C (handbook part 10)', () => {
    expect(settingSpeed({ surfaceC: 20, rh: 0.5, windMs: 1 })).toBe(1);
    expect(settingSpeed({ surfaceC: 40, rh: 0.5, windMs: 1 })).toBeCloseTo(4, 9);
  });
  it('drier and windier is faster, each by itself', () => {
    const mild = { surfaceC: 22, rh: 0.5, windMs: 2 };
    expect(settingSpeed({ ...mild, rh: 0.3 })).toBeGreaterThan(settingSpeed(mild));
    expect(settingSpeed({ ...mild, windMs: 6 })).toBeGreaterThan(settingSpeed(mild));
  });
  it('a hot, dry and windy noon is refused, the same noon under a cover is not', () => {
    const noon = { airC: 26, rh: 0.35, surfaceC: 28, windMs: 5 };
    expect(codes(noon)).toEqual(['sets-too-fast']);
    expect(codes(noon, true)).toEqual([]);
  });
  it('too windy for the method is named with its figures; wind that nobody knows is taken as mild', () => {
    const { reasons } = judgeConditions({
      conditions: { airC: 12, rh: 0.6, surfaceC: 12, windMs: 9 },
      limits: gloss,
    });
    expect(reasons).toEqual([{ code: 'too-windy', value: 9, limit: 8 }]);
    expect(codes({ airC: 12, rh: 0.6, surfaceC: 12 })).toEqual([]);
  });
  it('heat at the hot end alone of what a surface may be depends on the sun, hour by hour and coat by coat alike', () => {
    const hours = [0, 1, 2].map((h) => ({ at: h * HOUR, airC: 24, rh: 0.5, windMs: 1 }));
    const surface = hours.map(({ at }) => ({ at, surfaceC: 26, lowC: 24, highC: 36 }));
    const input = { hours, limits: gloss, surface };
    const judged = judgeHours({ ...input, surroundings: { kind: 'open' } });
    expect(judged.every(({ ok, conditions }) => ok && conditions.includes('depends-on-sun'))).toBe(true);
    const coat = judgeCoat({ ...input, startMs: 0, endMs: HOUR, safeMs: 2 * HOUR, underCover: false });
    expect(coat).toMatchObject({ ok: true, failures: [] });
    expect(coat.conditions).toContainEqual({
      code: 'depends-on-sun',
      at: 0,
      surface: { lowC: 24, highC: 36 },
    });
    // Turned to the sun for certain it is refused.
    const facing = surface.map(({ at }) => ({ at, surfaceC: 36, lowC: 36, highC: 36 }));
    expect(
      judgeHours({ ...input, surface: facing, surroundings: { kind: 'open' } }).map(({ ok }) => ok),
    ).toEqual([false, false, false]);
  });
});

describe('light to see dry spots and runs by (handbook part 8)', () => {
  const hours = Array.from({ length: 49 }, (_, h) => ({ at: h * HOUR, airC: 15, rh: 0.5 }));
  const surface = hours.map(({ at }) => ({ at, surfaceC: 15, lowC: 15, highC: 15 }));
  const rest = { hours, surface, limits: DEFAULT_LIMITS, underCover: false };
  const nights = [{ fromMs: 16 * HOUR, toMs: 31 * HOUR }];
  const coat = (startH: number, endH: number) =>
    judgeCoat({ ...rest, nights, startMs: startH * HOUR, endMs: endH * HOUR, safeMs: (endH + 1) * HOUR });
  it('a coat that the dark finds unfinished is refused with the hour', () => {
    expect(coat(14, 17).failures).toEqual([
      { at: 16 * HOUR, code: 'too-dark', value: 16 * HOUR, limit: 17 * HOUR, phase: 'applying' },
    ]);
  });
  it('done by dark it passes, and so does one begun by lamps', () => {
    expect(coat(14, 16).ok).toBe(true);
    expect(coat(18, 20).ok).toBe(true);
  });
  it('no start is offered in the dark, and each that is offered passes whole', () => {
    const applyMs = 3 * HOUR;
    const starts = { applyMs, safeAfter: (endMs: number) => endMs + HOUR, fromMs: 0, toMs: 40 * HOUR };
    const { stretches } = bestStarts({ ...rest, ...starts, nights });
    expect(stretches.map(({ fromMs, toMs }) => [fromMs / HOUR, toMs / HOUR])).toEqual([
      [0, 13],
      [31, 40],
    ]);
    expect(stretches.every(({ toMs }) => coat(toMs / HOUR, toMs / HOUR + 3).ok)).toBe(true);
  });
  it('dark is when the middle of the sun is below the horizon: sunset in London at midwinter about 15:53 UTC (almanac figure, from memory)', () => {
    const day = Date.UTC(2026, 11, 21);
    const [night] = nightsBetween(day + 12 * HOUR, day + 20 * HOUR, { latitude: 51.5, longitude: -0.1 });
    const minutes = ((night?.fromMs ?? 0) - day) / 60_000;
    // The almanac counts the upper limb with refraction, a few minutes later than the middle.
    expect(minutes).toBeGreaterThan(15 * 60 + 40);
    expect(minutes).toBeLessThan(15 * 60 + 56);
  });
});
