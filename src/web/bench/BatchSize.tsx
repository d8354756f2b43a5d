import { MIX_KG_PER_L } from '../../core/mix/index.ts';
import { fromCanonical, toCanonical } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

interface Props {
  /** Paint asked for, l. */
  litres: number;
  onLitres: (litres: number) => void;
  /** Asked for in grams: nothing tells its litres. */
  byGrams: boolean;
}

/** How much to mix: everything to pour follows from it. */
export function BatchSize({ litres, onLitres, byGrams }: Props) {
  const { system } = useUnits();
  const us = system === 'us';
  const volumeUnit = us ? 'usfloz' : 'ml';
  const weightUnit = us ? 'oz' : 'g';
  return (
    <div className="space-y-3">
      {byGrams ? (
        <Stepper
          label={t`Batch size`}
          unit={weightUnit}
          value={Math.round(fromCanonical(litres * MIX_KG_PER_L, weightUnit) * 10) / 10}
          step={us ? 1 : 50}
          min={us ? 0.2 : 5}
          max={us ? 2000 : 60_000}
          onChange={(value) => onLitres(toCanonical(value, weightUnit) / MIX_KG_PER_L)}
        />
      ) : (
        <Stepper
          label={t`Batch size`}
          unit={us ? t`US fl oz` : 'ml'}
          value={Math.round(fromCanonical(litres, volumeUnit) * 10) / 10}
          step={us ? 1 : 50}
          min={us ? 0.2 : 5}
          max={us ? 2000 : 60_000}
          onChange={(value) => onLitres(toCanonical(value, volumeUnit))}
        />
      )}
      {byGrams && (
        <p className="text-sm">{t`The data sheet gives a ratio by weight but no densities, so weigh the parts. Litres are estimated at ${MIX_KG_PER_L} kg per litre (typical value) until the data sheet has densities.`}</p>
      )}
    </div>
  );
}

/** The temperature of the pot, by which its pot life runs. */
export function PotTemperature({
  potTempC,
  onPotTemp,
}: {
  potTempC: number;
  onPotTemp: (tempC: number) => void;
}) {
  const us = useUnits().system === 'us';
  const degree = us ? 'degF' : 'degC';
  return (
    <Stepper
      label={t`Pot temperature`}
      unit={us ? '°F' : '°C'}
      value={Math.round(fromCanonical(potTempC, degree))}
      step={1}
      min={us ? 14 : -10}
      max={us ? 122 : 50}
      onChange={(value) => onPotTemp(toCanonical(value, degree))}
    />
  );
}
