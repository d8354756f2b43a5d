import { expect, it } from 'vitest';
import { type InPot, judgeInPot } from './inPot.ts';

const sheet = {
  additives: [
    { name: 'Fast', kind: 'accelerator' as const, maxMlPerLitre: 20 },
    { name: 'Flow', kind: 'roller' as const, maxMlPerLitre: 10 },
    { name: 'Slow', kind: 'retarder' as const, maxMlPerLitre: null },
  ],
};
const batch = { additives: [{ name: 'Flow', ml: 8 }], potLifeMin: 120 };
const judged = (ml: Record<string, number>, foreign: InPot['foreign'] = 'none', of = batch) =>
  judgeInPot(of, sheet, { ml, foreign }, 1);

it('accelerator for the additive that was planned: half the pot life at the most, a test before the next coat, and the record says both', () => {
  const found = judged({ Fast: 8, Flow: 0 });
  expect(found).toMatchObject({ potLifeMin: 60, isShorter: true, isLost: false });
  expect(found.advice.join()).toMatch(/Count on half.*thickens.*test by hand/);
  expect(found.what).toBe('8 ml of Fast in the pot instead of 0 ml, 0 ml of Flow in the pot instead of 8 ml');
  // Less accelerator than was mixed in makes no pot live longer, and none that was known live shorter.
  const planned = { additives: [{ name: 'Fast', ml: 8 }], potLifeMin: 120 };
  expect(judged({ Fast: 8 }, 'none', planned)).toMatchObject({ potLifeMin: 120, isShorter: false, what: '' });
  expect(judged({ Fast: 4 }, 'none', planned)).toMatchObject({ potLifeMin: 120, isShorter: false });
  expect(judged({ Fast: 8 }, 'none', { ...planned, potLifeMin: null as never })).toMatchObject({
    potLifeMin: null,
  });
});

it('an additive twice is measured against its limit; what is not of the product is lost', () => {
  // 2 × 8 ml in a litre that takes 10.
  expect(judged({ Flow: 16 })).toMatchObject({ isLost: true, potLifeMin: 120 });
  expect(judged({ Flow: 16 }).advice.join()).toMatch(/16 ml is over the data sheet’s limit of 10 ml/);
  expect(judged({ Flow: 10 })).toMatchObject({ isLost: false, advice: [] });
  expect(judged({ Flow: 8, Slow: 50 })).toMatchObject({ isLost: false });
  expect(judged({ Flow: 8, Slow: 50 }).advice.join()).toMatch(/slows the cure/);
  for (const foreign of ['thinner', 'product'] as const)
    expect(judged({ Flow: 8 }, foreign)).toMatchObject({
      isLost: true,
      what: expect.stringMatching(/another/),
    });
  expect(judged({ Flow: 8 })).toMatchObject({ what: '', advice: [], isLost: false });
});
