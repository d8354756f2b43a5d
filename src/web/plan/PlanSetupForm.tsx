import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import type { FieldError, PlanView } from '../../contract/index.ts';
import { MOST_PLANNED } from '../../contract/planLimits.ts';
import { BARE_STEEL_HOURS } from '../../core/inspect/index.ts';
import { PLAN_ASSUMES } from '../../core/plan/index.ts';
import { SANDING_M2_PER_H } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { CheckField, Field, QuantityField, SelectField } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { TimeField } from '../forms/TimeField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { SURROUNDING_WORDS } from '../words/survey.ts';
import { boatValues, DAYS, type SetupValues, setupToValues, ticks, valuesToSetup } from './setupValues.ts';

const SURROUNDINGS = Object.entries(SURROUNDING_WORDS);
const HALF_HOURS = Array.from({ length: 49 }, (_, i): [string, string] => [
  String(i / 2),
  `${String(Math.floor(i / 2)).padStart(2, '0')}:${i % 2 === 0 ? '00' : '30'}`,
]);

/** People and working hours, launching times, wanted dates and the cost of a late day. */
export function PlanSetupForm({ view, zone }: { view: PlanView; zone: string }) {
  const { system, show } = useUnits();
  const area = (m2: number) => show(m2, 'area');
  const { setup, currency } = view;
  const submit = async (
    values: SetupValues,
    over: { version?: number },
  ): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const version = over.version ?? setup.version;
    const { body, pathInForm } = valuesToSetup(values, view, { zone, version, read });
    const errors = await refusals((c) => c.planSetup, body, read, pathInForm);
    if (errors.length) return errors;
    await api('PUT', '/plan/setup', body);
    return undefined;
  };
  return (
    <section aria-labelledby="setup" className="space-y-3 print:hidden">
      <h2 id="setup" className="batten pb-1 text-lg">{t`People, hours and boats`}</h2>
      {view.isDefault && (
        <p>{t`The plan assumes one person, Monday to Friday, 08:00–17:00. Change it here.`}</p>
      )}
      <RecordForm<SetupValues>
        values={setupToValues(view, zone, system)}
        base={setup}
        submit={submit}
        button={t`Save and plan again`}
      >
        <People />
        <fieldset className="space-y-2">
          <legend className="font-semibold">{t`Launching`}</legend>
          <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
            <SelectField name="launch.from" label={t`Launch from`} choices={HALF_HOURS} />
            <SelectField name="launch.to" label={t`Launch until`} choices={HALF_HOURS} />
            <Field
              name="late"
              label={t`Cost of a day late`}
              unit={currency}
              inputMode="decimal"
              hint={t`Optional`}
            />
          </div>
          <Week name="launch.days" label={t`Days on which boats can be launched`} />
          <Stretches name="launch.stops" most={MOST_PLANNED.launchStops} words={NO_LAUNCHING} />
        </fieldset>
        <fieldset className="space-y-2">
          <legend className="font-semibold">{t`Prices of changes`}</legend>
          <p className="text-sm">{t`Used to compare changes of the plan. A price left empty counts as nothing.`}</p>
          <div className="grid grid-cols-1 gap-3 sm:grid-cols-3">
            <Field name="tent" label={t`Tent, once`} unit={currency} inputMode="decimal" hint={t`Optional`} />
            <Field
              name="heat"
              label={t`Heat, a day`}
              unit={currency}
              inputMode="decimal"
              hint={t`Optional`}
            />
            <Field
              name="overtime"
              label={t`Overtime, an hour more`}
              unit={currency}
              inputMode="decimal"
              hint={t`Optional. Added to the price of an hour`}
            />
          </div>
        </fieldset>
        <Boats boats={boatValues(view, zone, system)} />
        <details>
          <summary className="target cursor-pointer py-2 font-semibold">{t`Assumptions of the plan`}</summary>
          <ul className="list-disc space-y-1 pl-5">
            <li>
              {t`${PLAN_ASSUMES.getReadyH} h to get ready for each coat and ${PLAN_ASSUMES.cleanUpH} h to clean up. A spray gun takes ${PLAN_ASSUMES.sprayMoreH} h more for each.`}
            </li>
            <li>{t`Per hour: sanding ${area(SANDING_M2_PER_H)}, washing or sweeping up aggregate ${area(PLAN_ASSUMES.washM2PerH)}, blasting steel ${area(PLAN_ASSUMES.prepareSteelM2PerH)}, other preparation ${area(PLAN_ASSUMES.prepareM2PerH)}. An inspection takes ${PLAN_ASSUMES.leastWorkH} h.`}</li>
            <li>{t`Application at the typical rate of each method, or at yours if you set one under Settings. Roll and tip takes two people; one person alone takes ${PLAN_ASSUMES.aloneTimes} times as long.`}</li>
            <li>{t`Blasted steel is primed within ${BARE_STEEL_HOURS} h of the start of blasting.`}</li>
            <li>{t`No sanding or scraping in the same air as a wet film. Boats in the shed share the air.`}</li>
            <li>{t`A boat changes its place only when its coats are safe from dew and rain.`}</li>
            <li>{t`An area under a support is painted from noon of the day on which the support is moved. Check that the films beside it can carry the pads.`}</li>
            <li>{t`Paint on order is used from the day after its delivery is due. Other missing paint is assumed to arrive in time.`}</li>
            <li>{t`Masking: ${PLAN_ASSUMES.maskMPerH} m of edge per hour, for as many coats as fit at one a day before the tape is too old. Less than ${PLAN_ASSUMES.leastMaskH} h is part of getting ready, and pulling the tape is part of cleaning up. Once the tape is on, tick it in the work of the day or at the bench.`}</li>
            <li>{t`Not planned yet: tides.`}</li>
          </ul>
        </details>
      </RecordForm>
    </section>
  );
}

