import type { Waterline } from '../../contract/index.ts';
import type { StruckLine } from '../../core/waterline/index.ts';
import { t } from '../../words.ts';
import { Choice, NumberField } from '../forms/NumberField.tsx';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { heightUnit, sayHeight } from './heights.ts';

const WATERS: readonly (readonly [string, string])[] = [
  ['1025', t`sea`],
  ['1010', t`brackish`],
  ['1000', t`fresh`],
];

interface Props {
  plan: Waterline;
  struck: StruckLine | null;
  onChange: (some: Partial<Waterline>) => void;
}

/** How far the line is raised above the marks: for weight still to come, and for slop. */
export function RaiseFields({ plan, struck, onChange }: Props) {
  const { system, show } = useUnits();
  const unit = heightUnit(system);
  const water = WATERS.some(([value]) => Number(value) === plan.densityKgM3)
    ? String(plan.densityKgM3)
    : '1025';
  return (
    <fieldset className="space-y-3">
      <legend className="lettered pb-1">{t`Raise the line`}</legend>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <NumberField
          label={t`Weight still to be added`}
          quantity="mass"
          value={plan.addedKg}
          onChange={(addedKg) => onChange({ addedKg })}
          hint={t`Stores, tanks, mast, crew`}
        />
        <Choice
          label={t`Water`}
          value={water}
          choices={WATERS}
          onChange={(value) => onChange({ densityKgM3: Number(value) })}
        />
        <NumberField
          label={t`Allowance for waves`}
          unit={unit.symbol}
          value={plan.slopMm / unit.mm}
          onChange={(value) => onChange({ slopMm: value * unit.mm })}
          hint={t`Extra height for slop; 25–75 mm is common practice`}
        />
        <NumberField
          label={t`Station spacing`}
          quantity="length"
          value={plan.stationStepM}
          onChange={(stationStepM) => onChange({ stationStepM })}
        />
      </div>
      {struck && (
        <Why
          figure={
            <output className="text-lg">
              {t`Raised `}
              <strong>
                {sayHeight(struck.raiseMm, unit)} {unit.symbol}
              </strong>
              {t` above the marked line`}
            </output>
          }
        >
          <p>{t`Sinkage = weight / (density × waterplane area) = ${show(plan.addedKg, 'mass')} / (${plan.densityKgM3} kg/m³ × ${show(struck.waterplaneM2, 'area')}) = ${sayHeight(struck.sinkageMm, unit)} ${unit.symbol}, and ${sayHeight(plan.slopMm, unit)} ${unit.symbol} for slop.`}</p>
          <p>{t`The waterplane area comes from the hull form in use. Too much antifouling above the water shows; too little lets weed grow on the topsides.`}</p>
        </Why>
      )}
    </fieldset>
  );
}
