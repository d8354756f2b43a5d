import { fromCanonical, parseQuantity, shownUnit, toCanonical } from '../../core/units/index.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { Stepper } from './Stepper.tsx';

/** No tin holds more, l or kg. */
const MOST = 1000;

/** An amount of a tin by thumb, litres or kilograms, shown and typed in the user's units. */
export function AmountStepper(of: {
  label: string;
  unit: 'l' | 'kg';
  value: number;
  min?: number;
  max?: number;
  onChange: (value: number) => void;
}) {
  const { system, symbol } = useUnits();
  const quantity = of.unit === 'l' ? 'volume' : 'mass';
  const shown = shownUnit(quantity, system);
  const inUnit = (value: number) => Number(fromCanonical(value, shown).toPrecision(6));
  return (
    <Stepper
      label={of.label}
      unit={symbol(quantity)}
      value={inUnit(of.value)}
      step={of.unit === 'kg' ? 0.1 : system === 'us' ? 0.02 : 0.05}
      min={inUnit(of.min ?? 0)}
      max={inUnit(of.max ?? MOST)}
      read={(text) => fromCanonical(parseQuantity(text, quantity, system), shown)}
      onChange={(value) => of.onChange(toCanonical(value, shown))}
    />
  );
}
