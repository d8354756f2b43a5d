import { moment, within } from '../units/index.ts';
import { type AppliedCoat, checkApplied } from './applied.ts';
import { type PlannedTask, type StepPlan, sandedBefore } from './step.ts';
import { BETWEEN, KEY } from './work.ts';

/** How coats are taken off again. */
export type RemovalWay = 'blasted' | 'stripped' | 'scraped' | 'sanded';

/** Coats taken off an area again. Time in ms. */
export interface Removal {
  atMs: number;
  /** Down to the ground: all that lay there, named or not. */
  toGround: boolean;
  /** The coats taken off, where others stay below them. */
  coats: readonly { stepId: string; coatNo: number }[];
  way: RemovalWay;
  /** Grit the film below was left with; null: not sanded, or not told. */
  grit: number | null;
}

type Numbered = Pick<AppliedCoat, 'stepId' | 'coatNo'>;

const sameCoat = (a: Numbered, b: Numbered) => a.stepId === b.stepId && a.coatNo === b.coatNo;

/**
 * The logged coats that are still on, and those that were removed, by which removal. A coat begun before a removal that
 * names it is gone, all its sessions with it; the same coat applied again afterwards lies.
 *
 * Barrier coats 1 and 2, coat 2 sanded off, coat 2 applied again: coat 1 and the second coat 2 lie.
 *
 * @throws {QuantityError} a figure or a time that cannot be
 */
export function coatsStanding<T extends AppliedCoat, R extends Removal>(input: {
  coats: readonly T[];
  removals: readonly R[];
}): { standing: T[]; removed: { coat: T; removal: R }[] } {
  for (const { atMs, grit } of input.removals) {
    moment('time at which coats were taken off', atMs);
    if (grit !== null) within('grit', grit, 1, 10_000);
  }
  const inOrder = [...input.removals].sort((a, b) => a.atMs - b.atMs);
  const standing: T[] = [];
  const removed: { coat: T; removal: R }[] = [];
  for (const coat of input.coats) {
    checkApplied(coat);
    const removal = inOrder.find(
      ({ atMs, toGround, coats }) =>
        coat.fromMs < atMs && (toGround || coats.some((each) => sameCoat(each, coat))),
    );
    if (removal) removed.push({ coat, removal });
    else standing.push(coat);
  }
  return { standing, removed };
}

/** Whether one coat lies above another; a step that is no longer in the system lies nowhere. */
function isAbove(upper: Numbered, lower: Numbered, stepIds: readonly string[]): boolean {
  if (upper.stepId === lower.stepId) return upper.coatNo > lower.coatNo;
  const [above, below] = [stepIds.indexOf(upper.stepId), stepIds.indexOf(lower.stepId)];
  return below >= 0 && above > below;
}

/**
 * Whether work logged before a coat still counts: not where the coat it was done for, or any below it, was taken off
 * since. What was washed and sanded under a coat that is gone, or on it for the next, is washed and sanded again.
 *
 * @param stepIds steps of the system from the ground up
 */
export const stillDone = (
  work: Numbered & { atMs: number },
  removals: readonly Removal[],
  stepIds: readonly string[],
): boolean =>
  !removals.some(
    ({ atMs, toGround, coats }) =>
      work.atMs <= atMs &&
      (toGround || coats.some((each) => sameCoat(each, work) || isAbove(work, each, stepIds))),
  );

/**
 * The sandings that are done with it where coats were sanded off: the film below has its tooth for the lowest coat that
 * is gone. A sanding that the system plans counts only with the grit it asks for.
 *
 * Coat 2 of a barrier sanded off with 120, planned 120 between coats: the sanding before coat 2 is done.
 *
 * @param step the step of that coat; null: it is no longer in the system
 * @returns the ids of the tasks
 */
export function sandedByRemoval(
  { toGround, way, grit, coats }: Removal,
  step: (Pick<StepPlan, 'sandBetween' | 'sandGrits'> & { before: readonly PlannedTask[] }) | null,
): string[] {
  const [lowest] = coats;
  if (toGround || way !== 'sanded' || grit === null || !lowest) return [];
  within('grit', grit, 1, 10_000);
  const planned = step?.before.filter(({ kind, amount }) => kind === 'sand' && amount === grit) ?? [];
  if (step && lowest.coatNo === 0) return [KEY, ...planned.map(({ id }) => id)];
  return step && sandedBefore(step, lowest.coatNo) === grit ? [KEY, BETWEEN] : [KEY];
}
