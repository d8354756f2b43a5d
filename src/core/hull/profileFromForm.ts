import type { BoatKind, Dimensions, Point } from './boat.ts';
import { halfBreadthAt, sectionAt, sheerAt } from './form.ts';
import { deckEdge, furniture } from './furniture.ts';
import type { OffsetTable } from './offsets.ts';
import type { ProfileLines } from './profile.ts';

/** A form whose lowest point reaches this share of the draught holds its own keel. */
const KEEL_SHARE = 0.85;

/** Where a falling or rising edge crosses a height, between neighbouring points. */
function crossings(edge: readonly Point[], z: number): number[] {
  return edge.flatMap((q, i) => {
    const p = edge[i - 1];
    if (!p || p.z <= z === q.z <= z) return [];
    return [p.x + ((z - p.z) / (q.z - p.z)) * (q.x - p.x)];
  });
}

/** The part of the hull between two heights: its lower edge held at `from`, its upper at `to` or the sheer. */
function band(edge: readonly Point[], from: number, to: (x: number) => number): Point[] {
  const ends = [...crossings(edge, from)];
  const xs = [...new Set([...edge.map((p) => p.x), ...ends])].sort((a, b) => a - b);
  const low = (x: number) => {
    const i = edge.findIndex((p) => p.x >= x);
    const [p, q] = [edge[Math.max(0, i - 1)] as Point, edge[Math.max(0, i)] as Point];
    const z = q.x === p.x ? q.z : p.z + ((x - p.x) / (q.x - p.x)) * (q.z - p.z);
    return Math.max(from, z);
  };
  const inside = xs.filter((x) => low(x) <= to(x) + 1e-9);
  return [...inside.map((x) => ({ x, z: low(x) })), ...inside.toReversed().map((x) => ({ x, z: to(x) }))];
}

/**
 * The profile of a hull whose form is known from a table of offsets or a mesh: sheer, stem, stern and keel as they are;
 * house, rudder and, where the form is a canoe body only, the keel as usual for the kind [M].
 */
export function profileFromForm(input: {
  form: OffsetTable;
  kind: BoatKind;
  dimensions: Dimensions;
}): ProfileLines {
  const { form, kind, dimensions } = input;
  const stations = form.stationsM.filter((x) => sheerAt(form, x));
  const top = (x: number) => sheerAt(form, x)?.z ?? 0;
  const sheer = stations.map((x) => ({ x, z: top(x) }));
  // The lower edge: the foot of each section, closed at both ends by the sheer.
  const edge = stations.map((x) => {
    const section = sectionAt(form, x);
    const foot = section.find((p, i) => p.y > 0.002 || (section[i + 1]?.y ?? 0) > 0.002);
    return { x, z: foot?.z ?? top(x) };
  });
  const [first, last] = [sheer[0] as Point, sheer.at(-1) as Point];
  const wet = edge.filter((p) => p.z < 0);
  const [wlAft = first.x, wlFore = last.x] = [...crossings(edge, 0)].length
    ? [
        Math.min(...crossings(edge, 0), wet[0]?.x ?? Infinity),
        Math.max(...crossings(edge, 0), wet.at(-1)?.x ?? 0),
      ]
    : [wet[0]?.x, wet.at(-1)?.x];
  const lwl = Math.max(wlFore - wlAft, 0.1);
  const deepest = -Math.min(0, ...edge.map((p) => p.z));
  const ownKeel = deepest >= dimensions.draughtM * KEEL_SHARE;
  const depthAt = (share: number) => {
    const x = wlAft + share * lwl;
    const i = Math.max(
      1,
      edge.findIndex((p) => p.x >= x),
    );
    const [p, q] = [edge[i - 1] as Point, (edge[i] ?? edge.at(-1)) as Point];
    return -Math.min(0, q.x === p.x ? q.z : p.z + ((x - p.x) / (q.x - p.x)) * (q.z - p.z));
  };
  const stripe = Math.max(0.05, dimensions.freeboardM * 0.08);
  const belly = [{ x: wlAft, z: 0 }, ...wet.filter((p) => p.x > wlAft && p.x < wlFore), { x: wlFore, z: 0 }];
  const zones: ProfileLines['zones'] = {
    topsides: band(edge, stripe, top),
    'boot-stripe': band(edge, 0, () => stripe),
    bottom: belly,
    deck: deckEdge(sheer, dimensions.freeboardM),
    ...furniture({
      kind,
      loa: last.x,
      lwl,
      wlAft,
      draught: dimensions.draughtM,
      freeboard: dimensions.freeboardM,
      sheerAt: top,
      depthAt,
      belly,
      keelDrawn: !ownKeel,
    }),
  };
  if (ownKeel && (kind === 'fin-keel' || kind === 'bilge-keel' || kind === 'catamaran')) {
    const root = -deepest * 0.45;
    const low = belly.filter((p) => p.z <= root);
    if (low.length > 1) {
      zones.keel = [...low, { x: low.at(-1)?.x ?? 0, z: root }, { x: low[0]?.x ?? 0, z: root }];
    }
  }
  if ((halfBreadthAt(form, first.x, Math.max(0.001, first.z * 0.9)) ?? 0) > 0.05) {
    const thick = Math.min(last.x * 0.025, 0.3);
    const foot = Math.max(0, (edge[0] as Point).z);
    const at = foot > 0 ? first.x : wlAft;
    zones.transom = [
      { x: at, z: foot },
      { x: first.x, z: first.z },
      { x: first.x + thick, z: first.z },
      { x: at + thick, z: foot },
    ];
  }
  const all = Object.values(zones).flat();
  return {
    zones,
    sheer,
    waterline: [
      { x: first.x - last.x * 0.03, z: 0 },
      { x: last.x * 1.03, z: 0 },
    ],
    minZ: Math.min(...all.map((p) => p.z)),
    maxZ: Math.max(...all.map((p) => p.z)),
  };
}
