import Joi from 'joi';
import type {
  LinePlan,
  LineSide,
  MadeMark,
  MarkKind,
  ReferenceMark,
  StripeShape,
} from '../core/waterline/index.ts';
import { t } from '../words.ts';
import { between, id, objectOf, oneOf, text, version } from './joi.ts';

/** How heights above the datum are read. */
export type Datum = 'laser' | 'water-level' | 'plank';
/** What became of the line that is on the hull now, before paint hides it. */
export type OldLine = 'unknown' | 'none' | 'tabs' | 'heights';

/** A boat's line as planned and struck: marks, raise, stripe. Kept as one record with one version. */
export interface WaterlineInput extends LinePlan {
  marks: ReferenceMark[];
  madeMarks: MadeMark[];
  datum: Datum;
  oldLine: OldLine;
  note: string;
  version: number;
}

export interface Waterline extends WaterlineInput {
  boatId: string;
}

const side = oneOf<LineSide>({ port: true, starboard: true }).label(t`side`).required();
const place = between(t`place along the boat (m)`, -5, 125).required();
const reading = between(t`Height above datum (mm)`, -20_000, 20_000).required();

export const referenceMark = objectOf<ReferenceMark>({
  id: id().required(),
  name: text(80).label(t`Mark name`).required(),
  kind: oneOf<MarkKind>({ line: true, sheer: true, 'old-line': true, fitting: true })
    .label(t`Mark type`)
    .required(),
  side,
  xM: place,
  yM: between('half-breadth (m)', 0, 40).allow(null).required(),
  readingMm: reading,
  aboveLineMm: between(t`Height above line (mm)`, -10_000, 10_000).required(),
  errorMm: between(t`error of the mark (mm)`, 0.1, 200).allow(null),
});

export const madeMark = objectOf<MadeMark>({ id: id().required(), side, xM: place, readingMm: reading });

const stripe = objectOf<StripeShape>({
  gapMm: between(t`Gap below the stripe (mm)`, -20, 500).required(),
  heightMm: between(t`height of the stripe (mm)`, 1, 1000).required(),
  bowSweepMm: between(t`sweep at the bow (mm)`, 0, 1000).required(),
  sternSweepMm: between(t`sweep at the stern (mm)`, 0, 1000).required(),
});

export const waterlineInput = objectOf<WaterlineInput>({
  datum: oneOf<Datum>({ laser: true, 'water-level': true, plank: true }).label(t`datum`).required(),
  oldLine: oneOf<OldLine>({ unknown: true, none: true, tabs: true, heights: true })
    .label(t`Old waterline`)
    .required(),
  marks: Joi.array().items(referenceMark).max(200).unique('id').label(t`Reference marks`).required(),
  heelDeg: between('heel (°)', -45, 45).allow(null).required(),
  trimDeg: between('trim (°)', -45, 45).allow(null),
  markErrorMm: between(t`error of a mark (mm)`, 0.1, 200).required(),
  addedKg: between(t`weight still to come (kg)`, -50_000, 100_000).required(),
  densityKgM3: between(t`density of the water (kg/m³)`, 950, 1100).required(),
  waterplaneM2: between('waterplane (m²)', 0.1, 5000).allow(null).required(),
  slopMm: between(t`slop allowance (mm)`, -500, 1000).required(),
  stationStepM: between(t`distance between stations (m)`, 0.05, 5).required(),
  madeMarks: Joi.array().items(madeMark).max(1000).unique('id').label(t`Hull marks`).required(),
  stiffness: between('stiffness', 0, 1).required(),
  useFair: Joi.boolean().required(),
  stripe: stripe.allow(null).label(t`Boot stripe`).required(),
  note: text(2000).label(t`note`).required(),
  version: version(0),
});

/** Marks made by hand along the hull, added to those that are there: a second reading at a place takes the first one's. */
export interface MadeMarksInput {
  marks: MadeMark[];
}
export const madeMarksInput = objectOf<MadeMarksInput>({
  marks: Joi.array().items(madeMark).min(1).max(200).unique('id').label(t`Hull marks`).required(),
});
