import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { Boat } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useMounted } from '../state/useMounted.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { BoatFields } from './BoatFields.tsx';
import { type BoatValues, EMPTY_BOAT, valuesToBoat } from './boatForm.ts';

/** A new boat: from here to its survey. */
export function NewBoatPage() {
  const { system } = useUnits();
  const navigate = useNavigate();
  const mounted = useMounted();
  const id = useRef(uuidv7());
  const submit = async (values: BoatValues) => {
    const read = new FormReader(system);
    const input = valuesToBoat(values, id.current, read);
    const errors = await refusals((c) => c.boatInput, input, read);
    if (errors.length) return errors;
    await api<Boat>('POST', '/boats', input);
    if (mounted()) await navigate(`/boats/${id.current}/survey`);
    return undefined;
  };
  return (
    <div className="max-w-5xl space-y-4 p-3 md:p-6">
      <h1 className="text-2xl">{t`New boat`}</h1>
      <RecordForm<BoatValues> values={EMPTY_BOAT} submit={submit} button={t`Add boat`}>
        <BoatFields />
      </RecordForm>
    </div>
  );
}
