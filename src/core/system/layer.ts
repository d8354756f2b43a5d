import type { Method } from '../film/index.ts';
import type { AdditionLimit } from '../mix/index.ts';
import { type Sentence, within } from '../units/index.ts';
import type { Family, Substrate } from './families.ts';
import type { Bond, Mark, RuleCoat, ServiceKind, Verdict } from './rules.ts';
import { type Additive, filmOf, type ProductSheet, thinnerOf } from './sheet.ts';
import type { Band, PlannedAdditive } from './step.ts';

/** A layer of a stack: a product in so many coats, as far as the rules look at it. */
export interface Layer extends RuleCoat {
  /** Grounds the product's sheet allows; null: not stated, and the trade's rules hold [P]. */
  grounds: ProductSheet['grounds'];
  coats: number;
  dryMicronsPerCoat: number;
  film: { min: number; max: number } | null;
  /** Fraction of thinner, and what the sheet allows of it: null where it names none. */
  thinner: number;
  thinnerLimit: Pick<AdditionLimit, 'maxFraction'> | null;
  /** Additives planned into it, and those its sheet allows; left out: not asked. */
  additives?: readonly PlannedAdditive[];
  additivesAllowed?: readonly Pick<Additive, 'name' | 'maxMlPerLitre'>[];
  /** Coldest at which it still cures, °C; null: not stated; left out: the cold is no matter, as once it is applied. */
  stopC?: number | null;
  /** How it is applied, and the ways its sheet allows, none: not stated; left out: not asked. */
  method?: Method;
  methods?: readonly Method[];
  /** Hottest air or surface that its sheet allows, °C; null or left out: not stated. */
  hottestC?: number | null;
  /** Applied to a band only: what comes next meets it and what is below it. */
  band?: boolean;
  /** The window of what lies below it is known to be missed, and nothing was sanded since. */
  windowClosed?: boolean;
}

/** The lowest of the limits that are stated; null: none is. */
function strictest(limits: readonly (number | null)[]): number | null {
  const stated = limits.filter((limit) => limit !== null);
  return stated.length > 0 ? Math.min(...stated) : null;
}

/** A step with its product's sheet, as the rules look at it. */
export function layerOfStep(
  step: Pick<Layer, 'coats' | 'dryMicronsPerCoat' | 'thinner' | 'additives'> & {
    method: Method;
    band?: Band | null;
  },
  sheet: Pick<
    ProductSheet,
    | 'family'
    | 'copper'
    | 'grounds'
    | 'film'
    | 'byMethod'
    | 'methods'
    | 'thinner'
    | 'additives'
    | 'cure'
    | 'limits'
  >,
): Layer {
  return {
    family: sheet.family,
    copper: sheet.copper,
    grounds: sheet.grounds,
    coats: step.coats,
    dryMicronsPerCoat: step.dryMicronsPerCoat,
    film: filmOf(sheet, step.method),
    thinner: step.thinner,
    thinnerLimit: thinnerOf(sheet, step.method),
    additives: step.additives ?? [],
    additivesAllowed: sheet.additives,
    stopC: sheet.cure.stopC,
    method: step.method,
    methods: sheet.methods,
    hottestC: strictest([sheet.limits.airMaxC, sheet.limits.surfaceMaxC]),
    band: step.band != null,
  };
}

export interface StackPlace {
  substrate: Substrate;
  /** The existing coating; null: bare. */
  oldCoating: Family | 'unknown' | null;
  service: ServiceKind;
  /** Lowest and highest temperature the work will see, °C; null: not asked. */
  coldestC: number | null;
  hottestC?: number | null;
}

/** Figures of layers and of where they stand that can be. @throws {QuantityError} naming the layer and the figure */
export function checkLayers(layers: readonly Layer[], place: StackPlace): void {
  layers.forEach((layer, i) => {
    const name = (what: string) => `${what} of layer ${i + 1}`;
    within(name('coats'), layer.coats, 0, 1000);
    within(name('dry film a coat'), layer.dryMicronsPerCoat, 0, 20_000);
    within(name('thinner'), layer.thinner, 0, 0.9);
    if (layer.film) {
      within(name('max film'), layer.film.max, 0, 20_000);
      within(name('min film'), layer.film.min, 0, 20_000);
    }
    const most = layer.thinnerLimit?.maxFraction ?? null;
    if (most !== null) within(name('limit of the thinner'), most, 0, 1);
    for (const { name: called, mlPerLitre } of layer.additives ?? [])
      within(name(`ml of ${called} a litre`), mlPerLitre, 0, 500);
    if (layer.stopC != null) within(name('stop temperature'), layer.stopC, -40, 80);
    if (layer.hottestC != null) within(name('highest temperature'), layer.hottestC, -40, 90);
  });
  if (place.coldestC !== null) within('lowest expected temperature', place.coldestC, -60, 90);
  if (place.hottestC != null) within('highest expected temperature', place.hottestC, -60, 120);
}

/** A rule's word on one layer. */
export interface Judgement {
  ruleId: string;
  verdict: Exclude<Verdict, 'fine'>;
  reason: Sentence;
  condition: string | null;
  mark: Mark;
}

export interface JudgedLayer {
  verdict: Verdict;
  /** How it holds to what is below. */
  bond: Bond;
  judgements: Judgement[];
}
