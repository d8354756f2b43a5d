import { describe, expect, it } from 'vitest';
import { byLearnedPace, correctFromHandTest, learnPace, windowsFor } from './index.ts';

const film = (low: number, high: number, more = {}) => ({
  low,
  high,
  contradicts: false,
  silent: false,
  ...more,
});

describe('a pace is learned once three films agree (handbook part 10)', () => {
  it('what all allow in common, the nearest to the sheet; slower ones a tenth short of it', () => {
    expect(learnPace([film(0.25, 0.8), film(0.5, 0.9), film(0.6, 4)])).toEqual({
      films: 3,
      agree: true,
      factor: 0.8 * 0.9,
      low: 0.6,
      high: 0.8,
    });
    expect(learnPace([film(1.3, 4), film(1.1, 2), film(1.2, 4)]).factor).toBe(1.3);
  });
  it.each([
    ['too few', [film(0.3, 0.8), film(0.3, 0.8)], { films: 2, agree: true }],
    ['they agree with the sheet', [film(0.5, 2), film(0.9, 1.5), film(0.25, 1.1)], { films: 3, agree: true }],
    ['they do not agree', [film(0.3, 0.6), film(0.7, 4), film(0.3, 0.9)], { films: 3, agree: false }],
    [
      'films that contradict themselves or say nothing do not count',
      [
        film(0.3, 0.8),
        film(0.3, 0.8),
        film(0.3, 0.8, { contradicts: true }),
        film(0.3, 0.8, { silent: true }),
      ],
      { films: 2 },
    ],
  ])('%s: none is offered', (_why, films, expected) => {
    expect(learnPace(films)).toMatchObject({ ...expected, factor: null });
  });
});

describe('a clock by a learned pace', () => {
  const at20 = (minutes: number) => [{ tempC: 20, minutes }];
  const sheet = {
    stopC: null,
    events: { 'tack-free': at20(240) },
    overcoat: [{ by: 'any' as const, min: at20(600), chemicalMax: at20(6000), keyGrit: null }],
  };
  const applied = { laidFromMs: 0, laidToMs: 0, sheet };
  const temps = { startMs: 0, valuesC: Array<number>(400).fill(20) };
  const next = { kind: 'coat' as const, family: 'enamel', same: false };
  const edges = (pace: number) => {
    const found = windowsFor({ film: { ...applied, ...byLearnedPace(pace) }, next, temps, now: 0 }).edges;
    return found.map(({ at }) => Math.round((at ?? 0) / 60_000));
  };
  it('only ever narrows the window: slower opens it later, faster closes it sooner', () => {
    expect(edges(1)).toEqual([600, 6000]);
    expect(edges(0.5)).toEqual([1200, 6000]);
    expect(edges(2)).toEqual([600, 3000]);
  });
  it('where a film’s own test leaves it open, what others taught stays; where it does not, the test wins', () => {
    const tested = (hours: number, found: 'prints' | 'sticks') =>
      correctFromHandTest({ film: applied, temps, test: { atMs: hours * 3_600_000, found }, prior: 0.6 })
        .factor;
    // Prints after 10 h: tack-free at 4 h by the sheet, so at least 0.4 times as fast, which 0.6 is.
    expect(tested(10, 'prints')).toBe(0.6);
    expect(tested(5, 'prints')).toBeCloseTo(0.8, 9);
    expect(tested(8, 'sticks')).toBeCloseTo(0.5 * 0.9, 9);
    // Nothing on this sheet says when sandpaper would clog: the test takes nothing back of what others taught.
    const silent = correctFromHandTest({
      film: applied,
      temps,
      test: { atMs: 9e6, found: 'clogs' },
      prior: 0.6,
    });
    expect([silent.factor, silent.silent]).toEqual([0.6, true]);
  });
});
