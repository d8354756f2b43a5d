import { useRef } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { FieldError, LotInput, Product, PurchaseRecord, ReceiptInput } from '../../contract/index.ts';
import { type CurrencyCode, kitContents, shareOut } from '../../core/supply/index.ts';
import { fieldText, fromCanonical, shownUnit } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { DayField } from '../forms/DayField.tsx';
import { Field, QuantityField } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayPart } from '../words/supply.ts';

interface ReceiveValues {
  place: string;
  lots: { amount: string; code: string; madeOn: string }[];
}

type Came = Pick<LotInput, 'productId' | 'part' | 'colour' | 'unit' | 'cost'> & {
  name: string;
  amount: number;
};

const quantityOf = ({ unit }: Pick<LotInput, 'unit'>) => (unit === 'l' ? 'volume' : 'mass');

/** What an order brings, tin by tin: both parts of a kit apart, what it cost shared out by what is in them. */
function cameWith(order: PurchaseRecord, products: readonly Product[], currency: CurrencyCode): Came[] {
  return order.lines.flatMap((line): Came[] => {
    const product = products.find(({ id }) => id === line.productId);
    if (!product) return [];
    const { sheet, name } = product;
    const { unit, amounts } = kitContents(sheet.parts, sheet.ratioBy, 1);
    const parts = sheet.parts.map((part, i) => ({ part: part.name, share: amounts[i] as number, i }));
    const own = line.part === null ? parts : parts.filter(({ part }) => part === line.part);
    const costs = shareOut(
      line.price,
      own.map(({ share }) => share),
      currency,
    );
    return own.map(({ part, share, i }, k) => ({
      productId: product.id,
      name,
      part,
      colour: i === 0 ? line.colour : null,
      unit,
      cost: costs[k] as number,
      amount: line.count * line.litres * (line.part === null ? share : 1),
    }));
  });
}

/** Taking in an order: what is in each tin, its lot number and date, and where it is kept. */
export function ReceiveForm(of: {
  order: PurchaseRecord;
  products: readonly Product[];
  currency: CurrencyCode;
  onDone: () => void;
}) {
  const { order, products, onDone } = of;
  const { system } = useUnits();
  const came = cameWith(order, products, of.currency);
  const ids = useRef({ receipt: uuidv7(), lots: came.map(() => uuidv7()) });
  const submit = async (values: ReceiveValues): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const receipt: ReceiptInput = {
      id: ids.current.receipt,
      at: new Date().toISOString(),
      purchaseId: order.id,
      lots: came.map(({ name: _, amount: _a, ...lot }, i) => ({
        ...lot,
        id: ids.current.lots[i] as string,
        code: values.lots[i]?.code.trim() ?? '',
        madeOn: values.lots[i]?.madeOn || null,
        place: values.place.trim(),
        frost: false,
        heat: false,
        note: '',
        amount: read.quantity(`lots.${i}.amount`, 'amount', values.lots[i]?.amount ?? '', quantityOf(lot)),
      })),
    };
    const errors = await refusals((c) => c.receiptInput, receipt, read);
    if (errors.length) return errors;
    await api('POST', '/receipts', receipt);
    onDone();
    return undefined;
  };
  return (
    <RecordForm<ReceiveValues>
      values={{
        place: '',
        lots: came.map(({ amount, unit }) => ({
          amount: fieldText(
            Number(fromCanonical(amount, shownUnit(quantityOf({ unit }), system)).toFixed(4)),
          ),
          code: '',
          madeOn: '',
        })),
      }}
      submit={submit}
      button={t`Add to stock`}
      beside={<button type="button" className="btn btn-ghost" onClick={onDone}>{t`Cancel`}</button>}
      className="board space-y-4 p-4"
    >
      <p>{t`Enter what arrived, base and hardener separately.`}</p>
      {came.map((lot, i) => (
        <fieldset key={ids.current.lots[i]} className="grid gap-3 sm:grid-cols-3">
          <legend className="pb-1 font-semibold">
            {lot.name}: {sayPart(lot.part, lot.colour)}
          </legend>
          <QuantityField name={`lots.${i}.amount`} label={t`Amount`} quantity={quantityOf(lot)} />
          <Field name={`lots.${i}.code`} label={t`Lot number`} hint={t`Optional`} />
          <DayField name={`lots.${i}.madeOn`} label={t`Date made`} hint={t`Optional`} />
        </fieldset>
      ))}
      <div className="max-w-sm">
        <Field
          name="place"
          label={t`Location`}
          hint={t`Keep solvents outside the boat, in a ventilated place.`}
        />
      </div>
    </RecordForm>
  );
}
