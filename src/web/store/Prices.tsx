import { useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { FieldError, Offer, OfferInput, Product, TradeView } from '../../contract/index.ts';
import { fromMinor } from '../../core/supply/index.ts';
import { api } from '../api/client.ts';
import { useWrite } from '../api/mutations.ts';
import { useProducts } from '../api/queries.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field, SelectField } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { OpenFile } from '../parts/OpenFile.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SearchField } from '../parts/SearchField.tsx';
import { UndoNotice } from '../parts/UndoNotice.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayMoney } from '../words/supply.ts';
import { minorOf } from './Suppliers.tsx';

/** Prices of packs: by hand or from a file; a product without any goes by those on its sheet. */
export function Prices({ trade }: { trade: TradeView }) {
  const products = useProducts();
  return (
    <section aria-labelledby="prices" className="space-y-3">
      <div className="batten flex flex-wrap items-baseline justify-between gap-2 pb-1">
        <h2 id="prices" className="text-lg">
          Prices
        </h2>
        <PriceFile />
      </div>
      <p className="text-sm">A product without a price here goes by the packs on its sheet.</p>
      <QueryBoundary query={products}>{(list) => <PriceList trade={trade} products={list} />}</QueryBoundary>
    </section>
  );
}

function PriceFile() {
  const write = useWrite<{ taken: number; same: number }>({ atForm: true });
  const { data, error } = write;
  const read = async (file: File) =>
    write.mutate({ method: 'POST', path: '/offers/csv', body: { csv: await file.text() } });
  return (
    <div className="flex flex-wrap items-center gap-2">
      {data && (
        <span role="status">
          {data.taken} taken, {data.same} as they were.
        </span>
      )}
      {error && (
        <span role="alert" className="text-error font-semibold">
          {error.message}
        </span>
      )}
      <OpenFile label="Open price list" accept=".csv,text/csv" small onFile={(file) => void read(file)} />
      <a className="btn btn-sm btn-ghost" href="/api/v1/offers.csv" download>
        Prices as CSV
      </a>
    </div>
  );
}

const SHOWN = 12;

function PriceList({ trade, products }: { trade: TradeView; products: readonly Product[] }) {
  const [search, setSearch] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const [gone, setGone] = useState<Offer | null>(null);
  const write = useWrite();
  const { offers, suppliers, settings } = trade;
  const nameOf = (offer: Offer) => products.find(({ id }) => id === offer.productId)?.name ?? '';
  const supplierOf = (id: string | null) => suppliers.find((each) => each.id === id)?.name ?? 'anywhere';
  const found = offers.filter((offer) => nameOf(offer).toLowerCase().includes(search.trim().toLowerCase()));
  const said = (offer: Offer) =>
    `${nameOf(offer)}, ${offer.litres} l${offer.part === null ? '' : `, ${offer.part} alone`}${offer.colour ? `, ${offer.colour}` : ''}`;
  return (
    <div className="space-y-3">
      {gone && (
        <UndoNotice
          text={`The price of ${said(gone)} was taken off.`}
          onUndo={() =>
            write.mutate(
              { method: 'POST', path: `/offers/${gone.id}/restore` },
              { onSuccess: () => setGone(null) },
            )
          }
          onGone={() => setGone(null)}
        />
      )}
      {offers.length > 8 && (
        <SearchField label="Search prices by product" value={search} onChange={setSearch} />
      )}
      <ul className="space-y-2">
        {found.slice(0, SHOWN).map((offer) =>
          open === offer.id ? (
            <li key={offer.id}>
              <PriceForm offer={offer} trade={trade} products={products} onDone={() => setOpen(null)} />
            </li>
          ) : (
            <li key={offer.id} className="flex flex-wrap items-center justify-between gap-3">
              <span>
                {said(offer)}: <strong>{sayMoney(offer.price, settings.currency)}</strong>,{' '}
                {supplierOf(offer.supplierId)}
                {offer.discounts.map(
                  (step) => `; from ${step.from} on ${sayMoney(step.price, settings.currency)} each`,
                )}
              </span>
              <span className="flex flex-wrap gap-2">
                <button
                  type="button"
                  className="btn btn-sm"
                  aria-label={`Change the price of ${said(offer)}`}
                  onClick={() => setOpen(offer.id)}
                >
                  Change
                </button>
                <button
                  type="button"
                  className="btn btn-sm btn-ghost"
                  aria-label={`Remove the price of ${said(offer)}`}
                  onClick={() =>
                    write.mutate(
                      { method: 'DELETE', path: `/offers/${offer.id}` },
                      { onSuccess: () => setGone(offer) },
                    )
                  }
                >
                  Remove
                </button>
              </span>
            </li>
          ),
        )}
      </ul>
      {found.length > SHOWN && <p>{found.length - SHOWN} more: search for them.</p>}
      {open === 'new' ? (
        <PriceForm offer={null} trade={trade} products={products} onDone={() => setOpen(null)} />
      ) : (
        products.length > 0 && (
          <button type="button" className="btn" onClick={() => setOpen('new')}>
            Add a price
          </button>
        )
      )}
    </div>
  );
}

