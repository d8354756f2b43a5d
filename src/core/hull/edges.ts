import type { Zone } from './boat.ts';
import { halfBreadthAt, sectionAt, sheerAt } from './form.ts';
import { type HullLines, hullLines } from './lines.ts';
import { hullsOf } from './offsets.ts';

/** Edges that tape follows, m: of one side where a zone has two, of both together where it has none. */
export interface TapedEdges {
  oneSide: Partial<Record<Zone, number>>;
  whole: Partial<Record<Zone, number>>;
}

const along = (points: readonly (readonly number[])[]): number =>
  points
    .slice(1)
    .reduce((sum, b, i) => sum + Math.hypot(...b.map((v, k) => v - (points[i]?.[k] as number))), 0);

/** A level line of one side from end to end, where it runs into the centreline too. */
function levelLine({ form }: HullLines, z: number): number[][] {
  const points = form.stationsM.map((x) => ({ x, y: halfBreadthAt(form, x, z) }));
  const cut = points.flatMap(({ y }, i) => (y !== null && y > 0 ? [i] : []));
  const [first, last] = [cut[0], cut.at(-1)];
  if (first === undefined || last === undefined) return [];
  return points
    .slice(Math.max(0, first - 1), last + 2)
    .flatMap(({ x, y }) => (y === null ? [] : [[x, Math.max(0, y)]]));
}

/** Up one side of the transom, across at the sheer, down the other; 0: she ends in a sternpost. */
function transomEdge({ form }: HullLines): number {
  const section = sectionAt(form, form.stationsM[0] as number).filter(({ z }) => z >= 0);
  const breadth = 2 * (section.at(-1)?.y ?? 0);
  return breadth < LEAST_TRANSOM_M ? 0 : 2 * along(section.map(({ y, z }) => [y, z])) + breadth;
}
/** A stern narrower than that, m, has no face to paint by itself [M]. */
const LEAST_TRANSOM_M = 0.1;

/**
 * How long the edges are that each zone is masked along, off the lines the boat is drawn by: the bottom along the
 * waterline, the topsides along waterline and sheer, the boot stripe along both its edges, the deck along the sheer, the
 * transom and the house; keel and rudder where they meet the hull. One side of a catamaran is one of its hulls, both its
 * faces. A zone the lines do not show is left out.
 *
 * A box of 8 by 2 m floats on a waterline of 8 m a side: its bottom is masked along 8 m a side.
 *
 * @throws {QuantityError} on a dimension of 0 or less, or offsets that cannot be
 */
export function tapedEdges(boat: Parameters<typeof hullLines>[0]): TapedEdges {
  const lines = hullLines(boat);
  const { form, profile, plan } = lines;
  // Each side of a boat of two hulls is a hull, with an outer face and an inner one.
  const hulls = hullsOf(form);
  const waterline = hulls * along(levelLine(lines, 0));
  const edge = form.stationsM.flatMap((x) => {
    const at = sheerAt(form, x);
    return at ? [[x, at.y, at.z]] : [];
  });
  const sheer = along(edge);
  const breadthAft = 2 * ((form.apartM ?? 0) + (edge[0]?.[1] ?? 0));
  const house = plan.cabin ? 2 * along(plan.cabin.map(({ x, y }) => [x, y])) : 0;
  const ends = plan.cabin ? 2 * ((plan.cabin[0]?.y ?? 0) + (plan.cabin.at(-1)?.y ?? 0)) : 0;
  const root = (zone: Zone): Partial<Record<Zone, number>> => {
    const xs = (profile.zones[zone] ?? []).map(({ x }) => x);
    return xs.length > 0 ? { [zone]: Math.max(...xs) - Math.min(...xs) } : {};
  };
  const transom = hulls * transomEdge(lines);
  return {
    oneSide: {
      bottom: waterline,
      topsides: waterline + hulls * sheer,
      'boot-stripe': 2 * waterline,
      ...root('keel'),
      ...root('rudder'),
    },
    whole: {
      deck: 2 * sheer + breadthAft + house + ends,
      ...(transom > 0 && { transom }),
      ...(plan.cabin && { cabin: house + ends }),
    },
  };
}
