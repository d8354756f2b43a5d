import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addition,
  atOwnRatio,
  batchOf,
  cansFor,
  litresInPot,
  type MeasuringTool,
  planBatches,
  potLifeMinutes,
  shares,
  splitParts,
  unthinnedShare,
} from './index.ts';

const twoToOne = [
  { name: 'base', ratio: 2, densityKgPerL: 1.5 },
  { name: 'hardener', ratio: 1, densityKgPerL: 1 },
];

describe('ratios', () => {
  it('by weight from volume: m_B/m_A = (V_B/V_A) × ρ_B/ρ_A (handbook part 7)', () => {
    const [base, hardener] = shares({ parts: twoToOne, by: 'volume', as: 'weight' }) as [number, number];
    expect(hardener / base).toBeCloseTo((1 / 2) * (1 / 1.5), 12);
  });

  it('never takes one for the other: without densities a volume ratio cannot be weighed', () => {
    const parts = twoToOne.map((p) => ({ ...p, densityKgPerL: null }));
    const scale = { kind: 'scale', stepG: 1 } as const;
    expect(() => splitParts({ total: { litres: 1 }, parts, by: 'volume', tool: scale })).toThrow(
      'Density of base must be on the data sheet to pour a volume ratio by weight, but is not stated',
    );
  });

  it('refuses 0 : 0', () => {
    const parts = twoToOne.map((p) => ({ ...p, ratio: 0 }));
    expect(() => shares({ parts, by: 'volume', as: 'volume' })).toThrow(
      'Parts of base must be above 0, but is 0',
    );
  });
});

