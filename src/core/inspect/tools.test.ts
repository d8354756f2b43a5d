import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  ADHESION_LIMIT,
  adhesionTest,
  BARE_STEEL_HOURS,
  blastDay,
  CROSS_CUT_TO_MICRONS,
  converterCourse,
  FINDING_KINDS,
  type FindingKind,
  GRADES_OF,
  judgeFinding,
  profileFromTape,
  type Reading,
  SALT_LIMIT,
  saltFromConductivity,
  TAPE_FILM_MICRONS,
  takesFigure,
  WASH_RATIO,
  washLitres,
} from './index.ts';

describe('blasting and priming in a day, whatever the rates', () => {
  const rates = fc.record({
    areaM2: fc.double({ min: 0.5, max: 500, noNaN: true }),
    blastM2PerH: fc.double({ min: 1, max: 40, noNaN: true }),
    primeM2PerH: fc.double({ min: 2, max: 300, noNaN: true }),
    hours: fc.double({ min: 1, max: 14, noNaN: true }),
  });
  it('no metre stands bare longer than allowed, the day holds it all, and no less than could be is done', () => {
    fc.assert(
      fc.property(rates, fc.constantFrom(BARE_STEEL_HOURS, 48), (input, bareHours) => {
        const { areaM2, blastHours } = blastDay({ ...input, bareHours });
        const primeHours = areaM2 / input.primeM2PerH;
        // The first metre waits for all the blasting and for the priming up to itself; the last for all the priming.
        expect(blastHours + primeHours).toBeLessThanOrEqual(Math.min(input.hours, bareHours) + 1e-9);
        expect(areaM2).toBeLessThanOrEqual(input.areaM2 + 1e-9);
        const slack = Math.min(input.hours, bareHours) - blastHours - primeHours;
        if (areaM2 < input.areaM2 - 1e-9) expect(slack).toBeLessThan(1e-6);
      }),
    );
  });
  it('a passivating wash never makes it less', () => {
    fc.assert(
      fc.property(rates, (input) => {
        expect(blastDay({ ...input, bareHours: 48 }).areaM2).toBeGreaterThanOrEqual(
          blastDay(input).areaM2 - 1e-9,
        );
      }),
    );
  });
});

describe('readings to figures', () => {
  it('profile: the same tape off each reading, whatever their order (ASTM D4417 method C)', () => {
    const readings = fc.array(fc.double({ min: 60, max: 380, noNaN: true }), { minLength: 2, maxLength: 9 });
    fc.assert(
      fc.property(readings, (readingsMicrons) => {
        const found = profileFromTape({ readingsMicrons, tape: 'extra-coarse' }).microns;
        const mean = readingsMicrons.reduce((sum, each) => sum + each, 0) / readingsMicrons.length;
        expect(found).toBeCloseTo(mean - TAPE_FILM_MICRONS, 9);
        const turned = profileFromTape({
          readingsMicrons: readingsMicrons.toReversed(),
          tape: 'extra-coarse',
        });
        expect(turned.microns).toBeCloseTo(found, 9);
      }),
    );
  });
  it('salt: goes with the reading above blank and the water, against the patch (ISO 8502-9)', () => {
    const salt = (over: Partial<Parameters<typeof saltFromConductivity>[0]> = {}) =>
      saltFromConductivity({ microSiemensPerCm: 10, blank: 2, ...over });
    expect(salt()).toBe(48);
    expect(salt({ millilitres: 30 })).toBe(96);
    expect(salt({ patchMm2: 2500 })).toBe(24);
    expect(salt({ microSiemensPerCm: 2 })).toBe(0);
    expect(() => salt({ microSiemensPerCm: 1 })).toThrow(
      'Conductivity (µS/cm) must be between 2 and 10000, but is 1',
    );
  });
  it('wash: any tank, any dilution', () => {
    expect([
      washLitres(200, WASH_RATIO['passivating-wash']),
      washLitres(20, WASH_RATIO['salt-remover']),
    ]).toEqual([4, 0.2]);
    expect(() => washLitres(0, 50)).toThrow('Tank size (l) must be above 0, but is 0');
  });
  it('cross-cut to 250 µm (ISO 2409), X-cut above (ISO 16276-2, from memory)', () => {
    expect([adhesionTest(CROSS_CUT_TO_MICRONS), adhesionTest(CROSS_CUT_TO_MICRONS + 1)]).toEqual([
      'cross-cut',
      'X-cut',
    ]);
  });
});

describe('a converter’s course', () => {
  const course = (...red: boolean[]) =>
    converterCourse({ rounds: red.map((each) => ({ red: each })), openedYears: 0 }).step.next;
  it('coats while red shows, three at most; then it is chosen what else (common practice)', () => {
    expect([course(), course(true), course(true, true), course(true, true, true)]).toEqual([
      'coat',
      'coat',
      'coat',
      'choose',
    ]);
    expect([course(false), course(true, false), course(true, true, false)]).toEqual([
      'prime',
      'prime',
      'prime',
    ]);
  });
  it('an opened bottle is suspect after two years', () => {
    const bottle = (openedYears: number) => converterCourse({ rounds: [], openedYears }).bottle;
    expect([bottle(1.5), bottle(2)]).toEqual([
      null,
      expect.stringContaining(
        'This bottle was opened 2 years ago and may have gone off. Try it on a rusty nail first.',
      ),
    ]);
  });
});

describe('every kind of finding', () => {
  const reading = (kind: FindingKind, over: Partial<Reading> = {}): Reading => ({
    kind,
    value: takesFigure(kind) ? 1 : null,
    grade: GRADES_OF[kind]?.[0] ?? null,
    limit: null,
    ...over,
  });
  it('is judged with a sentence, from its own word or figure alone', () => {
    for (const kind of FINDING_KINDS) {
      const { verdict, reason } = judgeFinding(reading(kind));
      expect([kind, ['fine', 'watch', 'bad', 'noted'].includes(verdict), reason.length > 1]).toEqual([
        kind,
        true,
        true,
      ]);
    }
  });
  it('each word of a kind that is seen has its own meaning', () => {
    for (const [kind, grades] of Object.entries(GRADES_OF) as [FindingKind, readonly Reading['grade'][]][]) {
      const reasons = grades.map((grade) => judgeFinding(reading(kind, { grade })).reason);
      expect(new Set(reasons).size).toBe(grades.length);
    }
  });
  it('measured, one side of the limit is fine and the other is not', () => {
    const [salt, adhesion] = [
      reading('salt', { value: SALT_LIMIT }),
      reading('adhesion', { value: ADHESION_LIMIT }),
    ];
    expect([judgeFinding(salt).verdict, judgeFinding(adhesion).verdict]).toEqual(['fine', 'fine']);
    const more = [
      { ...salt, value: SALT_LIMIT + 0.1 },
      { ...adhesion, value: ADHESION_LIMIT + 1 },
    ];
    expect(more.map((each) => judgeFinding(each).verdict)).toEqual(['bad', 'bad']);
    // Least, not most, is asked of a plate and of a profile.
    for (const kind of ['plate', 'profile'] as const) {
      const verdicts = [39, 40, 41].map((value) => judgeFinding(reading(kind, { value, limit: 40 })).verdict);
      expect(verdicts).toEqual(['bad', 'fine', 'fine']);
    }
    const moist = [39, 40, 41].map(
      (value) => judgeFinding(reading('moisture', { value, limit: 40 })).verdict,
    );
    expect(moist).toEqual(['fine', 'fine', 'bad']);
  });
});
