import Joi from 'joi';
import type { LearnedSpread, SmallWay } from '../../core/supply/index.ts';
import { id, objectOf } from '../joi.ts';
import { figure, flag, listOf, maybeFigure, maybeMoment, maybeUuid, maybeWord, moment, uuid, word } from '../replies/plain.ts'; // biome-ignore format: one line
import { type TradeSettings, tradeSettings } from './trade.ts';

/** Of which part of the yard the need is asked. */
export interface MaterialsQuery {
  boatId?: string;
  areaId?: string;
  productId?: string;
}
export const materialsQuery = objectOf<MaterialsQuery>({
  boatId: id().label('boat'),
  areaId: id().label('area'),
  productId: id().label('product'),
});

/** The coat that a shortage stops first. */
export interface StoppedCoat {
  boatId: string;
  boatName: string;
  areaId: string;
  areaName: string;
  stepId: string;
  /** From 1. */
  coat: number;
  /** When it could go on at one coat a day; null: nobody knows. */
  at: string | null;
}

/** One part of a product in one colour: what is wanted and what is there. */
export interface PartSupply {
  part: string;
  colour: string | null;
  unit: 'l' | 'kg';
  likely: number;
  safe: number;
  /** Usable, in tins. */
  there: number;
  /** Not counted: out of date, frozen, suspect. */
  unusable: number;
  /** Set apart for patches, and what of it is for patches that are asked about here. */
  kept: number;
  keptForThese: number;
  ordered: number;
  /** Of the safe need, and of the likely one. */
  short: number;
  shortLikely: number;
  stops: StoppedCoat | null;
}

/** One step on one area as it enters the need. */
export interface NeedLineView {
  id: string;
  boatId: string;
  boatName: string;
  areaId: string;
  areaName: string;
  stepId: string;
  method: string;
  route: 'film' | 'coverage';
  dryMicronsPerCoat: number;
  volumeSolids: number | null;
  coverageM2PerL: number | null;
  areaM2: number;
  spread: number;
  way: string;
  lossLikely: number;
  lossUpper: number;
  litres: number;
  coats: {
    no: number;
    colour: string;
    areaM2: number;
    smooth: number;
    factor: number;
    dead: number;
    litres: number;
  }[];
  ownRatio: { parts: number[]; reason: string } | null;
  learned: number | null;
}

export interface ColourSupply {
  colour: string;
  likely: number;
  safe: number;
  /** The same by the sheets alone, where a learned rate has its say. */
  likelyBySheet: number;
  safeBySheet: number;
  cans: number | null;
}

export interface ProductSupply {
  productId: string;
  name: string;
  /** Priced and kept by part where it has several. */
  parts: PartSupply[];
  colours: ColourSupply[];
  sessions: number;
  leftInTools: number;
  thinner: { name: string | null; thin: number; clean: number } | null;
  learned: (Omit<LearnedSpread, 'key'> & { method: string; surface: string })[];
  /** Days until the first coat; null: nobody knows. */
  firstAt: string | null;
  lines: NeedLineView[];
  /** Lines left out of the list, though in the sums. */
  moreLines: number;
}

export interface SundryView {
  item: string;
  name: string;
  unit: string;
  rule: string;
  amount: number;
  exact: number;
  /** Minor units; null: no price given. */
  cost: number | null;
}

export interface MaterialsView {
  now: string;
  currency: TradeSettings['currency'];
  usesLearned: boolean;
  products: ProductSupply[];
  sundries: SundryView[];
  /** Steps nothing can be worked out for, and why. */
  unknown: {
    areaId: string;
    areaName: string;
    boatId: string;
    boatName: string;
    productName: string;
    reason: string;
  }[];
}

const stopped = objectOf<StoppedCoat>({
  boatId: uuid(),
  boatName: word(),
  areaId: uuid(),
  areaName: word(),
  stepId: uuid(),
  coat: figure(),
  at: maybeMoment(),
});
const partSupply = objectOf<PartSupply>({
  part: word(),
  colour: maybeWord(),
  unit: word(),
  likely: figure(),
  safe: figure(),
  there: figure(),
  unusable: figure(),
  kept: figure(),
  keptForThese: figure(),
  ordered: figure(),
  short: figure(),
  shortLikely: figure(),
  stops: stopped.allow(null).required(),
});
const ratio = Joi.object({ parts: listOf(Joi.number()), reason: word() })
  .allow(null)
  .required();
