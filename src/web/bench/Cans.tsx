import { cansFor } from '../../core/mix/index.ts';
import { t } from '../../words.ts';
import { useUnits } from '../units/UnitsContext.tsx';

/** A coat from spray cans: counted, shaken, nothing mixed. */
export function Cans({ wanted, canLitres }: { wanted: number | null; canLitres: number }) {
  const { show } = useUnits();
  const cans = wanted === null || wanted <= 0 ? null : cansFor(wanted, canLitres);
  return (
    <div>
      {cans !== null && (
        <p className="big-figure text-5xl">
          {cans} <span className="text-2xl">{cans === 1 ? 'can' : 'cans'}</span>
        </p>
      )}
      <p>
        {t`${show(canLitres, 'volume')} per can. Shake each can until the ball runs free, then as long again. Warm cans spray finer, but never warm a can over a flame.`}
      </p>
    </div>
  );
}
