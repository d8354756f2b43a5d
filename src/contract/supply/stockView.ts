import Joi from 'joi';
import type { LotNote, Stock } from '../../core/supply/index.ts';
import { objectOf } from '../joi.ts';
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
import { type Lot, lotReply } from './lot.ts';

/** A lot as the stock shows it. */
export interface LotView extends Lot {
  productName: string;
  stock: Omit<Stock, 'openedMs' | 'belowNothingSinceMs' | 'differences'> & {
    openedAt: string | null;
    belowNothingSince: string | null;
  };
  /** The last count that found another amount than the book had; null: none did. */
  difference: { at: string; expected: number; found: number } | null;
  keptFor: { areaId: string; areaName: string; boatName: string; amount: number }[];
  receivedAt: string | null;
  endsOn: string | null;
  notes: Omit<LotNote, 'atMs'>[];
  /** It counts as stock. */
  usable: boolean;
  /** m² that one coat at the typical film could still cover, of a base with the hardener that is there; null: not of this part. */
  coversM2: number | null;
}

export interface StockView {
  now: string;
  lots: LotView[];
  /** Where solvent-borne stock may stand; null: none is there. */
  solventStore: string | null;
}

const lotView = (lotReply as Joi.ObjectSchema).keys({
  productName: word(),
  stock: Joi.object({
    inTin: figure(),
    kept: figure(),
    openedAt: maybeMoment(),
    belowNothingSince: maybeMoment(),
  }).required(),
  difference: Joi.object({ at: moment(), expected: figure(), found: figure() }).allow(null).required(),
  keptFor: listOf(Joi.object({ areaId: uuid(), areaName: word(), boatName: word(), amount: figure() })),
  receivedAt: maybeMoment(),
  endsOn: maybeMoment(),
  notes: listOf(Joi.object({ code: word(), text: word(), keepsOut: flag() })),
  usable: flag(),
  coversM2: maybeFigure(),
});
export const stockReply = objectOf<StockView>({
  now: moment(),
  lots: listOf(lotView),
  solventStore: maybeWord(),
});
