import { useFieldArray, useFormContext } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import type { FieldError, PlanSetup, PlanView } from '../../contract/index.ts';
import { MOST_PLANNED } from '../../contract/planLimits.ts';
import { BARE_STEEL_HOURS } from '../../core/inspect/index.ts';
import { PLAN_ASSUMES } from '../../core/plan/index.ts';
import { fromMinor } from '../../core/supply/index.ts';
import { SANDING_M2_PER_H } from '../../core/system/index.ts';
import { api } from '../api/client.ts';
import { fromLocalField, toLocalField } from '../clock/say.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { CheckField, Field, SelectField } from '../forms/Field.tsx';
import { minorOf } from '../forms/money.ts';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
const HALF_HOURS = Array.from({ length: 49 }, (_, i): [string, string] => [
  String(i / 2),
  `${String(Math.floor(i / 2)).padStart(2, '0')}:${i % 2 === 0 ? '00' : '30'}`,
]);

interface Values {
  people: {
    id: string;
    name: string;
    from: string;
    to: string;
    days: boolean[];
    away: { from: string; to: string }[];
  }[];
  launch: { from: string; to: string; days: boolean[] };
  boats: { boatId: string; boatName: string; isIn: boolean; wanted: string }[];
  late: string;
  tent: string;
  heat: string;
  overtime: string;
}

const ticked = (days: readonly boolean[]): number[] => days.flatMap((on, i) => (on ? [i + 1] : []));
const ticks = (days: readonly number[]): boolean[] => DAYS.map((_, i) => days.includes(i + 1));

/** Every boat with work left, in the plan or not. */
function boatValues({ boats, otherBoats }: PlanView, zone: string): Values['boats'] {
  return [
    ...boats.map(({ boatId, boatName, wanted }) => ({
      boatId,
      boatName,
      isIn: true,
      wanted: wanted ? toLocalField(Date.parse(wanted), zone) : '',
    })),
    ...otherBoats.map((boat) => ({ ...boat, isIn: false, wanted: '' })),
  ].sort((a, b) => a.boatName.localeCompare(b.boatName));
}

