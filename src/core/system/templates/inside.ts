import { GRP, inspect, sand, type Template, TIMBER, wait, wash } from './template.ts';

/** Typical stacks inside the boat [T, handbook part 5]. */
export const INSIDE: readonly Template[] = [
  {
    id: 'bilge-epoxy',
    name: 'Bilge, epoxy',
    substrates: ['steel', ...GRP, ...TIMBER, 'ferrocement', 'aluminium'],
    services: ['bilge'],
    school: 'Two thick coats that resist oil. Needs dry air, and a mask in a confined space',
    steps: [
      {
        family: 'bilge-epoxy',
        coats: 2,
        method: 'brush',
        before: [wash('wash with trisodium phosphate, then rinse'), wait(24, 'dry with a fan')],
      },
    ],
  },
  {
    id: 'bilge-one-pack',
    name: 'Bilge, one-pack',
    substrates: [...GRP, ...TIMBER, 'existing-paint', 'ferrocement'],
    services: ['bilge', 'interior'],
    school: 'One coat a day without sanding in between. Can go over sound old paint',
    steps: [
      {
        family: 'one-pack-bilge',
        coats: 3,
        method: 'brush',
        before: [wash('wash with trisodium phosphate, then rinse'), wait(24, 'dry with a fan')],
      },
    ],
  },
  {
    id: 'tank',
    name: 'Inside of a tank, epoxy',
    substrates: ['steel', ...TIMBER, ...GRP],
    services: ['tank'],
    steps: [
      {
        family: 'epoxy-barrier',
        coats: { targetMicrons: 500 },
        method: 'brush',
        before: [wash('degrease, rinse, dry'), sand(80), inspect('never work alone inside; ventilate')],
      },
    ],
  },
  {
    id: 'joinery',
    name: 'Interior joinery, water-borne',
    substrates: TIMBER,
    services: ['interior'],
    school:
      'Thin coats, one after another as soon as the data sheet allows. Sand a coat only once it has set, or the paper drags it',
    steps: [{ family: 'waterborne-acrylic', coats: 3, method: 'brush', before: [sand(120)] }],
  },
  {
    id: 'anchor-locker',
    name: 'Anchor locker',
    substrates: ['steel', ...GRP, ...TIMBER, 'aluminium'],
    services: ['interior', 'splash', 'bilge'],
    steps: [
      {
        family: 'epoxy-primer',
        coats: 1,
        method: 'brush',
        before: [wash('rinse out the salt, then dry'), sand(80)],
      },
      { family: 'one-pack-bilge', coats: 3, method: 'brush' },
    ],
  },
];
