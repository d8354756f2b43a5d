import type { AreaInput, BoatInput } from '../src/contract/index.ts';
import type { WindowState } from '../src/core/cure/index.ts';
import type { Method } from '../src/core/film/index.ts';
import type { Measure } from '../src/core/hull/index.ts';
import type { PlannedAdditive, StepTask } from '../src/core/system/index.ts';

/** What the demo's boats are written down with: measures, steps, work. */

export interface DemoStep {
  product: string;
  coats: number;
  micronsPerCoat: number;
  method: Method;
  colours: string[];
  /** Work before its first coat, and the grit between its coats. */
  before?: StepTask[];
  sandBetween?: number;
  /** In every pot of it. */
  additives?: PlannedAdditive[];
}

export interface DemoArea
  extends Pick<AreaInput, 'name' | 'zone' | 'side' | 'substrate' | 'service' | 'measures'> {
  surroundings?: AreaInput['surroundings'];
  steps: DemoStep[];
  /** Coats that lie; the last of them is timed so that the window is in `state` now. */
  applied: number;
  state?: WindowState;
  /** A pot of the next coat, mixed so many minutes ago. */
  potMixedMinutesAgo?: number;
}

export interface DemoBoat extends Omit<BoatInput, 'id'> {
  areas: DemoArea[];
}

export const rect = (lengthM: number, widthM: number, count = 1, note = ''): Measure => ({
  shape: { kind: 'rectangle', lengthM, widthM },
  count,
  opening: false,
  note,
});
export const triangle = (baseM: number, heightM: number, count = 1, note = ''): Measure => ({
  shape: { kind: 'triangle', baseM, heightM },
  count,
  opening: false,
  note,
});
export const girths = (spacingM: number, girthsM: number[], note = ''): Measure => ({
  shape: { kind: 'girths', spacingM, girthsM, rule: 'simpson' },
  count: 1,
  opening: false,
  note,
});
export const opening = (lengthM: number, widthM: number, count: number, note: string): Measure => ({
  ...rect(lengthM, widthM, count, note),
  opening: true,
});
export const step = (
  product: string,
  coats: number,
  micronsPerCoat: number,
  method: Method,
  ...colours: string[]
): DemoStep => ({ product, coats, micronsPerCoat, method, colours });

/** A step with an additive in every pot. */
export const withAdditive = (planned: DemoStep, name: string, mlPerLitre: number): DemoStep => ({
  ...planned,
  additives: [{ name, mlPerLitre }],
});

/** A step with the work before it and the grit between its coats. */
export const worked = (planned: DemoStep, before: StepTask[], sandBetween?: number): DemoStep => ({
  ...planned,
  before,
  ...(sandBetween === undefined ? {} : { sandBetween }),
});
export const sand = (amount: number, note = ''): StepTask => ({ kind: 'sand', amount, note });
export const wash = (note: string): StepTask => ({ kind: 'wash', amount: null, note });
export const wait = (amount: number, note: string): StepTask => ({ kind: 'wait', amount, note });
export const inspect = (note: string): StepTask => ({ kind: 'inspect', amount: null, note });