/** People and working hours, launching times, wanted dates and the cost of a late day. */
export function PlanSetupForm({ view, zone }: { view: PlanView; zone: string }) {
  const { system, show } = useUnits();
  const area = (m2: number) => show(m2, 'area');
  const { setup, currency } = view;
  const typed = (minor: number) => (minor > 0 ? String(fromMinor(minor, currency)) : '');
  const submit = async (values: Values, over: { version?: number }): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const timeOf = (name: string, label: string, text: string): string | null => {
      const at = fromLocalField(text, zone);
      if (at === null) read.refuse(name, `${label} must be a date and time`);
      return at;
    };
    const wantedOf = (boat: Values['boats'][number], i: number): string | null =>
      boat.wanted.trim() === '' ? null : timeOf(`boats.${i}.wanted`, 'launch wanted', boat.wanted);
    const boats = values.boats
      .map((boat, i) => ({ ...boat, at: wantedOf(boat, i) }))
      .filter(({ isIn }) => isIn);
    const body: PlanSetup = {
      people: values.people.map(({ id, name, from, to, days, away }, i) => ({
        id,
        name: name.trim(),
        days: ticked(days),
        fromHour: Number(from),
        toHour: Number(to),
        away: away.flatMap((time, k) => {
          const name = `people.${i}.away.${k}`;
          const gone = timeOf(`${name}.from`, 'away from', time.from);
          const back = timeOf(`${name}.to`, 'back at', time.to);
          return gone && back ? [{ from: gone, to: back }] : [];
        }),
      })),
      boats: boats.map(({ boatId, at }) => ({ boatId, wanted: at })),
      launchDays: ticked(values.launch.days),
      launchFromHour: Number(values.launch.from),
      launchToHour: Number(values.launch.to),
      latePerDay: minorOf(read, 'late', 'a day late', values.late, currency),
      tentCost: minorOf(read, 'tent', 'a tent', values.tent, currency),
      heatPerDay: minorOf(read, 'heat', 'a day of heat', values.heat, currency),
      overtimePerHour: minorOf(read, 'overtime', 'an hour of overtime', values.overtime, currency),
      extraWork: setup.extraWork,
      agreed: setup.agreed,
      pins: setup.pins,
      version: over.version ?? setup.version,
    };
    const errors = await refusals((c) => c.planSetup, body, read, pathInForm);
    if (errors.length) return errors;
    await api('PUT', '/plan/setup', body);
    return undefined;
  };
  return (
    <section aria-labelledby="setup" className="space-y-3 print:hidden">
      <h2 id="setup" className="batten pb-1 text-lg">
        People, hours and boats
      </h2>
      {view.isDefault && <p>The plan assumes one person, Monday to Friday, 08:00–17:00. Change it here.</p>}
      <RecordForm<Values>
        values={{
          people: setup.people.map(({ id, name, fromHour, toHour, days, away = [] }) => ({
            id,
            name,
            from: String(fromHour),
            to: String(toHour),
            days: ticks(days),
            away: away.map(({ from, to }) => ({
              from: toLocalField(Date.parse(from), zone),
              to: toLocalField(Date.parse(to), zone),
            })),
          })),
          launch: {
            from: String(setup.launchFromHour),
            to: String(setup.launchToHour),
            days: ticks(setup.launchDays),
          },
          boats: boatValues(view, zone),
          late: typed(setup.latePerDay),
          tent: typed(setup.tentCost),
          heat: typed(setup.heatPerDay),
          overtime: typed(setup.overtimePerHour),
        }}
        base={setup}
        submit={submit}
        button="Save and plan again"
      >
        <People />
        <fieldset className="space-y-2">
          <legend className="font-semibold">Launching</legend>
          <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
            <SelectField name="launch.from" label="Launch from" choices={HALF_HOURS} />
            <SelectField name="launch.to" label="Launch until" choices={HALF_HOURS} />
            <Field
              name="late"
              label="Cost of a day late"
              unit={currency}
              inputMode="decimal"
              hint="Optional"
            />
          </div>
          <Week name="launch.days" label="Days on which boats can be launched" />
        </fieldset>
        <fieldset className="space-y-2">
          <legend className="font-semibold">Prices of changes</legend>
          <p className="text-sm">
            Used to compare changes of the plan. A price left empty counts as nothing.
          </p>
          <div className="grid grid-cols-1 gap-3 sm:grid-cols-3">
            <Field name="tent" label="Tent, once" unit={currency} inputMode="decimal" hint="Optional" />
            <Field name="heat" label="Heat, a day" unit={currency} inputMode="decimal" hint="Optional" />
            <Field
              name="overtime"
              label="Overtime, an hour more"
              unit={currency}
              inputMode="decimal"
              hint="Optional. Added to the price of an hour"
            />
          </div>
        </fieldset>
        <Boats boats={boatValues(view, zone)} />
        <details>
          <summary className="target cursor-pointer py-2 font-semibold">Assumptions of the plan</summary>
          <ul className="list-disc space-y-1 pl-5">
            <li>
              {PLAN_ASSUMES.getReadyH} h to get ready for each coat and {PLAN_ASSUMES.cleanUpH} h to clean up.
              A spray gun takes {PLAN_ASSUMES.sprayMoreH} h more for each.
            </li>
            <li>
              Per hour: sanding {area(SANDING_M2_PER_H)}, washing {area(PLAN_ASSUMES.washM2PerH)}, blasting
              steel {area(PLAN_ASSUMES.prepareSteelM2PerH)}, other preparation{' '}
              {area(PLAN_ASSUMES.prepareM2PerH)}. An inspection takes {PLAN_ASSUMES.leastWorkH} h.
            </li>
            <li>
              Application at the usual pace of each method. Roll and tip takes two people; one person alone
              takes {PLAN_ASSUMES.aloneTimes} times as long.
            </li>
            <li>Blasted steel is primed within {BARE_STEEL_HOURS} h of the start of blasting.</li>
            <li>No sanding or scraping in the same air as a wet film. Boats in the shed share the air.</li>
            <li>Not planned yet: masking, moving supports, deliveries and tides.</li>
          </ul>
        </details>
      </RecordForm>
    </section>
  );
}

