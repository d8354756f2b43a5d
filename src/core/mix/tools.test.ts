import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  isCumulative,
  type MeasuringTool,
  mlPerMm,
  planBatches,
  potLifeMinutes,
  shares,
  splitParts,
  toolBasis,
  toolStep,
} from './index.ts';

const parts = (...ratios: number[]) =>
  ratios.map((ratio, i) => ({
    name: ['base', 'hardener', 'reducer'][i] ?? `part ${i}`,
    ratio,
    densityKgPerL: 1 + i * 0.1,
  }));

describe('each measuring tool of the trade', () => {
  const tools: [MeasuringTool, 'weight' | 'volume', number, boolean][] = [
    [{ kind: 'scale', stepG: 2 }, 'weight', 2, false],
    [{ kind: 'cup', stepMl: 25 }, 'volume', 25, true],
    [{ kind: 'syringe', stepMl: 0.5 }, 'volume', 0.5, false],
    [{ kind: 'counted-cups', cupMl: 100 }, 'volume', 100, false],
    [{ kind: 'pump', strokeMl: 15 }, 'volume', 15, false],
  ];
  it.each(tools)('%o measures by %s in steps of %s', (tool, basis, step, cumulative) => {
    expect(toolBasis(tool)).toBe(basis);
    expect(toolStep(tool)).toBe(step);
    expect(isCumulative(tool)).toBe(cumulative);
    const { asked } = splitParts({ total: { litres: 3 }, parts: parts(4, 1), by: 'volume', tool });
    for (const pour of asked.pours) expect(pour.amount).toBeCloseTo(pour.marks * step, 9);
  });

  it('a stick in a straight-sided pot: millimetres for that pot’s width', () => {
    // π/4 × 10 cm × 10 cm × 1 mm = 7.854 ml
    expect(mlPerMm(100)).toBeCloseTo(7.854, 3);
    const tool = { kind: 'stick', potDiameterMm: 100, stepMm: 1 } as const;
    const { asked } = splitParts({ total: { litres: 0.6 }, parts: parts(2, 1), by: 'volume', tool });
    const heights = asked.pours.map((p) => Math.round((p.fillTo as number) / mlPerMm(100)));
    expect(heights).toEqual([51, 76]);
    expect(asked.withinTolerance).toBe(true);
  });

  it.each([
    [{ kind: 'scale', stepG: 0 } as const, 'Scale step must be above 0, but is 0'],
    [{ kind: 'stick', potDiameterMm: -5, stepMm: 1 } as const, 'Pot diameter must be above 0, but is -5'],
    [{ kind: 'pump', strokeMl: Number.NaN } as const, 'Pump stroke must be above 0, but is NaN'],
  ])('%o is refused by name', (tool, message) => {
    expect(() => toolStep(tool)).toThrow(message);
  });
});

