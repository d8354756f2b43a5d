import type { BatchBody } from '../../contract/index.ts';
import { type Batch, pouredPot, type RatioBasis } from '../../core/mix/index.ts';

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
    ratioError: asked.ratioError,
    ...(litresEstimated && { litresEstimated: true }),
  };
}

/** The log entry of a batch that was poured otherwise than planned. */
export function pouredInstead(
  { parts, result: { asked } }: Pick<Batch, 'parts' | 'result'>,
  by: RatioBasis,
  amounts: readonly number[],
): ReturnType<typeof pouredOf> {
  const { litres, litresEstimated, ratioError } = pouredPot({ parts, by, measure: asked.measure, amounts });
  const pours = asked.pours.map((pour, i) => ({ ...pour, amount: amounts[i] as number }));
  const result = { asked: { ...asked, pours, ratioError }, better: null };
  return pouredOf({ litres, litresEstimated, result });
}
