import type { CureSheet, CurvePoint, FilmEvent } from '../cure/index.ts';
import type { MixPart } from '../mix/index.ts';
import type { Family } from './families.ts';
import { EPOXIES, isIn, TWO_PACKS } from './groups.ts';
import { type Hazard, NOT_STATED, type ProductSheet, TYPICAL_FIELDS, type TypicalField } from './sheet.ts';
import { TYPICAL, type TypicalFigures } from './typicalFigures.ts';

/** What a figure is worked out from. */
export type RestingFigure = 'litres' | 'mix' | 'window' | 'conditions';

const RESTS: Record<RestingFigure, readonly TypicalField[]> = {
  litres: ['volumeSolids', 'film'],
  mix: ['ratio', 'inductionMin', 'potLife'],
  window: ['stopC', 'overcoat', 'events'],
  conditions: ['stopC', 'events'],
};

/** The values from memory that a figure rests on; none for a sheet entered from its paper. */
export const restsOn = (sheet: Pick<ProductSheet, 'typical'>, figure: RestingFigure): TypicalField[] =>
  RESTS[figure].filter((field) => sheet.typical?.includes(field));

const figureOn: Record<TypicalField, (sheet: ProductSheet) => unknown> = {
  ratio: ({ parts, ratioBy }) => [parts.map(({ ratio }) => ratio), ratioBy],
  volumeSolids: ({ volumeSolids }) => volumeSolids,
  film: ({ film }) => film,
  inductionMin: ({ inductionMin }) => inductionMin,
  potLife: ({ potLife }) => potLife,
  stopC: ({ cure }) => cure.stopC,
  overcoat: ({ cure }) => cure.overcoat,
  events: ({ cure }) => cure.events,
};

/** A form that is saved untouched gives figures back to a rounding of its units, and null for what was left out. */
const ROUNDING = 1e-3;

/** Alike but for rounding; null and left out are one. */
function alike(one: unknown, other: unknown): boolean {
  if (one == null || other == null) return one == null && other == null;
  if (typeof one === 'number' && typeof other === 'number')
    return Math.abs(one - other) <= ROUNDING * Math.max(1, Math.abs(one));
  if (typeof one !== 'object' || typeof other !== 'object') return one === other;
  const [a, b] = [one as Record<string, unknown>, other as Record<string, unknown>];
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => alike(a[key], b[key]));
}

const same = (field: TypicalField, one: ProductSheet, other: ProductSheet) =>
  field === 'volumeSolids'
    ? Math.abs(one.volumeSolids - other.volumeSolids) < 1e-6
    : alike(figureOn[field](one), figureOn[field](other));

/** The values that are still typical after a data sheet was changed: a value that was typed again counts as read off the tin. */
export const stillTypical = (before: ProductSheet, after: ProductSheet): TypicalField[] =>
  (before.typical ?? []).filter((field) => same(field, before, after));

/**
 * What a coat still rests on from memory that was applied by an earlier version of its sheet: a value confirmed since as
 * it was then is confirmed for that coat too; one that turned out otherwise is not.
 */
export const unconfirmed = (used: ProductSheet, latest: ProductSheet): TypicalField[] =>
  (used.typical ?? []).filter((field) => latest.typical?.includes(field) || !same(field, used, latest));

const at20 = (hours: number): CurvePoint[] => [{ tempC: 20, minutes: hours * 60 }];

function hazardsOf(family: Family): Hazard[] {
  const of: Hazard[] = family === 'waterborne-acrylic' ? [] : ['solvent'];
  if (isIn(EPOXIES, family)) of.push('epoxy-sensitiser');
  if (family === 'two-pack-polyurethane') of.push('isocyanate');
  if (family.endsWith('antifouling')) of.push('biocide');
  if (family === 'rust-converter' || family === 'passivating-wash') of.push('acid');
  if (['one-pack-primer', 'one-pack-undercoat', 'one-pack-enamel', 'varnish'].includes(family))
    of.push('oxidising-rags');
  if (family.endsWith('filler')) of.push('dust');
  return of;
}

const partsOf = ({ ratio }: TypicalFigures): MixPart[] =>
  ratio
    ? [
        { name: 'base', ratio: ratio[0], densityKgPerL: null },
        { name: 'hardener', ratio: ratio[1], densityKgPerL: null },
      ]
    : [{ name: 'paint', ratio: 1, densityKgPerL: null }];

function cureOf(figures: TypicalFigures): CureSheet {
  const { minH, maxH, grit, thumbH } = figures;
  const events: Partial<Record<FilmEvent, CurvePoint[]>> = { 'tack-free': at20(figures.tackFreeH) };
  const put = (event: FilmEvent, hours: number | undefined) => {
    if (hours !== undefined) events[event] = at20(hours);
  };
  put('sandable', figures.sandableH);
  put('immersion', figures.immersionH);
  put('latest-immersion', figures.latestImmersionH);
  const rule = { by: 'any', min: at20(minH), chemicalMax: maxH === null ? null : at20(maxH), keyGrit: grit };
  const thumb = thumbH && { opens: at20(thumbH[0]), closes: at20(thumbH[1]) };
  return {
    stopC: figures.stopC,
    events,
    overcoat: [
      rule,
      ...(thumb
        ? (['hard-antifouling', 'ablative-antifouling', 'copper-free-antifouling'] as const).map((by) => ({
            ...rule,
            by,
            min: at20(thumbH[0]),
            thumb,
          }))
        : []),
    ],
  };
}

/**
 * A sheet to begin with for one family: every figure typical and from memory [M], taken on the safe side (the next coat
 * late, the end of a window early), and each marked so in `typical` until somebody confirms it from the tin.
 *
 * `typicalSheet('epoxy-barrier').typical` → all of {@link TYPICAL_FIELDS}; its volume solids are 0.6.
 */
export function typicalSheet(family: Family): ProductSheet {
  const figures = TYPICAL[family];
  const twoPack = isIn(TWO_PACKS, family) || figures.ratio !== undefined;
  const [min, typical, max] = figures.film;
  return {
    ...NOT_STATED,
    family,
    parts: partsOf(figures),
    ratioBy: figures.byWeight ? 'weight' : 'volume',
    ratioTolerance: null,
    volumeSolids: figures.solids,
    film: { min, typical, max },
    methods: [],
    thinner: null,
    inductionMin: figures.inductionMin ?? (twoPack ? null : 0),
    potLife: figures.potLifeMin === undefined ? [] : at20(figures.potLifeMin / 60),
    limits: {
      airMinC: null,
      airMaxC: null,
      surfaceMinC: null,
      surfaceMaxC: null,
      rhMax: null,
      dewMarginC: null,
    },
    cure: cureOf(figures),
    colours: [
      { name: 'grey', hex: '#8b9299' },
      { name: 'white', hex: '#f4f3ee' },
    ],
    hazards: hazardsOf(family),
    note: '',
    copper: figures.copper ?? null,
    typical: TYPICAL_FIELDS.filter((field) =>
      field === 'ratio'
        ? figures.ratio !== undefined
        : field === 'inductionMin'
          ? figures.inductionMin !== undefined
          : field === 'potLife'
            ? figures.potLifeMin !== undefined
            : true,
    ),
  };
}
