import type { BareItemInput, FindingInput, StandInput, WaterlineInput } from '../src/contract/index.ts';

/** What the survey has set down on the demo's boats: invented, like everything of the yard. Areas go by their names. */

export interface DemoSurvey {
  boat: string;
  stands: (Omit<StandInput, 'id' | 'boatId' | 'shiftOn'> & { hides: string[]; shiftInDays: number | null })[];
  bare: (Omit<BareItemInput, 'id' | 'boatId' | 'areaId'> & { on: string | null })[];
  findings: (Omit<FindingInput, 'id' | 'boatId' | 'areaId' | 'at' | 'photoIds'> & {
    on: string | null;
    daysAgo: number;
  })[];
}

const stand = (
  name: string,
  side: 'port' | 'starboard',
  xM: number,
  hides: string,
): DemoSurvey['stands'][number] => ({
  name,
  kind: 'stand',
  side,
  xM,
  zM: -0.32,
  lengthM: 0.34,
  widthM: 0.3,
  note: '',
  hides: [hides],
  shiftInDays: 4,
});

export const DEMO_SURVEYS: readonly DemoSurvey[] = [
  {
    boat: "Curlew's Errand",
    stands: [
      stand('Port aft', 'port', 2.9, 'Bottom port'),
      stand('Port forward', 'port', 7.1, 'Bottom port'),
      stand('Starboard aft', 'starboard', 2.9, 'Bottom starboard'),
      stand('Starboard forward', 'starboard', 7.1, 'Bottom starboard'),
    ],
    bare: [
      { name: 'Shaft anode', kind: 'anode', on: 'Bottom starboard', note: '' },
      {
        name: 'Sounder',
        kind: 'transducer',
        on: 'Bottom starboard',
        note: 'thin coat of its own paint only',
      },
      { name: 'Log wheel', kind: 'log', on: 'Bottom port', note: '' },
    ],
    findings: [
      {
        kind: 'blisters',
        value: 64,
        grade: null,
        limit: null,
        place: { xM: 4.6, zM: -0.3, side: 'port' },
        note: 'opened in spring, none larger than a thumbnail',
        on: 'Bottom port',
        daysAgo: 21,
      },
      {
        kind: 'moisture',
        value: 11,
        grade: null,
        limit: 15,
        place: { xM: 6.2, zM: -0.25, side: 'port' },
        note: 'after seven weeks of drying',
        on: 'Bottom port',
        daysAgo: 9,
      },
      {
        kind: 'blisters',
        value: 0,
        grade: null,
        limit: null,
        place: { xM: 4.6, zM: -0.3, side: 'port' },
        note: 'washed, dried, filled and sanded flush',
        on: 'Bottom port',
        daysAgo: 9,
      },
      {
        kind: 'adhesion',
        value: 1,
        grade: null,
        limit: null,
        place: { xM: 7.4, zM: 0.7, side: 'starboard' },
        note: 'old gloss, cross-cut',
        on: 'Topsides',
        daysAgo: 12,
      },
    ],
  },
  {
    boat: 'Grey Phalarope',
    stands: [],
    bare: [{ name: 'Hull anodes', kind: 'anode', on: 'Bottom', note: 'four, welded studs' }],
    findings: [
      {
        kind: 'plate',
        value: 5.6,
        grade: null,
        limit: 5,
        place: { xM: 3.1, zM: -0.4, side: 'starboard' },
        note: 'gauged beside the skeg',
        on: 'Bottom',
        daysAgo: 6,
      },
    ],
  },
];

/** How the ketch stands, and what is known of her line. */
export const DEMO_LINE = {
  boat: "Curlew's Errand",
  trimDeg: -1.4,
  heelDeg: 0.6,
  /** Height of the line above the datum at her aft end on the centreline, mm. */
  aftMm: 1420,
  /** Where each mark is, and by how much it is misread, mm. */
  marks: [
    { kind: 'old-line', name: 'stain, aft quarter', side: 'port', xM: 1.8, aboveMm: 30, wrongMm: 2 },
    { kind: 'old-line', name: 'stain amidships', side: 'port', xM: 5.2, aboveMm: 30, wrongMm: -2 },
    { kind: 'sheer', name: 'sheer at the shrouds', side: 'port', xM: 7.8, aboveMm: null, wrongMm: 1 },
    { kind: 'old-line', name: 'stain, aft quarter', side: 'starboard', xM: 1.8, aboveMm: 30, wrongMm: -1 },
    { kind: 'fitting', name: 'galley outlet', side: 'starboard', xM: 4.4, aboveMm: 160, wrongMm: 40 },
    { kind: 'old-line', name: 'stain forward', side: 'starboard', xM: 8.1, aboveMm: 30, wrongMm: 1 },
  ],
  plan: {
    datum: 'laser',
    oldLine: 'tabs',
    heelDeg: null,
    markErrorMm: 3,
    addedKg: 350,
    densityKgM3: 1025,
    waterplaneM2: null,
    slopMm: 50,
    stationStepM: 0.5,
    stiffness: 0.5,
    useFair: false,
    stripe: { gapMm: 20, heightMm: 70, bowSweepMm: 60, sternSweepMm: 20 },
    note: '',
  } satisfies Omit<WaterlineInput, 'marks' | 'madeMarks' | 'version'>,
} as const;
