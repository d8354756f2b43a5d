import type { BareKind, Stand, StandKind } from '../../contract/index.ts';

export const STAND_WORDS: Record<StandKind, string> = {
  stand: 'Stand (screw prop)',
  block: 'Keel block',
  cradle: 'Cradle arm',
  sling: 'Sling',
};

export const STAND_SIDES: Record<Stand['side'], string> = {
  port: 'Port',
  starboard: 'Starboard',
  centre: 'Under the keel',
};

export const BARE_WORDS: Record<BareKind, string> = {
  anode: 'Anode',
  transducer: 'Transducer',
  log: 'Log impeller',
  'earth-plate': 'Earth plate',
  'shaft-face': 'Zinc-backed shaft face',
  'glue-face': 'Face to be glued',
  other: 'Other',
};

/** Why paint is kept off it. */
export const BARE_WHY: Record<BareKind, string> = {
  anode: 'painted, it protects nothing',
  transducer: 'thick paint deafens it; only what its maker allows',
  log: 'paint stops the wheel',
  'earth-plate': 'painted, it earths nothing',
  'shaft-face': 'painted, it does not seat',
  'glue-face': 'glue holds the paint, not the part',
  other: '',
};
