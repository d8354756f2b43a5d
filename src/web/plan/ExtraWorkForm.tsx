import { v7 as uuidv7 } from 'uuid';
import type { ExtraWork, FieldError, PlanSetup, PlanView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { CheckField, Field, SelectField } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { useSetupWrite } from './planWrite.ts';

interface Values {
  areaId: string;
  kind: string;
  note: string;
  hours: string;
  dusty: boolean;
}

/** Areas of the plan that still get a coat: work can come before it. */
const areasOf = ({ tasks }: PlanView): [string, string][] => [
  ...new Map(
    tasks.flatMap(({ kind, areaId, areaName, boatName }) =>
      kind === 'coat' && areaId ? [[areaId, `${areaName}, ${boatName}`] as const] : [],
    ),
  ),
];

/** Work that the record does not know of, before the next coat of an area: rust that was found, a repair, a wait. */
export function ExtraWorkForm({ view }: { view: PlanView }) {
  const { system } = useUnits();
  const { setup } = view;
  const { isPending, change } = useSetupWrite(view);
  const areas = areasOf(view);
  const nameOf = new Map(areas);
  const submit = async (values: Values, over: { version?: number }): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const work: ExtraWork = {
      id: uuidv7(),
      areaId: values.areaId,
      note: values.note.trim(),
      hours: read.number('hours', t`time it takes`, values.hours),
      kind: values.kind as ExtraWork['kind'],
      dusty: values.dusty,
    };
    const body: PlanSetup = {
      ...setup,
      extraWork: [...setup.extraWork, work],
      version: over.version ?? setup.version,
    };
    const inForm = (path: string) =>
      path.replace(new RegExp(`^extraWork\\.${setup.extraWork.length}\\.`), '');
    const errors = await refusals((c) => c.planSetup, body, read, inForm);
    if (errors.length) return errors;
    await api('PUT', '/plan/setup', body);
    return undefined;
  };
  if (areas.length === 0 && setup.extraWork.length === 0) return null;
  return (
    <section aria-labelledby="extra" className="space-y-3 print:hidden">
      <h2 id="extra" className="batten pb-1 text-lg">{t`Extra work`}</h2>
      <p>{t`Rust found, or a repair to make? Add it here. It is planned before the area’s next coat.`}</p>
      {setup.extraWork.length > 0 && (
        <ul>
          {setup.extraWork.map(({ id, areaId, note, hours, kind }) => (
            <li key={id} className="border-line flex flex-wrap items-center gap-3 border-b py-1">
              <span className="grow">
                <strong>{note}</strong>,{' '}
                {nameOf.get(areaId) ?? t`not planned, because its area has no coat in the plan`}:{' '}
                {kind === 'wait' ? 'wait ' : ''}
                {hours} h
              </span>
              <button
                type="button"
                className="btn btn-sm"
                disabled={isPending}
                aria-label={t`Done or not needed: ${note}`}
                onClick={() => change({ extraWork: setup.extraWork.filter((each) => each.id !== id) })}
              >{t`Done or not needed`}</button>
            </li>
          ))}
        </ul>
      )}
      {areas.length > 0 && (
        <RecordForm<Values>
          values={{ areaId: areas[0]?.[0] ?? '', kind: 'work', note: '', hours: '', dusty: true }}
          base={setup}
          submit={submit}
          button={t`Add work`}
        >
          <div className="grid grid-cols-1 gap-3 sm:grid-cols-4">
            <SelectField name="areaId" label={t`Area`} choices={areas} />
            <SelectField
              name="kind"
              label={t`Kind`}
              choices={[
                ['work', t`Work for one person`],
                ['wait', t`Wait, after the work before it`],
              ]}
            />
            <Field name="note" label={t`What to do`} />
            <Field name="hours" label={t`Time it takes`} unit="h" inputMode="decimal" />
          </div>
          <CheckField name="dusty" label={t`Makes dust or splashes: not beside a wet film`} />
        </RecordForm>
      )}
    </section>
  );
}
