import type { BareKind, Stand, StandKind } from '../../contract/index.ts';
import { t } from '../../words.ts';

export const STAND_WORDS: Record<StandKind, string> = {
  stand: t`Stand (screw prop)`,
  block: t`Keel block`,
  cradle: t`Cradle arm`,
  sling: t`Sling`,
};

export const STAND_SIDES: Record<Stand['side'], string> = {
  port: t`Port`,
  starboard: t`Starboard`,
  centre: t`Under the keel`,
};

export const BARE_WORDS: Record<BareKind, string> = {
  anode: t`Anode`,
  transducer: t`Transducer`,
  log: t`Log impeller`,
  'earth-plate': t`Earth plate`,
  'shaft-face': t`Shaft mating face`,
  'glue-face': t`Bonding face`,
  other: t`Other`,
};

/** Why paint is kept off it. */
export const BARE_WHY: Record<BareKind, string> = {
  anode: t`a painted anode doesn’t protect`,
  transducer: t`thick paint blocks the signal; use only what the manufacturer allows`,
  log: t`paint stops the impeller turning`,
  'earth-plate': t`a painted plate doesn’t earth`,
  'shaft-face': t`a painted face doesn’t seat`,
  'glue-face': t`glue would hold on the paint, not on the part`,
  other: '',
};
