import type { Product } from '../../contract/index.ts';
import { MIX_KG_PER_L } from '../../core/mix/index.ts';
import { fromCanonical, toCanonical } from '../../core/units/index.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

interface Props {
  product: Product;
  /** Paint asked for, l. */
  litres: number;
  onLitres: (litres: number) => void;
  /** Asked for in grams: nothing tells its litres. */
  byGrams: boolean;
  potTempC: number;
  onPotTemp: (tempC: number) => void;
}

/** Batch size and pot temperature: the two figures behind its timers. */
export function BatchSize({ product, litres, onLitres, byGrams, potTempC, onPotTemp }: Props) {
  const { system } = useUnits();
  const us = system === 'us';
  const volumeUnit = us ? 'usfloz' : 'ml';
  const weightUnit = us ? 'oz' : 'g';
  const degree = us ? 'degF' : 'degC';
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      {byGrams ? (
        <Stepper
          label="Batch size"
          unit={weightUnit}
          value={Math.round(fromCanonical(litres * MIX_KG_PER_L, weightUnit) * 10) / 10}
          step={us ? 1 : 50}
          min={us ? 0.2 : 5}
          max={us ? 2000 : 60_000}
          onChange={(value) => onLitres(toCanonical(value, weightUnit) / MIX_KG_PER_L)}
        />
      ) : (
        <Stepper
          label="Batch size"
          unit={us ? 'US fl oz' : 'ml'}
          value={Math.round(fromCanonical(litres, volumeUnit) * 10) / 10}
          step={us ? 1 : 50}
          min={us ? 0.2 : 5}
          max={us ? 2000 : 60_000}
          onChange={(value) => onLitres(toCanonical(value, volumeUnit))}
        />
      )}
      {product.sheet.potLife.length > 0 && (
        <Stepper
          label="Pot temperature"
          unit={us ? '°F' : '°C'}
          value={Math.round(fromCanonical(potTempC, degree))}
          step={1}
          min={us ? 14 : -10}
          max={us ? 122 : 50}
          onChange={(value) => onPotTemp(toCanonical(value, degree))}
        />
      )}
      {byGrams && (
        <p className="text-sm sm:col-span-2">
          The data sheet gives a ratio by weight but no densities, so weigh the parts. Litres are estimated at{' '}
          {MIX_KG_PER_L} kg per litre (typical value) until the data sheet has densities.
        </p>
      )}
    </div>
  );
}
