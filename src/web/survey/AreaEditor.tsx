import { useRef } from 'react';
import { useFormContext } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import type { Area, Boat, FieldError, PartOf } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { useYard } from '../api/queries.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { CheckField, Field, SelectField, TextArea } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useMounted } from '../state/useMounted.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import {
  choices,
  OLD_COATING_WORDS,
  PART_WORDS,
  SERVICE_WORDS,
  SIDE_WORDS,
  ZONE_WORDS,
} from '../words/survey.ts';
import { SUBSTRATE_WORDS } from '../words/systems.ts';
import { type AreaValues, areaToValues, formPath, newArea, USUAL_SERVICE, valuesToArea } from './areaForm.ts';
import { MeasureFields } from './MeasureFields.tsx';
import { ShelterFields } from './ShelterFields.tsx';
import { WaysFields } from './WaysFields.tsx';

interface Props {
  boat: Boat;
  /** The area to change, or none for a new one. */
  area: Area | null;
  onSaved: (id: string) => void;
  onRemoved?: () => void;
  onCancel: () => void;
}

const FIELD_WORDS: Record<string, string> = {
  name: t`the name`,
  measures: t`the measurements`,
  estimates: t`the other estimates`,
  chosenWay: t`the size to use`,
  surroundings: t`the shelter`,
  earlierShelters: t`the earlier shelters`,
  zone: t`the part of the boat`,
  spread: t`the uncertainty`,
  note: t`the note`,
};

/** Everything about one area: what it is, what it stands, and its measuring sheet. */
export function AreaEditor({ boat, area, onSaved, onRemoved, onCancel }: Props) {
  const { system, show } = useUnits();
  const mounted = useMounted();
  const id = useRef(area?.id ?? uuidv7());
  const zone = useYard().data?.zone ?? 'UTC';
  const values = area ? areaToValues(area, system) : newArea(boat);

  const saved = () => {
    if (mounted()) onSaved(id.current);
  };
  const submit = async (typed: AreaValues, over: { version?: number }): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const input = valuesToArea(typed, { id: id.current, boatId: boat.id }, read, {
      saved: area,
      zone,
      system,
    });
    const errors = await refusals(
      (c) => c.areaInput,
      input,
      read,
      (path) => formPath(path, typed),
    );
    if (errors.length) return errors;
    if (area) {
      await api<Area>('PUT', `/areas/${id.current}`, { ...input, version: over.version ?? area.version });
      return undefined;
    }
    await api<Area>('POST', '/areas', input);
    saved();
    return undefined;
  };

  return (
    <RecordForm<AreaValues>
      values={values}
      submit={submit}
      {...(area && { onSaved: saved })}
      button={area ? t`Save area` : t`Add area`}
      base={area}
      fieldWords={FIELD_WORDS}
      beside={
        <>
          <button type="button" className="btn btn-ghost" onClick={onCancel}>{t`Cancel`}</button>
          {area && onRemoved && (
            <button
              type="button"
              className="btn btn-ghost ml-auto"
              onClick={onRemoved}
            >{t`Delete area`}</button>
          )}
        </>
      }
    >
      <div className="grid gap-3 sm:grid-cols-2">
        <Field name="name" label={t`Name`} autoFocus={!area} placeholder={t`Bottom port`} />
        {boat.kind !== 'parts' && (
          <>
            <ZoneChoice />
            <SelectField name="side" label={t`Side`} choices={choices(SIDE_WORDS)} />
          </>
        )}
        <SelectField name="substrate" label={t`Substrate`} choices={choices(SUBSTRATE_WORDS)} />
        <SelectField name="service" label={t`Exposure`} choices={choices(SERVICE_WORDS)} />
        <ShelterFields zone={zone} saved={area ? values.surroundings : null} />
        <SelectField name="oldCoating" label={t`Existing coating`} choices={choices(OLD_COATING_WORDS)} />
        {boat.kind !== 'parts' && (
          <CheckField
            name="highWear"
            label={t`High wear`}
            hint={t`Leading edges, bottom of the keel, waterline band. Gets an extra coat.`}
          />
        )}
      </div>
      {area?.part && <PartFields part={area.part} />}
      <MeasureFields />
      <WaysFields boat={boat} />
      <div className="grid gap-3 sm:grid-cols-[8rem_1fr]">
        <Field name="spread" label={t`Uncertainty ±`} unit="%" inputMode="decimal" />
        <TextArea name="note" label={t`Note`} rows={1} />
      </div>
      <p className="text-sm opacity-80">{t`Lengths are in ${show(1, 'length', { digits: 0 }).replace(/^[\d.]+ /, '')}. You can also type a unit: 12 ft, 350 mm.`}</p>
    </RecordForm>
  );
}

/** The area it was split off from; a shared system is edited there. */
function PartFields({ part }: { part: PartOf }) {
  return (
    <fieldset className="space-y-2">
      <legend className="lettered pb-1">{t`Split off: ${PART_WORDS[part.kind]}`}</legend>
      <CheckField
        name="part.sharesSystem"
        label={t`Use the system of the original area`}
        hint={t`Untick to give it a separate system, which starts empty.`}
      />
    </fieldset>
  );
}

function ZoneChoice() {
  const { setValue, formState } = useFormContext<AreaValues>();
  return (
    <SelectField
      name="zone"
      label={t`Part of the boat`}
      choices={choices(ZONE_WORDS)}
      onChosen={(zone) => {
        if (!formState.dirtyFields.service) setValue('service', USUAL_SERVICE[zone as AreaValues['zone']]);
      }}
    />
  );
}
