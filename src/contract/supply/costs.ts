import Joi from 'joi';
import { t } from '../../words.ts';
import { id, objectOf, text } from '../joi.ts';
import { figure, listOf, maybeUuid, uuid, word } from '../replies/plain.ts';

import { type TradeSettings, tradeSettings } from './trade.ts';

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

/** The text of a quote, and the days that the boat is in the yard. Empty texts are left out of the document. */
export interface BoatQuoteInput {
  boatId: string;
  /** The yard’s own number of the quote. */
  number: string;
  /** Name and address of the customer. */
  customer: string;
  /** Days for which the quote is valid; 0: not stated. */
  validDays: number;
  /** Payment, liability and other terms. */
  terms: string;
  title: string;
  intro: string;
  closing: string;
  yardDays: number;
  version: number;
}
export const boatQuote = objectOf<BoatQuoteInput>({
  boatId: id().required(),
  number: text(40).label(t`Quote number`).default(''),
  customer: text(400).label(t`Customer`).default(''),
  validDays: Joi.number().integer().min(0).max(3650).label(t`Days valid`).default(0),
  terms: text(2000).label(t`Terms`).default(''),
  title: text(120).label(t`Quote title`).required(),
  intro: text(2000).label(t`Introduction`).required(),
  closing: text(2000).label(t`Closing text`).required(),
  yardDays: Joi.number().min(0).max(3650).label(t`Days in yard`).required(),
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
