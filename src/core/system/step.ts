import type { Method } from '../film/index.ts';
import { within } from '../units/index.ts';

/** Work that is no coat: done before the coats of a step. */
export type TaskKind = 'prepare' | 'wash' | 'sand' | 'wait' | 'inspect' | 'aggregate';

export interface StepTask {
  kind: TaskKind;
  /** Grit of a sanding, hours of a wait; null where it has none. */
  amount: number | null;
  note: string;
  /** The choice of method that added the task, even if its note has changed; left out: added by hand. */
  school?: SchoolTask | undefined;
}

/** Tasks that a way of working puts in and takes out again: panels painted flat, every fault sanded out. */
export type SchoolTask = 'panels-flat' | 'faults-out';

/** A task as it stands in the stack of an area: with an id, so that the log can name it. */
export interface PlannedTask extends StepTask {
  id: string;
}

/** A rule's "no" overruled by hand: why stands on the record for good. */
export interface Overrule {
  ruleIds: string[];
  reason: string;
}

/** How a step of a stack is applied. */
export interface StepPlan {
  coats: number;
  /** Coats more where an area wears faster. */
  extraCoats: number;
  dryMicronsPerCoat: number;
  method: Method;
  /** Colours in turn from coat to coat, so that a miss shows. */
  colours: readonly string[];
  /** Colour of the first coat where it is to signal wear; null: as the others. */
  signal: string | null;
  before: readonly StepTask[];
  /** Grit with which each coat is sanded before the next of the same step; null: not sanded. */
  sandBetween: number | null;
  /** Grit of each joint where they differ: before coat 2, before coat 3, …; null: that one is not sanded. */
  sandGrits?: readonly (number | null)[];
  /** Hours kept between its coats by choice, over what the sheet asks; null or left out: as the sheet allows. */
  spacingH?: number | null;
}

/** Another ratio than the sheet's, on purpose: resin a little rich in a tank. Why stays on the record. */
export interface OwnRatio {
  /** Of each part of the sheet, in its order and by its measure. */
  parts: number[];
  reason: string;
}

/** An additive that goes into every pot of a step, as its plan has it. */
export interface PlannedAdditive {
  /** As its sheet names it. */
  name: string;
  /** ml to a litre of mixed paint. */
  mlPerLitre: number;
}

/** Grit with which the film below is sanded before one coat of a step, counted from 0; null: not between coats. */
export function sandedBefore(
  step: Pick<StepPlan, 'sandBetween' | 'sandGrits'>,
  coatNo: number,
): number | null {
  within('number of the coat', coatNo, 0, 1000);
  if (coatNo === 0) return null;
  const own = step.sandGrits?.[coatNo - 1];
  const grit = own === undefined ? step.sandBetween : own;
  return grit === null ? null : within('grit between coats', grit, 1, 10_000);
}

/** A part of an area that a step is applied on, where it is not the whole: a band at the waterline, a leading edge. */
export interface Band {
  name: string;
  areaM2: number;
}

/** Which way a coat is worked over the area: from the keel up, or from the top down. */
export type LayOrder = 'bottom-up' | 'top-down';

/** Coats that a step takes on an area. */
export const coatsWanted = (step: Pick<StepPlan, 'coats' | 'extraCoats'>, highWear: boolean): number =>
  within('coats', step.coats, 0, 1000) + (highWear ? within('extra coats', step.extraCoats, 0, 1000) : 0);

/** Colour of one coat of a step, counted from 0. */
export function colourOf(step: Pick<StepPlan, 'colours' | 'signal'>, coat: number): string {
  if (coat === 0 && step.signal !== null) return step.signal;
  return step.colours[coat % step.colours.length] ?? '';
}

/** m² that a step is applied on: its band, never more than the area where that is measured. */
export function stepAreaM2(step: { band: Band | null }, areaM2: number): number {
  within('area', areaM2, 0, 100_000);
  if (!step.band) return areaM2;
  within('m² of the band', step.band.areaM2, 0, 100_000);
  return areaM2 > 0 ? Math.min(step.band.areaM2, areaM2) : step.band.areaM2;
}