function Week({ name, label }: { name: string; label: string }) {
  return (
    <fieldset>
      <legend className="label-caps pb-1">{label}</legend>
      <div className="flex flex-wrap gap-x-5">
        {DAYS.map((day, i) => (
          <CheckField key={day} name={`${name}.${i}`} label={day} />
        ))}
      </div>
    </fieldset>
  );
}

function People() {
  const { control } = useFormContext<SetupValues>();
  const { fields, append, remove } = useFieldArray({ control, name: 'people', keyName: 'key' });
  return (
    <fieldset className="space-y-3">
      <legend className="font-semibold">{t`People`}</legend>
      {fields.map((field, i) => (
        <div key={field.key} className="border-line space-y-2 border-b pb-3">
          <div className="grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
            <Field name={`people.${i}.name`} label={t`Name`} />
            <SelectField name={`people.${i}.from`} label={t`Works from`} choices={HALF_HOURS} />
            <SelectField name={`people.${i}.to`} label={t`Works until`} choices={HALF_HOURS} />
            {fields.length > 1 && (
              <button
                type="button"
                className="btn target self-end"
                onClick={() => remove(i)}
              >{t`Remove person`}</button>
            )}
          </div>
          <Week name={`people.${i}.days`} label={t`Working days`} />
          <Stretches name={`people.${i}.away`} most={MOST_PLANNED.away} words={AWAY} />
        </div>
      ))}
      {fields.length < MOST_PLANNED.people && (
        <button
          type="button"
          className="btn target"
          onClick={() =>
            append({ id: uuidv7(), name: '', from: '8', to: '17', days: ticks([1, 2, 3, 4, 5]), away: [] })
          }
        >{t`Add person`}</button>
      )}
    </fieldset>
  );
}

/** Stretches of time one below the other, with a way to add and remove each. */
function Stretches({
  name,
  most,
  words,
}: {
  name: `people.${number}.away` | 'launch.stops';
  most: number;
  words: { from: string; to: string; add: string; remove: string };
}) {
  const { control } = useFormContext<SetupValues>();
  const { fields, append, remove } = useFieldArray({ control, name, keyName: 'key' });
  return (
    <div className="space-y-2">
      {fields.map((field, i) => (
        <div key={field.key} className="grid grid-cols-1 items-start gap-3 sm:grid-cols-3">
          <TimeField name={`${name}.${i}.from`} label={words.from} />
          <TimeField name={`${name}.${i}.to`} label={words.to} />
          <button type="button" className="btn target self-end" onClick={() => remove(i)}>
            {words.remove}
          </button>
        </div>
      ))}
      {fields.length < most && (
        <button type="button" className="link target text-sm" onClick={() => append({ from: '', to: '' })}>
          {words.add}
        </button>
      )}
    </div>
  );
}

const AWAY = {
  from: t`Away from`,
  to: t`Back at`,
  add: t`Add illness or holiday`,
  remove: t`Remove time away`,
};
const NO_LAUNCHING = {
  from: t`No launching from`,
  to: t`No launching until`,
  add: t`Add a time without launching (crane out of service, low tides)`,
  remove: t`Remove time without launching`,
};

function Boats({ boats }: { boats: SetupValues['boats'] }) {
  if (boats.length === 0) return null;
  return (
    <fieldset className="space-y-2">
      <legend className="font-semibold">{t`Boats`}</legend>
      <div className="grid grid-cols-1 gap-3 sm:grid-cols-3">
        <Field
          name="shedPlaces"
          label={t`Boats that fit in the shed`}
          inputMode="numeric"
          hint={t`Optional. More boats than this are pointed out.`}
        />
      </div>
      {boats.map(({ boatId, boatName }, i) => (
        <div key={boatId} className="border-line space-y-2 border-b pb-3">
          <div className="grid grid-cols-1 items-end gap-3 sm:grid-cols-2">
            <CheckField name={`boats.${i}.isIn`} label={t`Plan ${boatName}`} />
            <TimeField
              name={`boats.${i}.wanted`}
              label={t`${boatName} wanted afloat by`}
              hint={t`Optional`}
            />
          </div>
          <Places boat={i} boatName={boatName} />
        </div>
      ))}
    </fieldset>
  );
}

/** Where a boat stands from a date on: out of the shed, under a tent. */
function Places({ boat, boatName }: { boat: number; boatName: string }) {
  const { control } = useFormContext<SetupValues>();
  const name = `boats.${boat}.places` as const;
  const { fields, append, remove } = useFieldArray({ control, name, keyName: 'key' });
  const all = useWatch({ control, name: 'boats' });
  const kinds = useWatch({ control, name });
  const count = all.reduce((sum, { places }) => sum + places.length, 0);
  return (
    <div className="space-y-2">
      {fields.map((field, i) => (
        <div key={field.key} className="grid grid-cols-1 items-start gap-3 sm:grid-cols-4">
          <TimeField name={`${name}.${i}.at`} label={t`From`} />
          <SelectField name={`${name}.${i}.kind`} label={t`Where it stands`} choices={SURROUNDINGS} />
          {kinds[i]?.kind === 'heated' && (
            <QuantityField
              name={`${name}.${i}.setPoint`}
              label={t`Surface temperature (heated)`}
              quantity="temperature"
            />
          )}
          <button
            type="button"
            className="btn target self-end"
            onClick={() => remove(i)}
          >{t`Remove change of place`}</button>
        </div>
      ))}
      {count < MOST_PLANNED.placeChanges && (
        <button
          type="button"
          className="link target text-sm"
          onClick={() => append({ at: '', kind: 'open', setPoint: '' })}
        >
          {t`Add a change of place for ${boatName}`}
        </button>
      )}
    </div>
  );
}
