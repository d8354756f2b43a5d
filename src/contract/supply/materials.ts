import Joi from 'joi';
import type { LearnedSpread } from '../../core/supply/index.ts';
import { t } from '../../words.ts';
import { id, objectOf } from '../joi.ts';
import {
  figure,
  flag,
  listOf,
  maybeFigure,
  maybeMoment,
  maybeWord,
  moment,
  uuid,
  word,
} from '../replies/plain.ts';

import type { TradeSettings } from './trade.ts';

/** Of which part of the yard the need is asked. */
export interface MaterialsQuery {
  boatId?: string;
  areaId?: string;
  productId?: string;
}
export const materialsQuery = objectOf<MaterialsQuery>({
  boatId: id().label(t`boat`),
  areaId: id().label(t`area`),
  productId: id().label(t`product`),
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

/** One part of a product in one colour: need and stock. */
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
  /** Kept back for patches, and the share of the patches asked about here. */
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
  /** Litres of its additives. */
  additives: { name: string; likely: number; safe: number }[];
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
export const usedUp = objectOf<SundryView>({
  item: word(),
  name: word(),
  unit: word(),
  rule: word(),
  amount: figure(),
  exact: figure(),
  cost: maybeFigure(),
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
      additives: listOf(Joi.object({ name: word(), likely: figure(), safe: figure() })),
      learned: listOf(
        Joi.object({
          method: word(),
          surface: word(),
          factor: figure(),
          sd: figure(),
          scatter: figure(),
          weight: figure(),
          mean: figure(),
          coats: figure(),
          outliers: listOf(Joi.string()),
          persons: listOf(
            Joi.object({ person: word(), factor: figure(), sd: figure(), weight: figure(), coats: figure() }),
          ),
        }),
      ),
      firstAt: maybeMoment(),
      lines: listOf(needLine),
      moreLines: figure(),
    }),
  ),
  sundries: listOf(usedUp),
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
