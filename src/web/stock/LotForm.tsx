import { useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { FieldError, Product, ReceiptInput } from '../../contract/index.ts';
import { perLitreOfPaint } from '../../core/supply/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { Choice } from '../forms/Choice.tsx';
import { FormReader, refusals } from '../forms/canonical.ts';
import { DayField } from '../forms/DayField.tsx';
import { CheckField, Field, QuantityField, SelectField } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

interface LotValues {
  colour: string;
  amounts: string[];
  code: string;
  madeOn: string;
  place: string;
  frost: boolean;
  heat: boolean;
  note: string;
}

/** Adds stock without an order: each part separately; an empty field means that the part is missing. */
export function LotForm({ products, onDone }: { products: readonly Product[]; onDone: () => void }) {
  const [productId, setProductId] = useState(products[0]?.id ?? '');
  const product = products.find(({ id }) => id === productId);
  if (!product) return <p>{t`No data sheets yet. Add the product’s data sheet first.`}</p>;
  return (
    <div className="board space-y-4 p-4">
      <div className="max-w-sm">
        <Choice
          label={t`Product`}
          value={productId}
          choices={products.map((each) => [each.id, each.name] as const)}
          onChange={setProductId}
        />
      </div>
      <Fields key={product.id} product={product} onDone={onDone} />
    </div>
  );
}

function Fields({ product, onDone }: { product: Product; onDone: () => void }) {
  const { system } = useUnits();
  const { parts, colours, ratioBy } = product.sheet;
  const { unit } = perLitreOfPaint(parts, ratioBy);
  const quantity = unit === 'l' ? 'volume' : 'mass';
  const ids = useRef({ receipt: uuidv7(), lots: parts.map(() => uuidv7()) });
  const submit = async (values: LotValues): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const lots = parts.flatMap((part, i): ReceiptInput['lots'] => {
      const text = values.amounts[i] ?? '';
      if (text.trim() === '') return [];
      return [
        {
          id: ids.current.lots[i] as string,
          productId: product.id,
          part: part.name,
          colour: i === 0 ? values.colour : null,
          code: values.code.trim(),
          unit,
          madeOn: values.madeOn.trim() || null,
          place: values.place.trim(),
          frost: values.frost,
          heat: values.heat,
          note: values.note,
          cost: null,
          amount: read.quantity(`amounts.${i}`, part.name, text, quantity),
        },
      ];
    });
    if (lots.length === 0) read.refuse('amounts.0', t`Enter an amount for at least one part.`);
    const receipt: ReceiptInput = {
      id: ids.current.receipt,
      at: new Date().toISOString(),
      purchaseId: null,
      lots,
    };
    const errors = await refusals((c) => c.receiptInput, receipt, read);
    if (errors.length) return errors;
    await api('POST', '/receipts', receipt);
    onDone();
    return undefined;
  };
  return (
    <RecordForm<LotValues>
      values={{
        colour: colours[0]?.name ?? '',
        amounts: parts.map(() => ''),
        code: '',
        madeOn: '',
        place: '',
        frost: false,
        heat: false,
        note: '',
      }}
      submit={submit}
      button={t`Add stock`}
      beside={<button type="button" className="btn btn-ghost" onClick={onDone}>{t`Cancel`}</button>}
    >
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        <SelectField
          name="colour"
          label={t`Colour`}
          choices={colours.map(({ name }) => [name, name] as const)}
        />
        {parts.map((part, i) => (
          <QuantityField
            key={part.name}
            name={`amounts.${i}`}
            label={t`Of ${part.name}`}
            quantity={quantity}
          />
        ))}
        <Field name="code" label={t`Lot number`} hint={t`Optional`} />
        <DayField name="madeOn" label={t`Date made`} hint={t`Optional`} />
        <Field name="place" label={t`Location`} />
      </div>
      <div className="flex flex-wrap gap-6">
        <CheckField name="frost" label={t`Has been in frost`} />
        <CheckField name="heat" label={t`Has been in heat`} />
      </div>
      <Field name="note" label={t`Note`} />
    </RecordForm>
  );
}
