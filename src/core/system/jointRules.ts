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
import { type Ground, holdsCopper, type Rule } from './rules.ts';

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
      'copper eats aluminium: through any scratch in the barrier the plate is the anode (an antifouling whose sheet does not say is taken to hold it)',
    mark: 'T',
    never: true,
    when: ({ lay, substrate }) =>
      substrate === 'aluminium' && holdsCopper(lay) && isIn(ANTIFOULINGS, lay.family),
  },
  {
    id: 'copper-bearing-on-aluminium',
    verdict: 'no',
    reason:
      'a coat that holds copper eats aluminium wherever it meets it, through a thin film too: only over a full barrier, and where its sheet allows it',
    mark: 'T',
    never: true,
    when: ({ lay, substrate, barrierBelow, sheetNamesMetal }) =>
      substrate === 'aluminium' &&
      holdsCopper(lay) &&
      !isIn(ANTIFOULINGS, lay.family) &&
      !(barrierBelow && sheetNamesMetal),
  },
  {
    id: 'antifouling-on-bare',
    verdict: 'no',
    reason: 'antifouling on a bare surface neither holds nor protects: primer or barrier first',
    mark: 'T',
    when: ({ ground, lay }) =>
      ground.kind === 'bare' &&
      isIn(ANTIFOULINGS, lay.family) &&
      !isIn(['timber', 'timber-epoxy'], ground.substrate),
  },
  {
    id: 'antifouling-on-timber',
    verdict: 'condition',
    reason: 'antifouling straight on timber is one way of the trade; the other seals and primes first',
    condition: 'timber that lives wet and is recoated every year',
    mark: 'T',
    when: ({ ground, lay }) =>
      ground.kind === 'bare' &&
      isIn(ANTIFOULINGS, lay.family) &&
      isIn(['timber', 'timber-epoxy'], ground.substrate),
  },
  {
    id: 'over-unknown-antifouling',
    verdict: 'condition',
    reason: 'what lies there is unknown: it may lift, and may hold lead or tin',
    condition: 'a tie coat first, or take it off; a test patch before either',
    mark: 'T',
    when: ({ ground, service }) =>
      ground.kind === 'old' && ground.family === 'unknown' && service === 'immersed',
  },
  {
    id: 'over-unknown-paint',
    verdict: 'condition',
    reason: 'what lies there is unknown: a strong solvent may lift it',
    condition: 'solvent rub and a test patch; softening means one-pack',
    mark: 'T',
    when: ({ ground, service }) =>
      ground.kind === 'old' && ground.family === 'unknown' && service !== 'immersed',
  },
  {
    id: 'two-pack-over-one-pack',
    verdict: 'no',
    reason: 'the strong solvent lifts and wrinkles the one-pack: a barrier or removal',
    mark: 'T',
    when: ({ ground, lay }) =>
      over(ground, ONE_PACKS) && isIn([...TWO_PACKS, 'polyester-filler'], lay.family),
  },
  {
    id: 'two-pack-over-waterborne',
    verdict: 'condition',
    reason: 'the strong solvent may swell a water-borne acrylic',
    condition: 'fully cured, abraded, a test patch first',
    mark: 'T',
    when: ({ ground, lay }) => over(ground, ['waterborne-acrylic']) && isIn(TWO_PACKS, lay.family),
  },
  {
    id: 'hard-over-ablative',
    verdict: 'no',
    reason: 'the soft coat wears away from under the hard one, which falls off',
    mark: 'T',
    when: ({ ground, lay }) => over(ground, ['ablative-antifouling']) && lay.family === 'hard-antifouling',
  },
  {
    id: 'hard-over-ablative-tied',
    verdict: 'condition',
    reason: 'under the tie coat the soft coat still wears and swells, and takes the hard one with it',
    condition: 'the ablative below is sound and thin; taking it off is better',
    mark: 'T',
    never: true,
    when: ({ ground, lay, beneath }) =>
      over(ground, ['tie-coat']) && beneath === 'ablative-antifouling' && lay.family === 'hard-antifouling',
  },
  {
    id: 'antifouling-on-surfacer',
    verdict: 'condition',
    reason: 'a high-build surfacer under antifouling takes up water',
    condition: 'sealed by a barrier coat first',
    mark: 'T',
    never: true,
    when: ({ ground, lay, beneath }) =>
      isIn(ANTIFOULINGS, lay.family) &&
      (over(ground, ['epoxy-surfacer']) || (over(ground, ['tie-coat']) && beneath === 'epoxy-surfacer')),
  },
  {
    id: 'ablative-over-hard',
    verdict: 'condition',
    reason: 'it does not bite on the hard coat as it is',
    condition: 'abraded',
    mark: 'T',
    when: ({ ground, lay }) => over(ground, ['hard-antifouling']) && lay.family === 'ablative-antifouling',
  },
  {
    id: 'over-antifouling',
    verdict: 'no',
    reason: 'only antifouling or a tie coat goes over antifouling: anything else lifts with it',
    mark: 'T',
    when: ({ ground, lay }) =>
      over(ground, ANTIFOULINGS) && !isIn(ANTIFOULINGS, lay.family) && lay.family !== 'tie-coat',
  },
  {
    id: 'polyester-over-epoxy',
    verdict: 'no',
    reason: 'polyester does not cure on epoxy: amines stop it, and it lets go',
    mark: 'T',
    when: ({ ground, lay }) =>
      lay.family === 'polyester-filler' &&
      (over(ground, EPOXIES) || (ground.kind === 'bare' && ground.substrate === 'timber-epoxy')),
  },
  {
    id: 'polyester-under-water',
    verdict: 'no',
    reason: 'polyester filler takes up water: below the line only epoxy filler',
    mark: 'T',
    when: ({ lay, service }) =>
      lay.family === 'polyester-filler' && (service === 'immersed' || service === 'tank'),
  },
  {
    id: 'filler-on-bare-steel',
    verdict: 'no',
    reason: 'filler on bare blasted steel holds moisture to it: primer first, then filler, then primer again',
    mark: 'T',
    when: ({ ground, lay }) =>
      ground.kind === 'bare' && ground.substrate === 'steel' && isIn(FILLERS, lay.family),
  },
  {
    id: 'filler-on-bare-aluminium',
    verdict: 'no',
    reason: 'filler does not hold on bare aluminium, and the metal corrodes unseen under it: primer first',
    mark: 'T',
    when: ({ ground, lay }) =>
      ground.kind === 'bare' && ground.substrate === 'aluminium' && isIn(FILLERS, lay.family),
  },
  {
    id: 'finish-on-filler',
    verdict: 'condition',
    reason: 'bare filler drinks the coat over it and shows through: primer again over the filler',
    condition: 'sealed with a primer first',
    mark: 'T',
    when: ({ ground, lay }) => over(ground, FILLERS) && isIn(ON_PRIMER, lay.family),
  },
  {
    id: 'zinc-off-steel',
    verdict: 'no',
    reason:
      'zinc protects only where it touches bare steel: over paint, or on anything else, it does nothing',
    mark: 'T',
    when: ({ ground, lay, substrate }) =>
      lay.family === 'zinc-epoxy-primer' &&
      (substrate !== 'steel' ||
        (ground.kind !== 'bare' && !over(ground, [...TREATMENTS, 'zinc-epoxy-primer']))),
  },
  {
    id: 'sealer-on-film',
    verdict: 'no',
    reason:
      'a penetrating sealer soaks in: over a film there is nothing to soak into, and it lies there as a weak skin',
    mark: 'T',
    when: ({ ground, lay }) =>
      lay.family === 'penetrating-epoxy-sealer' &&
      ground.kind !== 'bare' &&
      !over(ground, [...FILLERS, 'penetrating-epoxy-sealer']),
  },
  {
    id: 'converter-under-epoxy',
    verdict: 'condition',
    reason: 'wet or red converter under epoxy comes back as rust',
    condition: 'fully black, dry, scuffed',
    mark: 'T',
    when: ({ ground, lay }) => over(ground, ['rust-converter']) && isIn(EPOXIES, lay.family),
  },
  {
    id: 'converter-off-steel',
    verdict: 'no',
    reason: 'rust converter needs rust: there is none to work on here',
    mark: 'T',
    when: ({ ground, lay, substrate }) =>
      lay.family === 'rust-converter' && (substrate !== 'steel' || ground.kind === 'coat'),
  },
  {
    id: 'wash-on-paint',
    verdict: 'no',
    reason: 'a passivating wash holds flash rust off bare steel: over paint it only leaves salts',
    mark: 'T',
    when: ({ ground, lay, substrate }) =>
      lay.family === 'passivating-wash' && (substrate !== 'steel' || ground.kind !== 'bare'),
  },
  {
    id: 'one-pack-over-two-pack',
    verdict: 'condition',
    reason: 'cured two-pack is closed: a one-pack only lies on it',
    condition: 'abraded, or inside the two-pack’s window if its sheet allows',
    mark: 'T',
    when: ({ ground, lay }) => over(ground, TWO_PACKS) && isIn(ONE_PACKS, lay.family),
  },
  {
    id: 'waterborne-over-solvent',
    verdict: 'condition',
    reason: 'solvent still in the coat below breaks the water-borne film',
    condition: 'only once the solvent-borne coat is cured',
    mark: 'T',
    when: ({ ground, lay }) => over(ground, SOLVENT_BORNE) && lay.family === 'waterborne-acrylic',
  },
  {
    id: 'after-window',
    verdict: 'condition',
    reason: 'the window has closed: the coats no longer bond chemically',
    condition: 'abraded with the stated grit: then it bonds mechanically',
    mark: 'T',
    never: true,
    when: ({ windowClosed, ground }) => windowClosed && ground.kind !== 'bare',
  },
  {
    id: 'over-old-paint',
    verdict: 'condition',
    reason: 'old paint is long closed, and chalks',
    condition: 'sound by the adhesion test, washed and abraded',
    mark: 'T',
    never: true,
    when: ({ ground }) => ground.kind === 'old',
  },
];
