import { GRP, prepare, sand, type Template, TIMBER, wait, wash } from './template.ts';

/** Typical stacks in sun and spray [T, handbook part 5]. */
export const TOPSIDES: readonly Template[] = [
  {
    id: 'topsides-two-pack',
    name: 'Topsides, two-pack',
    substrates: [...GRP, ...TIMBER, 'steel', 'aluminium', 'ferrocement'],
    services: ['daylight', 'splash'],
    school: 'lasts and keeps its gloss; wants a dry, mild day and breathing protection',
    steps: [
      {
        family: 'epoxy-primer',
        coats: 3,
        method: 'roller',
        before: [wash('dewax, wash, dry'), sand(120)],
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
    school: 'forgiving, in winter and outdoors too; softer, and fades sooner',
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
        before: [sand(280), wash('tack cloth, lightly')],
        sandBetween: 320,
      },
    ],
  },
  {
    id: 'timber-lapstrake',
    name: 'Lapstrake or ply, sealed and enamelled',
    substrates: TIMBER,
    services: ['daylight', 'splash'],
    steps: [
      {
        family: 'penetrating-epoxy-sealer',
        coats: 3,
        method: 'brush',
        before: [prepare('dry and fair; glue faces masked bare')],
      },
      {
        family: 'epoxy-primer',
        coats: 2,
        method: 'roller',
        before: [wait(24, 'the last sealer coat a day before paint, so that it bonds chemically')],
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
            note: 'broadcast to excess into the wet base coat; sweep up next day. The first seal coat takes two to three times a smooth one, the second half of that; all under one tape',
          },
        ],
      },
    ],
  },
];
