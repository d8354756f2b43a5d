import { describe, expect, it } from 'vitest';
import {
  adhesionTest,
  blastDay,
  converterCourse,
  profileFromTape,
  saltFromConductivity,
  solventRub,
  WASH_RATIO,
  washLitres,
} from './index.ts';

describe('profile by replica tape (ASTM D4417 method C, ISO 8503-5)', () => {
  it('the reading less 50 µm of film is peak to valley; the mean of two', () => {
    expect(profileFromTape({ readingsMicrons: [105, 115], tape: 'coarse' })).toEqual({
      microns: 60,
      warning: null,
      few: false,
    });
  });
  it('one tape is no average; the wrong tape is said, and which serves', () => {
    const found = profileFromTape({ readingsMicrons: [150], tape: 'coarse' });
    expect([found.few, found.warning]).toEqual([
      true,
      expect.stringContaining(
        '100 µm is outside the range of the coarse tape (20–64 µm). Use the extra-coarse tape.',
      ),
    ]);
    expect(profileFromTape({ readingsMicrons: [60, 62], tape: 'coarse' }).warning).toContain(
      '11 µm is outside the range of both tapes (20–115 µm).',
    );
  });
  it('a reading thinner than the tape is refused by number', () => {
    expect(() => profileFromTape({ readingsMicrons: [100, 40], tape: 'coarse' })).toThrow(
      'Tape reading 2 (µm) must be between 50 and 400, but is 40',
    );
  });
});

describe('salt by patch (ISO 8502-6, 8502-9)', () => {
  it('1 µS/cm above blank is some 6 mg/m² with 15 ml on 1250 mm²', () => {
    expect(saltFromConductivity({ microSiemensPerCm: 3, blank: 2 })).toBeCloseTo(6, 9);
  });
  it('half the water on the same patch reads twice as high for the same salt', () => {
    expect(saltFromConductivity({ microSiemensPerCm: 22, blank: 2, millilitres: 7.5 })).toBeCloseTo(60, 9);
  });
  it('a reading below the blank is refused', () => {
    expect(() => saltFromConductivity({ microSiemensPerCm: 1, blank: 2 })).toThrow(
      'Conductivity (µS/cm) must be between 2 and 10000, but is 1',
    );
  });
});

describe('washes', () => {
  it('200 litres of passivating wash at 50 : 1 take 4 litres (handbook part 4)', () => {
    expect(washLitres(200, WASH_RATIO['passivating-wash'])).toBe(4);
    expect(washLitres(20, WASH_RATIO['salt-remover'])).toBeCloseTo(0.2, 12);
  });
});

describe('blast no more in a day than can be primed that day', () => {
  it('no metre stands bare longer than four hours (common practice)', () => {
    const { areaM2, blastHours, limitedBy } = blastDay({
      areaM2: 100,
      blastM2PerH: 8,
      primeM2PerH: 40,
      hours: 9,
    });
    expect(limitedBy).toBe('bare-time');
    // The first metre blasted waits out the blasting; the whole is primed when the fourth hour ends.
    expect(blastHours + areaM2 / 40).toBeCloseTo(4, 9);
    expect(areaM2).toBeCloseTo(26.67, 2);
  });
  it('a passivating wash lets a whole day be blasted', () => {
    const day = blastDay({ areaM2: 100, blastM2PerH: 8, primeM2PerH: 40, hours: 9, bareHours: 48 });
    expect([day.limitedBy, day.blastHours + day.areaM2 / 40]).toEqual(['blasting', expect.closeTo(9, 9)]);
  });
  it('a small area is simply done', () => {
    expect(blastDay({ areaM2: 5, blastM2PerH: 8, primeM2PerH: 40, hours: 9 })).toMatchObject({
      areaM2: 5,
      limitedBy: 'area',
    });
  });
});

describe('rust converter (common practice)', () => {
  const red = { red: true };
  it('again while red shows, three coats at most; then the choices', () => {
    expect(converterCourse({ rounds: [], openedYears: 0 }).step.next).toBe('coat');
    expect(converterCourse({ rounds: [red, red], openedYears: 0 }).step.next).toBe('coat');
    expect(converterCourse({ rounds: [red, red, red], openedYears: 0 }).step).toMatchObject({
      next: 'choose',
      why: expect.stringContaining('needle gun'),
    });
    expect(converterCourse({ rounds: [red, { red: false }], openedYears: 0 }).step.next).toBe('prime');
  });
  it('an opened bottle is suspect after two years', () => {
    expect(converterCourse({ rounds: [], openedYears: 3 }).bottle).toContain('3 years');
    expect(converterCourse({ rounds: [], openedYears: 1 }).bottle).toBeNull();
  });
});

describe('old paint', () => {
  it('softens: one-pack; stays hard: two-pack', () => {
    expect([solventRub(true).pack, solventRub(false).pack]).toEqual(['one-pack', 'two-pack']);
  });
  it('cross-cut to 250 µm (ISO 2409), X-cut above (ISO 16276-2)', () => {
    expect([adhesionTest(250), adhesionTest(251)]).toEqual(['cross-cut', 'X-cut']);
  });
});
