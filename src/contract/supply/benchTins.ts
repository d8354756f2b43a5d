import Joi from 'joi';
import { objectOf } from '../joi.ts';
import { figure, flag, listOf, maybeMoment, maybeWord, uuid, word } from '../replies/plain.ts';

/** A tin of the product in hand. */
export interface BenchLot {
  lotId: string;
  part: string;
  /** Lot number; empty: none. */
  code: string;
  colour: string | null;
  unit: 'l' | 'kg';
  inTin: number;
  isOpened: boolean;
  /** When its shelf life ends; null: not stated. */
  endsOn: string | null;
  /** Why it is not to be used; empty: nothing known against it. */
  keptOut: string[];
  /** It has another colour than the coat. */
  otherColour: boolean;
}

/** The stock for the coat at the bench; null in the view: the product isn’t in stock. */
export interface BenchTins {
  parts: { part: string; unit: 'l' | 'kg'; there: number; keptHere: number; wanted: number }[];
  /** Every tin of the product, those first that are to be used first. */
  lots: BenchLot[];
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
  lots: listOf(
    Joi.object({
      lotId: uuid(),
      part: word(),
      code: Joi.string().allow('').required(),
      colour: maybeWord(),
      unit: word(),
      inTin: figure(),
      isOpened: flag(),
      endsOn: maybeMoment(),
      keptOut: Joi.array().items(Joi.string()).required(),
      otherColour: flag(),
    }),
  ),
  reachLitres: figure(),
  reachM2: figure(),
  limitedBy: maybeWord(),
  keptElsewhere: listOf(Joi.object({ areaName: word(), part: word(), amount: figure(), unit: word() })),
});
