import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { METHODS, type Method } from '../../core/film/index.ts';
import { t } from '../../words.ts';
import { Field, QuantityField, SelectField } from '../forms/Field.tsx';
import { METHOD_WORDS } from '../words/systems.ts';
import type { SheetValues } from './sheetValues.ts';
import { Ticks } from './Ticks.tsx';
import { WetFilm } from './WetFilm.tsx';

const METHOD_CHOICES = METHODS.map((m) => [m, METHOD_WORDS[m]] as [Method, string]);

/** Methods it allows, the films that differ by method, and the thinner named. */
export function MethodFields() {
  const { control } = useFormContext<SheetValues>();
  const { fields, append, remove } = useFieldArray({ control, name: 'byMethod' });
  const [methods, own] = useWatch({ control, name: ['methods', 'byMethod'] });
  const free = METHODS.filter(
    (method) =>
      (methods.length === 0 || methods.includes(method)) && !own.some((each) => each.method === method),
  );
  return (
    <div className="space-y-3">
      <Ticks
        name="methods"
        legend={t`Permitted methods`}
        choices={METHOD_CHOICES}
        hint={t`Select none if the data sheet doesn’t say; nothing is then ruled out.`}
      />
      {fields.map((field, i) => (
        <fieldset key={field.id} className="space-y-1">
          <legend className="sr-only">{t`Figures for one method`}</legend>
          <div className="grid grid-cols-2 items-end gap-3 sm:grid-cols-[9rem_1fr_1fr_1fr_1fr_auto]">
            <SelectField name={`byMethod.${i}.method`} label={t`Method`} choices={METHOD_CHOICES} />
            <QuantityField name={`byMethod.${i}.min`} label={t`Minimum dry film`} quantity="film" />
            <QuantityField name={`byMethod.${i}.typical`} label={t`Typical dry film`} quantity="film" />
            <QuantityField name={`byMethod.${i}.max`} label={t`Maximum dry film`} quantity="film" />
            <Field name={`byMethod.${i}.thinner`} label={t`Maximum thinner`} unit="%" inputMode="decimal" />
            <button
              type="button"
              className="btn btn-ghost"
              aria-label={t`Remove figures for ${METHOD_WORDS[field.method].toLowerCase()}`}
              onClick={() => remove(i)}
            >
              <Trash2 size={18} aria-hidden="true" />
            </button>
          </div>
          <WetFilm name={`byMethod.${i}`} />
        </fieldset>
      ))}
      {free.length > 0 && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => append({ method: free[0] as Method, min: '', typical: '', max: '', thinner: '' })}
        >
          <Plus size={16} aria-hidden="true" />
          {t` Add figures for a method`}
        </button>
      )}
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <Field name="thinnerName" label={t`Thinner name`} />
        <Field name="thinnerLimit" label={t`Maximum thinner`} unit="%" inputMode="decimal" />
      </div>
    </div>
  );
}
