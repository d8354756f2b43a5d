import { useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { FieldError, SupplierInput, SupplierRecord, TradeView } from '../../contract/index.ts';
import { type CurrencyCode, fromMinor } from '../../core/supply/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { useWrite } from '../api/mutations.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field, TextArea } from '../forms/Field.tsx';
import { minorOf } from '../forms/money.ts';
import { RecordForm } from '../forms/RecordForm.tsx';
import { UndoNotice } from '../parts/UndoNotice.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { sayMoney } from '../words/supply.ts';

/** Who sells, what a delivery costs and how long it takes. */
export function Suppliers({ trade }: { trade: TradeView }) {
  const { suppliers, settings } = trade;
  const [open, setOpen] = useState<string | null>(null);
  const [gone, setGone] = useState<SupplierRecord | null>(null);
  const write = useWrite();
  const money = (minor: number) => sayMoney(minor, settings.currency);
  return (
    <section aria-labelledby="suppliers" className="space-y-3">
      <h2 id="suppliers" className="batten pb-1 text-lg">{t`Suppliers`}</h2>
      {gone && (
        <UndoNotice
          text={t`${gone.name} deleted.`}
          onUndo={() =>
            write.mutate(
              { method: 'POST', path: `/suppliers/${gone.id}/restore` },
              { onSuccess: () => setGone(null) },
            )
          }
          onGone={() => setGone(null)}
        />
      )}
      {suppliers.length === 0 && <p>{t`No suppliers yet. Any supplier’s packs are considered.`}</p>}
      <ul className="space-y-3">
        {suppliers.map((supplier) =>
          open === supplier.id ? (
            <li key={supplier.id}>
              <SupplierForm supplier={supplier} currency={settings.currency} onDone={() => setOpen(null)} />
            </li>
          ) : (
            <li key={supplier.id} className="flex flex-wrap items-center justify-between gap-3">
              <span>
                <strong>{supplier.name}</strong>
                {t`: delivery ${money(supplier.delivery)} in ${counted(supplier.deliveryDays, 'day')}`}
                {supplier.minOrder > 0 && t`, smallest order ${money(supplier.minOrder)}`}
              </span>
              <span className="flex flex-wrap gap-2">
                <button type="button" className="btn btn-sm" onClick={() => setOpen(supplier.id)}>
                  {t`Edit`}
                  <span className="sr-only"> {supplier.name}</span>
                </button>
                <button
                  type="button"
                  className="btn btn-sm btn-ghost"
                  onClick={() =>
                    write.mutate(
                      { method: 'DELETE', path: `/suppliers/${supplier.id}` },
                      { onSuccess: () => setGone(supplier) },
                    )
                  }
                >
                  {t`Delete`}
                  <span className="sr-only"> {supplier.name}</span>
                </button>
              </span>
            </li>
          ),
        )}
      </ul>
      {open === 'new' ? (
        <SupplierForm supplier={null} currency={settings.currency} onDone={() => setOpen(null)} />
      ) : (
        <button type="button" className="btn" onClick={() => setOpen('new')}>{t`Add supplier`}</button>
      )}
    </section>
  );
}

interface SupplierValues {
  name: string;
  delivery: string;
  minOrder: string;
  deliveryDays: string;
  note: string;
}

function SupplierForm(of: { supplier: SupplierRecord | null; currency: CurrencyCode; onDone: () => void }) {
  const { supplier, currency, onDone } = of;
  const { system } = useUnits();
  const id = useRef(supplier?.id ?? uuidv7());
  const text = (minor: number | undefined) => (minor ? String(fromMinor(minor, currency)) : '');
  const submit = async (
    values: SupplierValues,
    over: { version?: number },
  ): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const input: SupplierInput = {
      id: id.current,
      name: values.name.trim(),
      delivery: minorOf(read, 'delivery', t`Delivery charge`, values.delivery, currency),
      minOrder: minorOf(read, 'minOrder', t`Minimum order`, values.minOrder, currency),
      deliveryDays:
        values.deliveryDays.trim() === ''
          ? 0
          : read.number('deliveryDays', t`Delivery time`, values.deliveryDays),
      note: values.note,
    };
    const body = supplier ? { ...input, version: over.version ?? supplier.version } : input;
    const errors = await refusals((c) => (supplier ? c.supplierUpdate : c.supplierInput) as typeof c.supplierInput, body, read); // biome-ignore format: one line
    if (errors.length) return errors;
    await api(supplier ? 'PUT' : 'POST', supplier ? `/suppliers/${supplier.id}` : '/suppliers', body);
    if (!supplier) onDone();
    return undefined;
  };
  return (
    <RecordForm<SupplierValues>
      values={{
        name: supplier?.name ?? '',
        delivery: text(supplier?.delivery),
        minOrder: text(supplier?.minOrder),
        deliveryDays: String(supplier?.deliveryDays ?? ''),
        note: supplier?.note ?? '',
      }}
      base={supplier}
      submit={submit}
      {...(supplier && { onSaved: onDone })}
      button={supplier ? t`Save supplier` : t`Add the supplier`}
      beside={<button type="button" className="btn btn-ghost" onClick={onDone}>{t`Cancel`}</button>}
      className="board space-y-4 p-4"
    >
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <Field name="name" label={t`Name`} />
        <Field name="delivery" label={t`Delivery charge`} unit={currency} inputMode="decimal" />
        <Field name="minOrder" label={t`Minimum order`} unit={currency} inputMode="decimal" />
        <Field name="deliveryDays" label={t`Delivery time, days`} inputMode="numeric" />
      </div>
      <TextArea name="note" label={t`Note`} />
    </RecordForm>
  );
}
