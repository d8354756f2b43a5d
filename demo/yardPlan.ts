import {
  type DemoBoat,
  girths,
  inspect,
  opening,
  rect,
  sand,
  step,
  triangle,
  wait,
  wash,
  withAdditive,
  worked,
} from './planned.ts';

/** The invented yard "Gannet Slip" at Quillhaven: boats, areas, stacks, and where each stands on the day it is made. */

const osmosisStack = [
  step('Thrift Barrier', 5, 100, 'roller', 'grey', 'white'),
  step('Dulse Ablative', 3, 55, 'roller', 'red oxide', 'harbour blue'),
];

const ketch: DemoBoat = {
  name: "Curlew's Errand",
  kind: 'bilge-keel',
  dimensions: { loaM: 10.4, lwlM: 8.6, beamM: 3.35, draughtM: 1.2, freeboardM: 1.15 },
  headingDeg: 200,
  note: 'Ketch, fibreglass, 10.4 m. Blisters opened in spring, dried since; barrier in hand. Grey cabin.',
  areas: [
    {
      name: 'Bottom port',
      zone: 'bottom',
      side: 'port',
      substrate: 'grp-laminate',
      service: 'immersed',
      measures: [
        girths(
          1.075,
          [0.5, 1.25, 1.62, 1.78, 1.82, 1.7, 1.42, 0.95, 0.25],
          'half-girths, waterline to keel root',
        ),
      ],
      steps: osmosisStack,
      applied: 5,
      state: 'thumb',
    },
    {
      name: 'Bottom starboard',
      zone: 'bottom',
      side: 'starboard',
      substrate: 'grp-laminate',
      service: 'immersed',
      measures: [
        girths(
          1.075,
          [0.5, 1.24, 1.62, 1.79, 1.82, 1.71, 1.41, 0.95, 0.25],
          'half-girths, waterline to keel root',
        ),
      ],
      steps: osmosisStack,
      applied: 3,
      state: 'open',
    },
    {
      name: 'Keels',
      zone: 'keel',
      side: 'both',
      substrate: 'grp-laminate',
      service: 'immersed',
      measures: [rect(2.2, 0.62, 4, 'both faces of both keels'), rect(2.2, 0.14, 2, 'feet')],
      steps: osmosisStack,
      applied: 4,
      state: 'too-soon',
    },
    {
      name: 'Topsides',
      zone: 'topsides',
      side: 'both',
      substrate: 'existing-paint',
      service: 'daylight',
      measures: [rect(9.6, 1.05, 2), triangle(1.1, 0.9, 2, 'flare at the bow')],
      steps: [
        step('Marram Grey Primer', 2, 60, 'roller', 'grey'),
        worked(
          withAdditive(step('Samphire Two Gloss', 3, 45, 'roll-and-tip', 'white'), 'Samphire Flow', 15),
          [sand(280), wash('solvent wipe, tack cloth')],
        ),
      ],
      applied: 3,
      state: 'key-first',
    },
    {
      name: 'Cabin sides',
      zone: 'cabin',
      side: 'both',
      substrate: 'grp',
      service: 'daylight',
      measures: [rect(4.1, 0.48, 2), opening(0.62, 0.22, 6, 'windows')],
      steps: [
        step('Samphire Undercoat', 1, 40, 'brush', 'grey'),
        worked(
          step('Samphire Enamel', 2, 40, 'roll-and-tip', 'buff'),
          [sand(220), wash('tack cloth, lightly')],
          320,
        ),
      ],
      applied: 1,
      state: 'open',
    },
  ],
};

