import { useState } from 'react';
import type { EntryInput, WorkBody, WorkView } from '../../contract/index.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayTask } from '../words/systems.ts';

interface Values {
  strewn: string;
  sweptBack: string;
}

/** Aggregate broadcast into a wet coat: done, and if it was weighed how much was strewn and swept back. */
export function Strewn({
  task,
  entryOf,
  onDone,
}: {
  task: WorkView;
  entryOf: (aggregate: WorkBody['aggregate']) => EntryInput;
  onDone: (entry: EntryInput) => void;
}) {
  const [open, setOpen] = useState(false);
  const { system, symbol } = useUnits();
  if (!open)
    return (
      <span className="join">
        <button type="button" className="btn target join-item" onClick={() => onDone(entryOf(undefined))}>
          Done<span className="sr-only">: {sayTask(task)}</span>
        </button>
        <button type="button" className="btn target join-item" onClick={() => setOpen(true)}>
          Weighed<span className="sr-only">: {sayTask(task)}</span>
        </button>
      </span>
    );
  const submit = async (values: Values) => {
    const read = new FormReader(system);
    const strewnKg = read.quantity('strewn', 'strewn', values.strewn, 'mass');
    const empty = values.sweptBack.trim() === '';
    const sweptBackKg = empty ? 0 : read.quantity('sweptBack', 'swept back', values.sweptBack, 'mass');
    const entry = entryOf({ strewnKg, sweptBackKg });
    const errors = await refusals(
      (c) => c.entryInput,
      entry,
      read,
      (path) => path.replace(/^body\.aggregate(\.sweptBackKg)?$/, 'sweptBack').replace(/^body\.aggregate\.strewnKg$/, 'strewn'), // biome-ignore format: one line
    );
    if (errors.length) return errors;
    onDone(entry);
    return undefined;
  };
  return (
    <RecordForm<Values>
      className="w-full space-y-3"
      values={{ strewn: '', sweptBack: '' }}
      submit={submit}
      button="Log it as strewn"
      beside={
        <button type="button" className="btn btn-ghost target" onClick={() => setOpen(false)}>
          Cancel
        </button>
      }
    >
      <div className="grid gap-3 sm:grid-cols-2">
        <Field name="strewn" label="Strewn" unit={symbol('mass')} inputMode="decimal" />
        <Field
          name="sweptBack"
          label="Swept back"
          unit={symbol('mass')}
          inputMode="decimal"
          hint="Empty: nothing"
        />
      </div>
    </RecordForm>
  );
}
