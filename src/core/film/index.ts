export { type CombFilm, dryFromComb } from './comb.ts';
export { COAT_SCATTER, enoughNineInTen, KIND_SPREAD, kindDoubt, SPAN_SD } from './doubt.ts';
export {
  type CoatProgress,
  coatProgress,
  lapReady,
  MOST_SECTIONS,
  MOST_WET_EDGE_MIN,
  type ProgressNote,
  sectionsOf,
} from './progress.ts';
export {
  applyHours,
  coatsNeeded,
  deadVolumeLPerM2,
  dryMicronsFromLitres,
  hoursAt,
  lossAt,
  METHODS,
  type Method,
  paintLitres,
  SEALING,
  SEALING_UPPER,
  TEXTURED,
  TYPICAL_LOSS,
  TYPICAL_RATE_M2_PER_H,
  UPPER_LOSS,
} from './quantity.ts';
export { type Reach, willItReach } from './reach.ts';
export { meanOf, withoutOutliers } from './robust.ts';
export {
  type CoatSession,
  coatSession,
  MOST_PEOPLE,
  MOST_TOGETHER,
  type SessionDevice,
  type SessionNote,
} from './session.ts';
export { dryMicrons, spreadingRateM2PerL, wetMicrons } from './thickness.ts';
export {
  type CoatTime,
  learnWorkRates,
  MASK_M_PER_H,
  type WorkRate,
  type WorkRates,
  workRates,
} from './workRates.ts';
