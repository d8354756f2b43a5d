import { useEffect, useRef } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import type { Area, BoatView, FieldError, Finding, FindingInput, Place } from '../../contract/index.ts';
import { hasHull } from '../../core/hull/index.ts';
import {
  FINDING_KINDS,
  type FindingGrade,
  GRADES_OF,
  judgeFinding,
  takesFigure,
} from '../../core/inspect/index.ts';
import { fieldText, fromCanonical, shownUnit } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { send } from '../api/queue.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field, QuantityField, SelectField, TextArea } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { FINDING_WORDS, GRADE_WORDS } from '../words/findings.ts';
import type { FindingValues } from './findingValues.ts';
import { Photos } from './Photos.tsx';

interface Props {
  boat: BoatView['boat'];
  areas: readonly Area[];
  finding: Finding | null;
  /** A place just picked on the drawing. */
  picked: Place | null;
  onDone: () => void;
}

/** A finding: what, how much against which limit, where, with photographs. */
export function FindingForm({ boat, areas, finding, picked, onDone }: Props) {
  const { system } = useUnits();
  const id = useRef(finding?.id ?? uuidv7());
  const at = useRef(finding?.at ?? new Date().toISOString());
  const length = (m: number | undefined) =>
    m === undefined ? '' : fieldText(Number(fromCanonical(m, shownUnit('length', system)).toFixed(3)));

  const submit = async (
    values: FindingValues,
    over: { version?: number },
  ): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const grades = GRADES_OF[values.kind];
    const placed = values.xM.trim() !== '' || values.zM.trim() !== '';
    const input: FindingInput = {
      id: id.current,
      boatId: boat.id,
      areaId: values.areaId || null,
      at: at.current,
      kind: values.kind,
      value: takesFigure(values.kind) ? read.optionalNumber('value', 'reading', values.value) : null,
      grade: grades ? gradeIn(grades, values.grade) : null,
      limit: grades ? null : read.optionalNumber('limit', 'limit', values.limit),
      place: placed
        ? {
            xM: read.quantity('xM', t`Distance from aft`, values.xM, 'length'),
            zM: read.quantity('zM', t`height above the waterline`, values.zM, 'length'),
            side: values.side,
          }
        : null,
      photoIds: values.photoIds,
      note: values.note,
    };
    const errors = await refusals(
      (c) => c.findingInput,
      input,
      read,
      (path) => path.replace(/^place\./, ''),
    );
    if (errors.length) return errors;
    await send(
      finding
        ? {
            method: 'PUT',
            path: `/findings/${finding.id}`,
            body: { ...input, version: over.version ?? finding.version },
            what: t`finding edit`,
          }
        : { method: 'POST', path: '/findings', body: input, what: t`a finding` },
    );
    if (!finding) onDone();
    return undefined;
  };

  return (
    <RecordForm<FindingValues>
      values={{
        kind: finding?.kind ?? 'rust',
        areaId: finding?.areaId ?? '',
        value: finding?.value == null ? '' : fieldText(finding.value),
        grade: finding?.grade ?? 'C',
        limit: finding?.limit == null ? '' : fieldText(finding.limit),
        xM: length(finding?.place?.xM),
        zM: length(finding?.place?.zM),
        side: finding?.place?.side ?? 'port',
        photoIds: finding?.photoIds ?? [],
        note: finding?.note ?? '',
      }}
      submit={submit}
      {...(finding && { onSaved: onDone })}
      base={finding}
      button={t`Save finding`}
      beside={<button type="button" className="btn btn-ghost" onClick={onDone}>{t`Cancel`}</button>}
    >
      <Picked place={picked} length={length} />
      <div className="grid gap-3 sm:grid-cols-2">
        <SelectField
          name="kind"
          label={t`Type`}
          choices={FINDING_KINDS.map((kind) => [kind, FINDING_WORDS[kind].word])}
        />
        <SelectField
          name="areaId"
          label={t`Area`}
          choices={[
            ['', t`no particular area`],
            ...areas.map((area): [string, string] => [area.id, area.name]),
          ]}
        />
        <ReadingFields />
      </div>
      {boat.kind !== 'parts' && (
        <fieldset>
          <legend className="label-caps pb-1">
            {hasHull(boat) ? t`Location (select it on the drawing or type it)` : t`Location`}
          </legend>
          <div className="grid grid-cols-3 gap-3">
            <QuantityField name="xM" label={t`Distance from aft`} quantity="length" />
            <QuantityField name="zM" label={t`Height above the waterline`} quantity="length" />
            <SelectField
              name="side"
              label={t`Side`}
              choices={[
                ['port', t`Port`],
                ['starboard', t`Starboard`],
              ]}
            />
          </div>
        </fieldset>
      )}
      <TextArea name="note" label={t`Note`} />
      <Photos boatId={boat.id} />
    </RecordForm>
  );
}

/** Brings a place picked on the drawing into the fields. */
function Picked({ place, length }: { place: Place | null; length: (m: number) => string }) {
  const { setValue } = useFormContext<FindingValues>();
  // biome-ignore lint/correctness/useExhaustiveDependencies: runs once for each place picked
  useEffect(() => {
    if (!place) return;
    setValue('xM', length(place.xM), { shouldDirty: true });
    setValue('zM', length(place.zM), { shouldDirty: true });
    setValue('side', place.side, { shouldDirty: true });
  }, [place]);
  return null;
}

/** The grade chosen, or the first of its kind while that of another kind is still chosen. */
const gradeIn = (grades: readonly FindingGrade[], chosen: FindingGrade): FindingGrade =>
  grades.includes(chosen) ? chosen : (grades[0] as FindingGrade);

function ReadingFields() {
  const { control } = useFormContext<FindingValues>();
  const [kind, value, grade, limit] = useWatch({ control, name: ['kind', 'value', 'grade', 'limit'] });
  const { reading, unit } = FINDING_WORDS[kind];
  const grades = GRADES_OF[kind];
  const number = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
  let wording: string | null = null;
  try {
    wording = judgeFinding({
      kind,
      value: takesFigure(kind) ? number(value) : null,
      grade: grades ? gradeIn(grades, grade) : null,
      limit: grades ? null : number(limit),
    }).reason;
  } catch {
    // Not typed yet, or refused on saving with its reason.
  }
  return (
    <>
      {grades && (
        <SelectField
          name="grade"
          label={takesFigure(kind) ? t`Result` : reading}
          choices={grades.map((each) => [each, GRADE_WORDS[each]])}
        />
      )}
      {takesFigure(kind) && <Field name="value" label={reading} unit={unit} inputMode="decimal" />}
      {!grades && <Field name="limit" label={t`Agreed limit (optional)`} unit={unit} inputMode="decimal" />}
      {wording && (
        <p role="status" className="sm:col-span-2">
          {wording}
        </p>
      )}
    </>
  );
}
