import type { Area } from '../../contract/index.ts';
import type { Hazard } from '../../core/system/index.ts';

/** What to mind at this step; the product's own safety data sheet and local codes always come first. */
const CAUTIONS: Record<Hazard, string> = {
  isocyanate:
    'Isocyanates: wear a fresh organic-vapour and particulate respirator to roll, an air-fed mask to spray. Keep unprotected people away.',
  solvent: 'Solvent: ventilate, allow no flames or sparks, and keep stock outside the boat.',
  'epoxy-sensitiser': 'Epoxy is a sensitiser: wear gloves, and never put solvent on skin.',
  biocide: 'Biocides: wear gloves and eye protection, collect residue, and check local bans.',
  acid: 'Acid: wear gloves and eye protection, and keep water within reach.',
  'oxidising-rags': 'Rags with this paint on them can self-ignite. Spread them out or keep them under water.',
  dust: 'Dust: wear a mask, and have no wet paint in the same air space.',
};

/** Cautions for applying this product on this area. */
export function cautionsFor(hazards: readonly Hazard[], area: Area): string[] {
  const list = hazards.map((hazard) => CAUTIONS[hazard]);
  if (area.service === 'bilge' || area.service === 'tank') {
    list.unshift(
      'Confined space: ventilate, never work alone, no ignition sources. Vapour is heavier than air and collects in the bilge.',
    );
  }
  return list;
}
