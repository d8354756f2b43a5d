import type { CurvePoint } from '../../src/core/cure/index.ts';
import type { Method } from '../../src/core/film/index.ts';
import { type Family, NOT_STATED, type ProductSheet } from '../../src/core/system/index.ts';

/** Hours at 10, 20 and 30 °C from those at 20. */
export const hours = (at20: number): CurvePoint[] => [
  { tempC: 10, minutes: Math.round(at20 * 120) },
  { tempC: 20, minutes: Math.round(at20 * 60) },
  { tempC: 30, minutes: Math.round(at20 * 36) },
];

/** A sheet in a few figures; the rest follows from them. */
export interface Brief {
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

export function made(brief: Brief): ProductSheet {
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

export const EPOXY: ProductSheet['hazards'] = ['epoxy-sensitiser', 'solvent'];
export const SOLVENT: ProductSheet['hazards'] = ['solvent', 'oxidising-rags'];
export const THINNER_E: [string, number] = ['Marram Thinner E', 0.1];
export const GREY: [string, string] = ['grey', '#8b9299'];
export const WHITE: [string, string] = ['white', '#f4f3ee'];
export const RED: [string, string] = ['red oxide', '#8f3b2e'];
export const BLACK: [string, string] = ['black', '#23252a'];
export const BLUE: [string, string] = ['harbour blue', '#26456b'];
export const CLEAR: [string, string] = ['clear', '#d8c9a8'];
