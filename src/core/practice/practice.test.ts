import { describe, expect, it } from 'vitest';
import { PRACTICE_CASES, type PracticeCase, type PracticeCode, type PracticeDone, practiceTime, reviewPractice, thumbOn } from './index.ts'; // biome-ignore format: one line

const HOUR_MS = 3_600_000;
const caseOf = (code: PracticeCode): PracticeCase => {
  const found = PRACTICE_CASES.find((each) => each.code === code);
  if (!found) throw new Error(`no case ${code}`);
  return found;
};
const codesOf = ({ job }: PracticeCase, done: PracticeDone) =>
  reviewPractice(job, done).map(({ code }) => code);
/** What was done, with every coat otherwise. */
const coats = ({ hurried }: PracticeCase, over: Partial<PracticeDone['coats'][number]>): PracticeDone => ({
  ...hurried,
  coats: hurried.coats.map((coat) => ({ ...coat, ...over })),
});

describe('each case: the review names the mistake of somebody in a hurry, and nothing where it is done well', () => {
  it('started too late in the day: the dew or the dark, and the latest start that would have passed', () => {
    const late = caseOf('late-start');
    const [fault] = reviewPractice(late.job, late.hurried);
    expect(codesOf(late, late.hurried)).toEqual(['started-late']);
    if (fault?.code !== 'started-late') throw new Error('not late');
    expect(fault.atMs).toBeGreaterThan(practiceTime(0, 19));
    expect(fault.latestMs).toBeLessThan(practiceTime(0, 17));
    expect(codesOf(late, coats(late, { startMs: fault.latestMs }))).toEqual([]);
    expect(codesOf(late, coats(late, { startMs: fault.latestMs + HOUR_MS / 2 }))).toEqual(['started-late']);
    // Nobody waits for an hour of the night before.
    expect(fault.latestMs).toBeGreaterThan(practiceTime(0, 6));
  });

  it('skipped the thumbprint: by its sheet the film was ready, by the thumb it still stuck', () => {
    const thumb = caseOf('thumbprint');
    const { job, hurried } = thumb;
    expect(codesOf(thumb, hurried)).toEqual(['thumb-skipped', 'too-soon']);
    const bySheet = { ...job, coats: job.coats.map((each) => ({ ...each, realFactor: 1 })) };
    expect(reviewPractice(bySheet, hurried).map(({ code }) => code)).toEqual(['thumb-skipped']);
    // Tested each half hour: sticks, then prints, then leaves no print; a coat on the first print is right.
    const times = Array.from({ length: 40 }, (_, i) => practiceTime(0, 11) + (i * HOUR_MS) / 2);
    const found = times.map((at) => thumbOn(job, hurried, 0, at));
    expect([...new Set(found)]).toEqual(['sticks', 'prints', 'no-print']);
    const startAt = (i: number): PracticeDone => ({
      ...hurried,
      coats: [
        hurried.coats[0],
        { ...hurried.coats[1], startMs: times[i], isTested: true },
      ] as PracticeDone['coats'],
    });
    expect(codesOf(thumb, startAt(found.indexOf('prints')))).toEqual([]);
    expect(codesOf(thumb, startAt(found.indexOf('prints') - 1))).toEqual(['too-soon']);
    expect(codesOf(thumb, startAt(found.indexOf('no-print')))).toEqual(['too-late']);
  });

  it('mixed the whole gallon: the largest batch by hand', () => {
    const whole = caseOf('whole-gallon');
    const [fault] = reviewPractice(whole.job, whole.hurried);
    // 24 m² at 0.16 l/m² are 3.84 l, about a US gallon. Pot life 90 min at 20 °C, half at 30 °C; 10 min standing and 10 in hand.
    const airC = whole.job.hours.find(({ at }) => at === practiceTime(0, 10))?.airC ?? Number.NaN;
    const largestL = ((90 * 2 ** ((20 - airC) / 10) - 20) / 60) * 12 * 0.16;
    expect(fault).toEqual({ code: 'mixed-too-much', coat: 0, batchL: expect.closeTo(3.84, 9), largestL: expect.closeTo(largestL, 9) }); // biome-ignore format: one line
    const enough = Math.ceil(3.84 / largestL);
    expect(codesOf(whole, coats(whole, { batches: enough }))).toEqual([]);
    expect(codesOf(whole, coats(whole, { batches: enough - 1 }))).toEqual(['mixed-too-much']);
  });

  it('blasted more than could be primed: bare for 4 h at the most', () => {
    const blast = caseOf('blasting');
    // 8 m²/h blasted, 30 m²/h primed: 4/(1/8 + 1/30).
    const mostM2 = 4 / (1 / 8 + 1 / 30);
    expect(reviewPractice(blast.job, blast.hurried)).toEqual([
      { code: 'blasted-too-much', blastedM2: 60, mostM2: expect.closeTo(mostM2, 9) },
    ]);
    expect(codesOf(blast, { ...blast.hurried, blastedM2: 25 })).toEqual([]);
    expect(codesOf(blast, { ...blast.hurried, blastedM2: 26 })).toEqual(['blasted-too-much']);
  });

  it('ratio wrong for two coats: 3 : 1 by volume poured by weight is half as much hardener again', () => {
    const ratio = caseOf('ratio');
    // 3 kg of base at 1.5 kg/l are 2 l, 1 kg of hardener at 1 kg/l is 1 l: 2 : 1.
    expect(reviewPractice(ratio.job, ratio.hurried)).toEqual(
      [0, 1].map((coat) => ({ code: 'ratio-wrong', coat, off: expect.closeTo(0.5, 9) })),
    );
    expect(codesOf(ratio, coats(ratio, { poured: { parts: [4.5, 1], by: 'weight' } }))).toEqual([]);
    expect(codesOf(ratio, coats(ratio, { poured: { parts: [3, 1], by: 'volume' } }))).toEqual([]);
  });

  it('launched too soon: the time from which it may be launched', () => {
    const launch = caseOf('launch');
    const [fault] = reviewPractice(launch.job, launch.hurried);
    if (fault?.code !== 'launched-too-soon' || fault.readyMs === null) throw new Error('not too soon');
    // 24 h at 15 °C, at 11 to 18 °C about as long, from the end of the coat.
    expect((fault.readyMs - practiceTime(0, 13)) / HOUR_MS).toBeGreaterThan(24);
    expect((fault.readyMs - practiceTime(0, 13)) / HOUR_MS).toBeLessThan(32);
    expect(codesOf(launch, { ...launch.hurried, launchMs: fault.readyMs })).toEqual([]);
    expect(codesOf(launch, { ...launch.hurried, launchMs: fault.readyMs - 1 })).toEqual([
      'launched-too-soon',
    ]);
  });
});

it('a day unsuitable throughout is not a late start; figures that cannot be are refused by name', () => {
  const { job, hurried } = caseOf('late-start');
  const wet = { ...job, hours: job.hours.map((hour) => ({ ...hour, rainMm: 1 })) };
  expect(reviewPractice(wet, hurried)).toMatchObject([{ code: 'weather', coat: 0, why: 'rain' }]);
  const bad = (over: Partial<PracticeDone['coats'][number]>) => () =>
    reviewPractice(job, {
      ...hurried,
      coats: [{ ...(hurried.coats[0] as PracticeDone['coats'][number]), ...over }],
    });
  expect(bad({ startMs: Number.NaN })).toThrow(/Start of a coat must be a valid time, but is NaN/);
  expect(bad({ batches: 0 })).toThrow(/Batches/);
  expect(bad({ batches: 1.5 })).toThrow(/Batches/);
  expect(bad({ poured: { parts: [3], by: 'volume' } })).toThrow(/[Pp]arts poured/);
  expect(() => reviewPractice(job, { ...hurried, coats: [] })).toThrow(/[Cc]oats applied/);
});
