import { within } from '../units/index.ts';
import type { Zone } from './boat.ts';
import { lerpAt, sectionAt } from './form.ts';
import { areaFromOffsets, hullsOf, OFFSETS_SPREAD, type OffsetTable } from './offsets.ts';

export interface FormArea {
  zone: Extract<Zone, 'bottom' | 'boot-stripe' | 'topsides' | 'transom'>;
  /** m² of both sides. */
  areaM2: number;
  spread: number;
}

/** m² of the flat end of each hull at the aftermost station between two heights; 0 for a pointed stern. */
function transomM2(table: OffsetTable, fromZ: number, toZ: number): number {
  const section = sectionAt(table, table.stationsM[0] as number);
  if (section.length < 2 || (section.at(-1)?.y ?? 0) < 0.05) return 0;
  const [ys, zs] = [section.map((p) => p.y), section.map((p) => p.z)];
  const from = Math.max(fromZ, zs[0] as number);
  const to = Math.min(toZ, zs.at(-1) as number);
  if (to <= from) return 0;
  const points = [from, ...zs.filter((z) => z > from && z < to), to].map((z) => ({
    z,
    y: lerpAt(zs, ys, z),
  }));
  const oneHull = points
    .slice(1)
    .reduce((sum, p, i) => sum + (p.y + (points[i]?.y ?? 0)) * (p.z - (points[i]?.z ?? 0)), 0);
  return hullsOf(table) * oneHull;
}

/**
 * m² of bottom, stripe, topsides and transom of a hull of offsets, cut at the top of the antifouling and the stripe's
 * edges (heights above the waterline, m). What of the transom lies below the paint's top is bottom.
 *
 * @throws {QuantityError} see `checkOffsets`
 */
export function areasFromOffsets(input: {
  table: OffsetTable;
  topOfPaintM: number;
  stripe: { lowerM: number; upperM: number } | null;
}): FormArea[] {
  const { table, topOfPaintM, stripe } = input;
  within('top of the paint (m)', topOfPaintM, -200, 200);
  if (stripe) {
    within('lower edge of the stripe (m)', stripe.lowerM, -200, 200);
    within('upper edge of the stripe (m)', stripe.upperM, stripe.lowerM, 200);
  }
  const between = (fromZ: number, toZ: number) => areaFromOffsets({ table, fromZ, toZ });
  const above = between(topOfPaintM, Infinity);
  const band = stripe ? between(stripe.lowerM, stripe.upperM) : 0;
  const areas: [FormArea['zone'], number][] = [
    ['bottom', between(-Infinity, topOfPaintM) + transomM2(table, -Infinity, topOfPaintM)],
    ['boot-stripe', band],
    ['topsides', above - band],
    ['transom', transomM2(table, topOfPaintM, Infinity)],
  ];
  return areas
    .filter(([, m2]) => m2 > 0.01)
    .map(([zone, areaM2]) => ({ zone, areaM2, spread: OFFSETS_SPREAD }));
}
