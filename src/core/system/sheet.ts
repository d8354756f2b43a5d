import { type AirLimits, DEFAULT_LIMITS, SETS_BEFORE_IT_FLOWS } from '../air/index.ts';
import type { CureSheet, CurvePoint } from '../cure/index.ts';
import { METHODS, type Method, TYPICAL_LOSS, UPPER_LOSS } from '../film/index.ts';
import type { AdditionLimit, MixPart, RatioBasis } from '../mix/index.ts';
import { QuantityError, within } from '../units/index.ts';
import type { Family, Substrate } from './families.ts';
import { FILLERS, isIn, TOPCOATS } from './groups.ts';

/** Dangers that call for a caution at the step. */
export type Hazard =
  | 'isocyanate'
  | 'solvent'
  | 'epoxy-sensitiser'
  | 'biocide'
  | 'acid'
  | 'oxidising-rags'
  | 'dust';

/** Figures of a sheet that may stand there from memory until somebody reads them off the tin. */
export const TYPICAL_FIELDS = [
  'ratio',
  'volumeSolids',
  'film',
  'inductionMin',
  'potLife',
  'stopC',
  'overcoat',
  'events',
] as const;
export type TypicalField = (typeof TYPICAL_FIELDS)[number];

/**
 * A product's data sheet [P]: everything here belongs to the product in the tin, wins over every default, and is
 * never a constant in code. null stands for "not stated".
 */
export interface ProductSheet {
  family: Family;
  /** What binds it, in the sheet's words; null: not stated. */
  resin: string | null;
  /** Base first, then hardener; a one-pack has one part. */
  parts: MixPart[];
  ratioBy: RatioBasis;
  /** Allowed ratio error as a fraction; null: the trade's ±5 %. */
  ratioTolerance: number | null;
  /** Fraction 0–1 of the unthinned mix. */
  volumeSolids: number;
  /** Dry film of one coat, µm. */
  film: { min: number; typical: number; max: number };
  /** Film and thinner where a method has figures of its own. */
  byMethod: ByMethod[];
  /** Methods it may be applied by; none: not stated. */
  methods: Method[];
  thinner: AdditionLimit | null;
  /** Sweat-in after mixing, minutes; null: not stated. */
  inductionMin: number | null;
  /** Pot life at one or more temperatures; empty for a one-pack. */
  potLife: CurvePoint[];
  limits: {
    airMinC: number | null;
    airMaxC: number | null;
    surfaceMinC: number | null;
    surfaceMaxC: number | null;
    rhMax: number | null;
    dewMarginC: number | null;
  };
  cure: CureSheet;
  /** Colours it is sold in: a name and how it is drawn. */
  colours: { name: string; hex: string }[];
  hazards: Hazard[];
  note: string;
  /** Surfaces and coats it may go on; null: not stated, and the trade's rules hold. */
  grounds: (Family | Substrate)[] | null;
  /** Whether it contains copper, for any coating type; null: not stated. */
  copper: boolean | null;
  additives: Additive[];
  packs: Pack[];
  /** Figures that stand here from memory until somebody reads them off the tin; left out: none. */
  typical?: TypicalField[];
  /** What one spray can holds, l; null or left out: it comes in tins. */
  canLitres?: number | null;
  /**
   * What one litre covers in one coat, m², as the tin says for practice; of a wash: of the diluted wash. null or left
   * out: not stated. The need uses it where the volume solids are a typical value.
   */
  coverageM2PerL?: number | null;
  /** Parts of water to one of the concentrate, of a wash; null or left out: used as it is. */
  dilution?: number | null;
  /** Months it keeps once opened; null or left out: not stated. */
  openedMonths?: number | null;
  /** Months it keeps unopened; null: not stated. */
  shelfMonths: number | null;
  /** Preparation wanted: cleanliness grade and blast profile, µm; null: not stated. */
  preparation: {
    cleanliness: Cleanliness | null;
    profileMinMicrons: number | null;
    profileMaxMicrons: number | null;
  };
  /** Cautions in the sheet's own words, shown at the step. */
  cautions: string;
}

/** Cleanliness of steel by blast or power tool [S: ISO 8501-1]. */
export type Cleanliness = 'Sa 1' | 'Sa 2' | 'Sa 2½' | 'Sa 3' | 'St 2' | 'St 3';

/** An additive, with its own limit. */
export interface Additive {
  name: string;
  kind: 'accelerator' | 'retarder' | 'roller' | 'other';
  maxMlPerLitre: number | null;
}

/** A size it is sold in: litres of the mixed kit, and its price in the yard's money; null: not known. */
export interface Pack {
  litres: number;
  price: number | null;
}

