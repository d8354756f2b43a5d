import type { CurvePoint } from '../src/core/cure/index.ts';
import type { Method } from '../src/core/film/index.ts';
import { type Family, NOT_STATED, type ProductSheet } from '../src/core/system/index.ts';

/** The rest of the invented range, so that every family occurs. Every figure is made up and stands for no real tin. */

/** Hours at 10, 20 and 30 °C from those at 20. */
const hours = (at20: number): CurvePoint[] => [
  { tempC: 10, minutes: Math.round(at20 * 120) },
  { tempC: 20, minutes: Math.round(at20 * 60) },
  { tempC: 30, minutes: Math.round(at20 * 36) },
];

interface Brief {
  family: Family;
  /** Parts of base to one of hardener; 0: a one-pack. */
  ratio: number;
  solids: number;
  film: [least: number, typical: number, most: number];
  methods?: Method[];
  thinner?: [name: string, most: number];
  potHours?: number;
  induction?: number;
  stopC: number;
  tackFree: number;
  overcoat: [min: number, max: number | null];
  grit?: number;
  immersion?: [from: number, until: number | null];
  colours: [name: string, hex: string][];
  hazards: ProductSheet['hazards'];
  more?: Partial<ProductSheet>;
}

function made(brief: Brief): ProductSheet {
  const [min, typical, max] = brief.film;
  const [from, until] = brief.overcoat;
  return {
    ...NOT_STATED,
    family: brief.family,
    parts:
      brief.ratio > 0
        ? [
            { name: 'base', ratio: brief.ratio, densityKgPerL: 1.4 },
            { name: 'hardener', ratio: 1, densityKgPerL: 1 },
          ]
        : [{ name: 'paint', ratio: 1, densityKgPerL: 1.2 }],
    ratioBy: 'volume',
    ratioTolerance: null,
    volumeSolids: brief.solids,
    film: { min, typical, max },
    methods: brief.methods ?? ['brush', 'roller', 'roll-and-tip'],
    thinner: brief.thinner ? { name: brief.thinner[0], maxFraction: brief.thinner[1] } : null,
    inductionMin: brief.induction ?? 0,
    potLife: brief.potHours ? [{ tempC: 20, minutes: brief.potHours * 60 }] : [],
    limits: {
      airMinC: null,
      airMaxC: null,
      surfaceMinC: null,
      surfaceMaxC: null,
      rhMax: null,
      dewMarginC: null,
    },
    cure: {
      stopC: brief.stopC,
      events: {
        'tack-free': hours(brief.tackFree),
        sandable: hours(brief.tackFree * 4),
        'full-cure': hours(brief.tackFree * 40),
        ...(brief.immersion && {
          immersion: hours(brief.immersion[0]),
          ...(brief.immersion[1] && { 'latest-immersion': hours(brief.immersion[1]) }),
        }),
      },
      overcoat: [
        {
          by: 'any',
          min: hours(from),
          chemicalMax: until === null ? null : hours(until),
          thumb: null,
          keyGrit: brief.grit ?? null,
        },
      ],
    },
    colours: brief.colours.map(([name, hex]) => ({ name, hex })),
    hazards: brief.hazards,
    note: '',
    ...brief.more,
  };
}

const EPOXY: ProductSheet['hazards'] = ['epoxy-sensitiser', 'solvent'];
const SOLVENT: ProductSheet['hazards'] = ['solvent', 'oxidising-rags'];
const THINNER_E: [string, number] = ['Marram Thinner E', 0.1];
const GREY: [string, string] = ['grey', '#8b9299'];
const WHITE: [string, string] = ['white', '#f4f3ee'];
const RED: [string, string] = ['red oxide', '#8f3b2e'];
const BLACK: [string, string] = ['black', '#23252a'];
const BLUE: [string, string] = ['harbour blue', '#26456b'];
const CLEAR: [string, string] = ['clear', '#d8c9a8'];

