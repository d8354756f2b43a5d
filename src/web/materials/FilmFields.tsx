import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { METHODS, type Method, wetMicrons } from '../../core/film/index.ts';
import { parseQuantity } from '../../core/units/index.ts';
import { Field, QuantityField, SelectField } from '../forms/Field.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { METHOD_WORDS } from '../words/systems.ts';
import type { SheetValues } from './sheetValues.ts';
import { Ticks } from './Ticks.tsx';

const METHOD_CHOICES = METHODS.map((m) => [m, METHOD_WORDS[m]] as [Method, string]);

/** Film of a coat, dry and wet, for all methods and for those that lay another; thinner and induction. */
export function FilmFields() {
  const { control } = useFormContext<SheetValues>();
  const { fields, append, remove } = useFieldArray({ control, name: 'byMethod' });
  const [methods, own] = useWatch({ control, name: ['methods', 'byMethod'] });
  const free = METHODS.filter(
    (method) =>
      (methods.length === 0 || methods.includes(method)) && !own.some((each) => each.method === method),
  );
  return (
    <section aria-labelledby="film" className="space-y-3">
      <h2 id="film" className="batten pb-1 text-lg">
        Film and method
      </h2>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <Field name="solids" label="Volume solids" unit="%" inputMode="decimal" />
        <QuantityField name="film.min" label="Dry film, min" quantity="film" />
        <QuantityField name="film.typical" label="Typical" quantity="film" />
        <QuantityField name="film.max" label="Dry film, max" quantity="film" />
      </div>
      <WetFilm name="film" />
      <Ticks
        name="methods"
        legend="Methods it allows"
        choices={METHOD_CHOICES}
        hint="None ticked: not stated, and any is let through"
      />
      {fields.map((field, i) => (
        <fieldset key={field.id} className="space-y-1">
          <legend className="sr-only">Figures for one method</legend>
          <div className="grid grid-cols-2 items-end gap-3 sm:grid-cols-[9rem_1fr_1fr_1fr_1fr_auto]">
            <SelectField name={`byMethod.${i}.method`} label="Otherwise by" choices={METHOD_CHOICES} />
            <QuantityField name={`byMethod.${i}.min`} label="Dry film, min" quantity="film" />
            <QuantityField name={`byMethod.${i}.typical`} label="Typical" quantity="film" />
            <QuantityField name={`byMethod.${i}.max`} label="Dry film, max" quantity="film" />
            <Field name={`byMethod.${i}.thinner`} label="Thinner, max" unit="%" inputMode="decimal" />
            <button
              type="button"
              className="btn btn-ghost"
              aria-label={`Remove the figures for ${METHOD_WORDS[field.method].toLowerCase()}`}
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
          <Plus size={16} aria-hidden="true" /> Other figures for a method
        </button>
      )}
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <Field name="thinnerName" label="Thinner named" />
        <Field name="thinnerLimit" label="Thinner, max" unit="%" inputMode="decimal" />
        <Field
          name="induction"
          label="Standing time (induction)"
          unit="min"
          inputMode="numeric"
          hint="Empty: not stated, and asked for at the bench. 0: none needed"
        />
      </div>
    </section>
  );
}

/** The wet film that leaves each dry one, to be held against what the paper says. */
function WetFilm({ name }: { name: 'film' | `byMethod.${number}` }) {
  const { control } = useFormContext<SheetValues>();
  const { show, system } = useUnits();
  const [film, solids] = useWatch({ control, name: [name, 'solids'] });
  const said = [film?.min, film?.typical, film?.max].flatMap((text) => {
    try {
      const dryMicrons = parseQuantity(text ?? '', 'film', system);
      const volumeSolids = Number(solids.replace(',', '.')) / 100;
      return [show(wetMicrons({ dryMicrons, volumeSolids, thinner: 0 }), 'film')];
    } catch {
      // Not typed yet; what cannot be read is refused on saving.
      return [];
    }
  });
  if (said.length < 3) return null;
  return <p className="text-sm opacity-80">Wet, unthinned: {said.join(', ')}.</p>;
}
