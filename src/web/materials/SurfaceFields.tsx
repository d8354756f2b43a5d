import { useFormContext, useWatch } from 'react-hook-form';
import { ANTIFOULINGS, type Cleanliness } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { CheckField, QuantityField, SelectField } from '../forms/Field.tsx';
import { choices } from '../words/survey.ts';
import { FAMILY_WORDS, SUBSTRATE_WORDS } from '../words/systems.ts';
import type { SheetValues } from './sheetValues.ts';

const GRADES: readonly Cleanliness[] = ['Sa 1', 'Sa 2', 'Sa 2½', 'Sa 3', 'St 2', 'St 3'];

/** Permitted surfaces, their preparation, and copper: not stated until chosen. */
export function SurfaceFields() {
  const { control, register } = useFormContext<SheetValues>();
  const [family, states] = useWatch({ control, name: ['family', 'statesGrounds'] });
  const antifouling = (ANTIFOULINGS as readonly string[]).includes(family);
  return (
    <section aria-labelledby="surface" className="space-y-3">
      <h2 id="surface" className="batten pb-1 text-lg">{t`Surface preparation`}</h2>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <SelectField
          name="cleanliness"
          label={t`Required cleanliness`}
          choices={[['', t`Not given`], ...GRADES.map((grade): [string, string] => [grade, grade])]}
        />
        <QuantityField name="profileMin" label={t`Minimum profile`} quantity="film" />
        <QuantityField name="profileMax" label={t`Maximum profile`} quantity="film" />
        {antifouling && (
          <SelectField
            name="copper"
            label={t`Copper`}
            choices={[
              ['', t`Not given`],
              ['yes', t`Contains copper`],
              ['no', t`No copper`],
            ]}
          />
        )}
      </div>
      <CheckField
        name="statesGrounds"
        label={t`Data sheet lists permitted surfaces`}
        hint={t`If not selected, general trade rules apply. If selected, any surface not selected below is not allowed.`}
      />
      {states && (
        <fieldset>
          <legend className="label-caps pb-1">{t`Permitted surfaces`}</legend>
          <div className="flex flex-wrap gap-x-5 gap-y-1">
            {[...choices(SUBSTRATE_WORDS), ...choices(FAMILY_WORDS)].map(([value, word]) => (
              <label key={value} className="flex cursor-pointer items-center gap-2 py-1">
                <input type="checkbox" className="checkbox" value={value} {...register('grounds')} />
                {word}
              </label>
            ))}
          </div>
        </fieldset>
      )}
    </section>
  );
}