/** What holds for one method only; null: as for all. Films in µm dry, the thinner as a fraction of the mix. */
export interface ByMethod {
  method: Method;
  film: ProductSheet['film'] | null;
  thinnerMax: number | null;
}

/**
 * Methods to choose from: the sheet's; where it states none, those its family is applied by. Fillers by trowel first;
 * only a sheet that says so comes in a can that sprays.
 */
export function methodsOf(
  sheet: Pick<ProductSheet, 'methods'> & Partial<Pick<ProductSheet, 'family'>>,
): readonly Method[] {
  if (sheet.methods.length > 0) return sheet.methods;
  const filler = sheet.family !== undefined && isIn(FILLERS, sheet.family);
  const usual = METHODS.filter((method) => method !== 'aerosol' && method !== 'trowel');
  return filler ? ['trowel', ...usual] : usual;
}

/** A film of one coat that can be: each figure above nothing and below any paint's; their order is a note, not a refusal. @throws {QuantityError} */
export function checkFilm(film: ProductSheet['film']): ProductSheet['film'] {
  within('most dry film of a coat', film.max, 0, 20_000);
  within('least dry film of a coat', film.min, 0, 20_000);
  within('typical dry film of a coat', film.typical, 0, 20_000);
  return film;
}

/** Film of one coat by this method, µm dry: the method's own figures, or those for all. */
export const filmOf = (
  sheet: Pick<ProductSheet, 'film' | 'byMethod'>,
  method: Method,
): ProductSheet['film'] => sheet.byMethod.find((each) => each.method === method)?.film ?? sheet.film;

/** The sheet's thinner with its limit by this method; null: none is named. */
export function thinnerOf(
  sheet: Pick<ProductSheet, 'thinner' | 'byMethod'>,
  method: Method,
): AdditionLimit | null {
  if (!sheet.thinner) return null;
  const own = sheet.byMethod.find((each) => each.method === method)?.thinnerMax;
  return own == null ? sheet.thinner : { ...sheet.thinner, maxFraction: own };
}

/** What a sheet does not state, in one place: for sheets entered before these fields, and for tests. */
export const NOT_STATED = {
  resin: null,
  byMethod: [],
  grounds: null,
  copper: null,
  additives: [],
  packs: [],
  shelfMonths: null,
  preparation: { cleanliness: null, profileMinMicrons: null, profileMaxMicrons: null },
  cautions: '',
} satisfies Partial<ProductSheet>;

/** The sheet's limits, with the trade's where it is silent. Nothing is applied where it could not cure. */
export function limitsOf(sheet: Pick<ProductSheet, 'limits' | 'cure'>): AirLimits {
  const { limits } = sheet;
  if (sheet.cure.stopC !== null) within('stop temperature', sheet.cure.stopC, -40, 80);
  const floor = Math.max(DEFAULT_LIMITS.surfaceMinC ?? 0, sheet.cure.stopC ?? -40);
  return {
    airMinC: limits.airMinC,
    airMaxC: limits.airMaxC,
    surfaceMinC: Math.max(limits.surfaceMinC ?? floor, sheet.cure.stopC ?? -40),
    surfaceMaxC: limits.surfaceMaxC ?? DEFAULT_LIMITS.surfaceMaxC,
    rhMax: limits.rhMax ?? DEFAULT_LIMITS.rhMax,
    dewMarginC: limits.dewMarginC ?? DEFAULT_LIMITS.dewMarginC,
  };
}

/** Wind in the open that a method still bears, m/s; null: any [M]. */
const WIND_MAX_MS: Record<Method, number | null> = {
  brush: 10,
  roller: 10,
  'roll-and-tip': 8,
  'conventional-spray': 5,
  'airless-spray': 7,
  trowel: null,
  aerosol: 5,
};

/**
 * As {@link limitsOf} for a coat by this method: the wind it bears, and for a gloss how fast it may set before it could
 * flow [T: handbook part 9; the figures M].
 *
 * @throws {QuantityError} on a method that is none
 */
export function coatLimitsOf(
  sheet: Pick<ProductSheet, 'limits' | 'cure' | 'family'>,
  method: Method,
): AirLimits {
  if (!METHODS.includes(method)) throw new QuantityError('method', method, `one of ${METHODS.join(', ')}`);
  return {
    ...limitsOf(sheet),
    windMaxMs: WIND_MAX_MS[method],
    settingMax: isIn(TOPCOATS, sheet.family) ? SETS_BEFORE_IT_FLOWS : null,
  };
}

/** The most that this method commonly loses [T], for a need that is to be safe. */
export const upperLossOf = (method: Method): number => UPPER_LOSS[method];

/** Loss to work with by this method, middle of its span [T]. */
export function lossOf(method: Method): number {
  return TYPICAL_LOSS[method];
}
