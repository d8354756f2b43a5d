import type { Area, Step } from '../../contract/index.ts';
import type { Hazard } from '../../core/system/index.ts';
import { t } from '../../words.ts';

/** What to mind at this step; the product's own safety data sheet and local codes always come first. */
const CAUTIONS: Record<Hazard, string> = {
  isocyanate: t`Isocyanates: wear a fresh organic-vapour and particulate respirator at least, and an air-fed mask if you spray. Keep unprotected people away.`,
  solvent: t`Solvent: ventilate, allow no flames or sparks, and keep stock outside the boat.`,
  'epoxy-sensitiser': t`Epoxy is a sensitiser: wear gloves, and never put solvent on skin.`,
  biocide: t`Biocides: wear gloves and eye protection, collect residue, and check local bans.`,
  acid: t`Acid: wear gloves and eye protection, and keep water within reach.`,
  'oxidising-rags': t`Rags with this paint on them can self-ignite. Spread them out or keep them under water.`,
  dust: t`Dust: wear a mask, and have no wet paint in the same air space.`,
};

const SPRAYED_ISOCYANATE = t`Isocyanates, sprayed: wear an air-fed mask. Keep unprotected people away. No other mask is enough.`;

const SPRAYS: ReadonlySet<Step['method']> = new Set(['conventional-spray', 'airless-spray', 'aerosol']);
const CONFINED: ReadonlySet<Area['service']> = new Set(['bilge', 'tank']);
/** Areas where the painter stands in the wet paint, unless the way out is planned. */
const INSIDE: ReadonlySet<Area['service']> = new Set([...CONFINED, 'interior']);

/** Where work inside begins, so that nobody has to kneel in wet paint [T, handbook part 8]. */
export const wayOut = ({ service }: Pick<Area, 'service'>): string[] =>
  INSIDE.has(service)
    ? [t`Start with the hardest, head-down corners, and keep the tray on the side you leave by.`]
    : [];

/** Protective equipment, light and, inside, the way out, before a tin is opened [T, handbook parts 8 and 15]. */
export const haveReady = (hazards: readonly Hazard[], area: Area, method: Step['method']): string[] => [
  ...cautionsFor(hazards, area, method),
  INSIDE.has(area.service)
    ? t`Light at a low angle shows dry spots. Use only lamps that can’t ignite vapour.`
    : t`Light at a low angle shows dry spots: set up a lamp.`,
  ...(INSIDE.has(area.service) ? [t`Plan your way out before you start.`, ...wayOut(area)] : []),
];

/** Cautions for applying this product on this area [handbook part 15]. */
export function cautionsFor(hazards: readonly Hazard[], area: Area, method: Step['method']): string[] {
  const list = hazards.map((hazard) =>
    hazard === 'isocyanate' && SPRAYS.has(method) ? SPRAYED_ISOCYANATE : CAUTIONS[hazard],
  );
  if (CONFINED.has(area.service)) {
    list.unshift(
      t`Confined space: ventilate, never work alone, no ignition sources. Vapour is heavier than air and collects in the bilge.`,
    );
  }
  return list;
}
