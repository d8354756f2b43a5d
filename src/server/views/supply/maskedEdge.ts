import { hasHull, type TapedEdges, tapedEdges } from '../../../core/hull/index.ts';
import { memoised } from '../../../core/units/index.ts';
import type { AreaSnapshot } from '../../memory/areaStates.ts';
import type { BoatMemory } from '../../memory/boatMemory.ts';
import { A_COAT_MS } from '../../memory/needLines.ts';
import { tapeHoldsMs } from '../ticks.ts';

/** Masked edge of an area without lines on the drawing, m: the perimeter of a square of its size [M]. */
const edgeOf = (areaM2: number) => 4 * Math.sqrt(areaM2);

/** The edges of a boat from its drawing; memoised for as long as the boat doesn’t change. */
const edgesOf = memoised(({ boat, shape }: BoatMemory): TapedEdges | null =>
  hasHull(boat) ? tapedEdges({ ...boat, form: shape.table }) : null,
);

/** Edges along which an area is masked, m: from the drawing where it is a whole zone, else round a square of its size. */
export function maskedEdgeM(
  { area }: Pick<AreaSnapshot, 'area'>,
  areaM2: number,
  hull: BoatMemory | undefined,
): number {
  const { zone, side, part } = area;
  const drawn = part || !hull ? null : edgesOf(hull);
  const oneSide = drawn?.oneSide[zone];
  if (oneSide) return oneSide * (side === 'both' ? 2 : 1);
  return drawn?.whole[zone] || edgeOf(areaM2);
}

/** How often an area is taped for so many coats: at a coat a day, and again after the tape's days. */
export const tapingsFor = (coats: number, area: AreaSnapshot['area']): number =>
  Math.ceil((coats * A_COAT_MS) / tapeHoldsMs('masking', area, Number.POSITIVE_INFINITY));
