import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type AllowedAdditive, judgeContents } from './index.ts';

const additives: AllowedAdditive[] = [
  { name: 'Fast', kind: 'accelerator', maxMlPerLitre: 20 },
  { name: 'Flow', kind: 'roller', maxMlPerLitre: 10 },
  { name: 'Slow', kind: 'retarder', maxMlPerLitre: null },
];
const asked = {
  additives,
  was: { Flow: 8 },
  foreign: 'none' as const,
  litres: 1,
  potLifeMin: 120,
  ageMin: 10,
};
const judged = (now: Record<string, number>, over: Partial<Parameters<typeof judgeContents>[0]> = {}) =>
  judgeContents({ ...asked, now, ...over });
const codes = (verdict: ReturnType<typeof judged>) => verdict.findings.map(({ code }) => code);

describe('a pot with something else in it than was noted [handbook part 7: only what is on the sheet, only to its limit]', () => {
  it('as noted: nothing is found', () => {
    expect(judged({ Flow: 8 })).toEqual({ findings: [], changes: [], isLost: false, potLifeMin: 120, isShorter: false }); // biome-ignore format: one line
  });

  it('accelerator for the additive that was meant: used, on half the pot life [M], until that is over', () => {
    const found = judged({ Fast: 8, Flow: 0 });
    expect(found).toMatchObject({ potLifeMin: 60, isShorter: true, isLost: false });
    expect(found.changes).toEqual([
      { name: 'Fast', was: 0, now: 8 },
      { name: 'Flow', was: 8, now: 0 },
    ]);
    expect(codes(found)).toEqual(['accelerator']);
    expect(judged({ Fast: 8 }, { ageMin: 59.9 }).isLost).toBe(false);
    expect(judged({ Fast: 8 }, { ageMin: 60 })).toMatchObject({ isLost: true });
    expect(codes(judged({ Fast: 8 }, { ageMin: 60 }))).toEqual(['accelerator', 'half-life-over']);
    // Nobody knows the pot life: it is not made up.
    expect(judged({ Fast: 8 }, { potLifeMin: null, ageMin: 600 })).toMatchObject({
      potLifeMin: null,
      isLost: false,
    });
  });

  it('an additive twice is held against its limit in this pot; one without a limit is never taken as harmless', () => {
    expect(judged({ Flow: 16 }).findings).toEqual([
      { code: 'over-limit', name: 'Flow', ml: 16, limitMl: 10 },
    ]);
    expect(judged({ Flow: 16 }).isLost).toBe(true);
    expect(judged({ Flow: 16 }, { litres: 1.6 })).toMatchObject({ isLost: false, findings: [] });
    expect(codes(judged({ Flow: 8, Slow: 5 }))).toEqual(['limit-not-stated', 'retarder']);
    expect(codes(judged({ Flow: 8, Slow: 5 }, { was: { Flow: 8, Slow: 5 } }))).toEqual([]);
  });

  it('what is not of this product is lost, whatever else is in it', () => {
    for (const foreign of ['thinner', 'product'] as const)
      expect(judged({ Flow: 8 }, { foreign })).toMatchObject({ isLost: true, findings: [{ code: `other-${foreign}` }] }); // biome-ignore format: one line
  });

  it('figures that cannot be are refused by name', () => {
    expect(() => judged({ Flow: -1 })).toThrow(/^Flow \(ml\) must be between 0 and 100000/);
    expect(() => judged({ Flow: Number.NaN })).toThrow(/^Flow \(ml\)/);
    expect(() => judged({}, { litres: 0 })).toThrow(/^Litres in the pot/);
    expect(() => judged({}, { ageMin: -1 })).toThrow(/^Time since mixing/);
  });

  it('more of anything never makes a lost pot good, nor its life longer', () => {
    const ml = fc.record({ Fast: fc.integer({ min: 0, max: 40 }), Flow: fc.integer({ min: 0, max: 20 }) });
    fc.assert(
      fc.property(
        ml,
        fc.constantFrom('Fast', 'Flow'),
        fc.integer({ min: 0, max: 150 }),
        (now, name, ageMin) => {
          const less = judged(now, { ageMin });
          const more = judged({ ...now, [name]: now[name as 'Fast'] + 5 }, { ageMin });
          expect(Number(more.isLost)).toBeGreaterThanOrEqual(Number(less.isLost));
          expect(more.potLifeMin ?? 0).toBeLessThanOrEqual(less.potLifeMin ?? 0);
        },
      ),
      { seed: 1, numRuns: 100 },
    );
  });
});
