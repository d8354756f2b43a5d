import type { Family } from './families.ts';
import {
  ANTIFOULINGS,
  EPOXIES,
  FILLERS,
  isIn,
  ONE_PACKS,
  SOLVENT_BORNE,
  TOPCOATS,
  TREATMENTS,
  TWO_PACKS,
} from './groups.ts';
import { type Ground, isCuprous, type Rule } from './rules.ts';

const onFamily = (ground: Ground): Family | 'unknown' | null =>
  ground.kind === 'bare' ? null : ground.family;
const over = (ground: Ground, families: readonly Family[]) => {
  const family = onFamily(ground);
  return family !== null && isIn(families, family);
};
/** Coats that want a primer between themselves and a filler. */
const ON_PRIMER: readonly Family[] = [
  ...ANTIFOULINGS,
  ...TOPCOATS,
  'epoxy-finish',
  'waterborne-acrylic',
  'one-pack-bilge',
];

/**
 * What goes over what: the trade's rules for one joint; each that speaks is told. All common practice [T] unless marked;
 * a product's own sheet wins over all but those marked `never`.
 */
export const JOINT_RULES: readonly Rule[] = [
  {
    id: 'copper-on-aluminium',
    verdict: 'no',
    reason:
      'Copper corrodes aluminium: at any scratch in the barrier, the plate becomes the anode. An antifouling is assumed to contain copper if its data sheet doesn’t say',
    mark: 'T',
    never: true,
    when: ({ coat, substrate }) =>
      substrate === 'aluminium' && isCuprous(coat) && isIn(ANTIFOULINGS, coat.family),
  },
  {
    id: 'copper-bearing-on-aluminium',
    verdict: 'no',
    reason:
      'A coat containing copper corrodes aluminium wherever they touch, even through a thin film. Use it only over a full barrier and only if its data sheet allows it',
    mark: 'T',
    never: true,
    when: ({ coat, substrate, barrierBelow, sheetNamesMetal }) =>
      substrate === 'aluminium' &&
      isCuprous(coat) &&
      !isIn(ANTIFOULINGS, coat.family) &&
      !(barrierBelow && sheetNamesMetal),
  },
  {
    id: 'antifouling-on-bare',
    verdict: 'no',
    reason: 'Antifouling on a bare surface neither adheres nor protects. Apply a primer or barrier first',
    mark: 'T',
    when: ({ ground, coat }) =>
      ground.kind === 'bare' &&
      isIn(ANTIFOULINGS, coat.family) &&
      !isIn(['timber', 'timber-epoxy'], ground.substrate),
  },
  {
    id: 'antifouling-on-timber',
    verdict: 'condition',
    reason: 'Some painters put antifouling straight on timber; others seal and prime first',
    condition: 'the timber stays wet and is recoated every year',
    mark: 'T',
    when: ({ ground, coat }) =>
      ground.kind === 'bare' &&
      isIn(ANTIFOULINGS, coat.family) &&
      isIn(['timber', 'timber-epoxy'], ground.substrate),
  },
  {
    id: 'over-unknown-antifouling',
    verdict: 'condition',
    reason: 'The existing coating is unknown. It may lift, and may contain lead or tin',
    condition: 'you do a test patch, then apply a tie coat first or remove the existing coating',
    mark: 'T',
    when: ({ ground, service }) =>
      ground.kind === 'old' && ground.family === 'unknown' && service === 'immersed',
  },
  {
    id: 'over-unknown-paint',
    verdict: 'condition',
    reason: 'The existing paint is unknown. A strong solvent may lift it',
    condition: 'you do a solvent rub and a test patch first (paint that softens is a one-pack)',
    mark: 'T',
    when: ({ ground, service }) =>
      ground.kind === 'old' && ground.family === 'unknown' && service !== 'immersed',
  },
  {
    id: 'two-pack-over-one-pack',
    verdict: 'no',
    reason:
      'The strong solvent lifts and wrinkles the one-pack. Put a barrier between them or remove the one-pack',
    mark: 'T',
    when: ({ ground, coat }) =>
      over(ground, ONE_PACKS) && isIn([...TWO_PACKS, 'polyester-filler'], coat.family),
  },
  {
    id: 'two-pack-over-waterborne',
    verdict: 'condition',
    reason: 'The strong solvent may swell a water-borne acrylic',
    condition: 'the acrylic is fully cured and abraded, and you do a test patch first',
    mark: 'T',
    when: ({ ground, coat }) => over(ground, ['waterborne-acrylic']) && isIn(TWO_PACKS, coat.family),
  },
  {
    id: 'hard-over-ablative',
    verdict: 'no',
    reason: 'The soft antifouling wears away under the hard one, which then falls off',
    mark: 'T',
    when: ({ ground, coat }) => over(ground, ['ablative-antifouling']) && coat.family === 'hard-antifouling',
  },
  {
    id: 'hard-over-ablative-tied',
    verdict: 'condition',
    reason: 'Even under a tie coat, the soft antifouling wears and swells and takes the hard one with it',
    condition: 'the ablative below is sound and thin (removing it is better)',
    mark: 'T',
    never: true,
    when: ({ ground, coat, beneath }) =>
      over(ground, ['tie-coat']) && beneath === 'ablative-antifouling' && coat.family === 'hard-antifouling',
  },
  {
    id: 'antifouling-on-surfacer',
    verdict: 'condition',
    reason: 'A high-build surfacer under antifouling absorbs water',
    condition: 'the surfacer is sealed with a barrier coat first',
    mark: 'T',
    never: true,
    when: ({ ground, coat, beneath }) =>
      isIn(ANTIFOULINGS, coat.family) &&
      (over(ground, ['epoxy-surfacer']) || (over(ground, ['tie-coat']) && beneath === 'epoxy-surfacer')),
  },
  {
    id: 'ablative-over-hard',
    verdict: 'condition',
    reason: 'Ablative antifouling doesn’t grip a hard antifouling that hasn’t been sanded',
    condition: 'abraded',
    mark: 'T',
    when: ({ ground, coat }) => over(ground, ['hard-antifouling']) && coat.family === 'ablative-antifouling',
  },
  {
    id: 'over-antifouling',
    verdict: 'no',
    reason: 'Only antifouling or a tie coat can go over antifouling. Anything else lifts off with it',
    mark: 'T',
    when: ({ ground, coat }) =>
      over(ground, ANTIFOULINGS) && !isIn(ANTIFOULINGS, coat.family) && coat.family !== 'tie-coat',
  },
  {
    id: 'polyester-over-epoxy',
    verdict: 'no',
    reason: 'Polyester doesn’t cure on epoxy: amines stop the cure and the polyester comes off',
    mark: 'T',
    when: ({ ground, coat }) =>
      coat.family === 'polyester-filler' &&
      (over(ground, EPOXIES) || (ground.kind === 'bare' && ground.substrate === 'timber-epoxy')),
  },
  {
    id: 'polyester-under-water',
    verdict: 'no',
    reason: 'Polyester filler absorbs water. Under water, use only epoxy filler',
    mark: 'T',
    when: ({ coat, service }) =>
      coat.family === 'polyester-filler' && (service === 'immersed' || service === 'tank'),
  },
  {
    id: 'filler-on-bare-steel',
    verdict: 'no',
    reason:
      'Filler on bare blasted steel traps moisture against the steel. Prime, then fill, then prime again',
    mark: 'T',
    when: ({ ground, coat }) =>
      ground.kind === 'bare' && ground.substrate === 'steel' && isIn(FILLERS, coat.family),
  },
  {
    id: 'filler-on-bare-aluminium',
    verdict: 'no',
    reason: 'Filler doesn’t adhere to bare aluminium, and the metal corrodes unseen beneath it. Prime first',
    mark: 'T',
    when: ({ ground, coat }) =>
      ground.kind === 'bare' && ground.substrate === 'aluminium' && isIn(FILLERS, coat.family),
  },
  {
    id: 'finish-on-filler',
    verdict: 'condition',
    reason: 'Bare filler soaks up the coat above and shows through. Prime again over the filler',
    condition: 'the filler is sealed with a primer first',
    mark: 'T',
    when: ({ ground, coat }) => over(ground, FILLERS) && isIn(ON_PRIMER, coat.family),
  },
  {
    id: 'zinc-off-steel',
    verdict: 'no',
    reason:
      'Zinc protects only in direct contact with bare steel. Over paint or on any other material it does nothing',
    mark: 'T',
    when: ({ ground, coat, substrate }) =>
      coat.family === 'zinc-epoxy-primer' &&
      (substrate !== 'steel' ||
        (ground.kind !== 'bare' && !over(ground, [...TREATMENTS, 'zinc-epoxy-primer']))),
  },
  {
    id: 'sealer-on-film',
    verdict: 'no',
    reason: 'A penetrating sealer needs a surface to soak into. Over a film it only leaves a weak skin',
    mark: 'T',
    when: ({ ground, coat }) =>
      coat.family === 'penetrating-epoxy-sealer' &&
      ground.kind !== 'bare' &&
      !over(ground, [...FILLERS, 'penetrating-epoxy-sealer']),
  },
  {
    id: 'converter-under-epoxy',
    verdict: 'condition',
    reason: 'Where the converter is still wet or red, rust comes back under the epoxy',
    condition: 'the converter is fully black, dry and scuffed',
    mark: 'T',
    when: ({ ground, coat }) => over(ground, ['rust-converter']) && isIn(EPOXIES, coat.family),
  },
  {
    id: 'converter-off-steel',
    verdict: 'no',
    reason: 'Rust converter needs rust to work on, and there’s none here',
    mark: 'T',
    when: ({ ground, coat, substrate }) =>
      coat.family === 'rust-converter' && (substrate !== 'steel' || ground.kind === 'coat'),
  },
  {
    id: 'wash-on-paint',
    verdict: 'no',
    reason: 'A passivating wash keeps flash rust off bare steel. Over paint it only leaves salts',
    mark: 'T',
    when: ({ ground, coat, substrate }) =>
      coat.family === 'passivating-wash' && (substrate !== 'steel' || ground.kind !== 'bare'),
  },
  {
    id: 'one-pack-over-two-pack',
    verdict: 'condition',
    reason: 'A cured two-pack has a sealed surface, so a one-pack only sits on top',
    condition: 'the two-pack is abraded, or still inside its overcoat window and its data sheet allows it',
    mark: 'T',
    when: ({ ground, coat }) => over(ground, TWO_PACKS) && isIn(ONE_PACKS, coat.family),
  },
  {
    id: 'waterborne-over-solvent',
    verdict: 'condition',
    reason: 'Solvent still in the coat below breaks up the water-borne film',
    condition: 'the solvent-borne coat has cured',
    mark: 'T',
    when: ({ ground, coat }) => over(ground, SOLVENT_BORNE) && coat.family === 'waterborne-acrylic',
  },
  {
    id: 'after-window',
    verdict: 'condition',
    reason: 'The overcoat window has closed, so the coats no longer bond chemically',
    condition: 'the coat below is abraded with the stated grit (mechanical bond)',
    mark: 'T',
    never: true,
    when: ({ windowClosed, ground }) => windowClosed && ground.kind !== 'bare',
  },
  {
    id: 'over-old-paint',
    verdict: 'condition',
    reason: 'Old paint is far beyond its overcoat window, and it chalks',
    condition: 'the old paint passes the adhesion test and is washed and abraded',
    mark: 'T',
    never: true,
    when: ({ ground }) => ground.kind === 'old',
  },
];
