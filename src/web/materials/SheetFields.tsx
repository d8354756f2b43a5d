import { Controller, useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { FAMILIES, type Hazard } from '../../core/system/index.ts';
import { Field, QuantityField, SelectField, TextArea } from '../forms/Field.tsx';
import { choices } from '../words/survey.ts';
import { FilmFields } from './FilmFields.tsx';
import { MethodFields } from './MethodFields.tsx';
import { PackFields } from './PackFields.tsx';
import { SheetStep } from './SheetStep.tsx';
import { SurfaceFields } from './SurfaceFields.tsx';
import type { SheetValues } from './sheetValues.ts';
import { Ticks } from './Ticks.tsx';
import { DecidingTimes, EventTimes } from './TimeGrid.tsx';

const HAZARD_WORDS: Record<Hazard, string> = {
  isocyanate: 'Isocyanates',
  solvent: 'Solvent',
  'epoxy-sensitiser': 'Epoxy (sensitiser)',
  biocide: 'Biocides',
  acid: 'Acid',
  'oxidising-rags': 'Rags can self-ignite',
  dust: 'Dust',
};

/** A data sheet in steps: the important figures first, then everything else. */
export function SheetFields() {
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-2">
        <Field name="name" label="Product" autoFocus />
        <SelectField name="family" label="Coating type" choices={[['', 'Select…'], ...choices(FAMILIES)]} />
      </div>
      <Parts />
      <FilmFields />
      <DecidingTimes />
      <p className="pt-2 opacity-80">
        That is enough for planning and mixing. Add more figures from the data sheet below. Leave empty what
        the data sheet doesn’t give; nothing is then assumed.
      </p>
      <div>
        <SheetStep title="Methods and thinner" about="brush, roller, spray; film thickness by method">
          <MethodFields />
        </SheetStep>
        <SheetStep title="Other times" about="safe from dew, tack-free, sandable, launch, full cure">
          <EventTimes />
        </SheetStep>
        <SheetStep
          title="Weather and surface limits"
          about="temperature, humidity, margin above the dew point"
        >
          <AirLimits />
        </SheetStep>
        <SheetStep title="Surface preparation" about="cleanliness, profile, permitted surfaces, copper">
          <SurfaceFields />
        </SheetStep>
        <SheetStep title="Packs" about="colours, pack sizes, prices, additives, shelf life">
          <Colours />
          <PackFields />
        </SheetStep>
        <SheetStep title="Hazards and notes" about="hazards, cautions from the data sheet, resin">
          <Ticks name="hazards" legend="Hazards" choices={choices(HAZARD_WORDS)} />
          <Field name="resin" label="Resin" hint="As named on the data sheet. Leave empty if not given." />
          <TextArea name="cautions" label="Cautions (wording from the data sheet)" />
          <TextArea name="note" label="Note" />
        </SheetStep>
      </div>
    </>
  );
}

function AirLimits() {
  return (
    <div className="space-y-3">
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        <QuantityField name="limits.airMinC" label="Air temperature, minimum" quantity="temperature" />
        <QuantityField name="limits.airMaxC" label="Air temperature, maximum" quantity="temperature" />
        <QuantityField
          name="limits.surfaceMinC"
          label="Surface temperature, minimum"
          quantity="temperature"
        />
        <QuantityField
          name="limits.surfaceMaxC"
          label="Surface temperature, maximum"
          quantity="temperature"
        />
        <Field name="limits.rhMax" label="RH, maximum" unit="%" inputMode="decimal" />
        <QuantityField
          name="limits.dewMarginC"
          label="Minimum margin above dew point"
          quantity="temperatureDifference"
        />
      </div>
      <p className="text-sm opacity-80">
        Leave empty if the data sheet doesn’t say. The defaults are then 3 °C above the dew point (ISO 8502-4
        guidance) and a maximum RH of 85 % (ISO 12944-7 practice).
      </p>
    </div>
  );
}

const PART_WORDS = ['Base', 'Hardener', 'Third part (name on the data sheet)'];

