import { useFormContext, useWatch } from 'react-hook-form';
import { QuantityError } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { FormReader } from '../forms/canonical.ts';
import { Field, QuantityField, SelectField, TextArea } from '../forms/Field.tsx';
import { DIMENSION_WORDS } from '../parts/dimensions.ts';
import { BoatDrawing } from '../parts/drawing/BoatDrawing.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { choices, KIND_WORDS } from '../words/survey.ts';
import { type BoatValues, valuesToBoat } from './boatForm.ts';
import { HeadingField } from './HeadingField.tsx';

/** Name, kind and main dimensions, with the boat drawn from them as they are typed. */
export function BoatFields() {
  const { control } = useFormContext<BoatValues>();
  const kind = useWatch({ control, name: 'kind' });
  return (
    <>
      <div className="grid gap-4 sm:grid-cols-2">
        <Field name="name" label={t`Name`} autoFocus />
        <SelectField name="kind" label={t`Boat type`} choices={choices(KIND_WORDS)} />
      </div>
      {kind === 'parts' ? (
        <p className="opacity-80">{t`Parts are measured area by area, so no main dimensions are needed.`}</p>
      ) : (
        <>
          <div className="grid grid-cols-2 gap-4 sm:grid-cols-3 lg:grid-cols-5">
            {choices(DIMENSION_WORDS).map(([key, word]) => (
              <QuantityField key={key} name={`dimensions.${key}`} label={word} quantity="length" />
            ))}
          </div>
          <DrawnAsTyped />
          <HeadingField />
        </>
      )}
      <TextArea name="note" label={t`Note`} />
    </>
  );
}

function DrawnAsTyped() {
  const { control } = useFormContext<BoatValues>();
  const values = useWatch({ control }) as BoatValues;
  const { system } = useUnits();
  const read = new FormReader(system);
  const boat = valuesToBoat(values, '', read);
  const drawn = read.errors.length === 0 ? tryDraw(boat) : null;
  return (
    <div className="board">
      {drawn ?? (
        <p className="p-4 opacity-80">{t`Enter all five dimensions to see a drawing. You can add them later; hand measurements work without them.`}</p>
      )}
    </div>
  );
}

function tryDraw(boat: ReturnType<typeof valuesToBoat>) {
  const { dimensions } = boat;
  const sensible =
    dimensions !== null &&
    Object.values(dimensions).every((m) => m > 0 && m < 120) &&
    dimensions.lwlM <= dimensions.loaM;
  if (!sensible) return null;
  try {
    return <BoatDrawing boat={boat} areas={[]} detailed />;
  } catch (error) {
    if (error instanceof QuantityError) return null;
    throw error;
  }
}
