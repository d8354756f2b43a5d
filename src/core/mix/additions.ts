import { within } from '../units/index.ts';

/** An additive with the data sheet’s limit; null: the data sheet names it without an amount. */
export interface AdditionLimit {
  name: string;
  /** Fraction of the mixed paint's volume. */
  maxFraction: number | null;
}

export interface Addition {
  name: string;
  litres: number;
  verdict: 'within' | 'over-limit' | 'limit-not-stated' | 'not-on-sheet';
  maxFraction: number | null;
}

/**
 * How much thinner or additive a batch takes and whether the sheet allows it.
 * Only what is on the sheet, only to its limit [T]: 10 % in 0.6 l against a limit of 5 % → 60 ml, over-limit.
 *
 * @throws {QuantityError} for a fraction outside 0–0.5
 */
export function addition(input: {
  batchLitres: number;
  fraction: number;
  limit: AdditionLimit | null;
}): Addition {
  const fraction = within('thinner', input.fraction, 0, 0.5);
  const litres = within('batch', input.batchLitres, 0, 10_000) * fraction;
  const most = input.limit?.maxFraction ?? null;
  if (most !== null) within('limit of the thinner', most, 0, 1);
  const name = input.limit?.name ?? 'thinner';
  const maxFraction = most;
  if (fraction === 0) return { name, litres, verdict: 'within', maxFraction };
  if (!input.limit) return { name, litres, verdict: 'not-on-sheet', maxFraction };
  if (maxFraction === null) return { name, litres, verdict: 'limit-not-stated', maxFraction };
  return { name, litres, verdict: fraction <= maxFraction + 1e-9 ? 'within' : 'over-limit', maxFraction };
}
