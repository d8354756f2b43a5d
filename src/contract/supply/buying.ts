import Joi from 'joi';
import type { SmallWay } from '../../core/supply/index.ts';
import { objectOf } from '../joi.ts';
import {
  figure,
  flag,
  listOf,
  maybeFigure,
  maybeMoment,
  maybeUuid,
  maybeWord,
  moment,
  uuid,
  word,
} from '../replies/plain.ts';

import { type SundryView, usedUp } from './materials.ts';
import type { TradeSettings } from './trade.ts';

/** What to buy where: as a screen and the printed lists have it. */

/** A pack to buy. */
export interface BuyLine {
  productId: string;
  productName: string;
  part: string | null;
  colour: string | null;
  litres: number;
  unit: 'l' | 'kg';
  count: number;
  /** Total, minor units. */
  price: number;
}

/** The purchase from one supplier. */
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
  /** No purchase costs less than this; the total where that is proven. */
  atLeast: number;
  /** A proof, or something cheaper, is still looked for: to be asked again. */
  proving: boolean;
  /** Each part with the amount that stock lacks, and the leftover after the likely need. */
  left: {
    productId: string;
    productName: string;
    part: string;
    colour: string | null;
    unit: 'l' | 'kg';
    wanted: number;
    amount: number;
  }[];
  runnersUp: {
    more: number;
    what: {
      productName: string;
      part: string | null;
      colour: string | null;
      litres: number;
      unit: 'l' | 'kg';
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
  /** Thinner, additives and sundries to buy; the stock doesn’t count them. */
  extras: SundryView[];
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
  atLeast: figure(),
  proving: flag(),
  left: listOf(Joi.object({ ...partOfProduct, productId: uuid(), wanted: figure() })),
  runnersUp: listOf(
    Joi.object({
      more: figure(),
      what: listOf(
        Joi.object({
          productName: word(),
          part: maybeWord(),
          colour: maybeWord(),
          litres: figure(),
          unit: word(),
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
  extras: listOf(usedUp),
  tooEarly: listOf(Joi.object({ productName: word(), usedAt: moment(), shelfMonths: figure() })),
});