describe('a batch near by that lands on the marks, worked by hand', () => {
  const parts = (base: number, hardener: number) => [
    { name: 'base', ratio: base, densityKgPerL: null },
    { name: 'hardener', ratio: hardener, densityKgPerL: null },
  ];
  const split = (ratio: [number, number], tool: MeasuringTool, litres: number) => {
    const { asked, better } = splitParts({ total: { litres }, parts: parts(...ratio), by: 'volume', tool });
    return {
      marks: asked.pours.map((pour) => pour.marks),
      off: Number(asked.ratioError.toFixed(3)),
      size: Number(asked.sizeError.toFixed(3)),
      better: better?.pours.map((pour) => pour.marks) ?? null,
    };
  };
  const cups = (cupMl: number): MeasuringTool => ({ kind: 'counted-cups', cupMl });
  it.each<[string, ReturnType<typeof split>, ReturnType<typeof split>]>([
    [
      'strokes of 15 ml, 5 : 1, 100 ml: 6 + 1 is a sixth short of hardener, 5 + 1 is near and exact',
      split([5, 1], { kind: 'pump', strokeMl: 15 }, 0.1),
      { marks: [6, 1], off: -0.167, size: 0.05, better: [5, 1] },
    ],
    [
      'cups of 250 ml, 4 : 1, 900 ml: nothing within a quarter keeps the ratio, the next larger that does is 4 + 1',
      split([4, 1], cups(250), 0.9),
      { marks: [3, 1], off: 0.333, size: 0.111, better: [4, 1] },
    ],
    [
      'cups of 50 ml, 3 : 1, 420 ml: exact at 6 + 2, short by a twentieth, and no exact one that is not is near',
      split([3, 1], cups(50), 0.42),
      { marks: [6, 2], off: 0, size: -0.048, better: null },
    ],
    [
      'cups of 100 ml, 2 : 1, 250 ml: exact and larger needs no other',
      split([2, 1], cups(100), 0.25),
      { marks: [2, 1], off: 0, size: 0.2, better: null },
    ],
    [
      'cups of 50 ml, 2 : 1, 220 ml: 3 + 1 is a third short of hardener; 4 + 2 is too large to be near, 2 + 1 too small',
      split([2, 1], cups(50), 0.22),
      { marks: [3, 1], off: -0.333, size: -0.091, better: [4, 2] },
    ],
  ])('%s', (_what, found, wanted) => {
    expect(found).toEqual(wanted);
  });
  it('whatever the ratio and the tool, what is offered is as true as any whole marks near by, and nearest among those', () => {
    const share = (ratio: readonly [number, number]) => ratio.map((part) => part / (ratio[0] + ratio[1]));
    /** Every pair of whole marks whose sum is near the size asked for, with how far it is off the ratio. */
    const pairs = (ratio: readonly [number, number], stepMl: number, ml: number, span: number) => {
      const [base, hardener] = share(ratio) as [number, number];
      const found: { off: number; size: number }[] = [];
      for (let a = 1; a * stepMl < ml * (1 + span); a++)
        for (let b = 1; (a + b) * stepMl <= ml * (1 + span); b++)
          if ((a + b) * stepMl >= ml * (1 - span))
            found.push({ off: Math.abs(b / hardener / (a / base) - 1), size: ((a + b) * stepMl) / ml - 1 });
      return found;
    };
    fc.assert(
      fc.property(
        fc.tuple(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 4 })),
        fc.constantFrom(10, 25, 50, 100),
        fc.integer({ min: 120, max: 900 }),
        (ratio, cupMl, ml) => {
          const { asked, better } = splitParts({
            total: { litres: ml / 1000 },
            parts: parts(...ratio),
            by: 'volume',
            tool: cups(cupMl),
          });
          const off = Math.abs(asked.ratioError);
          const near = pairs(ratio, cupMl, ml, 0.2);
          const truest = Math.min(...near.map((each) => each.off));
          if (truest < off / 2 - 1e-9) {
            expect(better).not.toBeNull();
            expect(Math.abs(better?.ratioError ?? 9)).toBeLessThanOrEqual(truest + 0.001);
          }
          if (off <= 0.001 && asked.sizeError >= -0.02) expect(better).toBeNull();
          if (better && Math.abs(better.sizeError) <= 0.2) {
            // None as true, none of them short, is nearer to what was asked.
            const asTrue = near.filter(
              (each) => each.off <= Math.abs(better.ratioError) + 1e-9 && each.size >= -0.02,
            );
            const nearest = Math.min(...asTrue.map(({ size }) => Math.abs(size)), Number.POSITIVE_INFINITY);
            if (better.sizeError >= -0.02)
              expect(Math.abs(better.sizeError)).toBeLessThanOrEqual(nearest + 1e-9);
            else expect(asTrue).toEqual([]);
          }
        },
      ),
      { numRuns: 300 },
    );
  });
  it('a ratio by weight weighed without densities says no litres; one that has to be turned into volume is refused', () => {
    const tool = { kind: 'scale', stepG: 1 } as const;
    const weighed = splitParts({ total: { kg: 0.25 }, parts: parts(4, 1), by: 'weight', tool }).asked;
    expect([weighed.pours.map(({ amount }) => amount), weighed.litres]).toEqual([[200, 50], null]);
    expect(() => splitParts({ total: { litres: 0.25 }, parts: parts(4, 1), by: 'weight', tool })).toThrow(
      /Density of base must be on the data sheet to weigh this batch, but is not stated/,
    );
  });
});

describe('a third part, and a ratio of one’s own', () => {
  const three = [
    { name: 'base', ratio: 2, densityKgPerL: 1.3 },
    { name: 'hardener', ratio: 1, densityKgPerL: 1 },
    { name: 'reducer', ratio: 1, densityKgPerL: 0.9, reducer: true },
  ];
  it('2 : 1 : 1 whose last part is the reducer: three quarters of it are paint (handbook part 7)', () => {
    expect(unthinnedShare({ parts: three, by: 'volume' })).toBeCloseTo(0.75, 12);
    expect(unthinnedShare({ parts: three.slice(0, 2), by: 'volume' })).toBe(1);
  });
  it('three parts find a batch on the marks of a counted cup: 2 + 1 + 1', () => {
    const tool = { kind: 'counted-cups', cupMl: 100 } as const;
    const { asked, better } = splitParts({ total: { litres: 0.46 }, parts: three, by: 'volume', tool });
    expect((better ?? asked).pours.map(({ name, marks }) => [name, marks])).toEqual([
      ['base', 2],
      ['hardener', 1],
      ['reducer', 1],
    ]);
  });
  it('tank resin 6 : 5 where the tin says 1 : 1: 12 strokes to 10', () => {
    const resin = [
      { name: 'resin', ratio: 1, densityKgPerL: null },
      { name: 'hardener', ratio: 1, densityKgPerL: null },
    ];
    const tool = { kind: 'pump', strokeMl: 15 } as const;
    const { asked } = splitParts({
      total: { litres: 0.33 },
      parts: atOwnRatio(resin, [6, 5]),
      by: 'volume',
      tool,
    });
    expect(asked.pours.map(({ marks }) => marks)).toEqual([12, 10]);
    expect(() => atOwnRatio(resin, [6])).toThrow(
      /Number of parts in the custom ratio must be 2, as on the data sheet, but is 1/,
    );
  });
});

