import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { LotView, MovementInput } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useQueued, useWrite } from '../api/mutations.ts';
import { AmountStepper } from '../forms/AmountStepper.tsx';
import { Choice } from '../forms/Choice.tsx';
import { useConfirm } from '../parts/Confirm.tsx';

const HAPPENED = [
  ['counted', t`Counted`],
  ['received', t`Received`],
  ['opened', t`Opened`],
  ['used', t`Used (no batch logged)`],
  ['lent', t`Lent`],
  ['returned', t`Returned`],
  ['spilt', t`Spilt`],
  ['discarded', t`Discarded`],
] as const satisfies readonly (readonly [MovementInput['kind'], string])[];
type Happened = (typeof HAPPENED)[number][0];

/** Telling what happened to a tin; nothing told before is overwritten. */
export function MoveForm({ lot, onDone }: { lot: LotView; onDone: () => void }) {
  const [kind, setKind] = useState<Happened>('counted');
  const [amount, setAmount] = useState(Math.max(0, Number(lot.stock.inTin.toFixed(3))));
  const [note, setNote] = useState('');
  const queued = useQueued();
  const write = useWrite();
  const confirm = useConfirm();
  const send = () =>
    queued.mutate(
      {
        method: 'POST',
        path: '/movements',
        body: {
          id: uuidv7(),
          lotId: lot.id,
          kind,
          amount: kind === 'opened' ? 0 : amount,
          at: new Date().toISOString(),
          areaId: null,
          note: note.trim(),
          corrects: null,
        } satisfies MovementInput,
        what: t`stock movement`,
      },
      { onSuccess: onDone },
    );
  const putAway = async () => {
    const sure = await confirm({
      title: t`Archive this lot?`,
      text: t`${lot.productName}, ${lot.part}. The lot’s history is kept.`,
      action: t`Archive lot`,
    });
    if (sure) write.mutate({ method: 'DELETE', path: `/lots/${lot.id}` }, { onSuccess: onDone });
  };
  return (
    <div className="space-y-3">
      <div className="grid gap-3 sm:grid-cols-3">
        <Choice
          label={t`Type`}
          value={kind}
          choices={HAPPENED}
          onChange={(value) => {
            const next = value as Happened;
            setKind(next);
            setAmount(next === 'counted' ? Math.max(0, Number(lot.stock.inTin.toFixed(3))) : 0);
          }}
        />
        {kind !== 'opened' && (
          <AmountStepper label={t`Amount`} unit={lot.unit} value={amount} onChange={setAmount} />
        )}
        <div>
          <label htmlFor={`note-${lot.id}`} className="label-caps block pb-1">{t`Note`}</label>
          <input
            id={`note-${lot.id}`}
            className="input target w-full"
            maxLength={400}
            value={note}
            onChange={({ target }) => setNote(target.value)}
          />
        </div>
      </div>
      <p className="flex flex-wrap gap-3">
        <button
          type="button"
          className="btn btn-primary target"
          disabled={queued.isPending}
          onClick={send}
        >{t`Log movement`}</button>
        <button type="button" className="btn btn-ghost target" onClick={() => void putAway()}>
          {t`Archive lot `}
        </button>
      </p>
    </div>
  );
}
