import { v7 as uuidv7 } from 'uuid';
import type { BatchBody } from '../../contract/index.ts';
import { type Batch, pouredPot, type RatioBasis } from '../../core/mix/index.ts';
import { entryWrite } from '../api/logEntry.ts';
import type { planFor } from './planFor.ts';

/** The log entry of a batch as poured: to the hundredth of a gram or millilitre. */
export function pouredOf({
  litres,
  litresEstimated,
  result: { asked },
}: Pick<Batch, 'litres' | 'litresEstimated' | 'result'>): Pick<
  BatchBody,
  'litres' | 'pours' | 'ratioError' | 'litresEstimated'
> {
  return {
    litres: Number(litres.toFixed(4)),
    pours: asked.pours.map(({ name, amount }) => ({
      name,
      amount: Number(amount.toFixed(2)),
      unit: asked.measure === 'weight' ? 'g' : 'ml',
    })),
    // What a sum of floating-point numbers is off is no error of a ratio.
    ratioError: Number(asked.ratioError.toFixed(6)),
    ...(litresEstimated && { litresEstimated: true }),
  };
}

/** The log entry of a batch that was poured otherwise than planned. */
function asPoured(
  { parts, result: { asked } }: Pick<Batch, 'parts' | 'result'>,
  by: RatioBasis,
  amounts: readonly number[],
): ReturnType<typeof pouredOf> {
  const { litres, litresEstimated, ratioError } = pouredPot({ parts, by, measure: asked.measure, amounts });
  const pours = asked.pours.map((pour, i) => ({ ...pour, amount: amounts[i] as number }));
  const result = { asked: { ...asked, pours, ratioError }, better: null };
  return pouredOf({ litres, litresEstimated, result });
}

/** What goes into the log of the pot; null while an amount of a part is still 0. */
export function bodyOf(batch: Batch, by: RatioBasis, poured: readonly number[] | null) {
  if (poured === null) return pouredOf(batch);
  return poured.every((amount) => amount > 0) ? asPoured(batch, by, poured) : null;
}

/** The most that can be applied within the pot life, in the measure of the pours; null: not known. */
export function mostInPot(plan: ReturnType<typeof planFor>, { litres, result }: Batch): number | null {
  return plan && !('problem' in plan) ? (plan.largestLitres / litres) * result.asked.total : null;
}

/** The end of a pot that is thrown away. */
export const discarded = (areaId: string, batchId: string) =>
  entryWrite({
    ...{ id: uuidv7(), areaId, at: new Date().toISOString(), corrects: null, kind: 'batch-end' as const },
    body: { batchId, fate: 'discarded' },
  });