const gig: DemoBoat = {
  name: 'Peewit',
  kind: 'open-dinghy',
  dimensions: { loaM: 7.2, lwlM: 6.7, beamM: 1.62, draughtM: 0.32, freeboardM: 0.5 },
  headingDeg: 110,
  note: 'Gig, cold-moulded timber, 7.2 m. In the shed.',
  areas: [
    {
      name: 'Hull outside',
      zone: 'topsides',
      side: 'both',
      substrate: 'timber',
      service: 'splash',
      surroundings: { kind: 'heated', setPointC: 14 },
      measures: [
        girths(0.9, [0.55, 0.98, 1.18, 1.26, 1.28, 1.22, 1.08, 0.8, 0.3]),
        girths(0.9, [0.55, 0.98, 1.18, 1.26, 1.28, 1.22, 1.08, 0.8, 0.3]),
      ],
      steps: [
        step('Teasel Sealer', 3, 25, 'brush', 'clear'),
        step('Marram Winter Primer', 2, 60, 'roller', 'white'),
        step('Samphire Enamel', 3, 40, 'roll-and-tip', 'weed green'),
      ],
      applied: 3,
      state: 'open',
      potMixedMinutesAgo: 12,
    },
    {
      name: 'Gunwales and thwarts',
      zone: 'other',
      side: 'both',
      substrate: 'timber',
      service: 'daylight',
      surroundings: { kind: 'shed' },
      measures: [rect(7.4, 0.09, 2), rect(1.3, 0.24, 4, 'thwarts')],
      steps: [worked(step('Teasel Varnish', 6, 35, 'brush', 'clear'), [sand(120)], 240)],
      applied: 2,
      state: 'too-soon',
    },
  ],
};

const tender: DemoBoat = {
  name: 'Grey Phalarope',
  kind: 'workboat',
  dimensions: { loaM: 11, lwlM: 9.9, beamM: 3.6, draughtM: 0.85, freeboardM: 1.3 },
  headingDeg: 20,
  note: 'Dive tender, aluminium, 11 m. No copper on this hull, ever.',
  areas: [
    {
      name: 'Bottom',
      zone: 'bottom',
      side: 'both',
      substrate: 'aluminium',
      service: 'immersed',
      measures: [rect(9.2, 1.75, 2, 'chine to keel'), triangle(1.9, 1.4, 2)],
      steps: [
        step('Marram Grey Primer', 1, 60, 'roller', 'grey'),
        step('Dulse Clear Water', 2, 50, 'roller', 'black', 'grey'),
      ],
      applied: 3,
      state: 'closed',
    },
    {
      name: 'Topsides',
      zone: 'topsides',
      side: 'both',
      substrate: 'aluminium',
      service: 'daylight',
      measures: [rect(10.2, 1.2, 2), rect(3.4, 1.1, 1, 'transom')],
      steps: [
        step('Marram Grey Primer', 2, 60, 'airless-spray', 'grey'),
        step('Samphire Two Gloss', 2, 45, 'airless-spray', 'harbour blue'),
      ],
      applied: 2,
      state: 'open',
    },
  ],
};

const cutter: DemoBoat = {
  name: 'Old Tansy',
  kind: 'long-keel',
  dimensions: { loaM: 8.6, lwlM: 7.4, beamM: 2.75, draughtM: 1.55, freeboardM: 0.85 },
  headingDeg: 290,
  note: 'Pilot cutter, carvel timber, 8.6 m.',
  areas: [
    {
      name: 'Bilge forward',
      zone: 'bilge',
      side: 'centre',
      substrate: 'timber',
      service: 'bilge',
      surroundings: { kind: 'shaded' },
      measures: [rect(2.1, 1.15), triangle(1.15, 0.9)],
      steps: [step('Kelpie Bilge Epoxy', 2, 110, 'brush', 'white')],
      applied: 1,
      state: 'open',
    },
    {
      name: 'Deck',
      zone: 'deck',
      side: 'centre',
      substrate: 'timber',
      service: 'daylight',
      measures: [
        girths(0.95, [1.1, 1.9, 2.4, 2.6, 2.65, 2.5, 2.05, 1.3, 0.3]),
        opening(1.6, 1.1, 1, 'hatch and skylight'),
      ],
      steps: [
        worked(step('Marram Grey Primer', 2, 60, 'roller', 'grey'), [
          wash('degrease, rinse'),
          wait(24, 'dry, under cover'),
          sand(80),
          inspect('seams: nothing loose'),
        ]),
        step('Samphire Enamel', 2, 40, 'roller', 'buff'),
      ],
      applied: 0,
    },
  ],
};

export const DEMO_YARD = {
  name: 'Gannet Slip, Quillhaven',
  zone: 'Europe/London',
  latitude: 50.4,
  longitude: -4.2,
};
export const DEMO_BOATS: readonly DemoBoat[] = [ketch, gig, tender, cutter];
