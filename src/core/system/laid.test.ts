import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SHEETS } from '../../../demo/sheets.ts';
import { METHODS, type Method } from '../film/index.ts';
import {
  coatGroups,
  lossOf,
  nextCoat,
  type ProductSheet,
  profileUnder,
  stackNeed,
  WHOLE_COAT_SHARE,
} from './index.ts';

const piece = (stepId: string, coatNo: number, areaM2: number, fromMs: number, toMs = fromMs + 1) => ({
  stepId,
  coatNo,
  areaM2,
  fromMs,
  toMs,
});

describe('logged pieces make coats', () => {
  it('of one step and number together, in the order they were finished', () => {
    const groups = coatGroups({
      areaM2: 20,
      coats: [
        piece('a', 1, 20, 50, 60),
        piece('a', 0, 12, 0, 10),
        piece('a', 0, 8, 20, 30),
        piece('b', 0, 20, 70, 80),
      ],
    });
    expect(groups.map((g) => [g.stepId, g.coatNo, g.coveredM2, g.fromMs, g.toMs, g.complete])).toEqual([
      ['a', 0, 20, 0, 30, true],
      ['a', 1, 20, 50, 60, true],
      ['b', 0, 20, 70, 80, true],
    ]);
  });
  it('whole from 95 % on, since the area is no better known', () => {
    const whole = (m2: number) => coatGroups({ areaM2: 20, coats: [piece('a', 0, m2, 0)] })[0]?.complete;
    expect([whole(20 * WHOLE_COAT_SHARE), whole(18.99)]).toEqual([true, false]);
  });
  it('on an area nobody has measured any coat is whole', () => {
    expect(coatGroups({ areaM2: 0, coats: [piece('a', 0, 1, 0)] })[0]?.complete).toBe(true);
  });
  it('however a coat is cut into pieces, it is the same coat', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 5, noNaN: true }), { minLength: 1, maxLength: 8 }),
        (sizes) => {
          const total = sizes.reduce((sum, m2) => sum + m2, 0);
          const [group] = coatGroups({
            areaM2: total,
            coats: sizes.map((m2, i) => piece('a', 0, m2, i * 10, i * 10 + 5)),
          });
          expect(group).toMatchObject({ complete: true, fromMs: 0, toMs: (sizes.length - 1) * 10 + 5 });
          expect(group?.coveredM2).toBeCloseTo(total, 9);
        },
      ),
    );
  });
});

describe('the next coat', () => {
  it('is never one of a later step while an earlier one is short', () => {
    const counts = fc.array(fc.integer({ min: 1, max: 5 }), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(counts, fc.array(fc.integer({ min: 0, max: 6 }), { maxLength: 5 }), (wanted, applied) => {
        const next = nextCoat(wanted, applied);
        const short = wanted.findIndex((count, i) => (applied[i] ?? 0) < count);
        if (short < 0) expect(next).toBeNull();
        else expect(next).toEqual({ step: short, coat: applied[short] ?? 0 });
      }),
    );
  });
});

