/** The coating families of the trade, as the handbook names them. */
export const FAMILIES = {
  'passivating-wash': 'passivating wash',
  'rust-converter': 'rust converter',
  'penetrating-epoxy-sealer': 'penetrating epoxy sealer',
  'zinc-epoxy-primer': 'zinc epoxy primer',
  'epoxy-primer': 'epoxy primer',
  'surface-tolerant-epoxy': 'surface-tolerant epoxy',
  'epoxy-barrier': 'epoxy barrier',
  'epoxy-surfacer': 'epoxy high-build surfacer',
  'epoxy-filler': 'epoxy filler',
  'polyester-filler': 'polyester filler',
  'one-pack-primer': 'one-pack primer',
  'one-pack-undercoat': 'one-pack undercoat',
  'one-pack-enamel': 'one-pack enamel',
  'two-pack-polyurethane': 'two-pack polyurethane',
  'epoxy-finish': 'epoxy finish',
  'waterborne-acrylic': 'water-borne acrylic',
  'one-pack-bilge': 'one-pack bilge paint',
  'bilge-epoxy': 'bilge epoxy',
  'tie-coat': 'tie coat',
  'hard-antifouling': 'hard antifouling',
  'ablative-antifouling': 'ablative antifouling',
  'copper-free-antifouling': 'copper-free antifouling',
  varnish: 'clear varnish',
  'non-skid': 'non-skid aggregate',
} as const;

export type Family = keyof typeof FAMILIES;

/** What a surface is made of before the first coat. */
export const SUBSTRATES = {
  steel: 'steel',
  aluminium: 'aluminium',
  'stainless-bronze': 'stainless or bronze',
  grp: 'GRP with gelcoat',
  'grp-laminate': 'GRP laminate, bared',
  timber: 'timber',
  'timber-epoxy': 'timber, epoxy-saturated',
  ferrocement: 'ferrocement',
  'existing-paint': 'existing paint',
} as const;

export type Substrate = keyof typeof SUBSTRATES;
