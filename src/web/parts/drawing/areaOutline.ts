import type { Area } from '../../../contract/index.ts';
import { between, type HullLines, type Point } from '../../../core/hull/index.ts';
import { onSide, type Seen } from './drawn.ts';

type Placed = Pick<Area, 'id' | 'zone' | 'side' | 'part'>;

/** From which side an area is looked at. */
const seenFrom = (side: Area['side']): Seen => (side === 'port' ? 'port' : 'starboard');

/** The deck from above; of one side its half. */
function deckOutline({ plan }: HullLines, side: Area['side']): Point[] {
  const edge = plan.sheer.map(({ x, y }) => ({ x, z: y }));
  const mirrored = edge.map(({ x, z }) => ({ x, z: -z })).reverse();
  const ends = [{ x: edge.at(-1)?.x ?? 0, z: 0 }, { x: edge[0]?.x ?? 0, z: 0 }]; // biome-ignore format: one line
  if (side === 'both' || side === 'centre') return [...edge, ...mirrored];
  return side === 'port' ? [...edge, ...ends] : [...mirrored.toReversed(), ...ends];
}

/**
 * One area as somebody standing before it sees it, m from the left and upwards; one of both sides as it is walked round, starboard from
 * aft and then port from the bow. Areas that share a part of the boat lie side by side from aft, as on its drawing. Empty: it isn't drawn.
 */
export function areaOutlines(lines: HullLines, area: Placed, all: readonly Placed[]): Point[][] {
  const isWhole = ({ part }: Placed) => part?.kind !== 'patch' && part?.kind !== 'spot';
  const outline = area.zone === 'deck' ? deckOutline(lines, area.side) : lines.profile.zones[area.zone];
  // A transom is seen from the side as an edge only.
  if (!outline || outline.length < 3 || area.zone === 'transom' || !isWhole(area)) return [];
  const seen = seenFrom(area.side);
  const here = all.filter((each) => each.zone === area.zone && isWhole(each) && onSide(each.side, seen));
  const place = here.findIndex(({ id }) => id === area.id);
  if (place < 0) return [];
  const xs = outline.map(({ x }) => x);
  const [aft, fore] = [Math.min(...xs), Math.max(...xs)];
  const width = (fore - aft) / here.length;
  const own = between(outline, aft + place * width, aft + (place + 1) * width);
  const mirrored = (about: number) => own.map(({ x, z }) => ({ x: about - x, z }));
  if (area.zone === 'deck' || area.zone === 'bilge') return [own];
  if (area.side === 'port') return [mirrored(lines.lengthM)];
  // The two meet at their foremost points.
  return area.side === 'both' ? [own, mirrored(2 * Math.max(...own.map(({ x }) => x)))] : [own];
}
