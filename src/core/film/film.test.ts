import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromCanonical } from '../units/index.ts';
import {
  coatsNeeded,
  deadVolumeLPerM2,
  dryMicrons,
  dryMicronsFromLitres,
  paintLitres,
  spreadingRateM2PerL,
  wetMicrons,
} from './index.ts';

describe("film thickness, handbook part 6's worked figures", () => {
  it('100 µm dry at 57 % solids is about 175 µm wet; 500 µm at 71 % about 704', () => {
    expect(wetMicrons({ dryMicrons: 100, volumeSolids: 0.57 })).toBeCloseTo(175.4, 1);
    expect(wetMicrons({ dryMicrons: 500, volumeSolids: 0.71 })).toBeCloseTo(704.2, 1);
    expect(dryMicrons({ wetMicrons: 704.2, volumeSolids: 0.71 })).toBeCloseTo(500, 0);
    // Mixed 2 : 1 : 1 with the reducer as the third part, three quarters of the mix are paint.
    expect(wetMicrons({ dryMicrons: 45, volumeSolids: 0.48, paintShare: 0.75 })).toBeCloseTo(125, 9);
  });

  it('1604 ft² per US gallon at 1 mil of pure solids (any coatings handbook)', () => {
    const rate = spreadingRateM2PerL({ dryMicrons: 25.4, volumeSolids: 1 });
    expect(fromCanonical(rate, 'ft2PerUsgal')).toBeCloseTo(1604, 0);
  });

  it('a blast profile of 30, 75, 105 µm swallows 0.02, 0.05, 0.07 l/m² (from memory)', () => {
    expect([30, 75, 105].map(deadVolumeLPerM2)).toEqual([0.02, 0.05, 0.07]);
  });

  it('300 µm from 125 µm coats takes 3; a coat over the sheet’s maximum is refused, not averaged away', () => {
    expect(coatsNeeded({ targetDryMicrons: 300, dryMicronsPerCoat: 125, maxDryMicronsPerCoat: 150 })).toBe(3);
    expect(coatsNeeded({ targetDryMicrons: 0.3, dryMicronsPerCoat: 0.1, maxDryMicronsPerCoat: null })).toBe(
      3,
    );
    expect(() =>
      coatsNeeded({ targetDryMicrons: 300, dryMicronsPerCoat: 300, maxDryMicronsPerCoat: 150 }),
    ).toThrow('Dry film a coat must be between 0 and 150, but is 300');
  });
});

describe('quantities never run the wrong way', () => {
  const paint = fc.record({
    areaM2: fc.double({ min: 0.01, max: 500, noNaN: true }),
    dryMicrons: fc.double({ min: 5, max: 1000, noNaN: true }),
    volumeSolids: fc.double({ min: 0.1, max: 1, noNaN: true }),
    loss: fc.double({ min: 0, max: 0.6, noNaN: true }),
  });

  it('thicker, larger, thinner-bodied or more wasteful never needs less', () => {
    fc.assert(
      fc.property(paint, fc.double({ min: 1, max: 2, noNaN: true }), (p, more) => {
        const litres = paintLitres(p);
        expect(paintLitres({ ...p, dryMicrons: p.dryMicrons * more })).toBeGreaterThanOrEqual(litres);
        expect(paintLitres({ ...p, areaM2: p.areaM2 * more })).toBeGreaterThanOrEqual(litres);
        expect(paintLitres({ ...p, volumeSolids: p.volumeSolids / more })).toBeGreaterThanOrEqual(litres);
        expect(paintLitres({ ...p, loss: Math.min(0.9, p.loss * more) })).toBeGreaterThanOrEqual(litres);
      }),
    );
  });

  it('the film that the litres make is the film the litres were reckoned for', () => {
    fc.assert(
      fc.property(paint, (p) => {
        expect(dryMicronsFromLitres({ ...p, litres: paintLitres(p) }) / p.dryMicrons).toBeCloseTo(1, 9);
      }),
    );
  });
});
