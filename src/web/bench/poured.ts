import type { BatchBody } from '../../contract/index.ts';
import type { Batch } from '../../core/mix/index.ts';

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
