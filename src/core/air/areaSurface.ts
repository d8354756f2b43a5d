import { QuantityError, within } from '../units/index.ts';
import type { SurfaceBody } from './surfaceSeries.ts';

/** The surface of an area: its place on the boat, substrate, colour, and the boat’s heading. */
export interface AreaFace {
  zone:
    | 'topsides'
    | 'boot-stripe'
    | 'bottom'
    | 'keel'
    | 'rudder'
    | 'transom'
    | 'deck'
    | 'cabin'
    | 'bilge'
    | 'other';
  side: 'port' | 'starboard' | 'centre' | 'both';
  substrate: string;
  /** Inside the boat: neither sun nor sky reach it. */
  inside: boolean;
  /** Of what lies on top, `#rrggbb`; null: nothing, or not known. */
  colour: string | null;
  /** Coated: paint over any substrate. */
  coated: boolean;
  /** Hidden by a stand or block: no sun reaches it. Left out: open. */
  underSupport?: boolean;
  /** Where the bow points, degrees clockwise from north; null: not known. */
  boatHeadingDeg: number | null;
}

/** Tilt of the outward normal from straight up, degrees [T: handbook part 17]. */
const TILT_DEG: Record<AreaFace['zone'], number> = {
  topsides: 90,
  'boot-stripe': 90,
  bottom: 150,
  keel: 90,
  rudder: 90,
  transom: 90,
  deck: 0,
  cabin: 90,
  bilge: 180,
  other: 90,
};

/** Heat stored per m² in its usual thickness, J/m²K: GRP 6 mm, steel and aluminium 5 mm, timber 25 mm [M, handbook part 17]. */
const STORE_J_PER_M2K: Record<string, number> = {
  steel: 19_000,
  aluminium: 12_000,
  'stainless-bronze': 19_000,
  grp: 10_000,
  'grp-laminate': 10_000,
  timber: 24_000,
  'timber-epoxy': 24_000,
  ferrocement: 50_000,
};
/** A ballast keel of any material. */
const KEEL_J_PER_M2K = 300_000;
/** To the air inside through a thin skin, W/m²K, the middle of 3–8 [M]. */
const THIN_SKIN_INSIDE = 5;

/** Share of the sun taken up by bare substrates [M, handbook part 17]; what has no figure there counts as mid grey. */
const BARE_ABSORPTANCE: Record<string, number> = {
  steel: 0.75,
  aluminium: 0.4,
  'stainless-bronze': 0.4,
  grp: 0.25,
};
const MID_GREY = 0.65;
/** Long-wave emissivity of bare metal; all else 0.9 [M, handbook part 17]. */
const BARE_EMISSIVITY: Record<string, number> = { steel: 0.8, aluminium: 0.1, 'stainless-bronze': 0.1 };

/** Absorptance by lightness (the square root of luminance): dark, mid grey and red, cream or light grey, white [M]. */
const BY_LIGHTNESS: readonly (readonly [lightness: number, absorptance: number])[] = [
  [0, 0.9],
  [0.15, 0.9],
  [0.45, 0.65],
  [0.8, 0.4],
  [1, 0.25],
];

/**
 * Share of the sun a colour takes up: white 0.25, cream 0.4, mid grey or red 0.65, dark blue, green and black 0.9, on
 * straight lines between them over lightness [M: handbook part 17; the lines from memory].
 *
 * @throws {QuantityError} on what is no `#rrggbb`
 */
export function absorptanceOf(colour: string): number {
  const match = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(colour);
  if (!match) throw new QuantityError('colour', colour, '# and six hexadecimal digits');
  const [r, g, b] = match.slice(1).map((pair) => {
    const share = Number.parseInt(pair, 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  // Relative luminance [S: IEC 61966-2-1].
  const lightness = Math.sqrt(0.2126 * r + 0.7152 * g + 0.0722 * b);
  const after = Math.max(
    1,
    BY_LIGHTNESS.findIndex(([at]) => at >= Math.min(1, lightness)),
  );
  const [[x0, y0], [x1, y1]] = [BY_LIGHTNESS[after - 1], BY_LIGHTNESS[after]] as [
    readonly [number, number],
    readonly [number, number],
  ];
  return y0 + ((Math.min(1, lightness) - x0) / (x1 - x0)) * (y1 - y0);
}

/** Where a face looks, by the side of the boat it is on; null where it looks both ways or nobody said where she points. */
function headingOf({ zone, side, boatHeadingDeg }: AreaFace): number | null {
  if (boatHeadingDeg === null) return null;
  if (zone === 'transom') return (boatHeadingDeg + 180) % 360;
  if (side === 'port') return (boatHeadingDeg + 270) % 360;
  if (side === 'starboard') return (boatHeadingDeg + 90) % 360;
  return null;
}

/**
 * An area as a store of heat: its tilt from its zone, its heading from the boat's, its colour from the top coat, its build
 * from the substrate in its usual thickness [T, M: handbook part 17].
 *
 * @throws {QuantityError} on a heading or colour that is none
 */
export function surfaceBodyOf(face: AreaFace): SurfaceBody {
  if (face.boatHeadingDeg !== null) within('Heading (°)', face.boatHeadingDeg, 0, 360);
  const tiltDeg = TILT_DEG[face.zone];
  if (tiltDeg === undefined)
    throw new QuantityError('part of the boat', face.zone, `one of ${Object.keys(TILT_DEG).join(', ')}`);
  const sunlit = face.coated
    ? face.colour === null
      ? MID_GREY
      : absorptanceOf(face.colour)
    : (BARE_ABSORPTANCE[face.substrate] ?? MID_GREY);
  // What looks down or lies under a support gets no sun [T].
  const sunless = face.inside || face.underSupport === true || tiltDeg > 90;
  const casting = face.zone === 'keel';
  return {
    tiltDeg: face.inside ? 180 : tiltDeg,
    headingDeg: face.inside ? null : headingOf(face),
    absorptance: sunless ? 0 : Math.round(sunlit * 20) / 20,
    emissivity: face.coated ? 0.9 : (BARE_EMISSIVITY[face.substrate] ?? 0.9),
    heatCapacityJPerM2K: casting ? KEEL_J_PER_M2K : (STORE_J_PER_M2K[face.substrate] ?? 10_000),
    insideWPerM2K: casting || face.zone === 'deck' ? 0 : THIN_SKIN_INSIDE,
  };
}
