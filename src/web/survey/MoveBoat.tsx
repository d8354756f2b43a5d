import { useState } from 'react';
import type { FieldError } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { useYard } from '../api/queries.ts';
import { fromLocalField, toLocalField } from '../clock/say.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { RecordForm } from '../forms/RecordForm.tsx';
import { TimeField } from '../forms/TimeField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { type AreaValues, valuesToShelter } from './areaForm.ts';
import { ShelterField } from './ShelterFields.tsx';

interface MoveValues {
  surroundings: AreaValues['surroundings'];
  since: string;
}

/** The whole boat stands elsewhere since a time: out of the shed, under a tent. Films applied before keep the temperatures they had. */
export function MoveBoat(of: { boatId: string; onDone: () => void }) {
  // Without the yard’s zone the time of the move would be of another hour.
  const zone = useYard().data?.zone;
  return zone === undefined ? null : <MoveForm {...of} zone={zone} />;
}

function MoveForm({ boatId, onDone, zone }: { boatId: string; onDone: () => void; zone: string }) {
  const { system } = useUnits();
  const [now] = useState(() => toLocalField(Date.now(), zone));
  const submit = async (values: MoveValues): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const at = fromLocalField(values.since, zone);
    if (at === null) read.refuse('since', t`Since must be a date and time`);
    const body = {
      at: at ?? new Date().toISOString(),
      surroundings: valuesToShelter(values.surroundings, read),
    };
    const errors = await refusals(
      (c) => c.shelterMove,
      body,
      read,
      (path) => (path === 'at' ? 'since' : path),
    );
    if (errors.length) return errors;
    await api('POST', `/boats/${boatId}/shelter`, body);
    onDone();
    return undefined;
  };
  return (
    <RecordForm<MoveValues>
      values={{ surroundings: { kind: 'open', setPointC: '' }, since: now }}
      submit={submit}
      button={t`Save for all areas`}
      beside={<button type="button" className="btn btn-ghost" onClick={onDone}>{t`Cancel`}</button>}
    >
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        <ShelterField />
        <TimeField
          name="since"
          label={t`Since`}
          hint={t`For all areas, inside too. Films applied earlier keep the temperatures of the earlier shelter.`}
        />
      </div>
    </RecordForm>
  );
}