describe('ratios of all kinds', () => {
  it('three parts, the last a reducer: 2 : 1 : 1', () => {
    const { asked } = splitParts({
      total: { litres: 0.4 },
      parts: parts(2, 1, 1),
      by: 'volume',
      tool: { kind: 'cup', stepMl: 10 },
    });
    expect(asked.pours.map((p) => p.amount)).toEqual([200, 100, 100]);
    expect(asked.pours.map((p) => p.fillTo)).toEqual([200, 300, 400]);
  });

  it('by weight, poured by volume, goes through the densities', () => {
    const mix = [
      { name: 'base', ratio: 3, densityKgPerL: 1.5 },
      { name: 'hardener', ratio: 1, densityKgPerL: 1 },
    ];
    // 3 kg are 2 l, 1 kg is 1 l: by volume 2 : 1.
    expect(shares({ parts: mix, by: 'weight', as: 'volume' })).toEqual([2 / 3, 1 / 3]);
    const byKg = splitParts({
      total: { kg: 4 },
      parts: mix,
      by: 'weight',
      tool: { kind: 'cup', stepMl: 100 },
    });
    expect(byKg.asked.pours.map((p) => p.amount)).toEqual([2000, 1000]);
    const onScale = splitParts({
      total: { kg: 4 },
      parts: mix,
      by: 'weight',
      tool: { kind: 'scale', stepG: 1 },
    });
    expect(onScale.asked.pours.map((p) => p.amount)).toEqual([3000, 1000]);
    expect(onScale.asked.litres).toBeCloseTo(3);
  });

  it('there and back is the same ratio', () => {
    const ratio = fc.integer({ min: 1, max: 100 });
    const density = fc.double({ min: 0.6, max: 3, noNaN: true });
    fc.assert(
      fc.property(ratio, ratio, density, density, (a, b, da, db) => {
        const mix = [
          { name: 'base', ratio: a, densityKgPerL: da },
          { name: 'hardener', ratio: b, densityKgPerL: db },
        ];
        const weight = shares({ parts: mix, by: 'volume', as: 'weight' });
        const back = shares({
          parts: mix.map((p, i) => ({ ...p, ratio: (weight[i] as number) * 100 })),
          by: 'weight',
          as: 'volume',
        });
        expect(back[0]).toBeCloseTo(a / (a + b), 9);
      }),
    );
  });

  it('a batch too small for the tool shows the error it would have, not a part of zero', () => {
    const { asked } = splitParts({
      total: { litres: 0.01 },
      parts: parts(10, 1),
      by: 'volume',
      tool: { kind: 'cup', stepMl: 10 },
    });
    expect(asked.pours.map((p) => p.marks)).toEqual([1, 1]);
    expect(asked.ratioError).toBeCloseTo(9);
    expect(asked.withinTolerance).toBe(false);
  });

  it('a one-pack is poured as it is', () => {
    const { asked, better } = splitParts({
      total: { litres: 0.755 },
      parts: parts(1),
      by: 'volume',
      tool: { kind: 'cup', stepMl: 10 },
    });
    expect(asked.pours).toHaveLength(1);
    expect(asked.ratioError).toBe(0);
    expect(better).toBeNull();
  });

  it('a larger batch is offered only where it halves the error, and never more than a quarter larger', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        (a, litres) => {
          const { asked, better } = splitParts({
            total: { litres },
            parts: parts(a, 1),
            by: 'volume',
            tool: { kind: 'counted-cups', cupMl: 50 },
          });
          if (!better) return;
          expect(Math.abs(better.ratioError)).toBeLessThan(Math.abs(asked.ratioError) / 2 + 1e-12);
          expect(better.total).toBeLessThanOrEqual(litres * 1000 * 1.25 + 50 * (a + 1));
        },
      ),
    );
  });

  it('refuses a batch of nothing', () => {
    const tool = { kind: 'cup', stepMl: 10 } as const;
    expect(() => splitParts({ total: { litres: 0 }, parts: parts(2, 1), by: 'volume', tool })).toThrow(
      'Batch must be above 0, but is 0',
    );
    expect(() => splitParts({ total: { litres: 1 }, parts: [], by: 'volume', tool })).toThrow(
      'Number of parts must be 1 or more, but is 0',
    );
  });
});

describe('Pot life', () => {
  const two = [
    { tempC: 10, minutes: 240 },
    { tempC: 30, minutes: 60 },
  ];
  it('on the line between two points of the sheet, halving beyond them (common practice, no source)', () => {
    expect(potLifeMinutes({ points: two, tempC: 20 })).toBeCloseTo(120, 9);
    expect(potLifeMinutes({ points: two, tempC: 0 })).toBeCloseTo(480, 9);
    expect(potLifeMinutes({ points: two, tempC: 40 })).toBeCloseTo(30, 9);
  });
  it('never longer when warmer', () => {
    const temp = fc.double({ min: -20, max: 59, noNaN: true });
    fc.assert(
      fc.property(temp, fc.double({ min: 0, max: 1, noNaN: true }), (tempC, more) => {
        expect(potLifeMinutes({ points: two, tempC: tempC + more })).toBeLessThanOrEqual(
          potLifeMinutes({ points: two, tempC }) + 1e-9,
        );
      }),
    );
  });
  it('is asked for when the sheet does not state it', () => {
    expect(() => potLifeMinutes({ points: [], tempC: 20 })).toThrow(
      'Pot life must be on the data sheet or entered from the tin, but is not stated',
    );
  });
  it('batches are equal, cover the whole, and none outlives its pot', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 40, noNaN: true }),
        fc.integer({ min: 45, max: 400 }),
        (litres, potLifeMin) => {
          const inductionMin = 15;
          const plan = planBatches({ litres, rateM2PerH: 12, litresPerM2: 0.15, potLifeMin, inductionMin });
          expect(plan.batches.reduce((sum, b) => sum + b.litres, 0)).toBeCloseTo(litres, 9);
          for (const batch of plan.batches) {
            expect(batch.layToMin - batch.mixAtMin).toBeLessThanOrEqual(potLifeMin - 10 + 1e-6);
          }
        },
      ),
    );
  });
});
