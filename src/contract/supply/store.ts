import Joi from 'joi';
import type { LotNote, MovementKind, Stock } from '../../core/supply/index.ts';
import { between, day, id, instant, objectOf, oneOf, text, title, version } from '../joi.ts';
import { extended, figure, flag, listOf, maybeMoment, maybeUuid, maybeWord, moment, uuid, word } from '../replies/plain.ts'; // biome-ignore format: one line

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
  /** What all of it cost, minor units; null: not recorded. */
  cost: number | null;
}

export interface Lot extends LotInput {
  version: number;
  archived: boolean;
}

const lotFields = {
  productId: id().label('product').required(),
  part: title('part').required(),
  colour: title('colour').allow(null).required(),
  code: text(80).label('lot number').required(),
  unit: oneOf<LotInput['unit']>({ l: true, kg: true }).label('unit').required(),
  madeOn: day('day made').allow(null).required(),
  place: text(120).label('kept where').required(),
  frost: Joi.boolean().label('frost').required(),
  heat: Joi.boolean().label('heat').required(),
  note: text(1000).label('note').required(),
  cost: between('cost (minor units)', 0, 1e11).integer().allow(null).required(),
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
  at: instant().label('received').required(),
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
    .label('lots')
    .required(),
});

/** What happened to a lot, as an entry: never overwritten; one that names another takes its place. */
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
export interface StoreMovement extends MovementInput {
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
  lotId: id().label('lot').required(),
  kind: kinds.label('what happened').required(),
  amount: between('amount', 0, 100_000).required(),
  at: instant().label('when').required(),
  areaId: id().label('area').allow(null).required(),
  note: text(400).label('note').required(),
  corrects: id().allow(null).required(),
});
export const movementReply = extended<MovementInput, StoreMovement>(movementInput, {
  recordedAt: moment(),
  entryId: maybeUuid(),
  correctedBy: maybeUuid(),
});

/** Several movements at once, all or none: a count through the store, both parts of a keep-back. */
export interface MovementsInput {
  id: string;
  movements: MovementInput[];
}
export const movementsInput = objectOf<MovementsInput>({
  id: id().required(),
  movements: Joi.array().items(movementInput).min(1).max(500).unique('id').label('movements').required(),
});

/** A lot as the store shows it. */
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
}

export interface StoreView {
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
});
export const storeReply = objectOf<StoreView>({
  now: moment(),
  lots: listOf(lotView),
  solventStore: maybeWord(),
});

/** What moved, newest first. */
export interface MovementsView {
  movements: (StoreMovement & {
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

/** The tins of one product in one colour, for reconciling: what they held, what the log took, what is still to come. */
export interface TinsView {
  productId: string;
  productName: string;
  colour: string;
  sheetVersion: number;
  /** Amounts in the lots' unit, part by part as the sheet names them. */
  parts: { name: string; unit: 'l' | 'kg'; start: number; inTin: number; lotIds: string[] }[];
  /** From when on the batches count: the last count of all parts, or the first receipt. */
  since: string | null;
  batches: { id: string; at: string; areaName: string; boatName: string; poured: number[] }[];
  ownRatio: { parts: number[]; reason: string } | null;
  /** Mixed litres still to come in this colour. */
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
      lotIds: listOf(Joi.string()),
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
export const tinsQuery = objectOf<TinsQuery>({ colour: text(80).label('colour') });

/** Lots and sizes for a sheet of labels. */
export interface LabelsQuery {
  size?: string;
  lots?: string;
  areaId?: string;
}
export const LABEL_SIZES = ['large', 'medium', 'small'] as const;
export type LabelSize = (typeof LABEL_SIZES)[number];
export const labelsQuery = objectOf<LabelsQuery>({
  size: Joi.string()
    .valid(...LABEL_SIZES)
    .label('size of label'),
  lots: Joi.string()
    .pattern(/^[0-9a-f-]{36}(,[0-9a-f-]{36}){0,199}$/)
    .label('lots'),
  areaId: id().label('area'),
});

/** A stock count as a CSV file. */
export interface CsvInput {
  csv: string;
}
export interface CsvTaken {
  taken: number;
  same: number;
}
export const csvInput = objectOf<CsvInput>({
  csv: Joi.string().min(1).max(2_000_000).label('CSV').required(),
});
export const csvTakenReply = objectOf<CsvTaken>({ taken: figure(), same: figure() });
