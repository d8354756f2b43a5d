import { GRP, prepare, sand, type Template, TIMBER, wait, wash } from './template.ts';

/** Typical stacks in sun and spray [T, handbook part 5]. */
export const TOPSIDES: readonly Template[] = [
  {
    id: 'topsides-two-pack',
    name: 'Topsides, two-pack',
    substrates: [...GRP, ...TIMBER, 'steel', 'aluminium', 'ferrocement'],
    services: ['daylight', 'splash'],
    school: 'Lasts and keeps its gloss. Needs a dry, mild day and breathing protection',
    steps: [
      {
        family: 'epoxy-primer',
        coats: 3,
        method: 'roller',
        before: [wash('dewax, wash and dry'), sand(120)],
        sandBetween: 180,
      },
      {
        family: 'two-pack-polyurethane',
        coats: 3,
        method: 'roll-and-tip',
        before: [sand(280), wash('solvent wipe, tack cloth')],
        sandBetween: 320,
      },
    ],
  },
  {
    id: 'topsides-one-pack',
    name: 'Topsides, one-pack',
    substrates: [...GRP, ...TIMBER, 'existing-paint'],
    services: ['daylight', 'splash', 'interior'],
    school: 'Forgiving, even in winter and outdoors. Softer and fades sooner',
    steps: [
      {
        family: 'one-pack-primer',
        coats: 2,
        method: 'roller',
        before: [wash('wash, dry'), sand(120)],
        sandBetween: 180,
      },
      { family: 'one-pack-undercoat', coats: 1, method: 'roll-and-tip', before: [sand(220)] },
      {
        family: 'one-pack-enamel',
        coats: 3,
        method: 'roll-and-tip',
        before: [sand(280), wash('wipe lightly with a tack cloth')],
        sandBetween: 320,
      },
    ],
  },
  {
    id: 'timber-lapstrake',
    name: 'Clinker or plywood, sealed and enamelled',
    substrates: TIMBER,
    services: ['daylight', 'splash'],
    steps: [
      {
        family: 'penetrating-epoxy-sealer',
        coats: 3,
        method: 'brush',
        before: [prepare('dry and fair the timber; mask faces to be glued')],
      },
      {
        family: 'epoxy-primer',
        coats: 2,
        method: 'roller',
        before: [wait(24, 'apply the last sealer coat 24 h before the paint so that they bond chemically')],
        sandBetween: 220,
      },
      { family: 'one-pack-enamel', coats: 3, method: 'roll-and-tip', before: [sand(220)], sandBetween: 320 },
    ],
  },
  {
    id: 'non-skid',
    name: 'Deck, non-skid',
    substrates: [...GRP, ...TIMBER, 'steel', 'aluminium'],
    services: ['daylight'],
    steps: [
      { family: 'epoxy-primer', coats: 2, method: 'roller', before: [wash('dewax, wash'), sand(80)] },
      {
        family: 'two-pack-polyurethane',
        coats: 1,
        method: 'roller',
        before: [sand(180)],
      },
      {
        family: 'two-pack-polyurethane',
        coats: 2,
        method: 'roller',
        before: [
          {
            kind: 'aggregate',
            amount: null,
            note: 'broadcast to excess into the wet base coat and sweep up the surplus next day. The first seal coat takes two to three times as much as a smooth coat, the second half of that. Keep the same masking tape for all coats',
          },
        ],
      },
    ],
  },
];
