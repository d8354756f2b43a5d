import type { Area } from '../../contract/index.ts';
import type { Hazard } from '../../core/system/index.ts';

/** What to mind at this step; the product's own safety data sheet and local codes always come first. */
const CAUTIONS: Record<Hazard, string> = {
  isocyanate:
    'Isocyanates: fresh organic-vapour and particulate respirator when rolled, air-fed mask when sprayed; nobody unprotected nearby.',
  solvent: 'Solvent: ventilate, no flame or spark, keep stock outside the boat.',
  'epoxy-sensitiser': 'Epoxy sensitises: gloves, and no solvent on skin.',
  biocide: 'Biocides: gloves and eye protection, collect residue; mind local bans.',
  acid: 'Acid: gloves and eye protection, water at hand.',
  'oxidising-rags':
    'Rags of this paint can take fire by themselves: spread them out or keep them under water.',
  dust: 'Dust: mask, and nothing wet within the same air.',
};

/** Cautions for laying this product on this area. */
export function cautionsFor(hazards: readonly Hazard[], area: Area): string[] {
  const list = hazards.map((hazard) => CAUTIONS[hazard]);
  if (area.service === 'bilge' || area.service === 'tank') {
    list.unshift(
      'Confined space: ventilate, never alone, no ignition; vapour is heavier than air and lies in the bilge.',
    );
  }
  return list;
}
