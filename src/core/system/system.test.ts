import { describe, expect, it } from 'vitest';
import { limitsOf, nextCoat, type StackStep, stackNeed } from './index.ts';

const sheet = { volumeSolids: 0.5, film: { min: 50, typical: 100, max: 150 }, byMethod: [] };

describe('a stack on an area', () => {
  it('litres a coat, in all, and at the top of the spread', () => {
    const need = stackNeed({
      areaM2: 20,
      spread: 0.05,
      steps: [{ sheet, coats: 3, dryMicronsPerCoat: 100, method: 'roller', thinner: 0.1 }],
    });
    // 20 × 100 / (1000 × 0.5 × 0.925), handbook part 6
    expect(need.steps[0]?.litresPerCoat).toBeCloseTo(4.3243, 4);
    // Enough nine times in ten: ± 5 % of area, a roller that loses up to a tenth (handbook part 6), 8 % from kind to kind and
    // 10 % from coat to coat (from memory); 1.2816 of the normal distribution.
    const kind = Math.hypot((0.925 / 0.9 - 1) / 1.645, 0.08);
    const sd = Math.hypot(0.05 / 1.645, kind, 0.1 / Math.sqrt(3));
    expect(need.steps[0]?.litresHigh).toBeCloseTo(3 * 4.3243 * Math.exp(1.2816 * sd), 3);
    expect(need.steps[0]?.wetMicronsPerCoat).toBeCloseTo(220);
    expect(need.steps[0]?.thinnerLitres).toBeCloseTo(1.2973, 4);
    const [step] = need.steps;
    // The safe need takes as much thinner a litre as the likely one.
    expect((step?.thinnerLitresHigh ?? 0) / (step?.litresHigh ?? 1)).toBeCloseTo(
      1.2973 / (step?.litres ?? 1),
      4,
    );
    expect(need.dryMicrons).toBe(300);
  });

  it('a reducer that is a part of the ratio makes the film wetter: 2 : 1 : 1 at 48 % for 45 µm is 125 µm wet', () => {
    const parts = [2, 1, 1].map((ratio, i) => ({
      name: `part ${i}`,
      ratio,
      densityKgPerL: null,
      reducer: i === 2,
    }));
    const reduced = { ...sheet, volumeSolids: 0.48, parts, ratioBy: 'volume' as const };
    const need = stackNeed({
      areaM2: 1,
      spread: 0,
      steps: [{ sheet: reduced, coats: 1, dryMicronsPerCoat: 45, method: 'roller', thinner: 0 }],
    });
    expect(need.steps[0]?.wetMicronsPerCoat).toBeCloseTo(125, 9);
  });

  it('the first coat that forms a film fills the blast profile, not the wash before it', () => {
    const wash = {
      ...sheet,
      family: 'passivating-wash',
      volumeSolids: 0.02,
      film: { min: 1, typical: 1, max: 5 },
    };
    const primer = { ...sheet, family: 'epoxy-primer' };
    const step = { coats: 1, method: 'airless-spray', thinner: 0 } as const;
    const need = (steps: StackStep[]) =>
      stackNeed({ areaM2: 100, spread: 0, steps, profileMicrons: 75 }).steps.map((each) => each.litres);
    const bare = need([{ ...step, sheet: primer as StackStep['sheet'], dryMicronsPerCoat: 50 }]);
    const washed = need([
      { ...step, sheet: wash as StackStep['sheet'], dryMicronsPerCoat: 1 },
      { ...step, sheet: primer as StackStep['sheet'], dryMicronsPerCoat: 50 },
    ]);
    // 75 µm → 0.05 l/m² (handbook part 6, from memory): five litres on 100 m².
    expect(washed[1]).toBeCloseTo(bare[0] as number, 9);
    expect(bare[0]).toBeCloseTo((100 * 50) / (1000 * 0.5 * 0.7) + 5, 6);
  });

  it('says which coat is over the sheet’s film', () => {
    const steps = [{ sheet, coats: 1, dryMicronsPerCoat: 200, method: 'brush', thinner: 0 } as const];
    expect(stackNeed({ areaM2: 1, spread: 0, steps }).steps[0]?.film).toEqual({
      verdict: 'too-thick',
      limitMicrons: 150,
    });
  });

  it('the next coat is the first that is missing, in order', () => {
    expect(nextCoat([2, 3], [0])).toEqual({ step: 0, coat: 0 });
    expect(nextCoat([2, 3], [2, 1])).toEqual({ step: 1, coat: 1 });
    expect(nextCoat([2, 3], [2, 3])).toBeNull();
  });

  it('the sheet wins over the default limits, and nothing is applied where it could not cure', () => {
    const silent = {
      airMinC: null,
      airMaxC: null,
      surfaceMinC: null,
      surfaceMaxC: null,
      rhMax: null,
      dewMarginC: null,
    };
    const cure = { stopC: 10, events: {}, overcoat: [] };
    expect(limitsOf({ limits: silent, cure })).toMatchObject({
      rhMax: 0.85,
      dewMarginC: 3,
      surfaceMinC: 10,
      surfaceMaxC: 45,
    });
    // A surface minimum below its own stop is a mistake of the sheet: the stop wins.
    expect(limitsOf({ limits: { ...silent, surfaceMinC: 5 }, cure }).surfaceMinC).toBe(10);
    expect(limitsOf({ limits: { ...silent, rhMax: 0.8, dewMarginC: 3.3 }, cure })).toMatchObject({
      rhMax: 0.8,
      dewMarginC: 3.3,
    });
  });
});
