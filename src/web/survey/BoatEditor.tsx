import type { Boat } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { BoatCalendar } from './BoatCalendar.tsx';
import { BoatFields } from './BoatFields.tsx';
import { type BoatValues, boatToValues, valuesToBoat } from './boatForm.ts';

/** Changes a boat's name, kind and dimensions, or takes her off the board. */
export function BoatEditor({
  boat,
  onDone,
  onRemove,
}: {
  boat: Boat;
  onDone: () => void;
  onRemove: () => void;
}) {
  const { system } = useUnits();
  const submit = async (values: BoatValues, over: { version?: number }) => {
    const read = new FormReader(system);
    const input = { ...valuesToBoat(values, boat.id, read), version: over.version ?? boat.version };
    const errors = await refusals((c) => c.boatUpdate, input, read);
    if (errors.length) return errors;
    await api<Boat>('PUT', `/boats/${boat.id}`, input);
    return undefined;
  };
  return (
    <>
      <RecordForm<BoatValues>
        values={boatToValues(boat, system)}
        submit={submit}
        onSaved={onDone}
        base={boat}
        fieldWords={{ dimensions: t`the dimensions`, name: t`the name`, note: t`the note` }}
        button={t`Save boat`}
        beside={
          <>
            <button type="button" className="btn btn-ghost" onClick={onDone}>{t`Cancel`}</button>
            <button
              type="button"
              className="btn btn-ghost ml-auto"
              onClick={onRemove}
            >{t`Archive boat`}</button>
          </>
        }
      >
        <BoatFields />
      </RecordForm>
      <BoatCalendar boatId={boat.id} boatName={boat.name} />
    </>
  );
}
