import type { Family, Substrate } from './families.ts';
import {
  ANTIFOULINGS,
  BARE_METALS,
  EPOXIES,
  FILLERS,
  isIn,
  ONE_PACKS,
  SOLVENT_BORNE,
  TOPCOATS,
  TWO_PACKS,
} from './groups.ts';

/** What an area has to stand; as the survey has it. */
export type ServiceKind = 'immersed' | 'splash' | 'daylight' | 'interior' | 'bilge' | 'tank';

export type Verdict = 'fine' | 'condition' | 'no';
/** How two coats hold together: one film, by tooth, by a tie coat, not at all. */
export type Bond = 'fused' | 'keyed' | 'tie' | 'none';
/** Where a rule comes from: standard, common practice, memory, or the product's sheet. */
export type Mark = 'S' | 'T' | 'M' | 'P';

/** What a coat goes on: a bare substrate, an old coating (known or not), or the coat before it. */
export type Ground =
  | { kind: 'bare'; substrate: Substrate }
  | { kind: 'old'; family: Family | 'unknown' }
  | { kind: 'coat'; family: Family };

/** A coat as the rules see it. */
export interface Lay {
  family: Family;
  /** Holds copper; null: the sheet does not say. */
  copper: boolean | null;
}

/** Everything round a joint that a rule may ask for. */
export interface Joint {
  ground: Ground;
  lay: Lay;
  substrate: Substrate;
  service: ServiceKind;
  /** The window of the coat below has closed. */
  windowClosed: boolean;
}

export interface Rule {
  id: string;
  verdict: Exclude<Verdict, 'fine'>;
  /** What goes wrong, in the trade's words. */
  reason: string;
  /** What makes it fine, of a condition. */
  condition?: string;
  mark: Mark;
  /** Holds whatever a sheet says. */
  never?: true;
  /** Does it speak of this joint? */
  when(joint: Joint): boolean;
}

const onFamily = (ground: Ground): Family | 'unknown' | null =>
  ground.kind === 'bare' ? null : ground.family;
const over = (ground: Ground, families: readonly Family[]) => {
  const family = onFamily(ground);
  return family !== null && isIn(families, family);
};
/** Antifoulings hold copper unless their family or their sheet says otherwise. */
export const holdsCopper = ({ family, copper }: Lay): boolean =>
  isIn(ANTIFOULINGS, family) && family !== 'copper-free-antifouling' && copper !== false;

/**
 * What goes over what: the trade's rules for one joint, first fit for each. All common practice [T] unless marked;
 * a product's own sheet wins over all but those marked `never`.
 */
export const JOINT_RULES: readonly Rule[] = [
  {
    id: 'copper-on-aluminium',
    verdict: 'no',
    reason: 'copper eats aluminium: through any scratch in the barrier the plate is the anode',
    mark: 'T',
    never: true,
    when: ({ lay, substrate }) => substrate === 'aluminium' && holdsCopper(lay),
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
    reason: 'antifouling straight on timber is one school’s way; the other seals and primes first',
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
    when: ({ ground, lay }) => over(ground, ONE_PACKS) && isIn(TWO_PACKS, lay.family),
  },
  {
    id: 'hard-over-ablative',
    verdict: 'no',
    reason: 'the soft coat wears away from under the hard one, which falls off',
    mark: 'T',
    when: ({ ground, lay }) => over(ground, ['ablative-antifouling']) && lay.family === 'hard-antifouling',
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
    when: ({ ground, lay }) => over(ground, EPOXIES) && lay.family === 'polyester-filler',
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
    condition: 'abraded with the stated grit: then it bonds by tooth',
    mark: 'T',
    when: ({ windowClosed, ground }) => windowClosed && ground.kind !== 'bare',
  },
  {
    id: 'over-old-paint',
    verdict: 'condition',
    reason: 'old paint is long closed, and chalks',
    condition: 'sound by the adhesion test, washed and abraded',
    mark: 'T',
    when: ({ ground }) => ground.kind === 'old',
  },
];

/** Rules that speak of the whole stack rather than one joint. */
export interface ServiceRule {
  id: string;
  verdict: Exclude<Verdict, 'fine'>;
  reason: string;
  mark: Mark;
  /** The layers at fault, by index from the ground; none: it does not speak here. */
  at(stack: { families: readonly Family[]; substrate: Substrate; service: ServiceKind }): number[];
}

const weather: readonly ServiceKind[] = ['daylight', 'splash'];

export const SERVICE_RULES: readonly ServiceRule[] = [
  {
    id: 'epoxy-in-daylight',
    verdict: 'no',
    reason:
      'epoxy chalks in the sun: it is fine in bilges, behind panels and under antifouling, not as the last coat',
    mark: 'T',
    at: ({ families, service }) => {
      const last = families.length - 1;
      return last >= 0 && isIn(weather, service) && isIn(EPOXIES, families[last] as Family) ? [last] : [];
    },
  },
  {
    id: 'topcoat-under-water',
    verdict: 'no',
    reason:
      'polyurethane and enamel blister and foul under water: keep them above the line, antifouling carried a little over',
    mark: 'T',
    at: ({ families, service }) =>
      service === 'immersed' || service === 'tank'
        ? families.flatMap((family, i) => (isIn(TOPCOATS, family) ? [i] : []))
        : [],
  },
  {
    id: 'zinc-under-water',
    verdict: 'no',
    reason: 'zinc primer beside anodes becomes one: only under a full barrier',
    mark: 'T',
    at: ({ families, service }) =>
      service === 'immersed'
        ? families.flatMap((family, i) =>
            family === 'zinc-epoxy-primer' && !families.slice(i + 1).includes('epoxy-barrier') ? [i] : [],
          )
        : [],
  },
  {
    id: 'treatment-last',
    verdict: 'no',
    reason: 'a wash or converter is no coat: it wants paint over it',
    mark: 'T',
    at: ({ families }) => {
      const last = families.length - 1;
      return last >= 0 && isIn(['passivating-wash', 'rust-converter'], families[last] as Family)
        ? [last]
        : [];
    },
  },
  {
    id: 'metal-without-primer',
    verdict: 'no',
    reason: 'nothing between bare metal and the paint: a primer for the metal first',
    mark: 'T',
    at: ({ families, substrate }) => {
      const film = families.findIndex((family) => !isIn(['passivating-wash', 'rust-converter'], family));
      const primers: readonly Family[] = [
        'zinc-epoxy-primer',
        'epoxy-primer',
        'surface-tolerant-epoxy',
        'epoxy-barrier',
        'one-pack-primer',
        'bilge-epoxy',
        'epoxy-finish',
      ];
      const family = families[film];
      if (!family || !isIn(BARE_METALS, substrate)) return [];
      // Fillers and antifouling on bare metal have rules of their own.
      if (isIn(primers, family) || isIn(FILLERS, family) || isIn(ANTIFOULINGS, family)) return [];
      return [film];
    },
  },
];

/** Things never painted: the leave-bare list of the survey. [T] */
export const LEAVE_BARE_REASON =
  'anodes, transducers, log impellers, earth plates and zinc-backed shaft faces stay bare: they are on the leave-bare list';
