import { describe, expect, it } from 'vitest';
import { limitsOf, nextCoat, stackNeed } from './index.ts';

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
    expect(need.steps[0]?.litresHigh).toBeCloseTo(3 * 4.3243 * 1.05, 3);
    expect(need.steps[0]?.wetMicronsPerCoat).toBeCloseTo(220);
    expect(need.steps[0]?.thinnerLitres).toBeCloseTo(1.2973, 4);
    expect(need.dryMicrons).toBe(300);
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

  it('the sheet wins over the default limits, and nothing is laid where it could not cure', () => {
    const silent = {
      airMinC: null,
      airMaxC: null,
      surfaceMinC: null,
      surfaceMaxC: null,
      rhMax: null,
      dewMarginC: null,
    };
    const cure = { stopC: 10, events: {}, overcoat: [] };
    expect(limitsOf({ limits: silent, cure })).toMatchObject({ rhMax: 0.85, dewMarginC: 3, surfaceMinC: 10 });
    expect(limitsOf({ limits: { ...silent, rhMax: 0.8, dewMarginC: 3.3 }, cure })).toMatchObject({
      rhMax: 0.8,
      dewMarginC: 3.3,
    });
  });
});
