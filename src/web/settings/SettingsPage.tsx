import { useState } from 'react';
import type { Yard } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { useYard } from '../api/queries.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { NoticeSettings } from './NoticeSettings.tsx';
import { PlaceFields } from './PlaceFields.tsx';

/** The yard's name, place and time zone, and how this device shows things. */
export function SettingsPage() {
  const yard = useYard();
  return (
    <div className="max-w-3xl space-y-8 p-3 md:p-6">
      <h1 className="text-2xl">{t`Settings`}</h1>
      <Display />
      <NoticeSettings />
      <QueryBoundary query={yard}>{(data) => <YardForm yard={data} />}</QueryBoundary>
      <section aria-labelledby="about" className="space-y-2">
        <h2 id="about" className="batten pb-1 text-lg">{t`About Jack Plane`}</h2>
        <a className="link" href="/licences.txt">{t`Licences of the software and fonts`}</a>
      </section>
    </div>
  );
}

function Display() {
  const { system, choose } = useUnits();
  const [theme, setTheme] = useState(document.documentElement.dataset.theme ?? 'loft');
  const chooseTheme = (next: string) => {
    localStorage.setItem('jack-plane.theme', next);
    document.documentElement.dataset.theme = next;
    setTheme(next);
  };
  return (
    <section aria-labelledby="display" className="space-y-4">
      <h2 id="display" className="batten pb-1 text-lg">{t`Display on this device`}</h2>
      <fieldset>
        <legend className="label-caps pb-1">{t`Units`}</legend>
        <div className="join join-vertical sm:join-horizontal">
          {(
            [
              ['metric', t`Metric: m², l, µm, °C`],
              ['us', t`US: ft², US gal, mil, °F`],
            ] as const
          ).map(([value, text]) => (
            <button
              key={value}
              type="button"
              className={`btn join-item ${system === value ? 'btn-neutral' : ''}`}
              aria-pressed={system === value}
              onClick={() => choose(value)}
            >
              {text}
            </button>
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="label-caps pb-1">{t`Theme`}</legend>
        <div className="join">
          {[
            ['loft', t`Bright`],
            ['shed', t`Dark`],
          ].map(([value, text]) => (
            <button
              key={value}
              type="button"
              className={`btn join-item ${theme === value ? 'btn-neutral' : ''}`}
              aria-pressed={theme === value}
              onClick={() => chooseTheme(value ?? 'loft')}
            >
              {text}
            </button>
          ))}
        </div>
      </fieldset>
    </section>
  );
}

interface YardValues {
  name: string;
  zone: string;
  latitude: string;
  longitude: string;
}

function YardForm({ yard }: { yard: Yard }) {
  const submit = async (values: YardValues, over: { version?: number }) => {
    const read = new FormReader('metric');
    const input = {
      name: values.name.trim(),
      zone: values.zone.trim(),
      latitude: read.number('latitude', 'latitude', values.latitude),
      longitude: read.number('longitude', 'longitude', values.longitude),
      version: over.version ?? yard.version,
    };
    const errors = await refusals((c) => c.yardInput, input, read);
    if (errors.length) return errors;
    await api<Yard>('PUT', '/yard', input);
    return undefined;
  };
  return (
    <section aria-labelledby="yard" className="space-y-4">
      <h2 id="yard" className="batten pb-1 text-lg">{t`Yard`}</h2>
      <RecordForm<YardValues>
        values={{
          name: yard.name,
          zone: yard.zone,
          latitude: String(yard.latitude),
          longitude: String(yard.longitude),
        }}
        base={yard}
        submit={submit}
        button={t`Save yard`}
      >
        <div className="grid gap-3 sm:grid-cols-2">
          <Field name="name" label={t`Name`} />
          <PlaceFields zone={yard.zone} />
        </div>
      </RecordForm>
    </section>
  );
}
