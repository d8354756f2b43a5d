import type { BenchView, PotView, Product, Step } from '../../contract/index.ts';
import { type Batch, batchOf, potLifeMinutes } from '../../core/mix/index.ts';
import { QuantityError } from '../../core/units/index.ts';

/** Of these pots, those mixed for the coat in hand. */
export function ofCoat(pots: readonly PotView[], view: BenchView, step: Step): PotView[] {
  const coatNo = view.clock.next?.coatNo ?? 0;
  return pots.filter(({ batch }) => batch.stepId === step.id && batch.coatNo === coatNo);
}

/** Litres of a coat from these pots. A discarded pot counts with what was applied from it. */
export const litresIn = (pots: readonly PotView[]) =>
  pots.reduce((sum, { batch, usedL }) => sum + (usedL ?? batch.litres), 0);

/** Litres mixed for the coat in hand since it was last logged, in pots in use and used up. */
export const mixedFor = (view: BenchView, step: Step): number =>
  litresIn(ofCoat([...view.emptied, ...view.pots], view, step));

/** Pot life at this temperature, min: from the data sheet, otherwise from the tin; null: a one-pack, or not entered. */
export function potLifeOf({ sheet }: Product, potTempC: number, tinMin: number): number | null {
  if (sheet.potLife.length > 0) return potLifeMinutes({ points: sheet.potLife, tempC: potTempC });
  return sheet.parts.length > 1 && tinMin > 0 ? tinMin : null;
}

/** A result, or the refusal to show in its place: a figure that can’t be worked out takes no screen down. */
export function orProblem<T>(work: () => T): { value: T; problem: null } | { value: null; problem: string } {
  try {
    return { value: work(), problem: null };
  } catch (error) {
    if (!(error instanceof QuantityError)) throw error;
    return { value: null, problem: error.message };
  }
}

/** What cannot be split is told beside the fields it was typed in. */
export function batchOrProblem(input: Parameters<typeof batchOf>[0]): {
  batch: Batch | null;
  problem: string | null;
} {
  const { value, problem } = orProblem(() => batchOf(input));
  return { batch: value, problem };
}