export const MORE_SHEETS: Record<string, ProductSheet> = {
  'Glasswort Hold': made({
    family: 'passivating-wash',
    ratio: 0,
    solids: 0.02,
    film: [1, 1, 2],
    methods: ['brush'],
    stopC: 2,
    tackFree: 0.5,
    overcoat: [1, 48],
    grit: 80,
    colours: [CLEAR],
    hazards: ['acid'],
    more: { grounds: ['steel'], cautions: 'Acid: gloves and eyes. Rinse the skin at once.' },
  }),
  'Glasswort Convert': made({
    family: 'rust-converter',
    ratio: 0,
    solids: 0.3,
    film: [15, 20, 30],
    methods: ['brush'],
    stopC: 8,
    tackFree: 3,
    overcoat: [24, 168],
    grit: 120,
    colours: [BLACK],
    hazards: ['acid'],
    more: { grounds: ['steel'], shelfMonths: 24, cautions: 'Acid: gloves and eyes. Not on galvanising.' },
  }),
  'Marram Zinc': made({
    family: 'zinc-epoxy-primer',
    ratio: 4,
    solids: 0.55,
    film: [40, 60, 80],
    thinner: THINNER_E,
    potHours: 6,
    induction: 20,
    stopC: 8,
    tackFree: 1,
    overcoat: [6, 2160],
    grit: 120,
    colours: [['zinc grey', '#7d8286']],
    hazards: EPOXY,
    more: { preparation: { cleanliness: 'Sa 2½', profileMinMicrons: 40, profileMaxMicrons: 75 } },
  }),
  'Marram Steel Primer': made({
    family: 'epoxy-primer',
    ratio: 3,
    solids: 0.58,
    film: [50, 75, 125],
    methods: ['brush', 'roller', 'airless-spray'],
    thinner: THINNER_E,
    potHours: 5,
    induction: 15,
    stopC: 8,
    tackFree: 3,
    overcoat: [6, 336],
    grit: 120,
    colours: [RED, GREY],
    hazards: EPOXY,
    more: { preparation: { cleanliness: 'Sa 2½', profileMinMicrons: 50, profileMaxMicrons: 90 } },
  }),
  'Marram Tolerant': made({
    family: 'surface-tolerant-epoxy',
    ratio: 1,
    solids: 0.8,
    film: [75, 125, 200],
    thinner: ['Marram Thinner E', 0.05],
    potHours: 2,
    stopC: 5,
    tackFree: 5,
    overcoat: [10, 720],
    grit: 80,
    colours: [['aluminium', '#a5abae'], BLACK],
    hazards: EPOXY,
    more: { preparation: { cleanliness: 'St 2', profileMinMicrons: null, profileMaxMicrons: null } },
  }),
  'Thrift Barrier Slow': made({
    family: 'epoxy-barrier',
    ratio: 3,
    solids: 0.7,
    film: [75, 110, 150],
    methods: ['brush', 'roller', 'airless-spray'],
    thinner: THINNER_E,
    potHours: 4,
    induction: 15,
    stopC: 10,
    tackFree: 6,
    overcoat: [8, 240],
    grit: 120,
    colours: [GREY, WHITE],
    hazards: EPOXY,
  }),
  'Sandwort Quick': made({
    family: 'polyester-filler',
    ratio: 50,
    solids: 0.98,
    film: [500, 2000, 8000],
    methods: ['brush'],
    potHours: 0.1,
    stopC: 5,
    tackFree: 0.3,
    overcoat: [0.7, null],
    colours: [GREY],
    hazards: ['solvent', 'dust'],
  }),
  'Sandwort Deep': made({
    family: 'epoxy-filler',
    ratio: 2,
    solids: 0.98,
    film: [500, 3000, 9000],
    methods: ['brush'],
    potHours: 0.6,
    stopC: 8,
    tackFree: 4,
    overcoat: [12, 168],
    grit: 80,
    colours: [WHITE],
    hazards: ['epoxy-sensitiser', 'dust'],
  }),
  'Samphire Primer': made({
    family: 'one-pack-primer',
    ratio: 0,
    solids: 0.5,
    film: [25, 40, 60],
    thinner: ['Samphire Thinner S', 0.1],
    stopC: 5,
    tackFree: 3,
    overcoat: [12, null],
    colours: [WHITE, GREY],
    hazards: SOLVENT,
  }),
  'Samphire Finish E': made({
    family: 'epoxy-finish',
    ratio: 4,
    solids: 0.6,
    film: [40, 60, 90],
    thinner: THINNER_E,
    potHours: 3,
    induction: 10,
    stopC: 8,
    tackFree: 4,
    overcoat: [10, 168],
    grit: 180,
    colours: [WHITE, GREY],
    hazards: EPOXY,
  }),
  'Samphire Cabin': made({
    family: 'waterborne-acrylic',
    ratio: 0,
    solids: 0.38,
    film: [20, 30, 45],
    stopC: 8,
    tackFree: 1,
    overcoat: [4, null],
    colours: [WHITE, ['cream', '#ece0c3']],
    hazards: [],
    more: {
      limits: { airMinC: 10, airMaxC: 32, surfaceMinC: 10, surfaceMaxC: null, rhMax: 0.8, dewMarginC: null },
    },
  }),
  'Samphire Two Satin': made({
    family: 'two-pack-polyurethane',
    ratio: 2,
    solids: 0.48,
    film: [35, 45, 60],
    methods: ['brush', 'roll-and-tip', 'conventional-spray'],
    thinner: ['Samphire Thinner P', 0.1],
    potHours: 4,
    induction: 10,
    stopC: 10,
    tackFree: 5,
    overcoat: [16, 72],
    grit: 320,
    colours: [WHITE, BLUE],
    hazards: ['isocyanate', 'solvent'],
    more: {
      limits: { airMinC: 10, airMaxC: 27, surfaceMinC: 10, surfaceMaxC: null, rhMax: 0.8, dewMarginC: 3.3 },
      additives: [{ name: 'Samphire Flow', kind: 'roller', maxMlPerLitre: 20 }],
    },
  }),
  'Dulse Tie': made({
    family: 'tie-coat',
    ratio: 0,
    solids: 0.45,
    film: [40, 50, 70],
    methods: ['brush', 'roller'],
    stopC: 5,
    tackFree: 1.5,
    overcoat: [5, 336],
    grit: 120,
    colours: [GREY],
    hazards: ['solvent'],
  }),
  'Dulse Fast': made({
    family: 'hard-antifouling',
    ratio: 0,
    solids: 0.52,
    film: [40, 50, 65],
    methods: ['brush', 'roller', 'airless-spray'],
    thinner: ['Dulse Thinner A', 0.05],
    stopC: 5,
    tackFree: 1,
    overcoat: [6, null],
    immersion: [12, 1440],
    colours: [BLACK, BLUE, RED],
    hazards: ['biocide', 'solvent'],
    more: { copper: true },
  }),
  'Dulse Leaf': made({
    family: 'copper-free-antifouling',
    ratio: 0,
    solids: 0.46,
    film: [40, 50, 70],
    methods: ['brush', 'roller'],
    stopC: 5,
    tackFree: 1,
    overcoat: [8, null],
    immersion: [16, 2160],
    colours: [GREY, BLACK, WHITE],
    hazards: ['biocide', 'solvent'],
    more: {
      copper: false,
      grounds: [
        'epoxy-primer',
        'epoxy-barrier',
        'surface-tolerant-epoxy',
        'tie-coat',
        'copper-free-antifouling',
        'hard-antifouling',
      ],
    },
  }),
  'Saltmarsh Grip': made({
    family: 'non-skid',
    ratio: 0,
    solids: 0.55,
    film: [150, 250, 400],
    methods: ['roller'],
    stopC: 8,
    tackFree: 3,
    overcoat: [16, null],
    colours: [GREY, ['buff', '#d9c79a']],
    hazards: SOLVENT,
  }),
};
