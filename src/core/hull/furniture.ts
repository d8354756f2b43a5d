import type { BoatKind, Point, Zone } from './boat.ts';

/** What hangs on a hull or stands on it, by kind. */
interface Fitted {
  /** Keel as shares of LWL from aft: root from, root to, foot from, foot to; null without one. */
  keel: readonly [number, number, number, number] | null;
  cabin: boolean;
}

/** Usual keels and houses [M]: for drawing only. */
const FITTED: Record<BoatKind, Fitted> = {
  'long-keel': { keel: [0.08, 0.8, 0.12, 0.66], cabin: true },
  'fin-keel': { keel: [0.4, 0.64, 0.43, 0.6], cabin: true },
  'bilge-keel': { keel: [0.36, 0.66, 0.4, 0.64], cabin: true },
  'hard-chine-motor': { keel: null, cabin: true },
  'flat-bottomed': { keel: null, cabin: true },
  'open-dinghy': { keel: null, cabin: false },
  catamaran: { keel: [0.38, 0.6, 0.41, 0.58], cabin: true },
  workboat: { keel: [0.05, 0.78, 0.05, 0.7], cabin: true },
};

/** The hull that the furniture is fitted to; lengths in m. */
export interface Frame {
  kind: BoatKind;
  loa: number;
  lwl: number;
  wlAft: number;
  draught: number;
  freeboard: number;
  sheerAt(x: number): number;
  /** Depth of the canoe body below the waterline at a share of the LWL from aft. */
  depthAt(share: number): number;
  /** The canoe body's lower edge from aft. */
  belly: readonly Point[];
  /** Off where the hull's own lines already hold the keel. */
  keelDrawn: boolean;
}

const shares = (n: number) => Array.from({ length: n + 1 }, (_, i) => i / n);

/** The deck as a strip above the sheer. */
export const deckEdge = (sheer: readonly Point[], freeboard: number): Point[] => [
  ...sheer,
  ...sheer.toReversed().map((p) => ({ x: p.x, z: p.z + Math.max(0.05, freeboard * 0.06) })),
];

/** Bilge, keel, rudder and cabin as outlines in profile, usual ones of the kind [M]. */
export function furniture(frame: Frame): Partial<Record<Zone, Point[]>> {
  const { kind, loa, lwl, wlAft, draught, freeboard, sheerAt, depthAt, belly } = frame;
  const fitted = FITTED[kind];
  const zones: Partial<Record<Zone, Point[]>> = {};
  // The bilge is inside: a strip above the belly, drawn as if the planking were lifted off.
  const inside = belly.slice(4, -5);
  zones.bilge = [
    ...inside.map((p) => ({ x: p.x, z: p.z * 0.92 })),
    ...inside.toReversed().map((p) => ({ x: p.x, z: p.z * 0.62 })),
  ];
  if (fitted.keel && frame.keelDrawn) {
    const [rootAft, rootFore, footAft, footFore] = fitted.keel;
    const at = (share: number) => wlAft + share * lwl;
    const root = shares(8).map((u) => {
      const share = rootFore + u * (rootAft - rootFore);
      return { x: at(share), z: -depthAt(share) * 0.98 };
    });
    zones.keel = [{ x: at(footAft), z: -draught }, { x: at(footFore), z: -draught }, ...root];
  }
  const rudderDepth = kind === 'open-dinghy' ? draught : draught * 0.8;
  zones.rudder = [
    { x: wlAft + lwl * 0.005, z: -0.02 },
    { x: wlAft + lwl * 0.06, z: -depthAt(0.06) },
    { x: wlAft + lwl * 0.055, z: -rudderDepth },
    { x: wlAft + lwl * 0.005, z: -rudderDepth * 0.98 },
  ];
  if (fitted.cabin) {
    const from = loa * (kind === 'workboat' ? 0.55 : 0.3);
    const to = loa * (kind === 'workboat' ? 0.75 : 0.7);
    const height = Math.min(0.55 * freeboard, 0.6) * (kind === 'workboat' ? 2.4 : 1);
    zones.cabin = [
      { x: from, z: sheerAt(from) },
      { x: to, z: sheerAt(to) },
      { x: to - height * 0.9, z: sheerAt(to) + height * 0.8 },
      { x: from + height * 0.15, z: sheerAt(from) + height },
    ];
  }
  return zones;
}