describe('parts to pour', () => {
  it('0.6 l at 2 : 1 in a cup marked every 10 ml: fill to 400, then to 600', () => {
    const { asked } = splitParts({
      total: { litres: 0.6 },
      parts: twoToOne,
      by: 'volume',
      tool: { kind: 'cup', stepMl: 10 },
    });
    expect(asked.pours.map((p) => p.fillTo)).toEqual([400, 600]);
    expect(asked.ratioError).toBeCloseTo(0);
  });

  it('weighs a volume ratio through the densities', () => {
    const { asked } = splitParts({
      total: { litres: 0.3 },
      parts: twoToOne,
      by: 'volume',
      tool: { kind: 'scale', stepG: 1 },
    });
    expect(asked.pours.map((p) => p.amount)).toEqual([300, 100]);
    expect(asked.litres).toBeCloseTo(0.3);
  });

  it('shows the error that is left, and the larger batch that lands on whole cups', () => {
    const tool = { kind: 'counted-cups', cupMl: 50 } as const;
    const { asked, better } = splitParts({ total: { litres: 0.25 }, parts: twoToOne, by: 'volume', tool });
    expect(asked.pours.map((p) => p.marks)).toEqual([3, 2]);
    expect(asked.ratioError).toBeCloseTo(1 / 3);
    expect(asked.withinTolerance).toBe(false);
    expect(better?.pours.map((p) => p.marks)).toEqual([4, 2]);
    expect(better?.litres).toBeCloseTo(0.3);
  });

  it.each([
    // 4 : 1 in cups of 250 ml: one litre rounds to 3 + 1, a third too much hardener; 4 + 1 is a quarter more.
    [1, 250, [4, 1], [3, 1], [4, 1]],
    // Where nothing within a quarter keeps the tolerance, the next larger batch that does.
    [0.9, 250, [4, 1], [3, 1], [4, 1]],
    // Smaller is as good as larger: 5 + 1 parts in cups of 100 ml for 0.7 l.
    [0.7, 100, [5, 1], [6, 1], [5, 1]],
  ] as const)('%s l in cups of %s ml at %s', (litres, cupMl, ratio, rounded, offered) => {
    const parts = ratio.map((each, i) => ({
      name: ['base', 'hardener'][i] ?? '',
      ratio: each,
      densityKgPerL: null,
    }));
    const { asked, better } = splitParts({
      total: { litres },
      parts,
      by: 'volume',
      tool: { kind: 'counted-cups', cupMl },
    });
    expect(asked.pours.map((p) => p.marks)).toEqual(rounded);
    expect(better?.pours.map((p) => p.marks)).toEqual(offered);
    expect(better?.ratioError).toBeCloseTo(0, 9);
    expect(better?.sizeError).toBeCloseTo(
      (offered.reduce((a, b) => a + b, 0) * cupMl) / 1000 / litres - 1,
      9,
    );
  });

  it('says how much a batch falls short when it is rounded down, and offers one that does not', () => {
    // 1 : 1 in cups of 500 ml: 1.4 l rounds to a cup of each, 29 % short in a true ratio.
    const parts = twoToOne.map((p) => ({ ...p, ratio: 1 }));
    const tool = { kind: 'counted-cups', cupMl: 500 } as const;
    const { asked, better } = splitParts({ total: { litres: 1.4 }, parts, by: 'volume', tool });
    expect(asked.ratioError).toBe(0);
    expect(asked.sizeError).toBeCloseTo(1 / 1.4 - 1, 9);
    expect(better).toBeNull();
    const more = splitParts({ total: { litres: 1.7 }, parts, by: 'volume', tool });
    expect(more.asked.sizeError).toBeCloseTo(2 / 1.7 - 1, 9);
  });

  it('on a scale a ratio by weight wants no density when the batch is told by weight', () => {
    const parts = [
      { name: 'base', ratio: 100, densityKgPerL: null },
      { name: 'hardener', ratio: 35, densityKgPerL: null },
    ];
    const { asked } = splitParts({
      total: { kg: 0.27 },
      parts,
      by: 'weight',
      tool: { kind: 'scale', stepG: 1 },
    });
    expect(asked.pours.map((p) => [p.amount, p.litres])).toEqual([
      [200, null],
      [70, null],
    ]);
  });

  it.each<[string, () => unknown, string]>([
    [
      'a density of nothing',
      () =>
        splitParts({
          total: { litres: 1 },
          parts: twoToOne.map((p) => ({ ...p, densityKgPerL: 0 })),
          by: 'volume',
          tool: { kind: 'scale', stepG: 1 },
        }),
      'Density of base must be above 0, but is 0',
    ],
    [
      'a margin below nothing',
      () =>
        planBatches({
          litres: 1,
          rateM2PerH: 10,
          litresPerM2: 0.1,
          potLifeMin: 60,
          inductionMin: 0,
          marginMin: -5,
        }),
      'Margin must be between 0 and 1440, but is -5',
    ],
    [
      'a pot that never ends',
      () =>
        planBatches({
          litres: 1,
          rateM2PerH: 10,
          litresPerM2: 0.1,
          potLifeMin: Number.POSITIVE_INFINITY,
          inductionMin: 0,
        }),
      'Pot life must be between 0 and 1440000, but is Infinity',
    ],
    [
      'a tolerance that is none',
      () =>
        splitParts({
          total: { litres: 1 },
          parts: twoToOne,
          by: 'volume',
          tool: { kind: 'cup', stepMl: 10 },
          tolerance: Number.NaN,
        }),
      'Ratio tolerance must be between 0 and 0.5, but is NaN',
    ],
  ])('%s is refused by name', (_what, run, message) => {
    expect(run).toThrow(message);
  });

  it('parts always sum to the batch, and the left-over error is the rounding’s and no more', () => {
    const ratio = fc.integer({ min: 1, max: 12 });
    fc.assert(
      fc.property(ratio, ratio, fc.double({ min: 0.05, max: 20, noNaN: true }), (a, b, litres) => {
        const parts = [
          { name: 'base', ratio: a, densityKgPerL: null },
          { name: 'hardener', ratio: b, densityKgPerL: null },
        ];
        const { asked } = splitParts({
          total: { litres },
          parts,
          by: 'volume',
          tool: { kind: 'cup', stepMl: 1 },
        });
        expect(asked.pours.reduce((sum, p) => sum + p.exact, 0)).toBeCloseTo(litres * 1000, 6);
        expect(asked.pours.reduce((sum, p) => sum + p.amount, 0)).toBeCloseTo(asked.total, 9);
        for (const p of asked.pours)
          expect(Math.abs(p.amount - p.exact)).toBeLessThanOrEqual(p.marks === 1 ? 1 : 0.5 + 1e-9);
      }),
    );
  });
});

