import Joi from 'joi';
import { MOST_MONEY } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { between, day, id, instant, objectOf, oneOf, text, title, version } from '../joi.ts';
import { extended, figure, flag } from '../replies/plain.ts';

/** A tin, can or drum of one part of a product: both parts of a kit are two lots. */
export interface LotInput {
  id: string;
  productId: string;
  /** Name of the part as the sheet has it. */
  part: string;
  /** Of the coloured part; null: it has none. */
  colour: string | null;
  /** Lot number on the tin; empty: not recorded. */
  code: string;
  unit: 'l' | 'kg';
  madeOn: string | null;
  /** Where it is kept. */
  place: string;
  /** It has stood in frost, or in heat. */
  frost: boolean;
  heat: boolean;
  note: string;
  /** Purchase price of the whole lot, minor units; null: not recorded. */
  cost: number | null;
}

export interface Lot extends LotInput {
  version: number;
  archived: boolean;
}

const lotFields = {
  productId: id().label(t`product`).required(),
  part: title('part').required(),
  colour: title('colour').allow(null).required(),
  code: text(80).label(t`lot number`).required(),
  unit: oneOf<LotInput['unit']>({ l: true, kg: true }).label(t`unit`).required(),
  madeOn: day(t`Date made`).allow(null).required(),
  place: text(120).label(t`Location`).required(),
  frost: Joi.boolean().label(t`Has been in frost`).required(),
  heat: Joi.boolean().label(t`Has been in heat`).required(),
  note: text(1000).label(t`note`).required(),
  cost: between(t`Cost`, 0, MOST_MONEY).integer().allow(null).required(),
};
export const lotInput = objectOf<LotInput>({ id: id().required(), ...lotFields });
export const lotUpdate = objectOf<LotInput & { version: number }>({
  id: id().required(),
  ...lotFields,
  version: version(1),
});
export const lotReply = extended<LotInput, Lot>(lotInput, { version: figure(), archived: flag() });

/** What came in together: lots with what was in them. */
export interface ReceiptInput {
  id: string;
  at: string;
  /** The order it answers; null: bought over the counter, or found on the shelf. */
  purchaseId: string | null;
  lots: (LotInput & { amount: number })[];
}
export const receiptInput = objectOf<ReceiptInput>({
  id: id().required(),
  at: instant().label(t`Date received`).required(),
  purchaseId: id().allow(null).required(),
  lots: Joi.array()
    .items(
      objectOf<LotInput & { amount: number }>({
        id: id().required(),
        ...lotFields,
        amount: between('amount', 0, 100_000).required(),
      }),
    )
    .min(1)
    .max(200)
    .unique('id')
    .label(t`lots`)
    .required(),
});
