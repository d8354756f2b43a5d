import Joi from 'joi';
import { objectOf } from '../joi.ts';
import { figure, listOf, maybeWord, word } from '../replies/plain.ts';

/** The stock for the coat at the bench; null in the view: the product isn’t in stock. */
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
