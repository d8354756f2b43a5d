import type { CurvePoint, OvercoatRule } from '../../src/core/cure/index.ts';
import type { Method } from '../../src/core/film/index.ts';
import { NOT_STATED, type ProductSheet } from '../../src/core/system/index.ts';

/** Invented products of an invented range. Every figure here is made up for the demo and stands for no real tin. */

export const ROLLING: Method[] = ['brush', 'roller', 'roll-and-tip'];
export const ALL: Method[] = [...ROLLING, 'conventional-spray', 'airless-spray'];

/** Hours at 10, 20 and 30 °C. */
export const h = (at10: number, at20: number, at30: number): CurvePoint[] => [
  { tempC: 10, minutes: at10 * 60 },
  { tempC: 20, minutes: at20 * 60 },
  { tempC: 30, minutes: at30 * 60 },
];
export const days = (at10: number, at20: number, at30: number) => h(at10 * 24, at20 * 24, at30 * 24);
export const rule = (
  by: string,
  min: CurvePoint[],
  chemicalMax: CurvePoint[] | null,
  keyGrit: number | null,
  thumb: OvercoatRule['thumb'] = null,
): OvercoatRule => ({ by, min, chemicalMax, keyGrit, thumb });

export const silent: ProductSheet['limits'] = {
  airMinC: null,
  airMaxC: null,
  surfaceMinC: null,
  surfaceMaxC: null,
  rhMax: null,
  dewMarginC: null,
};

export const parts = (base: number, hardener: number, baseDensity: number, hardenerDensity: number) => [
  { name: 'base', ratio: base, densityKgPerL: baseDensity },
  { name: 'hardener', ratio: hardener, densityKgPerL: hardenerDensity },
];
export const onePack = (density: number) => [{ name: 'paint', ratio: 1, densityKgPerL: density }];

export const epoxy = {
  ratioBy: 'volume',
  ratioTolerance: null,
  methods: ALL,
  limits: silent,
  hazards: ['epoxy-sensitiser', 'solvent'],
  note: '',
  ...NOT_STATED,
} satisfies Partial<ProductSheet>;
export const single = {
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

export const GREY = { name: 'grey', hex: '#8b9299' };
export const WHITE = { name: 'white', hex: '#f4f3ee' };
export const RED = { name: 'red oxide', hex: '#8f3b2e' };
export const BLUE = { name: 'harbour blue', hex: '#26456b' };
export const GREEN = { name: 'weed green', hex: '#3f5f4a' };
export const BLACK = { name: 'black', hex: '#23252a' };
export const BUFF = { name: 'buff', hex: '#d9c79a' };
export const CLEAR = { name: 'clear', hex: '#d8b27a' };
