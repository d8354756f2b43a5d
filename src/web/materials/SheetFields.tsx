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
  'oxidising-rags': 'Rags may take fire',
  dust: 'Dust',
};

/** A sheet in steps: the few figures that decide first, then whatever else the paper states. */
export function SheetFields() {
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-2">
        <Field name="name" label="Product" autoFocus />
        <SelectField name="family" label="Coating type" choices={[['', 'choose'], ...choices(FAMILIES)]} />
      </div>
      <Parts />
      <FilmFields />
      <DecidingTimes />
      <p className="pt-2 opacity-80">
        That is enough for planning and mixing. Add more figures from the data sheet below. Leave empty what
        the data sheet doesn’t give; nothing is then assumed.
      </p>
      <div>
        <SheetStep title="Methods and thinner" about="brush, roller, spray; films of their own">
          <MethodFields />
        </SheetStep>
        <SheetStep title="More times" about="safe from dew, tack-free, sandable, launch, full cure">
          <EventTimes />
        </SheetStep>
        <SheetStep title="Air and surface" about="temperatures, humidity, margin over the dew point">
          <AirLimits />
        </SheetStep>
        <SheetStep title="What it goes on" about="cleanliness, profile, grounds, copper">
          <SurfaceFields />
        </SheetStep>
        <SheetStep title="Tins" about="colours, packs, prices, additives, shelf life">
          <Colours />
          <PackFields />
        </SheetStep>
        <SheetStep title="Dangers and notes" about="hazards, cautions in the sheet’s words, resin">
          <Ticks name="hazards" legend="Hazards" choices={choices(HAZARD_WORDS)} />
          <Field name="resin" label="Resin, as the sheet names it" hint="Empty: not stated" />
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
        <QuantityField name="limits.airMinC" label="Air, min" quantity="temperature" />
        <QuantityField name="limits.airMaxC" label="Air, max" quantity="temperature" />
        <QuantityField name="limits.surfaceMinC" label="Surface, min" quantity="temperature" />
        <QuantityField name="limits.surfaceMaxC" label="Surface, max" quantity="temperature" />
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

const PART_WORDS = ['Base', 'Hardener', 'Third part, as the sheet names it'];

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
          {two && <Field name={`parts.${i}.ratio`} label="Parts" inputMode="decimal" />}
          <QuantityField name={`parts.${i}.density`} label="Density" quantity="density" />
          {i > 1 && (
            <div className="col-span-3 flex flex-wrap items-end gap-3">
              <div className="w-64">
                <SelectField
                  name={`parts.${i}.role`}
                  label="Role of this part"
                  choices={[
                    ['', 'choose'],
                    ['paint', 'a part of the paint'],
                    ['reducer', 'the reducer (thinner)'],
                  ]}
                />
              </div>
              <button type="button" className="btn btn-ghost" onClick={() => remove(i)}>
                Remove this part
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
          <QuantityField name="canLitres" label="One spray can holds" quantity="volume" />
          <p className="text-sm opacity-80">Empty: it comes in tins.</p>
        </div>
      )}
      {two && (
        <div className="grid gap-3 sm:grid-cols-3">
          <SelectField
            name="ratioBy"
            label="Ratio by"
            choices={[
              ['', 'choose'],
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
                aria-label={`How ${drawn?.[i]?.name || 'this colour'} is drawn`}
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
