import type { Family, Substrate } from './families.ts';

/** Families by what the rules of overcoating ask of them. */

/** Cured by a hardener and thinned with strong solvents. */
export const EPOXIES: readonly Family[] = [
  'penetrating-epoxy-sealer',
  'zinc-epoxy-primer',
  'epoxy-primer',
  'surface-tolerant-epoxy',
  'epoxy-barrier',
  'epoxy-surfacer',
  'epoxy-filler',
  'epoxy-finish',
  'bilge-epoxy',
];
export const TWO_PACKS: readonly Family[] = [...EPOXIES, 'two-pack-polyurethane'];
export const ONE_PACKS: readonly Family[] = [
  'one-pack-primer',
  'one-pack-undercoat',
  'one-pack-enamel',
  'one-pack-bilge',
  'varnish',
];
export const ANTIFOULINGS: readonly Family[] = [
  'hard-antifouling',
  'ablative-antifouling',
  'copper-free-antifouling',
];
export const FILLERS: readonly Family[] = ['epoxy-filler', 'polyester-filler'];
/** Gloss and weather coats that are no good under water. */
export const TOPCOATS: readonly Family[] = ['two-pack-polyurethane', 'one-pack-enamel', 'varnish'];
/** Everything thinned with solvents, for what water may be applied on. */
export const SOLVENT_BORNE: readonly Family[] = [...TWO_PACKS, ...ONE_PACKS];
/** Worked into the bare surface and no film of their own. */
export const TREATMENTS: readonly Family[] = ['passivating-wash', 'rust-converter'];

/** One-pack of the same task. */
export const ONE_PACK_FOR: Partial<Record<Family, Family>> = {
  'epoxy-primer': 'one-pack-primer',
  'zinc-epoxy-primer': 'one-pack-primer',
  'surface-tolerant-epoxy': 'one-pack-primer',
  'epoxy-barrier': 'one-pack-primer',
  'penetrating-epoxy-sealer': 'one-pack-primer',
  'epoxy-surfacer': 'one-pack-undercoat',
  'epoxy-filler': 'one-pack-undercoat',
  'polyester-filler': 'one-pack-undercoat',
  'epoxy-finish': 'one-pack-enamel',
  'bilge-epoxy': 'one-pack-bilge',
  'two-pack-polyurethane': 'one-pack-enamel',
};

/** Two-pack of the same task. */
export const TWO_PACK_FOR: Partial<Record<Family, Family>> = {
  'one-pack-primer': 'epoxy-primer',
  'one-pack-undercoat': 'epoxy-surfacer',
  'one-pack-enamel': 'two-pack-polyurethane',
  'one-pack-bilge': 'bilge-epoxy',
  varnish: 'two-pack-polyurethane',
};

export const BARE_METALS: readonly Substrate[] = ['steel', 'aluminium', 'stainless-bronze'];

export const isIn = <T extends string>(list: readonly T[], one: string): boolean =>
  (list as readonly string[]).includes(one);

/** Coats that the next ones hide: their colour may change from coat to coat, so that a miss shows [T]. */
const HIDDEN_LATER: readonly Family[] = [
  'zinc-epoxy-primer',
  'epoxy-primer',
  'surface-tolerant-epoxy',
  'epoxy-barrier',
  'epoxy-surfacer',
  'one-pack-primer',
  'one-pack-undercoat',
];

/**
 * The colours of a step where nobody chose: of primers and barriers two in turn, so that a miss shows; of what stays in sight, and of
 * antifouling, one. An antifouling that signals wear has its first coat in a colour of its own.
 *
 * `usualColours('epoxy-barrier', ['grey', 'white', 'red'])` → grey, white; of an enamel → grey.
 */
export const usualColours = (family: Family, names: readonly string[]): string[] =>
  names.slice(0, isIn(HIDDEN_LATER, family) ? 2 : 1);