interface PriceValues {
  productId: string;
  litres: string;
  price: string;
  supplierId: string;
  from: string;
  discount: string;
}

function PriceForm(of: {
  offer: Offer | null;
  trade: TradeView;
  products: readonly Product[];
  onDone: () => void;
}) {
  const { offer, trade, products, onDone } = of;
  const { currency } = trade.settings;
  const { system } = useUnits();
  const id = useRef(offer?.id ?? uuidv7());
  const step = offer?.discounts[0];
  const submit = async (
    values: PriceValues,
    over: { version?: number },
  ): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const input: OfferInput = {
      id: id.current,
      productId: values.productId,
      part: offer?.part ?? null,
      colour: offer?.colour ?? null,
      litres: read.number('litres', 'pack', values.litres),
      price: minorOf(read, 'price', 'price', values.price, currency),
      supplierId: values.supplierId || null,
      discounts:
        values.from.trim() === ''
          ? []
          : [
              {
                from: read.number('from', 'packs', values.from),
                price: minorOf(read, 'discount', 'price', values.discount, currency),
              },
            ],
    };
    const body = offer ? { ...input, version: over.version ?? offer.version } : input;
    const errors = await refusals(
      (c) => (offer ? c.offerUpdate : c.offerInput) as typeof c.offerInput,
      body,
      read,
    );
    if (errors.length) return errors;
    await api(offer ? 'PUT' : 'POST', offer ? `/offers/${offer.id}` : '/offers', body);
    onDone();
    return undefined;
  };
  const text = (minor: number | undefined) => (minor === undefined ? '' : String(fromMinor(minor, currency)));
  return (
    <RecordForm<PriceValues>
      values={{
        productId: offer?.productId ?? products[0]?.id ?? '',
        litres: offer ? String(offer.litres) : '',
        price: text(offer?.price),
        supplierId: offer?.supplierId ?? '',
        from: step ? String(step.from) : '',
        discount: text(step?.price),
      }}
      base={offer}
      submit={submit}
      button={offer ? 'Save price' : 'Add the price'}
      beside={
        <button type="button" className="btn btn-ghost" onClick={onDone}>
          Cancel
        </button>
      }
      className="board space-y-4 p-4"
    >
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        <SelectField
          name="productId"
          label="Product"
          choices={products.map((each) => [each.id, each.name] as const)}
        />
        <Field name="litres" label="Pack, mixed" unit="l" inputMode="decimal" />
        <Field name="price" label="Price" unit={currency} inputMode="decimal" />
        <SelectField
          name="supplierId"
          label="Supplier"
          choices={[
            ['', 'anywhere'] as const,
            ...trade.suppliers.map((each) => [each.id, each.name] as const),
          ]}
        />
        <Field name="from" label="Cheaper from" unit="packs" inputMode="numeric" hint="Empty: one price" />
        <Field name="discount" label="Then each" unit={currency} inputMode="decimal" />
      </div>
    </RecordForm>
  );
}
