import { breadthOutAt, hydrostatics, type OffsetTable, sheerAt } from '../hull/index.ts';
import { QuantityError, within } from '../units/index.ts';
import { type FairLine, fairMarks } from './fair.ts';
import { fitPlane, heightAboveDatum, type PlaneFit, type PlaneMark, uprightness } from './fitPlane.ts';
import { type LineSide, markSheet, type SheetRow, stationsEvery } from './markSheet.ts';
import { sinkageMm } from './raise.ts';
import { type Stripe, type StripeShape, stripe } from './stripe.ts';

/** What a reference mark is read on. */
export type MarkKind = 'line' | 'sheer' | 'old-line' | 'fitting';

/** A mark that says where the line belongs: a point of the hull read above the datum, and how far it lies above the line. */
export interface ReferenceMark {
  id: string;
  name: string;
  kind: MarkKind;
  side: LineSide;
  xM: number;
  /** Half-breadth where it was measured, m; null: taken from the hull's form. */
  yM: number | null;
  /** Height of the point above the datum, mm. */
  readingMm: number;
  /** How far the point lies plumb above the line wanted, mm; below it negative. 0 on the line itself. */
  aboveLineMm: number;
  /** One standard error of this mark, mm: an old stain less sharp than a fitting; null or left out: as the plan says. */
  errorMm?: number | null | undefined;
}

/** A mark put on the hull by hand along the line, and read. */
export interface MadeMark {
  id: string;
  side: LineSide;
  xM: number;
  /** Height above the datum, mm. */
  readingMm: number;
}

/** All that a line is struck from. */
export interface LinePlan {
  marks: readonly ReferenceMark[];
  /** Starboard side up, degrees, where a level was laid across; null: solved from the marks. */
  heelDeg: number | null;
  /** Bow up, degrees, where a level was laid along a length known to be level afloat; null or left out: solved from the marks. */
  trimDeg?: number | null | undefined;
  /** One standard error of a mark, mm. */
  markErrorMm: number;
  /** Weight still to come, kg, the water's density, and the waterplane where it is known better than from the form. */
  addedKg: number;
  densityKgM3: number;
  waterplaneM2: number | null;
  /** Carried above the true line for slop, mm. */
  slopMm: number;
  stationStepM: number;
  madeMarks: readonly MadeMark[];
  /** 0–1, see `fairMarks`. */
  stiffness: number;
  /** The sheet follows the faired marks instead of the plane. */
  useFair: boolean;
  stripe: StripeShape | null;
}

export interface StruckLine {
  fit: PlaneFit;
  waterplaneM2: number;
  sinkageMm: number;
  /** From the plane through the marks up to the top of the antifouling, mm: sinkage and slop. */
  raiseMm: number;
  sheet: SheetRow[];
  /** Fair line of each side off the raised plane, with the marks it was drawn through; null with fewer than three. */
  fair: Record<LineSide, { marks: MadeMark[]; offMm: number[]; line: FairLine } | null>;
  stripe: Stripe | null;
}

const SIGN: Record<LineSide, 1 | -1> = { starboard: 1, port: -1 };

/** Half-breadth of the point a mark was read on. */
function breadthOf(form: OffsetTable, mark: ReferenceMark, index: number): number {
  if (mark.yM !== null) return mark.yM;
  // Marks are made on the outer faces.
  const sheer = mark.kind === 'sheer' ? sheerAt(form, mark.xM) : null;
  const y =
    mark.kind === 'sheer'
      ? sheer && (form.apartM ?? 0) + sheer.y
      : breadthOutAt(form, mark.xM, mark.aboveLineMm / 1000);
  if (y == null) {
    const [from, to] = [form.stationsM[0] as number, form.stationsM.at(-1) as number];
    throw new QuantityError(
      `mark ${index + 1}: place along the boat (m)`,
      mark.xM,
      `within the hull (${from.toFixed(2)}–${to.toFixed(2)} m) at a height on the hull`,
    );
  }
  return y;
}

