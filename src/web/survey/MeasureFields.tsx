import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { areaFromMeasures, HAND_MEASURE_SPREAD } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { FormReader } from '../forms/canonical.ts';
import { Field, SelectField } from '../forms/Field.tsx';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { choices, SHAPE_WORDS } from '../words/survey.ts';
import { type AreaValues, EMPTY_MEASURE, LENGTHS, type MeasureValues, toMeasures } from './areaForm.ts';

/** The measuring sheet of an area: shapes, girths and openings, with the m² they make. */
export function MeasureFields() {
  const { control } = useFormContext<AreaValues>();
  const { fields, append, remove } = useFieldArray({ control, name: 'measures' });
  return (
    <fieldset className="space-y-3">
      <legend className="lettered pb-2">{t`Hand measurements`}</legend>
      {fields.map((field, i) => (
        <MeasureLine key={field.id} index={i} onRemove={() => remove(i)} />
      ))}
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" onClick={() => append(EMPTY_MEASURE)}>
          <Plus size={16} aria-hidden="true" />
          {t` Shape`}
        </button>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => append({ ...EMPTY_MEASURE, kind: 'girths', rule: 'simpson' })}
        >
          <Plus size={16} aria-hidden="true" />
          {t` Girths`}
        </button>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => append({ ...EMPTY_MEASURE, opening: true })}
        >
          <Plus size={16} aria-hidden="true" />
          {t` Opening`}
        </button>
      </div>
      <Sum />
    </fieldset>
  );
}

function MeasureLine({ index, onRemove }: { index: number; onRemove: () => void }) {
  const { control } = useFormContext<AreaValues>();
  const { symbol } = useUnits();
  const line = useWatch({ control, name: `measures.${index}` }) as MeasureValues | undefined;
  const kind = line?.kind ?? 'rectangle';
  const at = `measures.${index}`;
  return (
    <div className="border-base-300 border-l-4 pl-3">
      <div className="grid grid-cols-2 items-end gap-2 sm:grid-cols-[1.5fr_1fr_1fr]">
        <SelectField
          name={`${at}.kind`}
          label={line?.opening ? t`Opening` : t`Shape`}
          choices={choices(SHAPE_WORDS)}
        />
        {LENGTHS[kind].map(([key, word]) => (
          <Field key={key} name={`${at}.${key}`} label={word} inputMode="decimal" unit={symbol('length')} />
        ))}
        <Field name={`${at}.count`} label={t`Quantity`} inputMode="numeric" />
      </div>
      {kind === 'girths' && (
        <div className="grid gap-2 pt-2">
          <Field
            name={`${at}.girths`}
            label={t`Girths from aft to forward, ${symbol('length')}`}
            hint={t`One side, measured along the hull surface. Separate the values with spaces.`}
          />
          <SelectField
            name={`${at}.rule`}
            label={t`Integration rule`}
            choices={[
              ['simpson', t`Simpson’s rule (needs an odd number of girths)`],
              ['trapezoid', t`Trapezoid rule`],
            ]}
          />
        </div>
      )}
      <div className="flex items-end gap-2 pt-2">
        <div className="grow">
          <Field name={`${at}.note`} label={t`Note (optional)`} />
        </div>
        <button
          type="button"
          className="btn btn-ghost"
          aria-label={t`Remove measurement ${index + 1}`}
          onClick={onRemove}
        >
          <Trash2 size={18} aria-hidden="true" />
        </button>
      </div>
    </div>
  );
}

function Sum() {
  const { control } = useFormContext<AreaValues>();
  const measures = useWatch({ control, name: 'measures' }) as MeasureValues[];
  const spreadText = useWatch({ control, name: 'spread' }) as string;
  const { system, show } = useUnits();
  const read = new FormReader(system);
  const lines = toMeasures(measures ?? [], read);
  const spread = read.percent('spread', 'spread', spreadText ?? '');
  if (lines.length === 0) return <p className="opacity-80">{t`No hand measurements yet.`}</p>;
  if (read.errors.length > 0) {
    return <p className="opacity-80">{t`Fill in every line to get the area.`}</p>;
  }
  try {
    const area = areaFromMeasures({ measures: lines, spread });
    return (
      <Why
        figure={
          <output className="text-lg">
            <strong>{show(area.areaM2, 'area')}</strong> ({show(area.lowM2, 'area')}–
            {show(area.highM2, 'area')})
          </output>
        }
      >
        <ul>
          {area.lines.map((m2, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: lines have no name but their place
            <li key={i}>
              {m2 < 0 ? '−' : '+'} {show(Math.abs(m2), 'area')}:{' '}
              {SHAPE_WORDS[lines[i]?.shape.kind ?? 'rectangle']}
              {(lines[i]?.count ?? 1) > 1 && ` × ${lines[i]?.count}`} {lines[i]?.note}
            </li>
          ))}
        </ul>
        <p>{t`The litres allow for an uncertainty of ± ${Math.round(spread * 100)} %, the figure entered below. ± ${Math.round(HAND_MEASURE_SPREAD * 100)} % is usual for hand measurements (common practice).`}</p>
      </Why>
    );
  } catch (error) {
    return <p className="text-error font-semibold">{(error as Error).message}</p>;
  }
}
