import { useRef } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import type { Area, FieldError, Stand, StandInput } from '../../contract/index.ts';
import { fieldText, fromCanonical, shownUnit, type UnitSystem } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field, QuantityField, SelectField, TextArea } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useConfirm } from '../parts/Confirm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { STAND_SIDES, STAND_WORDS } from '../words/supports.ts';
import { choices } from '../words/survey.ts';

interface StandValues {
  name: string;
  kind: StandInput['kind'];
  side: StandInput['side'];
  xM: string;
  zM: string;
  lengthM: string;
  widthM: string;
  shiftOn: string;
  note: string;
  /** Areas whose patches it hides, by id. */
  hides: Record<string, boolean>;
}

function toValues(stand: Stand | null, name: string, system: UnitSystem): StandValues {
  const length = (m: number) => fieldText(fromCanonical(m, shownUnit('length', system)));
  return {
    name: stand?.name ?? name,
    kind: stand?.kind ?? 'stand',
    side: stand?.side ?? 'port',
    xM: stand ? length(stand.xM) : '',
    zM: stand ? length(stand.zM) : length(-0.4),
    lengthM: length(stand?.lengthM ?? 0.3),
    widthM: length(stand?.widthM ?? 0.3),
    shiftOn: stand?.shiftOn ?? '',
    note: stand?.note ?? '',
    hides: {},
  };
}

/** A stand: where it bears, how large its pad is, when the yard shifts it, and what it hides. */
export function StandForm({
  boatId,
  stand,
  name,
  areas,
  onDone,
}: {
  boatId: string;
  stand: Stand | null;
  /** Suggested for a new one. */
  name: string;
  areas: readonly Area[];
  onDone: () => void;
}) {
  const { system } = useUnits();
  const confirm = useConfirm();
  const id = useRef(stand?.id ?? uuidv7());
  const submit = async (
    values: StandValues,
    over: { version?: number },
  ): Promise<FieldError[] | 'not sent' | undefined> => {
    const read = new FormReader(system);
    const length = (key: 'xM' | 'zM' | 'lengthM' | 'widthM', word: string) =>
      read.quantity(key, word, values[key], 'length');
    const input: StandInput = {
      id: id.current,
      boatId,
      name: values.name.trim(),
      kind: values.kind,
      side: values.side,
      xM: length('xM', t`Distance from aft`),
      zM: length('zM', t`height above the waterline`),
      lengthM: length('lengthM', t`length of the pad`),
      widthM: length('widthM', t`width of the pad`),
      shiftOn: values.shiftOn || null,
      note: values.note,
    };
    if (stand) {
      const update = { ...input, version: over.version ?? stand.version };
      const errors = await refusals((c) => c.standUpdate, update, read);
      if (errors.length) return errors;
      await api<Stand>('PUT', `/stands/${id.current}`, update);
    } else {
      const errors = await refusals((c) => c.standInput, input, read);
      if (errors.length) return errors;
      const hidden = areas.filter((area) => values.hides[area.id]);
      const sure =
        hidden.length > 0 ||
        areas.length === 0 ||
        (await confirm({
          title: t`${input.name || t`This support`} hides nothing?`,
          text: t`No area is ticked. Paint under its pad is then neither planned nor bought, and nobody is reminded to go back to it.`,
          action: t`It hides nothing`,
          back: t`Tick the areas`,
        }));
      if (!sure) return 'not sent';
      await api<Stand>('POST', '/stands', {
        stand: input,
        patches: hidden.map((area) => ({ id: uuidv7(), areaId: area.id })),
      });
      onDone();
    }
    return undefined;
  };
  return (
    <RecordForm<StandValues>
      values={toValues(stand, name, system)}
      submit={submit}
      {...(stand && { onSaved: onDone })}
      base={stand}
      button={stand ? t`Save support` : t`Add support`}
      beside={<button type="button" className="btn btn-ghost" onClick={onDone}>{t`Cancel`}</button>}
    >
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <Field name="name" label={t`Name`} />
        <SelectField name="kind" label={t`Type`} choices={choices(STAND_WORDS)} />
        <SelectField name="side" label={t`Side`} choices={choices(STAND_SIDES)} />
        <ShiftDay />
        <QuantityField name="xM" label={t`Distance from aft`} quantity="length" />
        <QuantityField
          name="zM"
          label={t`Height above the waterline`}
          quantity="length"
          hint={t`Use a minus sign below the waterline.`}
        />
        <QuantityField name="lengthM" label={t`Pad length (fore and aft)`} quantity="length" />
        <QuantityField name="widthM" label={t`Pad height`} quantity="length" />
      </div>
      {!stand && <Hides areas={areas} />}
      <TextArea name="note" label={t`Note`} rows={1} />
    </RecordForm>
  );
}

function ShiftDay() {
  const { register } = useFormContext<StandValues>();
  return (
    <label className="min-w-0">
      <span className="label-caps block pb-1">{t`Planned move date`}</span>
      <input type="date" className="input w-full" {...register('shiftOn')} />
    </label>
  );
}

/** The areas it hides a patch of: those of its side first offered. */
function Hides({ areas }: { areas: readonly Area[] }) {
  const { register, control } = useFormContext<StandValues>();
  const side = useWatch({ control, name: 'side' });
  const offered = areas.filter(
    (area) => area.part === null && (side === 'centre' || area.side === side || area.side === 'both'),
  );
  if (offered.length === 0) return <p>{t`Add areas in the survey to record what this support hides.`}</p>;
  return (
    <fieldset>
      <legend className="label-caps pb-1">{t`Areas with a hidden patch`}</legend>
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        {offered.map((area) => (
          <label key={area.id} className="flex items-center gap-2">
            <input type="checkbox" className="checkbox" {...register(`hides.${area.id}`)} />
            {area.name}
          </label>
        ))}
      </div>
      <p className="pt-1 text-sm opacity-80">{t`Each patch becomes a separate area with the same system. It stays on hold until the support is moved. Its paint is included when you buy.`}</p>
    </fieldset>
  );
}
