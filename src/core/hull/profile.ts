import { positive } from '../units/index.ts';
import type { BoatKind, Dimensions, Point, Zone } from './boat.ts';
import { deckEdge, furniture } from './furniture.ts';

export interface ProfileLines {
  /** Outline of each zone that shows in profile, closed. */
  zones: Partial<Record<Zone, Point[]>>;
  sheer: Point[];
  waterline: [Point, Point];
  minZ: number;
  maxZ: number;
}

interface Form {
  /** Canoe body depth as a share of the draught. */
  body: number;
  /** Overhang forward and aft as shares of what LOA exceeds LWL. */
  bowShare: number;
  /** Sheer rise at the bow and the stern as shares of the freeboard. */
  bowRise: number;
  sternRise: number;
}

const FORMS: Record<BoatKind, Form> = {
  'long-keel': {
    body: 0.62,
    bowShare: 0.55,
    bowRise: 0.3,
    sternRise: 0.05,
  },
  'fin-keel': {
    body: 0.32,
    bowShare: 0.6,
    bowRise: 0.22,
    sternRise: 0,
  },
  'bilge-keel': {
    body: 0.5,
    bowShare: 0.6,
    bowRise: 0.22,
    sternRise: 0.02,
  },
  'hard-chine-motor': { body: 0.75, bowShare: 0.95, bowRise: 0.45, sternRise: -0.1 },
  'flat-bottomed': { body: 1, bowShare: 0.5, bowRise: 0.15, sternRise: 0.1 },
  'open-dinghy': { body: 0.8, bowShare: 0.5, bowRise: 0.4, sternRise: 0.2 },
  catamaran: {
    body: 0.55,
    bowShare: 0.4,
    bowRise: 0.05,
    sternRise: -0.15,
  },
  workboat: {
    body: 0.7,
    bowShare: 0.85,
    bowRise: 0.5,
    sternRise: 0,
  },
};

const STEPS = 24;
const range = (n: number) => Array.from({ length: n + 1 }, (_, i) => i / n);

/**
 * The profile of a boat of this kind drawn to its own proportions: lengths, draught and freeboard are as given,
 * the curves between them are this kind's usual ones [M]. For drawing, never for measuring.
 *
 * @throws {QuantityError} on a dimension of 0 or less
 */
export function profileLines(input: { kind: BoatKind; dimensions: Dimensions }): ProfileLines {
  const form = FORMS[input.kind];
  const loa = positive('length over all', input.dimensions.loaM, 200);
  const lwl = Math.min(positive('waterline length', input.dimensions.lwlM, 200), loa);
  const draught = positive('draught', input.dimensions.draughtM, 30);
  const freeboard = positive('freeboard', input.dimensions.freeboardM, 30);
  const overhang = loa - lwl;
  const wlAft = overhang * (1 - form.bowShare);
  const wlFore = wlAft + lwl;
  const body = draught * form.body;
  const stripe = Math.max(0.05, freeboard * 0.08);
  // A parabola through stern, a low point at 40 % of the length, and bow, mean near the freeboard.
  const sheerAt = (x: number) => {
    const u = x / loa;
    const low = -0.08;
    const rise =
      u > 0.4
        ? (form.bowRise - low) * ((u - 0.4) / 0.6) ** 2
        : (form.sternRise - low) * ((0.4 - u) / 0.4) ** 2;
    return freeboard * (1 + low + rise);
  };
  const sheer = range(STEPS).map((u) => ({ x: u * loa, z: sheerAt(u * loa) }));
  const stern = (z: number) => Math.max(0, (wlAft * (freeboard - z)) / freeboard);
  const stem = (z: number) => loa - (loa - wlFore) * Math.max(0, 1 - z / sheerAt(loa)) ** 1.6;
  const level = (z: number, from: number, to: number): Point[] => [
    { x: from, z },
    { x: to, z },
  ];
  // The stem between two heights, upwards, as a curve rather than a chord.
  const stemUp = (from: number, to: number) =>
    range(6).map((u) => {
      const z = from + u * (to - from);
      return { x: stem(z), z };
    });
  const depthAt = (u: number) =>
    body * (u < 0.45 ? 1 - ((0.45 - u) / 0.45) ** 2.2 : 1 - ((u - 0.45) / 0.55) ** 2.6);
  const flat = input.kind === 'flat-bottomed';
  const belly = range(STEPS).map((u) => ({
    x: wlAft + u * lwl,
    z: -(flat ? body * Math.min(1, u / 0.08, (1 - u) / 0.14) : depthAt(u)),
  }));
  const zones: ProfileLines['zones'] = {
    topsides: [
      ...level(stripe, stern(stripe), stem(stripe)),
      ...stemUp(stripe, sheerAt(loa)),
      ...sheer.toReversed(),
    ],
    'boot-stripe': [...level(0, wlAft, wlFore), ...stemUp(0, stripe), { x: stern(stripe), z: stripe }],
    bottom: [{ x: wlAft, z: 0 }, ...belly, { x: wlFore, z: 0 }],
    transom: [
      { x: wlAft, z: 0 },
      { x: 0, z: sheerAt(0) },
      { x: Math.min(loa * 0.025, 0.3), z: sheerAt(0) },
      { x: wlAft + Math.min(loa * 0.025, 0.3), z: 0 },
    ],
    deck: deckEdge(sheer, freeboard),
  };
  Object.assign(
    zones,
    furniture({
      kind: input.kind,
      loa,
      lwl,
      wlAft,
      draught,
      freeboard,
      sheerAt,
      depthAt,
      belly,
      keelDrawn: true,
    }),
  );
  const all = Object.values(zones).flat();
  return {
    zones,
    sheer,
    waterline: [
      { x: -loa * 0.03, z: 0 },
      { x: loa * 1.03, z: 0 },
    ],
    minZ: Math.min(...all.map((p) => p.z)),
    maxZ: Math.max(...all.map((p) => p.z)),
  };
}
