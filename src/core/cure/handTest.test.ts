import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  BOUNDS,
  correctFromHandTest,
  eventTime,
  filmEvents,
  type HandFinding,
  HOUR_MS,
  sandedWindows,
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
    // Between the two it may be as slow as 300/420 and as fast as 240/300.
    expect([both.factor, both.mustFactor]).toEqual([both.low, both.high]);
    const torn = corrected([
      ['no-print', 2],
      ['sticks', 6],
    ]);
    expect(torn.contradicts).toBe(true);
    expect(torn.high).toBeCloseTo(240 / 360, 9);
  });
  it('a finding that is none, or a test before the film was there, is refused by name', () => {
    expect(() => corrected([['melts' as HandFinding, 3]])).toThrow(
      /Finding of the hand must be sticks, prints, no-print, dents, hard, clogs, powders, but is melts/,
    );
    expect(() => corrected([['sticks', -1]])).toThrow(
      /Time of the test must be at or after the end of application \(0\), but is -3600000/,
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

describe('“may” by the slowest, “must” by the fastest rate that the tests allow [handbook part 10]', () => {
  const edgesOf = (tests: readonly (readonly [HandFinding, number])[], chemicalMax = at20(2880)) => {
    const rule = { ...film.sheet.overcoat[0], by: 'any' as const, min: at20(300), chemicalMax, keyGrit: 120 };
    const own = { ...film, sheet: { ...film.sheet, overcoat: [rule] } };
    const given = tests.map(([found, hours]) => ({ found, atMs: hours * HOUR_MS }));
    const { factor, mustFactor, stuck } = correctFromHandTest({
      film: own,
      next,
      temps: steady,
      tests: given,
    });
    const now = Math.max(...given.map(({ atMs }) => atMs));
    const tested = { ...own, factor, mustFactor, ...(stuck && { stuck }) };
    const windows = windowsFor({ film: tested, next, temps: steady, now });
    const at = (name: string) =>
      (windows.edges.find(({ edge }) => edge === name)?.at ?? Number.NaN) / HOUR_MS;
    return { ...windows, at, stuck };
  };
  it('sticks at 5 h where the sheet says 4: a window of 48 h closes after 60.0 h, not after 66.7', () => {
    const { at } = edgesOf([['sticks', 5]]);
    expect(at('chemical-max')).toBeCloseTo(48 / 0.8, 6);
    expect(at('thumb-closes')).toBeCloseTo(12 / 0.8, 6);
    expect(at('overcoat-min')).toBeCloseTo(5 / 0.72, 6);
  });
  it('prints at 2 h where the sheet says 5: opens at 2 h, and closes as for the fastest film that still prints then', () => {
    const { at } = edgesOf([['prints', 2]]);
    expect(at('overcoat-min')).toBeCloseTo(2, 6);
    expect(at('chemical-max')).toBeCloseTo(48 / 6, 6);
  });
  it('sticks at 25 h where the sheet says 4: it does not cure, and nothing opens until something is found dry', () => {
    const wrong = edgesOf([['sticks', 25]]);
    expect(wrong.stuck).toEqual({ atMs: 25 * HOUR_MS, notCuring: true });
    expect([wrong.state, wrong.until, wrong.warnings.includes('not-curing')]).toEqual([
      'too-soon',
      null,
      true,
    ]);
    const dry = edgesOf([
      ['sticks', 25],
      ['no-print', 60],
    ]);
    expect([dry.stuck, dry.state]).toEqual([null, 'key-first']);
  });
  it('a film that something sticks to is not open, where its sheet would overcoat it before it is dry', () => {
    const early = {
      ...film.sheet.overcoat[0],
      min: at20(120),
      thumb: null,
      by: 'any' as const,
      chemicalMax: at20(2880),
      keyGrit: null,
    };
    const own = { ...film, sheet: { ...film.sheet, overcoat: [early] } };
    const at = 5 * HOUR_MS;
    const { factor, stuck } = correctFromHandTest({
      film: own,
      next,
      temps: steady,
      test: { found: 'sticks', atMs: at },
    });
    const look = (now: number) =>
      windowsFor({ film: { ...own, factor, ...(stuck && { stuck }) }, next, temps: steady, now }).state;
    expect([look(at), look((4 / 0.72) * HOUR_MS + 1)]).toEqual(['too-soon', 'open']);
    // By a sheet that says nothing of being dry nobody knows when: it has to be tested again.
    const silent = { ...own, sheet: { ...own.sheet, events: {} } };
    const still = windowsFor({
      film: { ...silent, stuck: { atMs: at, notCuring: false } },
      next,
      temps: steady,
      now: at,
    });
    expect([still.state, still.until, still.warnings]).toEqual(['too-soon', null, ['still-sticks']]);
  });
  it('a film that does not cure is not sanded open, and one that sticks a hundred times too long is still told of', () => {
    const wrong = edgesOf([['sticks', 25]]);
    expect(sandedWindows(wrong, 26 * HOUR_MS, 27 * HOUR_MS).state).toBe('too-soon');
    expect(wrong.edges.find(({ edge }) => edge === 'overcoat-min')?.at).toBeNull();
    // Half an hour by its sheet, a year to be in the water by: neither figure leaves what a clock takes.
    const sheet = { ...film.sheet, events: { 'tack-free': at20(30), 'latest-immersion': at20(525_600) } };
    const tests = [{ found: 'sticks' as const, atMs: 90 * HOUR_MS }];
    const { factor, mustFactor, stuck } = correctFromHandTest({
      film: { ...film, sheet },
      temps: steady,
      tests,
    });
    const tested = { ...film, sheet, factor, mustFactor, ...(stuck && { stuck }) };
    expect(
      windowsFor({ film: tested, next: { kind: 'water' }, temps: steady, now: 91 * HOUR_MS }).state,
    ).toBe('too-soon');
    expect(filmEvents({ film: tested, temps: steady })[0]).toEqual({
      event: 'latest-immersion',
      at: expect.any(Number),
    });
  });
  it('a thumbprint window ends with the chemical one', () => {
    const { segments } = edgesOf([['prints', 6]], at20(500));
    expect(segments.map(({ state }) => state)).toEqual(['too-soon', 'thumb', 'key-first']);
    expect(segments[1]?.toMs).toBeCloseTo((500 / 60) * HOUR_MS, 0);
  });
  it('whatever rate a film has in truth, tests that tell the truth of it never let “must” come too late, nor open it where it sticks', () => {
    // A film that nobody tested against its upper bound is taken to run at most four times as fast [M].
    const truth = fc.double({ min: 0.1, max: 4, noNaN: true });
    const hours = fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(truth, hours, (rate, times) => {
        const tests = times
          .sort((a, b) => a - b)
          .map((h): [HandFinding, number] => {
            const cured = h * rate;
            return [cured < 4 ? 'sticks' : cured < 5 ? 'hard' : cured < 12 ? 'prints' : 'no-print', h];
          });
        // Between dry and printing the thumb says nothing that this sheet knows.
        const found = tests.filter(([what]) => what !== 'hard');
        if (found.length === 0) return;
        const windows = edgesOf(found);
        const moved = windows.edges.find(({ edge }) => edge === 'chemical-max')?.factor !== 1;
        if (moved) expect(windows.at('chemical-max')).toBeLessThanOrEqual(48 / rate + 1e-6);
        if (found.at(-1)?.[0] === 'sticks') expect(windows.state).toBe('too-soon');
      }),
      { seed: 21, numRuns: 300 },
    );
  });
});

it('the share done of an event is 1 at its moment, in cold nights and past the end of the air', () => {
  for (const minutes of [200, 1500, 40_000]) {
    const curve = { points: at20(minutes), stopC: 8 };
    const { at } = eventTime({ curve, temps: night, laidAt: 3.3 * HOUR_MS });
    expect(shareDone({ curve, temps: night, fromMs: 3.3 * HOUR_MS, toMs: at ?? 0 })).toBeCloseTo(1, 4);
  }
});