const needLine = objectOf<NeedLineView>({
  id: word(),
  boatId: uuid(),
  boatName: word(),
  areaId: uuid(),
  areaName: word(),
  stepId: uuid(),
  method: word(),
  route: word(),
  dryMicronsPerCoat: figure(),
  volumeSolids: maybeFigure(),
  coverageM2PerL: maybeFigure(),
  areaM2: figure(),
  spread: figure(),
  way: word(),
  lossLikely: figure(),
  lossUpper: figure(),
  litres: figure(),
  coats: listOf(
    Joi.object({
      no: figure(),
      colour: word(),
      areaM2: figure(),
      smooth: figure(),
      factor: figure(),
      dead: figure(),
      litres: figure(),
    }),
  ),
  ownRatio: ratio,
  learned: maybeFigure(),
});
export const materialsReply = objectOf<MaterialsView>({
  now: moment(),
  currency: word(),
  usesLearned: flag(),
  products: listOf(
    objectOf<ProductSupply>({
      productId: uuid(),
      name: word(),
      parts: listOf(partSupply),
      colours: listOf(
        objectOf<ColourSupply>({
          colour: word(),
          likely: figure(),
          safe: figure(),
          likelyBySheet: figure(),
          safeBySheet: figure(),
          cans: maybeFigure(),
        }),
      ),
      sessions: figure(),
      leftInTools: figure(),
      thinner: Joi.object({ name: maybeWord(), thin: figure(), clean: figure() }).allow(null).required(),
      learned: listOf(
        Joi.object({
          method: word(),
          surface: word(),
          factor: figure(),
          sd: figure(),
          weight: figure(),
          mean: figure(),
          coats: figure(),
          outliers: listOf(Joi.string()),
        }),
      ),
      firstAt: maybeMoment(),
      lines: listOf(needLine),
      moreLines: figure(),
    }),
  ),
  sundries: listOf(
    objectOf<SundryView>({
      item: word(),
      name: word(),
      unit: word(),
      rule: word(),
      amount: figure(),
      exact: figure(),
      cost: maybeFigure(),
    }),
  ),
  unknown: listOf(
    Joi.object({
      areaId: uuid(),
      areaName: word(),
      boatId: uuid(),
      boatName: word(),
      productName: word(),
      reason: word(),
    }),
  ),
});

/** A pack to buy. */
export interface BuyLine {
  productId: string;
  productName: string;
  part: string | null;
  colour: string | null;
  litres: number;
  unit: 'l' | 'kg';
  count: number;
  /** Of all of them, minor units. */
  price: number;
}

/** What is bought from one supplier. */
export interface BuyOrder {
  supplierId: string | null;
  supplierName: string | null;
  lines: BuyLine[];
  goods: number;
  delivery: number;
  short: number;
  /** To be ordered by then, so that it is here for the first coat that wants it; null: nobody knows. */
  orderBy: string | null;
  deliveryDays: number;
}

export interface BuyingView {
  now: string;
  currency: TradeSettings['currency'];
  orders: BuyOrder[];
  total: number;
  proven: boolean;
  /** What is left over of each part, likely need taken off. */
  left: { productName: string; part: string; colour: string | null; unit: 'l' | 'kg'; amount: number }[];
  runnersUp: {
    more: number;
    what: {
      productName: string;
      colour: string | null;
      litres: number;
      count: number;
      supplierName: string | null;
    }[];
    left: number;
  }[];
  /** Wanted, and no pack or no price is known. */
  unpriced: {
    productId: string;
    productName: string;
    part: string;
    colour: string | null;
    unit: 'l' | 'kg';
    amount: number;
  }[];
  /** Too small for any pack. */
  small: {
    productId: string;
    productName: string;
    colour: string;
    litres: number;
    share: number;
    ways: SmallWay[];
  }[];
  /** Bought so early that its shelf life would end before it is used. */
  tooEarly: { productName: string; usedAt: string; shelfMonths: number }[];
}

