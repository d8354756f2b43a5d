import { within } from '../units/index.ts';

/** Whether the paint in hand covers the rest of the area at the pace so far. */
export interface Reach {
  /** null: nothing is covered yet, so no pace is known. */
  reaches: boolean | null;
  /** Litres missing; 0 where it reaches. */
  shortL: number | null;
  /** Litres that the rest of the area takes at the pace so far. */
  atPaceL: number | null;
}

/**
 * Will the rest reach? Litres a square metre so far, over the area left.
 *
 * `willItReach({ litresLeft: 1, areaLeftM2: 12, coveredM2: 8, usedL: 0.8 })` → 1.2 l wanted, 0.2 l short.
 *
 * @param litresLeft paint that remains, mixed or not, as `usedL` counts it
 * @param usedL paint used on the area covered
 * @throws {QuantityError} on a figure below 0
 */
export function willItReach(input: {
  litresLeft: number;
  areaLeftM2: number;
  coveredM2: number;
  usedL: number;
}): Reach {
  const litresLeft = within('litres left', input.litresLeft, 0, 10_000);
  const areaLeft = within('area left (m²)', input.areaLeftM2, 0, 100_000);
  const covered = within('area covered (m²)', input.coveredM2, 0, 100_000);
  const used = within('litres used', input.usedL, 0, 10_000);
  if (areaLeft === 0) return { reaches: true, shortL: 0, atPaceL: 0 };
  if (covered === 0 || used === 0) return { reaches: null, shortL: null, atPaceL: null };
  const atPaceL = (areaLeft * used) / covered;
  // A pace of the smallest figures can pass what a number holds.
  if (!Number.isFinite(atPaceL)) return { reaches: null, shortL: null, atPaceL: null };
  const short = atPaceL - litresLeft;
  const shortL = short > 1e-9 * atPaceL ? short : 0;
  return { reaches: shortL === 0, shortL, atPaceL };
}
