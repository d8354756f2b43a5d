import type { CurvePoint, OvercoatRule } from '../src/core/cure/index.ts';
import type { Method } from '../src/core/film/index.ts';
import { NOT_STATED, type ProductSheet } from '../src/core/system/index.ts';
import { MORE_SHEETS } from './moreSheets.ts';

/** Invented products of an invented range. Every figure here is made up for the demo and stands for no real tin. */

const ROLLING: Method[] = ['brush', 'roller', 'roll-and-tip'];
const ALL: Method[] = [...ROLLING, 'conventional-spray', 'airless-spray'];

/** Hours at 10, 20 and 30 °C. */
const h = (at10: number, at20: number, at30: number): CurvePoint[] => [
  { tempC: 10, minutes: at10 * 60 },
  { tempC: 20, minutes: at20 * 60 },
  { tempC: 30, minutes: at30 * 60 },
];
const days = (at10: number, at20: number, at30: number) => h(at10 * 24, at20 * 24, at30 * 24);
const rule = (
  by: string,
  min: CurvePoint[],
  chemicalMax: CurvePoint[] | null,
  keyGrit: number | null,
  thumb: OvercoatRule['thumb'] = null,
): OvercoatRule => ({ by, min, chemicalMax, keyGrit, thumb });

const silent: ProductSheet['limits'] = {
  airMinC: null,
  airMaxC: null,
  surfaceMinC: null,
  surfaceMaxC: null,
  rhMax: null,
  dewMarginC: null,
};

const parts = (base: number, hardener: number, baseDensity: number, hardenerDensity: number) => [
  { name: 'base', ratio: base, densityKgPerL: baseDensity },
  { name: 'hardener', ratio: hardener, densityKgPerL: hardenerDensity },
];
const onePack = (density: number) => [{ name: 'paint', ratio: 1, densityKgPerL: density }];

const epoxy = {
  ratioBy: 'volume',
  ratioTolerance: null,
  methods: ALL,
  limits: silent,
  hazards: ['epoxy-sensitiser', 'solvent'],
  note: '',
  ...NOT_STATED,
} satisfies Partial<ProductSheet>;
const single = {
  ratioBy: 'volume',
  ratioTolerance: null,
  methods: ROLLING,
  inductionMin: 0,
  potLife: [],
  limits: { ...silent, airMinC: 5 },
  hazards: ['solvent', 'oxidising-rags'],
  note: '',
  ...NOT_STATED,
} satisfies Partial<ProductSheet>;

const GREY = { name: 'grey', hex: '#8b9299' };
const WHITE = { name: 'white', hex: '#f4f3ee' };
const RED = { name: 'red oxide', hex: '#8f3b2e' };
const BLUE = { name: 'harbour blue', hex: '#26456b' };
const GREEN = { name: 'weed green', hex: '#3f5f4a' };
const BLACK = { name: 'black', hex: '#23252a' };
const BUFF = { name: 'buff', hex: '#d9c79a' };
const CLEAR = { name: 'clear', hex: '#d8b27a' };

