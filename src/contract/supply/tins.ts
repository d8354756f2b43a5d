import Joi from 'joi';
import { t } from '../../words.ts';
import { objectOf, text } from '../joi.ts';
import { figure, listOf, maybeMoment, moment, uuid, word } from '../replies/plain.ts';

/** The tins of one product in one colour, for reconciling: what they held, what the log took, what is still to come. */
export interface TinsView {
  productId: string;
  productName: string;
  colour: string;
  sheetVersion: number;
  /** Amounts in the lots' unit, part by part as the sheet names them. */
  parts: {
    name: string;
    unit: 'l' | 'kg';
    start: number;
    inTin: number;
    lots: { id: string; inTin: number }[];
  }[];
  /** From when on the batches count: the last count of all parts, or the first receipt. */
  since: string | null;
  batches: { id: string; at: string; areaName: string; boatName: string; poured: number[] }[];
  ownRatio: { parts: number[]; reason: string } | null;
  /** Litres of mixed paint still needed in this colour. */
  ahead: { likely: number; safe: number };
}
export const tinsReply = objectOf<TinsView>({
  productId: uuid(),
  productName: word(),
  colour: word(),
  sheetVersion: figure(),
  parts: listOf(
    Joi.object({
      name: word(),
      unit: word(),
      start: figure(),
      inTin: figure(),
      lots: listOf(Joi.object({ id: uuid(), inTin: figure() })),
    }),
  ),
  since: maybeMoment(),
  batches: listOf(
    Joi.object({
      id: uuid(),
      at: moment(),
      areaName: word(),
      boatName: word(),
      poured: listOf(Joi.number()),
    }),
  ),
  ownRatio: Joi.object({ parts: listOf(Joi.number()), reason: word() })
    .allow(null)
    .required(),
  ahead: Joi.object({ likely: figure(), safe: figure() }).required(),
});

/** Which tins. */
export interface TinsQuery {
  colour?: string;
}
export const tinsQuery = objectOf<TinsQuery>({ colour: text(80).label(t`colour`) });
