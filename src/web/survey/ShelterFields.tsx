import { useEffect } from 'react';
import { useController, useFormContext, useWatch } from 'react-hook-form';
import { t } from '../../words.ts';
import { sayTime, toLocalField } from '../clock/say.ts';
import { QuantityField, SelectField } from '../forms/Field.tsx';
import { TimeField } from '../forms/TimeField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { choices, SURROUNDING_WORDS, sayShelter } from '../words/survey.ts';
import { type AreaValues, shelterChanged } from './areaForm.ts';

/** Where an area stands; of one that stood elsewhere since when, so that coats applied before keep the temperatures they had. */
export function ShelterFields({ zone, saved }: { zone: string; saved: AreaValues['surroundings'] | null }) {
  const { control, setValue } = useFormContext<AreaValues>();
  const surroundings = useWatch({ control, name: 'surroundings' });
  const changed = saved !== null && shelterChanged(saved, surroundings);
  useEffect(() => {
    setValue('since', changed ? toLocalField(Date.now(), zone) : '');
  }, [changed, zone, setValue]);
  return (
    <>
      <ShelterField />
      {changed && (
        <TimeField
          name="since"
          label={t`Since`}
          hint={t`Films applied earlier keep the temperatures of the earlier shelter. Leave this empty if the earlier entry was wrong.`}
        />
      )}
      <Earlier zone={zone} />
    </>
  );
}

/** The shelter, and of a heated one its temperature. */
export function ShelterField() {
  const { control } = useFormContext<Pick<AreaValues, 'surroundings'>>();
  const kind = useWatch({ control, name: 'surroundings.kind' });
  return (
    <>
      <SelectField name="surroundings.kind" label={t`Shelter`} choices={choices(SURROUNDING_WORDS)} />
      {kind === 'heated' && (
        <QuantityField
          name="surroundings.setPointC"
          label={t`Surface temperature (heated)`}
          quantity="temperature"
        />
      )}
    </>
  );
}

/** Where it stood before, the latest first. */
function Earlier({ zone }: { zone: string }) {
  const { show } = useUnits();
  const { field } = useController<AreaValues, 'earlierShelters'>({ name: 'earlierShelters' });
  if (field.value.length === 0) return null;
  const now = Date.now();
  return (
    <div className="text-sm sm:col-span-2">
      <p className="font-semibold">{t`Earlier shelters`}</p>
      <ul>
        {field.value.toReversed().map(({ surroundings, until }) => {
          const text = t`${sayShelter(surroundings, show)}, until ${sayTime(until, zone, now)}`;
          return (
            <li key={until} className="flex flex-wrap items-center gap-x-3">
              {text}
              <button
                type="button"
                className="link target"
                aria-label={t`Remove earlier shelter: ${text}`}
                onClick={() => field.onChange(field.value.filter((each) => each.until !== until))}
              >{t`Remove`}</button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
