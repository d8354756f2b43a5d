import Joi from 'joi';
import type { MovementKind } from '../../core/supply/index.ts';
import { t } from '../../words.ts';
import { between, id, instant, objectOf, oneOf, text } from '../joi.ts';
import { extended, flag, listOf, maybeUuid, maybeWord, moment, word } from '../replies/plain.ts';

/** An entry in the history of a lot: never overwritten; an entry that names another replaces it. */
export interface MovementInput {
  id: string;
  lotId: string;
  kind: MovementKind | 'void';
  /** In the lot's unit. */
  amount: number;
  at: string;
  /** The patch it is kept back for, or was used on; null: none. */
  areaId: string | null;
  note: string;
  corrects: string | null;
}
export interface StockMovement extends MovementInput {
  recordedAt: string;
  /** The log entry that took it; null: told by hand. */
  entryId: string | null;
  correctedBy: string | null;
}

/** Movements told by hand; what is used is told by batches. */
const kinds = oneOf<MovementInput['kind']>({
  received: true,
  opened: true,
  used: true,
  counted: true,
  'kept-back': true,
  'kept-used': true,
  released: true,
  lent: true,
  returned: true,
  spilt: true,
  discarded: true,
  void: true,
});
export const movementInput = objectOf<MovementInput>({
  id: id().required(),
  lotId: id().label(t`lot`).required(),
  kind: kinds.label(t`Type`).required(),
  amount: between('amount', 0, 100_000).required(),
  at: instant().label(t`Time`).required(),
  areaId: id().label(t`area`).allow(null).required(),
  note: text(400).label(t`note`).required(),
  corrects: id().allow(null).required(),
});
export const movementReply = extended<MovementInput, StockMovement>(movementInput, {
  recordedAt: moment(),
  entryId: maybeUuid(),
  correctedBy: maybeUuid(),
});

/** Several movements at once, all or none: a count through the stock, both parts of a keep-back. */
export interface MovementsInput {
  id: string;
  movements: MovementInput[];
}
export const movementsInput = objectOf<MovementsInput>({
  id: id().required(),
  movements: Joi.array().items(movementInput).min(1).max(500).unique('id').label(t`movements`).required(),
});

/** Movements, newest first. */
export interface MovementsView {
  movements: (StockMovement & {
    productName: string;
    part: string;
    colour: string | null;
    unit: 'l' | 'kg';
    code: string;
  })[];
  more: boolean;
}
export const movementsReply = objectOf<MovementsView>({
  movements: listOf(
    (movementReply as Joi.ObjectSchema).keys({
      productName: word(),
      part: word(),
      colour: maybeWord(),
      unit: word(),
      code: word(),
    }),
  ),
  more: flag(),
});