const FIRST: Record<string, ProductSheet> = {
  'Marram Grey Primer': {
    ...epoxy,
    family: 'epoxy-primer',
    parts: parts(3, 1, 1.52, 0.98),
    volumeSolids: 0.52,
    film: { min: 40, typical: 60, max: 90 },
    thinner: { name: 'Marram Thinner E', maxFraction: 0.1 },
    inductionMin: 15,
    potLife: [{ tempC: 20, minutes: 300 }],
    cure: {
      stopC: 7,
      events: {
        'dew-safe': h(8, 4, 2.5),
        'tack-free': h(6, 3, 2),
        sandable: h(36, 18, 10),
        walk: h(24, 12, 8),
        'full-cure': days(12, 7, 4),
      },
      overcoat: [
        rule('self', h(10, 5, 3), days(10, 7, 4), 120),
        rule('epoxy-barrier', h(10, 5, 3), days(10, 7, 4), 120),
        rule('any', h(16, 8, 5), days(5, 3, 2), 180),
      ],
    },
    colours: [GREY, RED],
  },
  'Marram Winter Primer': {
    ...epoxy,
    family: 'epoxy-primer',
    parts: parts(4, 1, 1.48, 1.01),
    volumeSolids: 0.55,
    film: { min: 40, typical: 60, max: 100 },
    thinner: { name: 'Marram Thinner E', maxFraction: 0.05 },
    inductionMin: 20,
    potLife: [{ tempC: 20, minutes: 120 }],
    cure: {
      stopC: -2,
      events: {
        'dew-safe': h(4, 2, 1.2),
        'tack-free': h(3, 1.5, 1),
        sandable: h(16, 8, 5),
        'full-cure': days(7, 4, 3),
      },
      overcoat: [rule('any', h(6, 3, 2), days(4, 3, 1.5), 120)],
    },
    colours: [WHITE],
  },
  'Thrift Barrier': {
    ...epoxy,
    family: 'epoxy-barrier',
    parts: parts(2, 1, 1.44, 1.02),
    volumeSolids: 0.71,
    film: { min: 75, typical: 110, max: 160 },
    thinner: { name: 'Marram Thinner E', maxFraction: 0.05 },
    inductionMin: 20,
    potLife: [{ tempC: 20, minutes: 150 }],
    cure: {
      stopC: 7,
      events: {
        'dew-safe': h(9, 5, 3),
        'tack-free': h(8, 4, 2.5),
        sandable: h(40, 20, 12),
        immersion: days(8, 5, 3),
        'full-cure': days(14, 7, 5),
      },
      overcoat: [
        rule('self', h(10, 5, 3), days(14, 10, 6), 120),
        rule('ablative-antifouling', h(7, 4, 2.2), h(14, 8, 4.5), 120, {
          opens: h(7, 4, 2.2),
          closes: h(11, 6, 3.5),
        }),
        rule('hard-antifouling', h(7, 4, 2.2), h(14, 8, 4.5), 120, {
          opens: h(7, 4, 2.2),
          closes: h(11, 6, 3.5),
        }),
        rule('any', h(12, 6, 4), days(5, 3, 2), 120),
      ],
    },
    colours: [GREY, WHITE],
    note: 'Alternate the colours from coat to coat.',
  },
  'Sandwort High Build': {
    ...epoxy,
    family: 'epoxy-surfacer',
    parts: parts(1, 1, 1.38, 1.31),
    volumeSolids: 0.68,
    film: { min: 120, typical: 250, max: 500 },
    thinner: { name: 'Marram Thinner E', maxFraction: 0.1 },
    inductionMin: 10,
    potLife: [{ tempC: 20, minutes: 120 }],
    cure: {
      stopC: 10,
      events: { 'dew-safe': h(10, 6, 4), sandable: h(40, 18, 10), 'full-cure': days(14, 7, 5) },
      overcoat: [rule('any', h(20, 10, 6), days(5, 3, 2), 120)],
    },
    colours: [BUFF],
  },
  'Sandwort Fairing': {
    ...epoxy,
    family: 'epoxy-filler',
    parts: parts(1, 1, 0.82, 0.8),
    methods: ['brush'],
    volumeSolids: 0.98,
    film: { min: 200, typical: 1500, max: 5000 },
    thinner: null,
    inductionMin: 0,
    potLife: [{ tempC: 20, minutes: 45 }],
    cure: {
      stopC: 8,
      events: { sandable: h(30, 14, 8), 'full-cure': days(10, 5, 3) },
      overcoat: [rule('any', h(30, 14, 8), h(48, 24, 16), 80)],
    },
    colours: [BUFF],
  },
  'Samphire Two Gloss': {
    ...epoxy,
    family: 'two-pack-polyurethane',
    parts: parts(2, 1, 1.22, 1.07),
    volumeSolids: 0.5,
    film: { min: 35, typical: 45, max: 60 },
    thinner: { name: 'Samphire Thinner U', maxFraction: 0.1 },
    inductionMin: 15,
    potLife: [{ tempC: 20, minutes: 240 }],
    limits: { ...silent, airMinC: 8, airMaxC: 27, rhMax: 0.8, dewMarginC: 3.3 },
    hazards: ['isocyanate', 'solvent'],
    cure: {
      stopC: 5,
      events: {
        'dew-safe': h(9, 5, 3),
        'tack-free': h(8, 4, 3),
        sandable: h(48, 24, 14),
        walk: h(36, 18, 12),
        'full-cure': days(12, 7, 5),
      },
      overcoat: [
        rule('self', h(18, 10, 6), h(60, 36, 24), 320),
        rule('any', h(24, 14, 8), h(60, 36, 24), 320),
      ],
    },
    colours: [BLUE, WHITE, GREY],
    note: 'Gloss fogs when dew meets it before it is dew-safe.',
  },
  'Samphire Undercoat': {
    ...single,
    family: 'one-pack-undercoat',
    parts: onePack(1.4),
    volumeSolids: 0.48,
    film: { min: 30, typical: 40, max: 60 },
    thinner: { name: 'Samphire Thinner W', maxFraction: 0.1 },
    cure: {
      stopC: 3,
      events: {
        'dew-safe': h(6, 3, 2),
        'tack-free': h(6, 3, 2),
        sandable: h(30, 16, 10),
        'full-cure': days(14, 7, 5),
      },
      overcoat: [rule('any', h(24, 14, 9), h(96, 60, 40), 220)],
    },
    colours: [WHITE, GREY],
  },
  'Samphire Enamel': {
    ...single,
    family: 'one-pack-enamel',
    parts: onePack(1.12),
    volumeSolids: 0.46,
    film: { min: 30, typical: 40, max: 55 },
    thinner: { name: 'Samphire Thinner W', maxFraction: 0.1 },
    limits: { ...silent, airMinC: 7, airMaxC: 28, rhMax: 0.8 },
    cure: {
      stopC: 3,
      events: {
        'dew-safe': h(10, 6, 4),
        'tack-free': h(8, 5, 3),
        sandable: days(4, 2, 1.5),
        'full-cure': days(21, 14, 10),
      },
      overcoat: [rule('any', h(30, 16, 12), h(72, 48, 36), 320)],
    },
    colours: [BUFF, GREEN, WHITE],
  },
  'Dulse Ablative': {
    ...single,
    family: 'ablative-antifouling',
    copper: true,
    parts: onePack(1.75),
    volumeSolids: 0.5,
    film: { min: 40, typical: 55, max: 80 },
    thinner: { name: 'Dulse Thinner', maxFraction: 0.05 },
    hazards: ['biocide', 'solvent'],
    cure: {
      stopC: 0,
      events: {
        'tack-free': h(4, 2, 1),
        immersion: h(24, 16, 10),
        'latest-immersion': days(120, 90, 90),
        'full-cure': h(48, 24, 16),
      },
      overcoat: [rule('self', h(10, 6, 4), null, null), rule('any', h(12, 8, 6), days(90, 60, 60), 80)],
    },
    colours: [RED, BLUE, BLACK],
  },
  'Dulse Hard': {
    ...single,
    family: 'hard-antifouling',
    copper: true,
    parts: onePack(1.8),
    volumeSolids: 0.52,
    film: { min: 40, typical: 50, max: 75 },
    thinner: { name: 'Dulse Thinner', maxFraction: 0.05 },
    hazards: ['biocide', 'solvent'],
    cure: {
      stopC: 0,
      events: { 'tack-free': h(4, 2, 1), immersion: h(20, 12, 8), 'latest-immersion': days(75, 60, 60) },
      overcoat: [rule('any', h(12, 8, 6), days(60, 45, 45), 80)],
    },
    colours: [BLACK, RED],
  },
  'Dulse Clear Water': {
    ...single,
    family: 'copper-free-antifouling',
    copper: false,
    parts: onePack(1.45),
    volumeSolids: 0.47,
    film: { min: 40, typical: 50, max: 75 },
    thinner: { name: 'Dulse Thinner', maxFraction: 0.05 },
    hazards: ['biocide', 'solvent'],
    cure: {
      stopC: 0,
      events: { 'tack-free': h(4, 2, 1), immersion: h(20, 12, 8), 'latest-immersion': days(7, 5, 5) },
      overcoat: [rule('any', h(10, 6, 4), days(5, 4, 4), 80)],
    },
    colours: [GREY, BLACK],
    note: 'Must be wetted within days.',
  },
  'Kelpie Bilge Epoxy': {
    ...epoxy,
    family: 'bilge-epoxy',
    parts: parts(5, 1, 1.36, 0.99),
    methods: ROLLING,
    volumeSolids: 0.64,
    film: { min: 80, typical: 110, max: 160 },
    thinner: null,
    inductionMin: 10,
    potLife: [{ tempC: 20, minutes: 60 }],
    cure: {
      stopC: 8,
      events: {
        'tack-free': h(10, 5, 3),
        walk: h(30, 16, 10),
        immersion: days(10, 6, 4),
        'full-cure': days(14, 7, 5),
      },
      overcoat: [rule('any', h(14, 7, 4), h(72, 40, 24), 120)],
    },
    colours: [WHITE],
    note: 'White, so that a leak shows.',
  },
  'Kelpie One': {
    ...single,
    family: 'one-pack-bilge',
    parts: onePack(1.3),
    volumeSolids: 0.45,
    film: { min: 30, typical: 40, max: 60 },
    thinner: null,
    cure: {
      stopC: 3,
      events: { 'tack-free': h(6, 4, 3), walk: h(30, 20, 14), 'full-cure': days(14, 9, 7) },
      overcoat: [rule('any', h(24, 16, 12), h(96, 72, 48), 180)],
    },
    colours: [WHITE, GREY],
  },
  'Teasel Sealer': {
    ...epoxy,
    family: 'penetrating-epoxy-sealer',
    parts: parts(1, 1, 0.94, 0.92),
    methods: ROLLING,
    volumeSolids: 0.35,
    film: { min: 10, typical: 25, max: 40 },
    thinner: null,
    inductionMin: 15,
    potLife: [{ tempC: 20, minutes: 180 }],
    cure: {
      stopC: 8,
      events: { 'tack-free': h(10, 6, 4), sandable: h(30, 16, 10) },
      overcoat: [rule('self', h(6, 3, 2), h(36, 24, 16), 120), rule('any', h(18, 12, 8), h(40, 26, 18), 120)],
    },
    colours: [CLEAR],
  },
  'Teasel Varnish': {
    ...single,
    family: 'varnish',
    parts: onePack(0.93),
    methods: ['brush', 'roll-and-tip'],
    volumeSolids: 0.5,
    film: { min: 25, typical: 35, max: 50 },
    thinner: { name: 'Samphire Thinner W', maxFraction: 0.2 },
    cure: {
      stopC: 4,
      events: { 'dew-safe': h(9, 5, 3), 'tack-free': h(8, 5, 3), sandable: h(48, 24, 16) },
      overcoat: [rule('any', h(28, 16, 12), h(60, 40, 30), 320)],
    },
    colours: [CLEAR],
  },
};

/** Invented prices a litre, in the yard's money. */
const PRICE: Partial<Record<ProductSheet['family'], number>> = {
  'two-pack-polyurethane': 62,
  'hard-antifouling': 48,
  'ablative-antifouling': 52,
  'copper-free-antifouling': 64,
  'epoxy-barrier': 34,
  'one-pack-enamel': 31,
  varnish: 36,
};

/** Small, usual and large packs at what an invented chandler asks for them. */
function packsOf({ family, packs }: ProductSheet): ProductSheet['packs'] {
  if (packs.length > 0) return packs;
  const perLitre = PRICE[family] ?? 27;
  return [
    { litres: 0.75, price: Math.round(perLitre * 0.75 * 1.25) },
    { litres: 2.5, price: Math.round(perLitre * 2.5) },
    { litres: 5, price: Math.round(perLitre * 5 * 0.92) },
  ];
}

/** The whole invented range. */
export const SHEETS: Record<string, ProductSheet> = Object.fromEntries(
  Object.entries({ ...FIRST, ...MORE_SHEETS }).map(([name, sheet]) => [
    name,
    { ...sheet, packs: packsOf(sheet), shelfMonths: sheet.shelfMonths ?? 24 },
  ]),
);
