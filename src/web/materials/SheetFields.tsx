import { Controller, useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import type { Hazard } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { Field, QuantityField, SelectField, TextArea } from '../forms/Field.tsx';
import { choices } from '../words/survey.ts';
import { FAMILY_WORDS } from '../words/systems.ts';
import { FilmFields } from './FilmFields.tsx';
import { MethodFields } from './MethodFields.tsx';
import { PackFields } from './PackFields.tsx';
import { SheetStep } from './SheetStep.tsx';
import { SurfaceFields } from './SurfaceFields.tsx';
import type { SheetValues } from './sheetValues.ts';
import { Ticks } from './Ticks.tsx';
import { DecidingTimes, EventTimes } from './TimeGrid.tsx';

const HAZARD_WORDS: Record<Hazard, string> = {
  isocyanate: t`Isocyanates`,
  solvent: t`Solvent`,
  'epoxy-sensitiser': 'Epoxy (sensitiser)',
  biocide: t`Biocides`,
  acid: t`Acid`,
  'oxidising-rags': t`Rags can self-ignite`,
  dust: t`Dust`,
};

/** A data sheet in steps: the important figures first, then everything else. */
export function SheetFields() {
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-2">
        <Field name="name" label={t`Product`} autoFocus />
        <SelectField
          name="family"
          label={t`Coating type`}
          choices={[['', t`Select…`], ...choices(FAMILY_WORDS)]}
        />
      </div>
      <Parts />
      <FilmFields />
      <DecidingTimes />
      <p className="pt-2 opacity-80">{t`That is enough for planning and mixing. Add more figures from the data sheet below. Leave empty what the data sheet doesn’t give; nothing is then assumed.`}</p>
      <div>
        <SheetStep title={t`Methods and thinner`} about={t`brush, roller, spray; film thickness by method`}>
          <MethodFields />
        </SheetStep>
        <SheetStep title={t`Other times`} about={t`safe from dew, tack-free, sandable, launch, full cure`}>
          <EventTimes />
        </SheetStep>
        <SheetStep
          title={t`Weather and surface limits`}
          about={t`temperature, humidity, margin above the dew point`}
        >
          <AirLimits />
        </SheetStep>
        <SheetStep title={t`Surface preparation`} about={t`cleanliness, profile, permitted surfaces, copper`}>
          <SurfaceFields />
        </SheetStep>
        <SheetStep title={t`Packs`} about={t`colours, pack sizes, prices, additives, shelf life`}>
          <Colours />
          <PackFields />
        </SheetStep>
        <SheetStep title={t`Hazards and notes`} about={t`hazards, cautions from the data sheet, resin`}>
          <Ticks name="hazards" legend={t`Hazards`} choices={choices(HAZARD_WORDS)} />
          <Field
            name="resin"
            label={t`Resin`}
            hint={t`As named on the data sheet. Leave empty if not given.`}
          />
          <TextArea name="cautions" label={t`Cautions (wording from the data sheet)`} />
          <TextArea name="note" label={t`Note`} />
        </SheetStep>
      </div>
    </>
  );
}

function AirLimits() {
  return (
    <div className="space-y-3">
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        <QuantityField name="limits.airMinC" label={t`Air temperature, minimum`} quantity="temperature" />
        <QuantityField name="limits.airMaxC" label={t`Air temperature, maximum`} quantity="temperature" />
        <QuantityField
          name="limits.surfaceMinC"
          label={t`Surface temperature, minimum`}
          quantity="temperature"
        />
        <QuantityField
          name="limits.surfaceMaxC"
          label={t`Surface temperature, maximum`}
          quantity="temperature"
        />
        <Field name="limits.rhMax" label={t`RH, maximum`} unit="%" inputMode="decimal" />
        <QuantityField
          name="limits.dewMarginC"
          label={t`Minimum margin above dew point`}
          quantity="temperatureDifference"
        />
      </div>
      <p className="text-sm opacity-80">{t`Leave empty if the data sheet doesn’t say. The defaults are then 3 °C above the dew point (ISO 8502-4 guidance) and a maximum RH of 85 % (ISO 12944-7 practice).`}</p>
    </div>
  );
}

const PART_WORDS = [t`Base`, t`Hardener`, t`Third part (name on the data sheet)`];

function Parts() {
  const { control, setValue } = useFormContext<SheetValues>();
  const { fields, replace, append, remove } = useFieldArray({ control, name: 'parts' });
  const two = fields.length > 1;
  return (
    <section aria-labelledby="mix" className="space-y-3">
      <h2 id="mix" className="batten pb-1 text-lg">{t`Mixing ratio`}</h2>
      <div className="join">
        <button
          type="button"
          className={`btn btn-sm join-item ${two ? '' : 'btn-neutral'}`}
          aria-pressed={!two}
          onClick={() => {
            replace([{ name: 'paint', ratio: '1', density: '', role: '' }]);
            setValue('ratioTolerance', '');
          }}
        >{t`One-pack`}</button>
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
        >{t`Two-pack`}</button>
      </div>
      {fields.map((field, i) => (
        <div key={field.id} className="grid grid-cols-3 gap-3">
          <Field
            name={`parts.${i}.name`}
            label={two ? (PART_WORDS[i] ?? t`Part ${i + 1}, as the sheet names it`) : t`Paint`}
          />
          {two && <Field name={`parts.${i}.ratio`} label={t`Parts in the ratio`} inputMode="decimal" />}
          <QuantityField name={`parts.${i}.density`} label={t`Density`} quantity="density" />
          {i > 1 && (
            <div className="col-span-3 flex flex-wrap items-end gap-3">
              <div className="w-64">
                <SelectField
                  name={`parts.${i}.role`}
                  label={t`Role of this part`}
                  choices={[
                    ['', t`Select…`],
                    ['paint', t`Part of the paint`],
                    ['reducer', 'Reducer (thinner)'],
                  ]}
                />
              </div>
              <button type="button" className="btn btn-ghost" onClick={() => remove(i)}>
                {t`Remove part ${i + 1} `}
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
          {fields.length === 2 ? t`A third part` : t`A fourth part`}
        </button>
      )}
      {!two && (
        <div className="max-w-56">
          <QuantityField name="canLitres" label={t`Spray can contents`} quantity="volume" />
          <p className="text-sm opacity-80">{t`Leave empty if sold in tins.`}</p>
        </div>
      )}
      {two && (
        <div className="grid gap-3 sm:grid-cols-3">
          <SelectField
            name="ratioBy"
            label={t`Ratio by`}
            choices={[
              ['', t`Select…`],
              ['volume', t`Volume`],
              ['weight', t`Weight`],
            ]}
          />
          <Field
            name="ratioTolerance"
            label={t`Ratio tolerance ±`}
            unit="%"
            inputMode="decimal"
            hint={t`Leave empty if not on the data sheet; ±5 % is then used.`}
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
      <legend className="lettered pb-1">{t`Colours`}</legend>
      {fields.map((field, i) => (
        <div key={field.id} className="flex items-end gap-2">
          <div className="grow sm:max-w-64">
            <Field name={`colours.${i}.name`} label={t`Colour`} />
          </div>
          <Controller
            control={control}
            name={`colours.${i}.hex`}
            render={({ field: input }) => (
              <input
                type="color"
                aria-label={t`Display colour for ${drawn?.[i]?.name || t`this row`}`}
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
          >{t`Remove`}</button>
        </div>
      ))}
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => append({ name: '', hex: '#8b9299' })}
      >{t`Add colour`}</button>
    </fieldset>
  );
}
