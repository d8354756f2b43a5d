import { useRef } from 'react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import type { FieldError, Offer, OfferInput, Product, TradeView } from '../../contract/index.ts';
import { fromMinor, perLitreOfPaint } from '../../core/supply/index.ts';
import { fieldText, fromCanonical, shownUnit } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field, QuantityField, SelectField } from '../forms/Field.tsx';
import { minorOf } from '../forms/money.ts';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

interface PriceValues {
  productId: string;
  /** Empty: a kit, or all there is of a one-pack. */
  part: string;
  /** Empty: in every colour. */
  colour: string;
  litres: string;
  price: string;
  supplierId: string;
  discounts: { from: string; price: string }[];
}

/** What a pack is measured by: a kit by its mixed litres, a part alone as its tins are. */
export function packQuantity(
  { productId, part }: Pick<Offer, 'productId' | 'part'>,
  products: readonly Product[],
): 'volume' | 'mass' {
  const sheet = products.find(({ id }) => id === productId)?.sheet;
  const byKg = sheet && part && perLitreOfPaint(sheet.parts, sheet.ratioBy).unit === 'kg';
  return byKg ? 'mass' : 'volume';
}

/** The price of a pack: of a kit or a part alone, in every colour or one, cheaper by the number. */
export function PriceForm(of: {
  offer: Offer | null;
  trade: TradeView;
  products: readonly Product[];
  onDone: () => void;
}) {
  const { offer, trade, products, onDone } = of;
  const { currency } = trade.settings;
  const { system } = useUnits();
  const id = useRef(offer?.id ?? uuidv7());
  const submit = async (
    values: PriceValues,
    over: { version?: number },
  ): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const own = partAndColour(values, products);
    const measured = packQuantity({ ...own, productId: values.productId }, products);
    const input: OfferInput = {
      id: id.current,
      productId: values.productId,
      ...own,
      litres: read.quantity('litres', 'pack', values.litres, measured),
      price: minorOf(read, 'price', 'price', values.price, currency),
      supplierId: values.supplierId || null,
      discounts: values.discounts.flatMap(({ from, price }, i) =>
        from.trim() === '' && price.trim() === ''
          ? []
          : [
              {
                from: read.number(`discounts.${i}.from`, 'packs', from),
                price: minorOf(read, `discounts.${i}.price`, 'price', price, currency),
              },
            ],
      ),
    };
    const body = offer ? { ...input, version: over.version ?? offer.version } : input;
    const errors = await refusals(
      (c) => (offer ? c.offerUpdate : c.offerInput) as typeof c.offerInput,
      body,
      read,
    );
    if (errors.length) return errors;
    await api(offer ? 'PUT' : 'POST', offer ? `/offers/${offer.id}` : '/offers', body);
    if (!offer) onDone();
    return undefined;
  };
  const text = (minor: number) => String(fromMinor(minor, currency));
  return (
    <RecordForm<PriceValues>
      values={{
        productId: offer?.productId ?? products[0]?.id ?? '',
        part: offer?.part ?? '',
        colour: offer?.colour ?? '',
        litres: offer
          ? fieldText(fromCanonical(offer.litres, shownUnit(packQuantity(offer, products), system)))
          : '',
        price: offer ? text(offer.price) : '',
        supplierId: offer?.supplierId ?? '',
        discounts: offer?.discounts.map(({ from, price }) => ({ from: `${from}`, price: text(price) })) ?? [],
      }}
      base={offer}
      submit={submit}
      {...(offer && { onSaved: onDone })}
      button={offer ? t`Save price` : t`Add price`}
      beside={<button type="button" className="btn btn-ghost" onClick={onDone}>{t`Cancel`}</button>}
      className="board space-y-4 p-4"
    >
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        <SelectField
          name="productId"
          label={t`Product`}
          choices={products.map((each) => [each.id, each.name] as const)}
        />
        <PackFields products={products} />
        <Field name="price" label={t`Price`} unit={currency} inputMode="decimal" />
        <SelectField
          name="supplierId"
          label={t`Supplier`}
          choices={[
            ['', t`anywhere`] as const,
            ...trade.suppliers.map((each) => [each.id, each.name] as const),
          ]}
        />
      </div>
      <Discounts currency={currency} />
    </RecordForm>
  );
}

/** The part and the colour as they can be of the product chosen: a hardener has no colour. */
function partAndColour(
  { productId, part, colour }: Pick<PriceValues, 'productId' | 'part' | 'colour'>,
  products: readonly Product[],
): Pick<OfferInput, 'part' | 'colour'> {
  const { parts = [], colours = [] } = products.find(({ id }) => id === productId)?.sheet ?? {};
  const own = parts.length > 1 && parts.some(({ name }) => name === part) ? part : null;
  const coloured = own === null || own === parts[0]?.name;
  return { part: own, colour: coloured && colours.some(({ name }) => name === colour) ? colour : null };
}

function PackFields({ products }: { products: readonly Product[] }) {
  const { control } = useFormContext<PriceValues>();
  const [productId, part, colour] = useWatch({ control, name: ['productId', 'part', 'colour'] });
  const sheet = products.find(({ id }) => id === productId)?.sheet;
  const parts = sheet?.parts ?? [];
  const own = partAndColour({ productId, part, colour }, products);
  const coloured = own.part === null || own.part === parts[0]?.name;
  return (
    <>
      {parts.length > 1 && (
        <SelectField
          name="part"
          label={t`Holds`}
          choices={[
            ['', t`All parts (kit)`] as const,
            ...parts.map(({ name }) => [name, t`${name} only`] as const),
          ]}
        />
      )}
      {coloured && (sheet?.colours.length ?? 0) > 1 && (
        <SelectField
          name="colour"
          label={t`Colour`}
          choices={[
            ['', t`All colours`] as const,
            ...(sheet?.colours ?? []).map(({ name }) => [name, name] as const),
          ]}
        />
      )}
      <QuantityField
        name="litres"
        label={own.part === null && parts.length > 1 ? t`Pack, mixed` : t`Pack`}
        quantity={packQuantity({ productId, part: own.part }, products)}
      />
    </>
  );
}

/** Cheaper from so many packs on, up to five times. */
function Discounts({ currency }: { currency: string }) {
  const { control } = useFormContext<PriceValues>();
  const { fields, append, remove } = useFieldArray({ control, name: 'discounts' });
  return (
    <div className="space-y-2">
      {fields.map((field, i) => (
        <div key={field.id} className="flex flex-wrap items-end gap-3">
          <div className="w-32">
            <Field
              name={`discounts.${i}.from`}
              label={t`Discount from`}
              unit={t`packs`}
              inputMode="numeric"
            />
          </div>
          <div className="w-40">
            <Field
              name={`discounts.${i}.price`}
              label={t`Discounted price each`}
              unit={currency}
              inputMode="decimal"
            />
          </div>
          <button
            type="button"
            className="btn btn-ghost"
            aria-label={t`Remove discount ${i + 1}`}
            onClick={() => remove(i)}
          >{t`Remove`}</button>
        </div>
      ))}
      {fields.length < 5 && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => append({ from: '', price: '' })}
        >{t`Add quantity discount`}</button>
      )}
    </div>
  );
}
