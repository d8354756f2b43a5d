import { v7 as uuidv7 } from 'uuid';
import type { Entry, EntryInput, LoggedConditions } from '../../contract/index.ts';
import { fieldText, fromCanonical, shownUnit } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { logEntry } from '../api/logEntry.ts';
import { fromLocalField, toLocalField } from '../clock/say.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field, QuantityField, TextArea } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { TimeField } from '../forms/TimeField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

interface CorrectionValues {
  litres: string;
  areaM2: string;
  start: string;
  end: string;
  /** Measured at the boat; empty: worked out from the weather data of those hours. */
  airC: string;
  rh: string;
  surfaceC: string;
  by: string;
  note: string;
}

/** Air as it was measured at the boat; null: none was typed. Air and humidity go together. */
function typedAir({ airC, rh, surfaceC }: CorrectionValues, read: FormReader): LoggedConditions | null {
  const [air, humidity, surface] = [airC, rh, surfaceC].map((text) => text.trim());
  if (!air && !humidity && !surface) return null;
  if (!air) read.refuse('airC', t`air temperature: enter it with the humidity, or leave all three empty`);
  if (!humidity) read.refuse('rh', t`humidity: enter it with the air temperature, or leave all three empty`);
  if (!air || !humidity) return null;
  return {
    airC: read.quantity('airC', t`air temperature`, air, 'temperature'),
    rh: read.number('rh', t`relative humidity (%)`, humidity) / 100,
    surfaceC: surface ? read.quantity('surfaceC', t`surface temperature`, surface, 'temperature') : null,
    source: 'typed',
  };
}

/** Corrects a logged coat by a new entry that names the old one; the old one stays, struck through. */
export function CorrectCoat({
  entry,
  zone,
  onDone,
}: {
  entry: Extract<Entry, { kind: 'coat' }>;
  zone: string;
  onDone: () => void;
}) {
  const { system } = useUnits();
  const { body } = entry;
  const inUnit = (value: number, quantity: 'volume' | 'area') =>
    fieldText(fromCanonical(value, shownUnit(quantity, system)));
  const inTemp = (value: number) => fieldText(fromCanonical(value, shownUnit('temperature', system)));
  const typed = body.conditions?.source === 'typed' ? body.conditions : null;
  const submit = async (values: CorrectionValues) => {
    const read = new FormReader(system);
    const at = fromLocalField(values.start, zone);
    const endedAt = fromLocalField(values.end, zone);
    if (!at) read.refuse('start', t`Started must be a date and time`);
    if (!endedAt) read.refuse('end', t`Finished must be a date and time`);
    const { by: _, ...kept } = body;
    const conditions = typedAir(values, read);
    const input: EntryInput = {
      id: uuidv7(),
      areaId: entry.areaId,
      at: at ?? '',
      corrects: entry.id,
      kind: 'coat',
      body: {
        ...kept,
        ...(values.by.trim() !== '' && { by: values.by.trim() }),
        litres: read.quantity('litres', t`litres used`, values.litres, 'volume'),
        areaM2: read.quantity('areaM2', t`area covered`, values.areaM2, 'area'),
        endedAt: endedAt ?? '',
        conditions,
        note: values.note,
      },
    };
    const errors = await refusals(
      (c) => c.entryInput,
      input,
      read,
      (path) => path.replace(/^body\.(conditions\.)?/, ''),
    );
    if (errors.length) return errors;
    await logEntry(input);
    onDone();
    return undefined;
  };
  return (
    <RecordForm<CorrectionValues>
      values={{
        litres: inUnit(body.litres, 'volume'),
        areaM2: inUnit(body.areaM2, 'area'),
        start: toLocalField(Date.parse(entry.at), zone),
        end: toLocalField(Date.parse(body.endedAt), zone),
        airC: typed ? inTemp(typed.airC) : '',
        rh: typed ? String(Math.round(typed.rh * 100)) : '',
        surfaceC: typed?.surfaceC == null ? '' : inTemp(typed.surfaceC),
        by: body.by ?? '',
        note: body.note,
      }}
      submit={submit}
      button={t`Save correction`}
      beside={<button type="button" className="btn btn-ghost" onClick={onDone}>{t`Cancel`}</button>}
    >
      <div className="grid grid-cols-2 gap-3 md:grid-cols-4">
        <QuantityField name="litres" label={t`Paint used (without thinner)`} quantity="volume" />
        <QuantityField name="areaM2" label={t`Area covered`} quantity="area" />
        <TimeField name="start" label={t`Started`} />
        <TimeField name="end" label={t`Finished`} />
      </div>
      <div className="grid grid-cols-3 gap-3">
        <QuantityField name="airC" label={t`Air, if measured`} quantity="temperature" />
        <Field name="rh" label={t`Relative humidity`} unit="%" inputMode="decimal" />
        <QuantityField name="surfaceC" label={t`Surface`} quantity="temperature" />
      </div>
      <p className="text-sm">{t`Leave these empty to take the air of these hours from the weather data. The coat is judged again.`}</p>
      <div className="grid gap-3 md:grid-cols-[1fr_3fr]">
        <Field name="by" label={t`Applied by`} />
        <TextArea name="note" label={t`Note`} rows={1} />
      </div>
    </RecordForm>
  );
}