function Parts() {
  const { control, setValue } = useFormContext<SheetValues>();
  const { fields, replace, append, remove } = useFieldArray({ control, name: 'parts' });
  const two = fields.length > 1;
  return (
    <section aria-labelledby="mix" className="space-y-3">
      <h2 id="mix" className="batten pb-1 text-lg">
        Mixing ratio
      </h2>
      <div className="join">
        <button
          type="button"
          className={`btn btn-sm join-item ${two ? '' : 'btn-neutral'}`}
          aria-pressed={!two}
          onClick={() => {
            replace([{ name: 'paint', ratio: '1', density: '', role: '' }]);
            setValue('ratioTolerance', '');
          }}
        >
          One-pack
        </button>
        <button
          type="button"
          className={`btn btn-sm join-item ${two ? 'btn-neutral' : ''}`}
          aria-pressed={two}
          onClick={() =>
            replace([
              { name: 'base', ratio: '', density: '', role: '' },
              { name: 'hardener', ratio: '', density: '', role: '' },
            ])
          }
        >
          Two-pack
        </button>
      </div>
      {fields.map((field, i) => (
        <div key={field.id} className="grid grid-cols-3 gap-3">
          <Field
            name={`parts.${i}.name`}
            label={two ? (PART_WORDS[i] ?? `Part ${i + 1}, as the sheet names it`) : 'Paint'}
          />
          {two && <Field name={`parts.${i}.ratio`} label="Parts in the ratio" inputMode="decimal" />}
          <QuantityField name={`parts.${i}.density`} label="Density" quantity="density" />
          {i > 1 && (
            <div className="col-span-3 flex flex-wrap items-end gap-3">
              <div className="w-64">
                <SelectField
                  name={`parts.${i}.role`}
                  label="Role of this part"
                  choices={[
                    ['', 'Select…'],
                    ['paint', 'Part of the paint'],
                    ['reducer', 'Reducer (thinner)'],
                  ]}
                />
              </div>
              <button type="button" className="btn btn-ghost" onClick={() => remove(i)}>
                Remove part {i + 1}{' '}
              </button>
            </div>
          )}
        </div>
      ))}
      {two && fields.length < 4 && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => append({ name: '', ratio: '', density: '', role: '' })}
        >
          {fields.length === 2 ? 'A third part' : 'A fourth part'}
        </button>
      )}
      {!two && (
        <div className="max-w-56">
          <QuantityField name="canLitres" label="Spray can contents" quantity="volume" />
          <p className="text-sm opacity-80">Leave empty if sold in tins.</p>
        </div>
      )}
      {two && (
        <div className="grid gap-3 sm:grid-cols-3">
          <SelectField
            name="ratioBy"
            label="Ratio by"
            choices={[
              ['', 'Select…'],
              ['volume', 'Volume'],
              ['weight', 'Weight'],
            ]}
          />
          <Field
            name="ratioTolerance"
            label="Ratio tolerance ±"
            unit="%"
            inputMode="decimal"
            hint="Leave empty if not on the data sheet; ±5 % is then used."
          />
        </div>
      )}
    </section>
  );
}

function Colours() {
  const { control } = useFormContext<SheetValues>();
  const { fields, append, remove } = useFieldArray({ control, name: 'colours' });
  const drawn = useWatch({ control, name: 'colours' });
  return (
    <fieldset className="space-y-2">
      <legend className="lettered pb-1">Colours</legend>
      {fields.map((field, i) => (
        <div key={field.id} className="flex items-end gap-2">
          <div className="grow sm:max-w-64">
            <Field name={`colours.${i}.name`} label="Colour" />
          </div>
          <Controller
            control={control}
            name={`colours.${i}.hex`}
            render={({ field: input }) => (
              <input
                type="color"
                aria-label={`Display colour for ${drawn?.[i]?.name || 'this row'}`}
                className="h-10 w-14 cursor-pointer"
                {...input}
              />
            )}
          />
          <button
            type="button"
            className="btn btn-ghost"
            disabled={fields.length === 1}
            onClick={() => remove(i)}
          >
            Remove
          </button>
        </div>
      ))}
      <button type="button" className="btn btn-sm" onClick={() => append({ name: '', hex: '#8b9299' })}>
        Add colour
      </button>
    </fieldset>
  );
}
