import { useWatch } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import type { FieldError, Station, StationInput } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { CheckField, Field, SelectField } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

interface StationValues {
  name: string;
  gives: StationInput['gives'];
  way: StationInput['way'];
  rainInterval: StationInput['rainInterval'];
  url: string;
  everyMin: string;
  privateNet: boolean;
}

const EMPTY: StationValues = {
  name: '',
  gives: 'measured',
  way: 'posts',
  rainInterval: 'before',
  url: '',
  everyMin: '30',
  privateNet: false,
};

/** A station in a few fields: what it gives, and whether it posts or is asked. */
export function StationForm({ rank, onSaved }: { rank: number; onSaved: (station: Station) => void }) {
  const { system } = useUnits();
  const submit = async (values: StationValues): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const asked = values.way === 'asked';
    const input: StationInput = {
      id: uuidv7(),
      name: values.name.trim(),
      gives: values.gives,
      way: values.way,
      url: asked ? values.url.trim() || null : null,
      everyMin: read.number('everyMin', t`Fetch interval`, values.everyMin),
      privateNet: asked && values.privateNet,
      on: true,
      rank,
      rainInterval: values.rainInterval,
    };
    const errors = await refusals(
      (c) => c.stationInput,
      input,
      read,
      (path) => path,
    );
    if (errors.length) return errors;
    onSaved(await api<Station>('POST', '/stations', input));
    return undefined;
  };
  return (
    <RecordForm<StationValues> values={EMPTY} submit={submit} button={t`Add station`}>
      <div className="grid gap-3 sm:grid-cols-2">
        <Field name="name" label={t`Name`} placeholder={t`Mast logger`} />
        <SelectField
          name="gives"
          label={t`Data`}
          choices={[
            ['measured', t`Measurements`],
            ['forecast', t`Forecast`],
          ]}
        />
        <SelectField
          name="way"
          label={t`Station type`}
          choices={[
            ['posts', t`Posts its readings`],
            ['asked', t`Address to poll`],
          ]}
        />
        <SelectField
          name="rainInterval"
          label={t`Rain interval`}
          choices={[
            ['before', t`Before each timestamp (usual)`],
            ['after', t`After each timestamp`],
          ]}
        />
      </div>
      <AskedFields />
    </RecordForm>
  );
}

function AskedFields() {
  const way = useWatch({ name: 'way' }) as StationInput['way'];
  if (way !== 'asked') return null;
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <Field name="url" label={t`Web address`} placeholder="https://…" />
      <Field name="everyMin" label={t`Fetch every, min`} inputMode="numeric" hint="5–1440" />
      <CheckField
        name="privateNet"
        label={t`On the yard’s own network`}
        hint={t`If off, addresses on this computer or its local network are rejected.`}
      />
    </div>
  );
}