/** Where the form has a field of the record. */
const pathInForm = (path: string): string =>
  path
    .replace(/^people\.(\d+)$/, 'people.$1.name')
    .replace(/^people\.(\d+)\.fromHour$/, 'people.$1.from')
    .replace(/^people\.(\d+)\.toHour$/, 'people.$1.to')
    .replace(/^people\.(\d+)\.away\.(\d+)$/, 'people.$1.away.$2.to')
    .replace(/^people\.(\d+)\.days.*$/, 'people.$1.days.0')
    .replace(/^launchFromHour$/, 'launch.from')
    .replace(/^launchToHour$/, 'launch.to')
    .replace(/^launchDays.*$/, 'launch.days.0')
    .replace(/^latePerDay$/, 'late')
    .replace(/^tentCost$/, 'tent')
    .replace(/^heatPerDay$/, 'heat')
    .replace(/^overtimePerHour$/, 'overtime');

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
  const { control } = useFormContext<Values>();
  const { fields, append, remove } = useFieldArray({ control, name: 'people', keyName: 'key' });
  return (
    <fieldset className="space-y-3">
      <legend className="font-semibold">People</legend>
      {fields.map((field, i) => (
        <div key={field.key} className="border-line space-y-2 border-b pb-3">
          <div className="grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
            <Field name={`people.${i}.name`} label="Name" />
            <SelectField name={`people.${i}.from`} label="Works from" choices={HALF_HOURS} />
            <SelectField name={`people.${i}.to`} label="Works until" choices={HALF_HOURS} />
            {fields.length > 1 && (
              <button type="button" className="btn target self-end" onClick={() => remove(i)}>
                Remove person
              </button>
            )}
          </div>
          <Week name={`people.${i}.days`} label="Working days" />
          <Away person={i} />
        </div>
      ))}
      {fields.length < MOST_PLANNED.people && (
        <button
          type="button"
          className="btn target"
          onClick={() =>
            append({ id: uuidv7(), name: '', from: '8', to: '17', days: ticks([1, 2, 3, 4, 5]), away: [] })
          }
        >
          Add person
        </button>
      )}
    </fieldset>
  );
}

/** Illness and holidays of one person. */
function Away({ person }: { person: number }) {
  const { control } = useFormContext<Values>();
  const name = `people.${person}.away` as const;
  const { fields, append, remove } = useFieldArray({ control, name, keyName: 'key' });
  return (
    <div className="space-y-2">
      {fields.map((field, i) => (
        <div key={field.key} className="grid grid-cols-1 items-start gap-3 sm:grid-cols-3">
          <Field name={`${name}.${i}.from`} label="Away from" type="datetime-local" />
          <Field name={`${name}.${i}.to`} label="Back at" type="datetime-local" />
          <button type="button" className="btn target self-end" onClick={() => remove(i)}>
            Remove time away
          </button>
        </div>
      ))}
      {fields.length < MOST_PLANNED.away && (
        <button type="button" className="link target text-sm" onClick={() => append({ from: '', to: '' })}>
          Add illness or holiday
        </button>
      )}
    </div>
  );
}

function Boats({ boats }: { boats: Values['boats'] }) {
  if (boats.length === 0) return null;
  return (
    <fieldset className="space-y-2">
      <legend className="font-semibold">Boats</legend>
      {boats.map(({ boatId, boatName }, i) => (
        <div key={boatId} className="grid grid-cols-1 items-end gap-3 sm:grid-cols-2">
          <CheckField name={`boats.${i}.isIn`} label={`Plan ${boatName}`} />
          <Field
            name={`boats.${i}.wanted`}
            label={`${boatName} wanted afloat by`}
            type="datetime-local"
            hint="Optional"
          />
        </div>
      ))}
    </fieldset>
  );
}
