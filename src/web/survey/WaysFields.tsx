import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import type { Boat } from '../../contract/index.ts';
import {
  areaByRule,
  areaFromPaint,
  chosenWay,
  disagreements,
  hasHull,
  PAINT_SPREAD,
  waysOf,
} from '../../core/hull/index.ts';
import { parseQuantity } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { FormReader } from '../forms/canonical.ts';
import { Field, QuantityField } from '../forms/Field.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { WAY_WORDS } from '../words/survey.ts';
import { type AreaValues, estimateToValues, toEstimates, toMeasures } from './areaForm.ts';

/** The estimates of this area other than hand measurements, side by side, and the one used. */
export function WaysFields({ boat }: { boat: Pick<Boat, 'id' | 'kind' | 'dimensions'> }) {
  const { control, getValues } = useFormContext<AreaValues>();
  const { fields, append, remove } = useFieldArray({ control, name: 'estimates' });
  const { system } = useUnits();
  const [note, setNote] = useState<string | null>(null);
  const has = (way: string) => fields.some((field) => field.way === way);

  const byRule = () => {
    const { zone, side } = getValues();
    if (!hasHull(boat)) {
      setNote(t`A rule of thumb needs the hull’s main dimensions. Add them, or measure by hand.`);
      return;
    }
    const rule = areaByRule({ ...boat, zone, side });
    setNote(rule ? null : t`There’s no rule of thumb for this part of the boat. Measure it instead.`);
    if (!rule) return;
    append(
      estimateToValues({ way: 'rule', areaM2: rule.areaM2, spread: rule.spread, basis: rule.basis }, system),
    );
  };
  return (
    <fieldset className="space-y-3">
      <legend className="lettered pb-2">{t`Other estimates`}</legend>
      {fields.map((field, i) => (
        <div
          key={field.id}
          className="border-base-300 grid grid-cols-[1fr_6rem_auto] items-start gap-2 border-l-4 pl-3"
        >
          <QuantityField
            name={`estimates.${i}.areaM2`}
            label={WAY_WORDS[field.way]}
            quantity="area"
            hint={field.basis}
          />
          <Field name={`estimates.${i}.spread`} label={t`Spread ±`} unit="%" inputMode="decimal" />
          <button
            type="button"
            className="btn btn-ghost mt-5"
            aria-label={t`Remove estimate: ${WAY_WORDS[field.way].toLowerCase()}`}
            onClick={() => remove(i)}
          >
            <Trash2 size={18} aria-hidden="true" />
          </button>
        </div>
      ))}
      {!has('rule') && (
        <button type="button" className="btn btn-sm" onClick={byRule}>{t`Estimate by rule of thumb`}</button>
      )}
      {note && <p role="status">{note}</p>}
      {!has('paint') && (
        <FromPaint
          onReckoned={(areaM2, basis) =>
            append(estimateToValues({ way: 'paint', areaM2, spread: PAINT_SPREAD, basis }, system))
          }
        />
      )}
      {boat.kind !== 'parts' && !has('offsets') && !has('mesh') && (
        <p className="text-sm">
          {t`To use a table of offsets or a mesh, go to `}
          <Link className="link" to={`/boats/${boat.id}/form`}>{t`hull form`}</Link>.
        </p>
      )}
      <SideBySide />
    </fieldset>
  );
}

function FromPaint({ onReckoned }: { onReckoned: (areaM2: number, basis: string) => void }) {
  const { system, symbol, show } = useUnits();
  const [litres, setLitres] = useState('');
  const [rate, setRate] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const reckon = () => {
    try {
      const input = {
        litres: parseQuantity(litres, 'volume', system),
        m2PerLitre: parseQuantity(rate, 'spreadingRate', system),
      };
      const areaM2 = areaFromPaint(input);
      setProblem(null);
      onReckoned(
        areaM2,
        t`${show(input.litres, 'volume')} used at ${show(input.m2PerLitre, 'spreadingRate')}`,
      );
    } catch (error) {
      setProblem(t`Paint used last time: ${(error as Error).message}`);
    }
  };
  return (
    <details>
      <summary className="cursor-pointer underline underline-offset-2">{t`Estimate from paint used last time`}</summary>
      <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2 pt-2">
        <label>
          <span className="label-caps block pb-1">{t`Paint used, ${symbol('volume')}`}</span>
          <input
            className="input w-full"
            inputMode="decimal"
            value={litres}
            onChange={(e) => setLitres(e.target.value)}
          />
        </label>
        <label>
          <span className="label-caps block pb-1">{t`Spreading rate, ${symbol('spreadingRate')}`}</span>
          <input
            className="input w-full"
            inputMode="decimal"
            value={rate}
            onChange={(e) => setRate(e.target.value)}
          />
        </label>
        <button type="button" className="btn" onClick={reckon}>{t`Work out area`}</button>
      </div>
      {problem && (
        <p role="alert" className="text-error pt-1 font-semibold">
          {problem}
        </p>
      )}
    </details>
  );
}

/** Every way with its spread, the one that counts marked, and those named that do not meet. */
function SideBySide() {
  const { control, register } = useFormContext<AreaValues>();
  const values = useWatch({ control }) as AreaValues;
  const { system, show } = useUnits();
  const read = new FormReader(system);
  const measures = toMeasures(values.measures ?? [], read);
  const estimates = toEstimates(values.estimates ?? [], read);
  const spread = read.percent('spread', 'spread', values.spread ?? '');
  if (read.errors.length > 0 || estimates.length === 0) return null;
  let ways: ReturnType<typeof waysOf>;
  let apart: ReturnType<typeof disagreements>;
  try {
    ways = waysOf({ measures, spread, estimates });
    apart = disagreements(ways);
  } catch {
    return null;
  }
  const counts = chosenWay(ways, values.chosenWay || null);
  return (
    <fieldset className="space-y-1">
      <legend className="label-caps pb-1">{t`Size to use`}</legend>
      <label className="flex cursor-pointer items-center gap-2">
        <input type="radio" className="radio" value="" {...register('chosenWay')} />
        {t`Lowest uncertainty `}
        {counts && !values.chosenWay && ` (${WAY_WORDS[counts.way].toLowerCase()})`}
      </label>
      {ways.map((way) => (
        <label key={way.way} className="flex cursor-pointer items-center gap-2">
          <input type="radio" className="radio" value={way.way} {...register('chosenWay')} />
          {WAY_WORDS[way.way]}: <strong>{show(way.areaM2, 'area')}</strong> ± {Math.round(way.spread * 100)} %
        </label>
      ))}
      {apart.map(({ ways: [a, b], gapM2 }) => (
        <p key={`${a}${b}`} className="text-warning font-semibold">
          {t`${WAY_WORDS[a]} and ${WAY_WORDS[b].toLowerCase()} differ by ${show(gapM2, 'area')} more than their uncertainties allow. One is wrong, or they measure different parts of the boat.`}
        </p>
      ))}
    </fieldset>
  );
}