/**
 * The plane of the line through reference marks of any kind. A point off the line is brought down to it by its height
 * in the boat's own upright, which the plane itself gives: two rounds settle it to a hundredth of a millimetre.
 *
 * @throws {QuantityError} see `fitPlane`; a mark beyond the hull's ends
 */
export function planeOf(input: {
  form: OffsetTable;
  plan: Pick<LinePlan, 'marks' | 'heelDeg' | 'trimDeg' | 'markErrorMm'>;
}): PlaneFit {
  const { form, plan } = input;
  const points = plan.marks.map((mark, i) => ({
    mark,
    yM: SIGN[mark.side] * breadthOf(form, mark, i),
  }));
  const fitWith = (upright: number): PlaneFit =>
    fitPlane({
      marks: points.map(
        ({ mark, yM }): PlaneMark => ({
          xM: mark.xM,
          yM,
          heightMm: mark.readingMm - upright * mark.aboveLineMm,
          errorMm: mark.errorMm,
        }),
      ),
      heelDeg: plan.heelDeg,
      trimDeg: plan.trimDeg,
      errorMm: plan.markErrorMm,
    });
  return fitWith(uprightness(fitWith(1)));
}

/** A made mark's height off the raised plane, mm, in the boat's own upright. */
function offLine(form: OffsetTable, fit: PlaneFit, raiseMm: number, mark: MadeMark): number {
  const y = SIGN[mark.side] * (breadthOutAt(form, mark.xM, raiseMm / 1000) ?? 0);
  const wanted = heightAboveDatum(fit, { xM: mark.xM, yM: y, riseMm: raiseMm });
  return (mark.readingMm - wanted) / uprightness(fit);
}

function fairSide(input: {
  form: OffsetTable;
  fit: PlaneFit;
  raiseMm: number;
  marks: readonly MadeMark[];
  stiffness: number;
}): StruckLine['fair']['port'] {
  const marks = input.marks.toSorted((a, b) => a.xM - b.xM);
  if (marks.length < 3) return null;
  const offMm = marks.map((mark) => offLine(input.form, input.fit, input.raiseMm, mark));
  const line = fairMarks({
    marks: marks.map((mark, i) => ({ xM: mark.xM, offMm: offMm[i] as number })),
    stiffness: input.stiffness,
  });
  return { marks, offMm, line };
}

/**
 * Strikes the line: plane through the marks, raised for weight to come and slop, faired through the marks made by hand
 * where asked, with the mark sheet of both sides and the boot stripe above it.
 *
 * @throws {QuantityError} naming the mark or figure that cannot be used
 */
export function strikeLine(input: { form: OffsetTable; plan: LinePlan }): StruckLine {
  const { form, plan } = input;
  const fit = planeOf(input);
  const waterplaneM2 = plan.waterplaneM2 ?? hydrostatics({ table: form }).waterplaneM2;
  const sunk = sinkageMm({ addedKg: plan.addedKg, waterplaneM2, densityKgM3: plan.densityKgM3 });
  const raiseMm = sunk + within('slop allowance (mm)', plan.slopMm, -500, 1000);
  const fair = (side: LineSide) =>
    fairSide({
      form,
      fit,
      raiseMm,
      marks: plan.madeMarks.filter((mark) => mark.side === side),
      stiffness: plan.stiffness,
    });
  const sides = { port: fair('port'), starboard: fair('starboard') };
  const sheet = markSheet({
    form,
    plane: fit,
    stationsM: stationsEvery(form, plan.stationStepM),
    riseMmAt: (xM, side) => raiseMm + (plan.useFair ? (sides[side]?.line.at(xM) ?? 0) : 0),
  });
  return {
    fit,
    waterplaneM2,
    sinkageMm: sunk,
    raiseMm,
    sheet,
    fair: sides,
    stripe: plan.stripe ? stripe({ form, shape: plan.stripe, topOfPaintMm: raiseMm }) : null,
  };
}
