export { type Addition, type AdditionLimit, addition } from './additions.ts';
export { type Batch, batchOf, cansFor, isByGrams, MIX_KG_PER_L } from './batch.ts';
export {
  type AllowedAdditive,
  type ContentsFinding,
  type ContentsVerdict,
  judgeContents,
} from './contents.ts';
export { correctPour, type PourAdvice } from './correct.ts';
export { litresInPot } from './inPot.ts';
export { type BatchPlan, nextPotMs, POT_MARGIN_MIN, planBatches, potLifeMinutes } from './pot.ts';
export { type Poured, pouredPot } from './poured.ts';
export { atOwnRatio, type MixPart, type RatioBasis, shares, unthinnedShare } from './ratio.ts';
export { gramsInLine, isSettled, type ScaleReading, type WeighIn, weighIn } from './scale.ts';
export { DEFAULT_RATIO_TOLERANCE, type Pour, type Split, type SplitResult, splitParts } from './split.ts';
export { isCumulative, type MeasuringTool, mlPerMm, toolBasis, toolStep } from './tools.ts';
