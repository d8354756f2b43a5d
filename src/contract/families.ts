import type { Family, Substrate } from '../core/system/index.ts';

/** Every family, for schemas that name one. */
export const families: Record<Family, true> = {
  'passivating-wash': true,
  'rust-converter': true,
  'penetrating-epoxy-sealer': true,
  'zinc-epoxy-primer': true,
  'epoxy-primer': true,
  'surface-tolerant-epoxy': true,
  'epoxy-barrier': true,
  'epoxy-surfacer': true,
  'epoxy-filler': true,
  'polyester-filler': true,
  'one-pack-primer': true,
  'one-pack-undercoat': true,
  'one-pack-enamel': true,
  'two-pack-polyurethane': true,
  'epoxy-finish': true,
  'waterborne-acrylic': true,
  'one-pack-bilge': true,
  'bilge-epoxy': true,
  'tie-coat': true,
  'hard-antifouling': true,
  'ablative-antifouling': true,
  'copper-free-antifouling': true,
  varnish: true,
  'non-skid': true,
};

/** Every substrate, for schemas that name one. */
export const substrates: Record<Substrate, true> = {
  steel: true,
  aluminium: true,
  'stainless-bronze': true,
  grp: true,
  'grp-laminate': true,
  timber: true,
  'timber-epoxy': true,
  ferrocement: true,
  'existing-paint': true,
};
