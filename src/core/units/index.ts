export {
  fieldText,
  figure,
  formatQuantity,
  parseNumber,
  parseQuantity,
  shownUnit,
  type UnitSystem,
} from './display.ts';
export { lastPassing } from './lastPassing.ts';
export { MOST_MONEY } from './limits.ts';
export { memoised, memoisedByKey, remembering } from './memo.ts';
export { monthsLater } from './months.ts';
export { finite, moment, NotStatedError, positive, QuantityError, within } from './quantityError.ts';
export { degrees, film, type Sentence, type SentenceFigure, sentence, writeSentence } from './sentence.ts';
export { fromCanonical, type Quantity, toCanonical, type Unit, unitDef } from './units.ts';
