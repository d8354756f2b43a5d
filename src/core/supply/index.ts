export {
  type BuyablePack,
  type CheapestPacks,
  cheapestPacks,
  type PackSet,
  type PartNeed,
} from './cheapestPacks.ts';
export { cleaningLitres, residueLitres } from './inTools.ts';
export { labourHours, type TimedWork } from './labour.ts';
export { type CoatUse, type LearnedHand, type LearnedSpread, learnSpread } from './learnedSpread.ts';
export {
  type CoatNeed,
  type CoatWanted,
  type LineNeed,
  lineNeed,
  type NeedLine,
  type NeedSheet,
} from './lineNeed.ts';
export { type LotAge, type LotNote, lotEndsMs, lotNotes, SOLVENT_STORE } from './lotNotes.ts';
export {
  type Bill,
  billOf,
  CURRENCIES,
  type CurrencyCode,
  fromMinor,
  minorDigits,
  shareOut,
  timesRate,
  toMinor,
} from './money.ts';
export {
  type AdditiveNeed,
  type ColourNeed,
  type LiquidNeed,
  type Need,
  need,
  type PartAmount,
} from './need.ts';
export { kitContents, perLitreOfPaint } from './partShares.ts';
export {
  type CheapestPurchase,
  cheapestPurchase,
  costOf,
  type OfferedPack,
  type Purchase,
  type Supplier,
} from './purchase.ts';
export { type PartError, type Reconciled, reconcile, type TinsLeft } from './reconcile.ts';
export { SMALL_SHARE, type SmallWay, smallNeed } from './smallNeed.ts';
export type { Amount } from './spreads.ts';
export {
  endsBeforeCoat,
  MOVEMENT_KINDS,
  type Movement,
  type MovementKind,
  type Stock,
  stockAfter,
  stockOf,
} from './stock.ts';
export { SUNDRIES, type SundryItem, type SundryNeed, type SundryWork, sundries } from './sundries.ts';
export type { Explanation, LoggedPour } from './suspects.ts';
export { inOrderOfUse, type OpenLot, sharedOut, takeFrom } from './takings.ts';
