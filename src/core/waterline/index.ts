export { type FairLine, fairMarks, type HandMark } from './fair.ts';
export {
  fitPlane,
  heightAboveDatum,
  MARK_ERROR_MM,
  type MeasuredAngles,
  marksNeeded,
  type Plane,
  type PlaneFit,
  type PlaneMark,
  STEEP_TILT_DEG,
  uprightness,
} from './fitPlane.ts';
export { withMark } from './madeMarks.ts';
export {
  flareDegAt,
  type LineSide,
  markSheet,
  otherSide,
  type SheetRow,
  stationsEvery,
} from './markSheet.ts';
export type { ErrorFit, NextMark, Outliers } from './outliers.ts';
export { alongSkinByFlare, SLOP_MM, sinkageMm, waterplaneByRule } from './raise.ts';
export {
  type LinePlan,
  type MadeMark,
  type MarkKind,
  planeOf,
  type ReferenceMark,
  type StruckLine,
  strikeLine,
} from './strike.ts';
export { STRIPE_GAP_MM, type Stripe, type StripeRow, type StripeShape, stripe, sweepMm } from './stripe.ts';
