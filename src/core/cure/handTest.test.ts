import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  BOUNDS,
  correctFromHandTest,
  eventTime,
  type HandFinding,
  HOUR_MS,
  shareDone,
  windowsFor,
} from './index.ts';

const steady = { startMs: 0, valuesC: Array<number>(400).fill(20) };
const night = {
  startMs: 0,
  valuesC: Array.from({ length: 400 }, (_, h) => 11 + 6 * Math.sin((h * Math.PI) / 12)),
};
const at20 = (minutes: number) => [{ tempC: 20, minutes }];
const film = {
  laidFromMs: 0,
  laidToMs: 0,
  sheet: {
    stopC: 5,
    events: { 'tack-free': at20(240), sandable: at20(960), walk: at20(600) },
    overcoat: [
      {
        by: 'any' as const,
        min: at20(300),
        chemicalMax: at20(4320),
        thumb: { opens: at20(300), closes: at20(720) },
        keyGrit: 120,
      },
    ],
  },
};
const next = { kind: 'coat' as const, family: 'hard-antifouling', same: false };
const corrected = (tests: readonly (readonly [HandFinding, hours: number])[], temps = steady) =>
  correctFromHandTest({
    film,
    next,
    temps,
    tests: tests.map(([found, hours]) => ({ found, atMs: hours * HOUR_MS })),
  });

describe('what the hand finds corrects the clock [T, handbook part 10]', () => {
  it('the worked example: tack-free at 4 h, sticking at 5 h: at most 0.8 times as fast, taken a tenth short of it', () => {
    const { factor, high } = corrected([['sticks', 5]]);
    expect(high).toBeCloseTo(0.8, 9);
    expect(factor).toBeCloseTo(0.72, 9);
    const test = { found: 'sticks' as const, atMs: 5 * HOUR_MS };
    expect(correctFromHandTest({ film, temps: steady, test }).factor).toBeCloseTo(0.72, 9);
  });
  it('prints at 2 h where the sheet says 5: at least 2.5 times, and by no more than it must', () => {
    expect(corrected([['prints', 2]])).toMatchObject({ factor: 2.5, low: 2.5, contradicts: false });
  });
  it.each([
    ['sticks', 3],
    ['prints', 8],
    ['no-print', 13],
    ['dents', 9],
    ['hard', 11],
    ['clogs', 15],
    ['powders', 17],
  ] as const)('%s after %i h is what the sheet says: the clock is left alone', (found, hours) => {
    expect(corrected([[found, hours]]).factor).toBe(1);
  });
  it('several tests narrow it down; two that cannot both be true are said, and the last counts', () => {
    const both = corrected([
      ['sticks', 5],
      ['prints', 7],
    ]);
    expect(both).toMatchObject({ contradicts: false });
    expect(both.low).toBeCloseTo(300 / 420, 9);
    expect(both.factor).toBeCloseTo(0.72, 9);
    const torn = corrected([
      ['no-print', 2],
      ['sticks', 6],
    ]);
    expect(torn.contradicts).toBe(true);
    expect(torn.high).toBeCloseTo(240 / 360, 9);
  });
  it('a finding that is none, or a test before the film was there, is refused by name', () => {
    expect(() => corrected([['melts' as HandFinding, 3]])).toThrow(/finding of the hand melts is outside/);
    expect(() => corrected([['sticks', -1]])).toThrow(
      /time of the test .* is outside the end of application/,
    );
  });
  it('a sheet that says nothing of what was found is not corrected by it', () => {
    const bare = { ...film, sheet: { ...film.sheet, events: {}, overcoat: [] } };
    const tests = [{ found: 'clogs' as const, atMs: HOUR_MS }];
    expect(correctFromHandTest({ film: bare, next, temps: steady, tests })).toMatchObject({
      factor: 1,
      silent: true,
    });
  });
  it('whatever the night, the corrected film is where the hand found it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('sticks', 'no-print', 'clogs', 'powders'),
        fc.integer({ min: 1, max: 60 }),
        (found, hours) => {
          const { factor } = corrected([[found, hours]], night);
          const points = found === 'sticks' ? at20(240) : found === 'no-print' ? at20(720) : at20(960);
          const done = shareDone({
            curve: { points, stopC: 5 },
            temps: night,
            fromMs: 0,
            toMs: hours * HOUR_MS,
          });
          if (factor <= BOUNDS.low || factor >= BOUNDS.high) return;
          if (found === 'sticks' || found === 'clogs') expect(done * factor).toBeLessThan(1);
          else expect(done * factor).toBeGreaterThan(1 - 1e-9);
        },
      ),
    );
  });
  it('a film that is slower keeps every edge later, none earlier', () => {
    const at = (factor: number) =>
      windowsFor({ film: { ...film, factor }, next, temps: night, now: 0 }).edges.map(
        ({ at: ms }) => ms ?? 0,
      );
    const [slow, plain] = [at(0.7), at(1)];
    for (const [i, ms] of plain.entries()) expect(slow[i]).toBeGreaterThan(ms);
  });
});

it('the share done of an event is 1 at its moment, in cold nights and past the end of the air', () => {
  for (const minutes of [200, 1500, 40_000]) {
    const curve = { points: at20(minutes), stopC: 8 };
    const { at } = eventTime({ curve, temps: night, laidAt: 3.3 * HOUR_MS });
    expect(shareDone({ curve, temps: night, fromMs: 3.3 * HOUR_MS, toMs: at ?? 0 })).toBeCloseTo(1, 4);
  }
});
