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
  'shaft-face': 'Shaft mating face',
  'glue-face': 'Bonding face',
  other: 'Other',
};

/** Why paint is kept off it. */
export const BARE_WHY: Record<BareKind, string> = {
  anode: 'a painted anode doesn’t protect',
  transducer: 'thick paint blocks the signal; use only what the manufacturer allows',
  log: 'paint stops the impeller turning',
  'earth-plate': 'a painted plate doesn’t earth',
  'shaft-face': 'a painted face doesn’t seat',
  'glue-face': 'glue would hold on the paint, not on the part',
  other: '',
};