describe('what a stack needs', () => {
  const sheet = { volumeSolids: 0.5, film: { min: 40, typical: 60, max: 90 }, byMethod: [] };
  const step = { sheet, coats: 2, dryMicronsPerCoat: 60, method: 'roller' as Method, thinner: 0 };
  const litres = (over: Partial<typeof step>) =>
    stackNeed({ areaM2: 10, spread: 0.05, steps: [{ ...step, ...over }] }).steps[0]?.litres ?? 0;
  it('the more a method wastes, the more it takes: brush, roller, airless, conventional spray (common practice)', () => {
    const order = ['brush', 'roller', 'airless-spray', 'conventional-spray'] as const;
    const taken = order.map((method) => litres({ method }));
    expect([...taken].sort((a, b) => a - b)).toEqual(taken);
    for (const method of METHODS) expect(lossOf(method)).toBeLessThan(0.5);
  });
  it('thinner makes the wet film thicker and takes no more paint', () => {
    const [plain] = stackNeed({ areaM2: 10, spread: 0, steps: [step] }).steps;
    const [thinned] = stackNeed({ areaM2: 10, spread: 0, steps: [{ ...step, thinner: 0.1 }] }).steps;
    expect(thinned?.litres).toBe(plain?.litres);
    expect((thinned?.wetMicronsPerCoat ?? 0) / (plain?.wetMicronsPerCoat ?? 1)).toBeCloseTo(1.1, 12);
  });
  it('the first coat fills the blast profile: 105 µm drink 0.07 l/m² (from memory), the second nothing', () => {
    const need = (profileMicrons: number | null) =>
      stackNeed({ areaM2: 10, spread: 0, steps: [step, step], profileMicrons }).steps;
    const [first, second] = need(105);
    expect((first?.litresOfCoat[0] ?? 0) - (first?.litresOfCoat[1] ?? 0)).toBeCloseTo(0.7, 10);
    expect(second?.litresOfCoat).toEqual(need(null)[1]?.litresOfCoat);
    expect(first?.litres).toBeCloseTo((need(null)[0]?.litres ?? 0) + 0.7, 10);
  });
  it('sealing an aggregate takes two to three smooth coats, the next about half of that (common practice)', () => {
    const before = [{ kind: 'aggregate' as const, amount: null, note: '' }];
    const [sealed] = stackNeed({ areaM2: 10, spread: 0, steps: [{ ...step, coats: 3, before }] }).steps;
    const [first = 0, second = 0, third = 0] = sealed?.litresOfCoat ?? [];
    expect([first / third, second / third]).toEqual([2.5, 1.25]);
  });
  it('a band takes its own m², never more than the area', () => {
    const band = (areaM2: number) =>
      stackNeed({ areaM2: 10, spread: 0, steps: [{ ...step, band: { name: 'edge', areaM2 } }] }).steps[0]
        ?.litres;
    const whole = litres({});
    expect([band(2), band(30)]).toEqual([whole / 5, whole]);
  });
  it.each([
    [39, 'too-thin', 40],
    [60, undefined, undefined],
    [91, 'too-thick', 90],
  ])('a coat of %s µm', (dryMicronsPerCoat, verdict, limitMicrons) => {
    const film = stackNeed({ areaM2: 1, spread: 0, steps: [{ ...step, dryMicronsPerCoat }] }).steps[0]?.film;
    expect(film).toEqual(verdict ? { verdict, limitMicrons } : { verdict: 'within' });
  });
  it.each([
    [{ coats: 0 }, 'Coats must be between 1 and 50, but is 0'],
    [{ coats: 1.5 }, 'Coats must be a whole number, but is 1.5'],
    [{ thinner: 0.9 }, 'Thinner must be between 0 and 0.5, but is 0.9'],
    [{ dryMicronsPerCoat: 0 }, 'Dry film must be above 0, but is 0'],
  ])('%o is refused', (over, message) => {
    expect(() => litres(over)).toThrow(message);
  });
});

describe('the profile under the first coat', () => {
  const sheet = SHEETS['Marram Steel Primer'] as ProductSheet;
  const under = (over: Partial<Parameters<typeof profileUnder>[0]> = {}, preparation = sheet.preparation) =>
    profileUnder({
      substrate: 'steel',
      oldCoating: null,
      measuredMicrons: null,
      first: { ...sheet, preparation },
      ...over,
    });
  const wants = (cleanliness: 'Sa 2½' | 'St 3' | null, least: number | null, most: number | null) => ({
    cleanliness,
    profileMinMicrons: least,
    profileMaxMicrons: most,
  });
  it('as measured; else the middle of what the sheet wants; else what mineral grit gives', () => {
    expect(under({ measuredMicrons: 83 })).toEqual({ microns: 83, from: 'measured' });
    expect(under({}, wants('Sa 2½', 50, 80))).toEqual({ microns: 65, from: 'sheet' });
    expect(under({}, wants('Sa 2½', 50, null))).toEqual({ microns: 50, from: 'sheet' });
    expect(under({}, wants(null, null, null))).toEqual({ microns: 60, from: 'typical' });
  });
  it('none on other grounds, over old paint, by power tool, or under a converter', () => {
    expect(under({ substrate: 'grp' })).toBeNull();
    expect(under({ oldCoating: 'epoxy-primer' })).toBeNull();
    expect(under({}, wants('St 3', 40, 60))).toBeNull();
    expect(under({ first: { ...sheet, family: 'rust-converter' } })).toBeNull();
  });
});
