import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  areaByRule,
  areaFromPaint,
  BOAT_KINDS,
  bottomByRule,
  chosenWay,
  deckByRule,
  disagreements,
  startingAreas,
  topsidesByRule,
  type WayResult,
} from './index.ts';

const dimensions = { loaM: 10, lwlM: 8, beamM: 3, draughtM: 1.5, freeboardM: 1.2 };

describe('rules of thumb (common practice, handbook part 3)', () => {
  it('the bottom: LWL × (BWL + draught) × k, k by displacement', () => {
    const water = 8 * (3 * 0.9 + 1.5);
    expect(bottomByRule({ kind: 'fin-keel', dimensions })).toBeCloseTo(water * 0.5, 12);
    expect(bottomByRule({ kind: 'bilge-keel', dimensions })).toBeCloseTo(water * 0.65, 12);
    expect(bottomByRule({ kind: 'long-keel', dimensions })).toBeCloseTo(water * 0.75, 12);
  });
  it('a hard-chine motor boat’s bottom: LOA × beam × 0.85', () => {
    expect(bottomByRule({ kind: 'hard-chine-motor', dimensions })).toBeCloseTo(25.5, 12);
  });
  it('topsides with transom 2 × (LOA + beam) × freeboard, deck LOA × beam × 0.75', () => {
    expect(topsidesByRule(dimensions)).toBeCloseTo(31.2, 12);
    expect(deckByRule(dimensions)).toBeCloseTo(22.5, 12);
  });
  it('last time’s paint: litres × real spreading rate', () => {
    expect(areaFromPaint({ litres: 12, m2PerLitre: 8 })).toBe(96);
    expect(() => areaFromPaint({ litres: 0, m2PerLitre: 8 })).toThrow('Litres must be above 0, but is 0');
  });
});

describe('a starting set', () => {
  it.each(BOAT_KINDS)(
    '%s: named areas, none twice, the bottom’s and topsides’ parts adding up to their rules',
    (kind) => {
      const list = startingAreas({ kind, dimensions });
      expect(list.length).toBeGreaterThanOrEqual(6);
      expect(new Set(list.map((a) => a.name)).size).toBe(list.length);
      const sum = (zones: string[]) =>
        list.filter((a) => zones.includes(a.zone)).reduce((total, a) => total + a.areaM2, 0);
      expect(sum(['bottom', 'keel', 'rudder'])).toBeCloseTo(bottomByRule({ kind, dimensions }), 9);
      expect(sum(['topsides', 'transom'])).toBeCloseTo(topsidesByRule({ ...dimensions, kind }), 9);
      for (const area of list) {
        expect(area.areaM2).toBeGreaterThan(0);
        expect(area.spread).toBe(area.basis.includes('common practice') ? 0.15 : 0.3);
      }
    },
  );

  it('a larger boat never has a smaller area', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...BOAT_KINDS),
        fc.double({ min: 1, max: 2, noNaN: true }),
        (kind, more) => {
          const larger = Object.fromEntries(
            Object.entries(dimensions).map(([k, v]) => [k, v * more]),
          ) as typeof dimensions;
          const grown = new Map(startingAreas({ kind, dimensions: larger }).map((a) => [a.name, a.areaM2]));
          for (const area of startingAreas({ kind, dimensions })) {
            expect(grown.get(area.name)).toBeGreaterThanOrEqual(area.areaM2 - 1e-9);
          }
        },
      ),
    );
  });

  it('one part of the boat by its rule, one side or both', () => {
    const rule = (zone: 'topsides' | 'bottom' | 'deck' | 'other', side: 'port' | 'both' | 'centre') =>
      areaByRule({ kind: 'long-keel', dimensions, zone, side });
    expect(rule('topsides', 'port')?.areaM2).toBeCloseTo((rule('topsides', 'both')?.areaM2 ?? 0) / 2, 12);
    expect(rule('deck', 'centre')).toMatchObject({ spread: 0.15, basis: 'rule of thumb (common practice)' });
    expect(rule('other', 'both')).toBeNull();
  });

  it('refuses a boat without beam', () => {
    expect(() => startingAreas({ kind: 'fin-keel', dimensions: { ...dimensions, beamM: 0 } })).toThrow(
      'Beam must be above 0, but is 0',
    );
  });
});

describe('several ways side by side', () => {
  const hand: WayResult = { way: 'hand', areaM2: 20, spread: 0.05 };
  const rule: WayResult = { way: 'rule', areaM2: 22, spread: 0.15 };
  const mesh: WayResult = { way: 'mesh', areaM2: 25, spread: 0.01 };
  it('agree while their spreads meet', () => {
    expect(disagreements([hand, rule])).toEqual([]);
  });
  it('are named where they do not, with the gap', () => {
    const found = disagreements([hand, rule, mesh]);
    expect(found.map((d) => d.ways)).toEqual([['hand', 'mesh']]);
    // 25 × 0.99 − 20 × 1.05
    expect(found[0]?.gapM2).toBeCloseTo(3.75, 9);
  });
  it('the chosen one counts; without a choice, the one with the least spread', () => {
    expect(chosenWay([hand, rule, mesh], 'rule')).toBe(rule);
    expect(chosenWay([hand, rule, mesh], null)).toBe(mesh);
    expect(chosenWay([hand, rule], 'mesh')).toBe(hand);
    expect(chosenWay([], null)).toBeNull();
  });
});
