import { useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { BareItem, BareItemInput, BoatView, FieldError } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { useQueued } from '../api/mutations.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field, SelectField } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { UndoNotice } from '../parts/UndoNotice.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { BARE_WHY, BARE_WORDS } from '../words/supports.ts';
import { choices } from '../words/survey.ts';

interface BareValues {
  name: string;
  kind: BareItemInput['kind'];
  areaId: string;
  note: string;
}

/** The leave-bare list: ticked as taped and untaped at each coat on the bench. */
export function BareList({ view }: { view: BoatView }) {
  const { bareItems, areas } = view;
  const [editing, setEditing] = useState<BareItem | 'new' | null>(null);
  const [removed, setRemoved] = useState<BareItem | null>(null);
  const { mutate: change } = useQueued();
  const remove = (item: BareItem) =>
    change(
      { method: 'DELETE', path: `/bare-items/${item.id}`, what: t`masked item deletion` },
      { onSuccess: () => setRemoved(item) },
    );
  const bringBack = (item: BareItem) =>
    change(
      { method: 'POST', path: `/bare-items/${item.id}/restore`, what: t`masked item restore` },
      { onSuccess: () => setRemoved(null) },
    );
  return (
    <section aria-labelledby="bare" className="space-y-3">
      <h2 id="bare" className="batten pb-1 text-lg">{t`Masked items`}</h2>
      {bareItems.length === 0 ? (
        <p className="max-w-prose">{t`List anything that must not be painted: anodes, transducers, the log, earth plates, faces to be glued. At each coat, the bench reminds you to mask these items before and unmask them after.`}</p>
      ) : (
        <ul className="divide-base-300 divide-y">
          {bareItems.map((item) => (
            <li key={item.id} className="flex flex-wrap items-baseline gap-x-4 py-2">
              <strong>{item.name}</strong>
              <span>
                {BARE_WORDS[item.kind]}
                {BARE_WHY[item.kind] && `: ${BARE_WHY[item.kind]}`}
              </span>
              <span>
                {item.areaId
                  ? `on ${areas.find((area) => area.id === item.areaId)?.name ?? t`a deleted area`}`
                  : t`on any area`}
              </span>
              {item.note && <span className="opacity-80">{item.note}</span>}
              <span className="no-print ml-auto">
                <button type="button" className="btn btn-ghost btn-sm" onClick={() => setEditing(item)}>
                  {t`Change`}
                  <span className="sr-only"> {item.name}</span>
                </button>
                <button type="button" className="btn btn-ghost btn-sm" onClick={() => remove(item)}>
                  {t`Delete`}
                  <span className="sr-only"> {item.name}</span>
                </button>
              </span>
            </li>
          ))}
        </ul>
      )}
      {removed && (
        <UndoNotice
          text={t`${removed.name} deleted.`}
          onUndo={() => bringBack(removed)}
          onGone={() => setRemoved(null)}
        />
      )}
      {editing ? (
        <div className="board max-w-3xl p-4">
          <BareForm
            key={editing === 'new' ? 'new' : editing.id}
            view={view}
            item={editing === 'new' ? null : editing}
            onDone={() => setEditing(null)}
          />
        </div>
      ) : (
        <button type="button" className="btn" onClick={() => setEditing('new')}>{t`Add masked item`}</button>
      )}
    </section>
  );
}

function BareForm({ view, item, onDone }: { view: BoatView; item: BareItem | null; onDone: () => void }) {
  const { system } = useUnits();
  const id = useRef(item?.id ?? uuidv7());
  const submit = async (
    values: BareValues,
    over: { version?: number },
  ): Promise<FieldError[] | undefined> => {
    const input: BareItemInput = {
      id: id.current,
      boatId: view.boat.id,
      areaId: values.areaId || null,
      kind: values.kind,
      name: values.name.trim() || BARE_WORDS[values.kind],
      note: values.note,
    };
    const errors = await refusals((c) => c.bareItemInput, input, new FormReader(system));
    if (errors.length) return errors;
    if (item) await api('PUT', `/bare-items/${item.id}`, { ...input, version: over.version ?? item.version });
    else await api('POST', '/bare-items', input);
    onDone();
    return undefined;
  };
  return (
    <RecordForm<BareValues>
      values={{
        name: item?.name ?? '',
        kind: item?.kind ?? 'anode',
        areaId: item?.areaId ?? '',
        note: item?.note ?? '',
      }}
      submit={submit}
      base={item}
      button={item ? t`Save` : t`Add`}
      beside={<button type="button" className="btn btn-ghost" onClick={onDone}>{t`Cancel`}</button>}
    >
      <div className="grid gap-3 sm:grid-cols-2">
        <SelectField name="kind" label={t`Type`} choices={choices(BARE_WORDS)} />
        <Field name="name" label={t`Name`} placeholder={t`Shaft anode, port`} />
        <SelectField
          name="areaId"
          label={t`Area`}
          choices={[['', t`Any area`], ...view.areas.map((area): [string, string] => [area.id, area.name])]}
        />
        <Field name="note" label={t`Note`} />
      </div>
    </RecordForm>
  );
}
