import type { HandFinding } from '../../core/cure/index.ts';
import type { Family, LayOrder, RemovalWay, Substrate } from '../../core/system/index.ts';
import { t } from '../../words.ts';

export { METHOD_WORDS, sayTask, TASK_WORDS } from '../../contract/words.ts';

/** Steps, methods and work in words. */

/** The coating families of the trade. */
export const FAMILY_WORDS: Record<Family, string> = {
  'passivating-wash': t`passivating wash`,
  'rust-converter': t`rust converter`,
  'penetrating-epoxy-sealer': t`penetrating epoxy sealer`,
  'zinc-epoxy-primer': t`zinc epoxy primer`,
  'epoxy-primer': t`epoxy primer`,
  'surface-tolerant-epoxy': t`surface-tolerant epoxy`,
  'epoxy-barrier': t`epoxy barrier`,
  'epoxy-surfacer': t`epoxy high-build surfacer`,
  'epoxy-filler': t`epoxy filler`,
  'polyester-filler': t`polyester filler`,
  'one-pack-primer': t`one-pack primer`,
  'one-pack-undercoat': t`one-pack undercoat`,
  'one-pack-enamel': t`one-pack enamel`,
  'two-pack-polyurethane': t`two-pack polyurethane`,
  'epoxy-finish': t`epoxy finish`,
  'waterborne-acrylic': t`water-borne acrylic`,
  'one-pack-bilge': t`one-pack bilge paint`,
  'bilge-epoxy': t`bilge epoxy`,
  'tie-coat': t`tie coat`,
  'hard-antifouling': t`hard antifouling`,
  'ablative-antifouling': t`ablative antifouling`,
  'copper-free-antifouling': t`copper-free antifouling`,
  varnish: t`clear varnish`,
  'non-skid': t`non-skid aggregate`,
};

/** What a surface is made of before the first coat. */
export const SUBSTRATE_WORDS: Record<Substrate, string> = {
  steel: t`steel`,
  aluminium: t`aluminium`,
  'stainless-bronze': t`stainless or bronze`,
  grp: t`GRP with gelcoat`,
  'grp-laminate': t`GRP laminate, bared`,
  timber: t`timber`,
  'timber-epoxy': t`timber, epoxy-saturated`,
  ferrocement: t`ferrocement`,
  'existing-paint': t`existing paint`,
};

export const ORDER_WORDS: Record<LayOrder, string> = {
  'bottom-up': t`bottom up`,
  'top-down': t`top down`,
};

/** Results of a hand test. */
export const FOUND_WORDS: Record<HandFinding, string> = {
  sticks: t`sticky to the thumb`,
  prints: t`thumb leaves a print but nothing sticks`,
  'no-print': t`thumb leaves no print`,
  dents: t`fingernail leaves a dent`,
  hard: t`fingernail leaves no dent`,
  clogs: t`clogs the sandpaper`,
  powders: t`sands to a powder`,
};

/** How coats are taken off again. */
export const WAY_OFF_WORDS: Record<RemovalWay, string> = {
  sanded: t`Sanded off`,
  scraped: t`Scraped off`,
  stripped: t`Stripped`,
  blasted: t`Blasted off`,
};