const buyLine = objectOf<BuyLine>({
  productId: uuid(),
  productName: word(),
  part: maybeWord(),
  colour: maybeWord(),
  litres: figure(),
  unit: word(),
  count: figure(),
  price: figure(),
});
const partOfProduct = {
  productName: word(),
  part: word(),
  colour: maybeWord(),
  unit: word(),
  amount: figure(),
};
export const buyingReply = objectOf<BuyingView>({
  now: moment(),
  currency: word(),
  orders: listOf(
    objectOf<BuyOrder>({
      supplierId: maybeUuid(),
      supplierName: maybeWord(),
      lines: listOf(buyLine),
      goods: figure(),
      delivery: figure(),
      short: figure(),
      orderBy: maybeMoment(),
      deliveryDays: figure(),
    }),
  ),
  total: figure(),
  proven: flag(),
  left: listOf(Joi.object(partOfProduct)),
  runnersUp: listOf(
    Joi.object({
      more: figure(),
      what: listOf(
        Joi.object({
          productName: word(),
          colour: maybeWord(),
          litres: figure(),
          count: figure(),
          supplierName: maybeWord(),
        }),
      ),
      left: figure(),
    }),
  ),
  unpriced: listOf(Joi.object({ productId: uuid(), ...partOfProduct })),
  small: listOf(
    Joi.object({
      productId: uuid(),
      productName: word(),
      colour: word(),
      litres: figure(),
      share: figure(),
      ways: listOf(Joi.object({ kind: word(), what: word(), cost: maybeFigure(), left: figure() })),
    }),
  ),
  tooEarly: listOf(Joi.object({ productName: word(), usedAt: moment(), shelfMonths: figure() })),
});

/** What a boat costs, by area and step; money in minor units. */
export interface CostLine {
  areaId: string | null;
  areaName: string;
  stepId: string | null;
  what: string;
  kind: 'paint' | 'thinner' | 'sundries' | 'labour' | 'yard' | 'waste';
  planned: number;
  soFar: number;
  forecast: number;
}

/** What a customer is told, and the days she stands in the yard. */
export interface BoatQuoteInput {
  boatId: string;
  title: string;
  intro: string;
  closing: string;
  yardDays: number;
  version: number;
}
export const boatQuote = objectOf<BoatQuoteInput>({
  boatId: id().required(),
  title: Joi.string().allow('').max(120).label('title of the quote').required(),
  intro: Joi.string().allow('').max(2000).label('words before the quote').required(),
  closing: Joi.string().allow('').max(2000).label('words after the quote').required(),
  yardDays: Joi.number().min(0).max(3650).label('days in the yard').required(),
  version: Joi.number().integer().min(0).max(1e9).required(),
});

export interface CostsView {
  boatId: string;
  boatName: string;
  settings: TradeSettings;
  quote: BoatQuoteInput;
  lines: CostLine[];
  total: { planned: number; soFar: number; forecast: number };
  /** Net, tax, rounding and gross as the customer is asked for. */
  bill: { net: number; tax: number; rounding: number; gross: number };
  /** Products without a price, left out of the sums. */
  unpriced: string[];
  hours: number;
}
export const costsReply = objectOf<CostsView>({
  boatId: uuid(),
  boatName: word(),
  settings: tradeSettings.required(),
  quote: boatQuote.required(),
  lines: listOf(
    objectOf<CostLine>({
      areaId: maybeUuid(),
      areaName: word(),
      stepId: maybeUuid(),
      what: word(),
      kind: word(),
      planned: figure(),
      soFar: figure(),
      forecast: figure(),
    }),
  ),
  total: Joi.object({ planned: figure(), soFar: figure(), forecast: figure() }).required(),
  bill: Joi.object({ net: figure(), tax: figure(), rounding: figure(), gross: figure() }).required(),
  unpriced: listOf(Joi.string()),
  hours: figure(),
});

/** What is in the tins for the coat at the bench; null in the view: nothing of it is kept in the store. */
export interface BenchTins {
  parts: { part: string; unit: 'l' | 'kg'; there: number; keptHere: number; wanted: number }[];
  /** Mixed litres that the tins give, and how far that reaches on the area. */
  reachLitres: number;
  reachM2: number;
  limitedBy: string | null;
  /** Patches whose keep-back is not to be touched. */
  keptElsewhere: { areaName: string; part: string; amount: number; unit: 'l' | 'kg' }[];
}
export const benchTins = objectOf<BenchTins>({
  parts: listOf(
    Joi.object({ part: word(), unit: word(), there: figure(), keptHere: figure(), wanted: figure() }),
  ),
  reachLitres: figure(),
  reachM2: figure(),
  limitedBy: maybeWord(),
  keptElsewhere: listOf(Joi.object({ areaName: word(), part: word(), amount: figure(), unit: word() })),
});
