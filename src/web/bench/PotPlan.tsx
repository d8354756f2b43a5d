import type { BenchView } from '../../contract/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { sayMinutes } from '../clock/say.ts';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import type { planFor } from './planFor.ts';
import { sayRate } from './sayRate.ts';

interface Props {
  plan: NonNullable<ReturnType<typeof planFor>>;
  sheet: ProductSheet;
  rate: NonNullable<BenchView['rate']>;
  potLife: number | null;
  potTempC: number;
  inductionMin: number;
  /** Paint still to mix for the coat, and the batch size that is chosen, l. */
  missing: number;
  litres: number;
}

/** More batches than this are not counted. */
const MOST_BATCHES = 12;

/** Whether the coat fits one pot, or into how many it goes and how far apart. */
export function PotPlan({ plan, sheet, rate, potLife, potTempC, inductionMin, missing, litres }: Props) {
  const { show } = useUnits();
  if ('problem' in plan) return <p className="text-error font-semibold">{plan.problem}</p>;
  if (potLife === null) return null;
  const [first, second] = plan.batches;
  // A little less than the rest is the rest: amounts are rounded to what can be measured.
  const count = Math.ceil(missing / litres - 0.05);
  // Of a touch-up nobody wants to know how many would make the whole coat.
  const ofThisSize =
    count > plan.batches.length && count <= MOST_BATCHES ? t` In the size chosen it takes ${count}.` : '';
  return (
    <Why
      figure={
        plan.fitsOnePot ? (
          <span>{t`One batch is enough.${ofThisSize}`}</span>
        ) : (
          <strong>
            {t`Too much for one batch. Mix ${plan.batches.length} batches of ${show(first?.litres ?? 0, 'volume')}, one every ${sayMinutes((second?.mixAtMin ?? 0) - (first?.mixAtMin ?? 0))}.${ofThisSize}`}
          </strong>
        )
      }
    >
      <p>
        {t`Usable time: ${sayMinutes(potLife)} pot life ${sheet.potLife.length > 0 ? `at ${show(potTempC, 'temperature')}` : t`(from the tin)`} − ${inductionMin} min standing time`}
        {sheet.inductionMin === null && t` (from the tin)`}
        {t` − 10 min reserve = ${Math.round(plan.usableMinutes)} min. At ${sayRate(rate, show)} that is enough to apply ${show(plan.largestLitres, 'volume')}. `}
        {sheet.potLife.length > 0 &&
          t` Pot life is from the data sheet and halves for every 10 °C warmer (common practice).`}
      </p>
    </Why>
  );
}