describe('the pot', () => {
  it('halves its life for each +10 °C (common practice), and induction eats it', () => {
    const points = [{ tempC: 20, minutes: 120 }];
    expect(potLifeMinutes({ points, tempC: 30 })).toBe(60);
    expect(potLifeMinutes({ points, tempC: 10 })).toBe(240);
  });

  it('a coat too large for one pot goes in equal batches, each mixed so that it is ready as the last one empties', () => {
    // 12 m²/h × 0.2 l/m² = 2.4 l/h; 90 − 20 − 10 = 60 min usable, so 2.4 l at most.
    const plan = planBatches({
      litres: 6,
      rateM2PerH: 12,
      litresPerM2: 0.2,
      potLifeMin: 90,
      inductionMin: 20,
    });
    expect(plan.largestLitres).toBeCloseTo(2.4);
    expect(plan.batches.map((b) => b.litres)).toEqual([2, 2, 2]);
    expect(plan.batches[1]?.mixAtMin).toBeCloseTo(50);
    expect(plan.batches[1]?.layFromMin).toBeCloseTo(plan.batches[0]?.layToMin ?? 0);
    expect(() =>
      planBatches({ litres: 1, rateM2PerH: 12, litresPerM2: 0.2, potLifeMin: 25, inductionMin: 20 }),
    ).toThrow(
      'Usable pot time must be above 0 after 20 min standing time and the margin are taken off 25 min pot life, but is -5 min',
    );
  });

  it('thinner only to the limit on the sheet', () => {
    const limit = { name: 'Epoxy thinner', maxFraction: 0.05 };
    expect(addition({ batchLitres: 0.6, fraction: 0.1, limit })).toMatchObject({
      litres: 0.06,
      verdict: 'over-limit',
    });
    expect(addition({ batchLitres: 0.6, fraction: 0.05, limit }).verdict).toBe('within');
    expect(addition({ batchLitres: 0.6, fraction: 0.05, limit: null }).verdict).toBe('not-on-sheet');
    const named = { ...limit, maxFraction: null };
    expect(addition({ batchLitres: 0.6, fraction: 0.05, limit: named }).verdict).toBe('limit-not-stated');
  });

  it('a batch by weight on a scale without densities: its grams are exact, its litres told at 1.3 kg/l and said so', () => {
    const parts = [
      { name: 'base', ratio: 6, densityKgPerL: null },
      { name: 'hardener', ratio: 5, densityKgPerL: null },
    ];
    const input = {
      litres: 0.66,
      parts,
      by: 'weight',
      tolerance: 0.05,
      tool: { kind: 'scale', stepG: 1 },
    } as const;
    const batch = batchOf(input);
    expect(batch.result.asked.pours.map(({ amount }) => amount)).toEqual([468, 390]);
    expect([Number(batch.litres.toFixed(9)), batch.litresEstimated]).toEqual([0.66, true]);
    // An own ratio takes the sheet's place; one of another count of parts does not.
    expect(batchOf({ ...input, ownParts: [1, 1] }).result.asked.pours.map(({ amount }) => amount)).toEqual([
      429, 429,
    ]);
    expect(batchOf({ ...input, ownParts: [1] }).result.asked.pours[0]?.amount).toBe(468);
    expect(batchOf({ ...input, by: 'volume', tool: { kind: 'cup', stepMl: 10 } }).litresEstimated).toBe(
      false,
    );
  });

  it('cans are whole, and one at the least', () => {
    expect([cansFor(1.2, 0.4), cansFor(1.21, 0.4), cansFor(0.01, 0.4)]).toEqual([3, 4, 1]);
  });
});

it('what is in a pot is all that was poured: 270 ml of a 2 : 1 : 1, of which 203 ml are paint; thinner and drops too', () => {
  const pours = [135, 67.5, 67.5].map((amount) => ({ amount, unit: 'ml' as const }));
  expect(litresInPot({ litres: 0.2025, pours, thinnerLitres: 0 })).toBeCloseTo(0.27, 9);
  expect(litresInPot({ litres: 0.2025, pours, thinnerLitres: 0.02, additives: [{ ml: 5 }] })).toBeCloseTo(
    0.295,
    9,
  );
  const weighed = pours.map(({ amount }) => ({ amount, unit: 'g' as const }));
  expect(litresInPot({ litres: 0.2, pours: weighed, thinnerLitres: 0.02 })).toBeCloseTo(0.22, 9);
});
