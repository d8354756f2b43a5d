import { useState } from 'react';
import type { EntryInput, WorkBody, WorkView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayTask } from '../words/systems.ts';

interface Props {
  task: WorkView;
  entryOf: (outcome: 'strewn' | 'done', aggregate?: WorkBody['aggregate']) => EntryInput;
  onDone: (entry: EntryInput) => void;
  /** Takes the strewing back. */
  onUndo: (entryId: string) => void;
}

/** Aggregate strewn into a wet coat, and swept up the next day: each done, or weighed as well. */
export function Strewn({ task, entryOf, onDone, onUndo }: Props) {
  const [weighing, setWeighing] = useState(false);
  const { strewn } = task;
  const close = () => setWeighing(false);
  const done = (entry: EntryInput) => {
    close();
    onDone(entry);
  };
  if (weighing && strewn === null)
    return (
      <Weigh
        key="strewn"
        label={t`Strewn`}
        button={t`Log as strewn`}
        entryOf={(kg) => entryOf('strewn', { strewnKg: kg, sweptBackKg: null })}
        onDone={done}
        onCancel={close}
      />
    );
  if (weighing && strewn?.kg != null)
    return (
      <Weigh
        key="swept"
        label={t`Swept back`}
        button={t`Log as swept up`}
        entryOf={(kg) => entryOf('done', { strewnKg: strewn.kg as number, sweptBackKg: kg })}
        onDone={done}
        onCancel={close}
      />
    );
  const isWeighed = strewn === null || strewn.kg !== null;
  return (
    <span className="flex flex-wrap gap-2">
      <button
        type="button"
        className="btn target"
        onClick={() =>
          done(
            strewn === null
              ? entryOf('strewn')
              : entryOf('done', strewn.kg === null ? undefined : { strewnKg: strewn.kg, sweptBackKg: null }),
          )
        }
      >
        {strewn === null ? t`Mark as strewn` : t`Mark as swept up`}
        <span className="sr-only">: {sayTask({ ...task, note: '' })}</span>
      </button>
      {isWeighed && (
        <button type="button" className="btn target" onClick={() => setWeighing(true)}>
          {strewn === null ? t`Enter weight strewn` : t`Enter weight swept back`}
          <span className="sr-only">: {sayTask({ ...task, note: '' })}</span>
        </button>
      )}
      {strewn && (
        <button type="button" className="btn btn-ghost target" onClick={() => onUndo(strewn.entryId)}>
          {t`Undo`}
          <span className="sr-only">{t` strewn: ${sayTask({ ...task, note: '' })}`}</span>
        </button>
      )}
    </span>
  );
}

/** A weight of aggregate. */
function Weigh({
  label,
  button,
  entryOf,
  onDone,
  onCancel,
}: {
  label: string;
  button: string;
  entryOf: (kg: number) => EntryInput;
  onDone: (entry: EntryInput) => void;
  onCancel: () => void;
}) {
  const { system, symbol } = useUnits();
  const submit = async ({ weight }: { weight: string }) => {
    const read = new FormReader(system);
    const entry = entryOf(read.quantity('weight', label.toLowerCase(), weight, 'mass'));
    const errors = await refusals(
      (c) => c.entryInput,
      entry,
      read,
      (path) => path.replace(/^body\.aggregate.*$/, 'weight'),
    );
    if (errors.length) return errors;
    onDone(entry);
    return undefined;
  };
  return (
    <RecordForm<{ weight: string }>
      className="w-full space-y-3"
      values={{ weight: '' }}
      submit={submit}
      button={button}
      beside={<button type="button" className="btn btn-ghost target" onClick={onCancel}>{t`Cancel`}</button>}
    >
      <div className="max-w-xs">
        <Field name="weight" label={label} unit={symbol('mass')} inputMode="decimal" />
      </div>
    </RecordForm>
  );
}
