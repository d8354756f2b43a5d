import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { SCHOOLS, type SchoolId, schoolInForce, switchSchool } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { FormReader } from '../forms/canonical.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { schoolPlace, stepsFromSchool } from './schooled.ts';
import type { StackContext } from './stackContext.ts';
import { type StackValues, stackToValues, valuesToStack } from './stackForm.ts';

/** Where the trade disagrees: the way this stack goes, what it buys and costs, and the other way at a press. */
export function Schools({ context }: { context: StackContext }) {
  const { control } = useFormContext<StackValues>();
  const { replace } = useFieldArray({ control, name: 'steps', keyName: 'key' });
  const { system } = useUnits();
  const values = useWatch({ control }) as StackValues;
  const read = new FormReader(system);
  const { steps } = valuesToStack(values, 1, read);
  const place = schoolPlace(context);
  const open = SCHOOLS.map((school) => ({ school, ...schoolInForce(school.id, steps, place) })).filter(
    ({ applies }) => applies,
  );
  if (open.length === 0) return null;
  const take = (school: SchoolId, way: string) => {
    const next = stepsFromSchool(switchSchool(school, way, steps, place), steps);
    replace(stackToValues(next, system).steps);
  };
  const changes = (school: SchoolId, way: string) =>
    JSON.stringify(switchSchool(school, way, steps, place)) !== JSON.stringify(steps);
  const named = open.flatMap(({ school, way }) => school.ways.find(({ id }) => id === way)?.name ?? []);
  return (
    <details className="board p-3">
      <summary className="cursor-pointer">
        <strong>{t`Choice of method`}</strong>{' '}
        <span className="text-sm">{named.join(', ') || t`none chosen`}</span>
      </summary>
      <div className="space-y-4 pt-3">
        {open.map(({ school, way }) => (
          <fieldset key={school.id} className="space-y-1">
            <legend className="font-semibold">{school.question}</legend>
            <div className="flex flex-wrap gap-2">
              {school.ways.map(({ id, name }) => (
                <button
                  key={id}
                  type="button"
                  className={`btn btn-sm ${id === way ? 'btn-neutral' : ''}`}
                  aria-pressed={id === way}
                  disabled={read.errors.length > 0 || (id !== way && !changes(school.id, id))}
                  onClick={() => take(school.id, id)}
                >
                  {name}
                </button>
              ))}
            </div>
            {school.ways.map(({ id, name, buys, costs }) => (
              <p key={id} className={`text-sm ${id === way ? '' : 'opacity-80'}`}>
                <strong>{name}</strong>
                {t`, for it: ${buys}; against it: ${costs}.`}
              </p>
            ))}
          </fieldset>
        ))}
        <p className="text-sm">{t`Choosing an option changes the steps. Save the system to keep the change. Greyed-out options aren’t allowed by the data sheets, or need a coating type you have no data sheet for.`}</p>
      </div>
    </details>
  );
}
