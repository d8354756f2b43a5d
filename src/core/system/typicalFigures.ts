import type { Family } from './families.ts';

/** A family's typical figures, at 20 °C: hours, minutes, µm. */
export interface TypicalFigures {
  /** Parts of base and hardener by volume, or by weight; left out: one-pack. */
  ratio?: readonly [base: number, hardener: number];
  byWeight?: true;
  solids: number;
  film: readonly [min: number, typical: number, max: number];
  inductionMin?: number;
  potLifeMin?: number;
  stopC: number;
  tackFreeH: number;
  sandableH?: number;
  immersionH?: number;
  latestImmersionH?: number;
  /** Overcoat: not before, and without sanding until; null: no end stated. */
  minH: number;
  maxH: number | null;
  grit: number | null;
  /** Thumbprint window for antifouling on top: from, to. */
  thumbH?: readonly [opens: number, closes: number];
  copper?: boolean;
}

/**
 * What products of each family usually state, from memory of the literature [M]: no tin's figures, and never a constant
 * of a calculation. They stand on a sheet only to begin with and are marked there until confirmed. "May" is taken late
 * and "must" early; films, methods and surfacers as in handbook part 6.
 */
// biome-ignore format: one family a line
export const TYPICAL: Record<Family, TypicalFigures> = {
  'passivating-wash': { solids: 0.02, film: [1, 1, 2], stopC: 5, tackFreeH: 1, minH: 2, maxH: 48, grit: 80 },
  'rust-converter': { solids: 0.3, film: [15, 20, 30], stopC: 8, tackFreeH: 4, sandableH: 24, minH: 24, maxH: 168, grit: 120 },
  'penetrating-epoxy-sealer': { ratio: [1, 1], solids: 0.35, film: [10, 25, 40], potLifeMin: 120, stopC: 10, tackFreeH: 6, sandableH: 24, minH: 12, maxH: 24, grit: 120 },
  'zinc-epoxy-primer': { ratio: [4, 1], solids: 0.5, film: [40, 60, 80], potLifeMin: 240, stopC: 10, tackFreeH: 2, minH: 12, maxH: 336, grit: 120 },
  'epoxy-primer': { ratio: [3, 1], solids: 0.5, film: [40, 60, 90], inductionMin: 20, potLifeMin: 120, stopC: 10, tackFreeH: 5, sandableH: 24, immersionH: 168, minH: 10, maxH: 72, grit: 120 },
  'surface-tolerant-epoxy': { ratio: [1, 1], solids: 0.75, film: [75, 125, 200], potLifeMin: 90, stopC: 10, tackFreeH: 8, sandableH: 24, immersionH: 168, minH: 16, maxH: 120, grit: 120 },
  'epoxy-barrier': { ratio: [3, 1], solids: 0.6, film: [60, 100, 150], inductionMin: 20, potLifeMin: 90, stopC: 10, tackFreeH: 5, sandableH: 24, immersionH: 168, minH: 8, maxH: 72, grit: 120, thumbH: [5, 8] },
  'epoxy-surfacer': { ratio: [1, 1], solids: 0.65, film: [100, 250, 500], potLifeMin: 60, stopC: 10, tackFreeH: 8, sandableH: 24, minH: 16, maxH: 72, grit: 120 },
  'epoxy-filler': { ratio: [1, 1], solids: 0.98, film: [200, 1500, 5000], potLifeMin: 30, stopC: 10, tackFreeH: 6, sandableH: 18, minH: 24, maxH: 48, grit: 80 },
  'polyester-filler': { ratio: [50, 1], byWeight: true, solids: 0.98, film: [500, 2000, 5000], potLifeMin: 5, stopC: 10, tackFreeH: 0.5, sandableH: 1, minH: 2, maxH: 24, grit: 80 },
  'one-pack-primer': { solids: 0.45, film: [25, 40, 60], stopC: 5, tackFreeH: 6, sandableH: 24, minH: 24, maxH: 72, grit: 220 },
  'one-pack-undercoat': { solids: 0.48, film: [30, 40, 60], stopC: 5, tackFreeH: 6, sandableH: 24, minH: 24, maxH: 72, grit: 220 },
  'one-pack-enamel': { solids: 0.46, film: [30, 40, 50], stopC: 5, tackFreeH: 6, sandableH: 72, minH: 24, maxH: 48, grit: 320 },
  'two-pack-polyurethane': { ratio: [2, 1], solids: 0.48, film: [35, 45, 60], potLifeMin: 120, stopC: 10, tackFreeH: 6, sandableH: 24, minH: 16, maxH: 36, grit: 320 },
  'epoxy-finish': { ratio: [4, 1], solids: 0.55, film: [40, 60, 90], inductionMin: 15, potLifeMin: 120, stopC: 10, tackFreeH: 6, sandableH: 24, minH: 12, maxH: 96, grit: 220 },
  'waterborne-acrylic': { solids: 0.38, film: [20, 30, 45], stopC: 10, tackFreeH: 1, sandableH: 12, minH: 4, maxH: null, grit: 240 },
  'one-pack-bilge': { solids: 0.45, film: [30, 40, 60], stopC: 5, tackFreeH: 6, minH: 24, maxH: 72, grit: 180 },
  'bilge-epoxy': { ratio: [4, 1], solids: 0.6, film: [80, 110, 150], potLifeMin: 60, stopC: 10, tackFreeH: 6, sandableH: 24, immersionH: 168, minH: 10, maxH: 48, grit: 120 },
  'tie-coat': { solids: 0.45, film: [40, 50, 70], stopC: 5, tackFreeH: 2, minH: 8, maxH: 168, grit: 120 },
  'hard-antifouling': { solids: 0.5, film: [40, 50, 70], stopC: 5, tackFreeH: 2, immersionH: 16, latestImmersionH: 720, minH: 12, maxH: null, grit: 80, copper: true },
  'ablative-antifouling': { solids: 0.5, film: [40, 55, 80], stopC: 5, tackFreeH: 2, immersionH: 16, latestImmersionH: 720, minH: 12, maxH: null, grit: 80, copper: true },
  'copper-free-antifouling': { solids: 0.46, film: [40, 50, 70], stopC: 5, tackFreeH: 2, immersionH: 16, latestImmersionH: 120, minH: 12, maxH: null, grit: 80, copper: false },
  varnish: { solids: 0.5, film: [25, 35, 50], stopC: 5, tackFreeH: 8, sandableH: 24, minH: 24, maxH: 48, grit: 320 },
  'non-skid': { solids: 0.55, film: [150, 250, 400], stopC: 8, tackFreeH: 6, minH: 16, maxH: null, grit: null },
};
