import { useState } from 'react';
import type { Offer, Product, TradeView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { useProducts } from '../api/queries.ts';
import { OpenFile } from '../parts/OpenFile.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SearchField } from '../parts/SearchField.tsx';
import { UndoNotice } from '../parts/UndoNotice.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayMoney } from '../words/supply.ts';
import { PriceForm, packQuantity } from './PriceForm.tsx';

/** Prices of packs, typed or from a file; a product without prices uses those on its data sheet. */
export function Prices({ trade }: { trade: TradeView }) {
  const products = useProducts();
  return (
    <section aria-labelledby="prices" className="space-y-3">
      <div className="batten flex flex-wrap items-baseline justify-between gap-2 pb-1">
        <h2 id="prices" className="text-lg">{t`Prices`}</h2>
        <PriceFile />
      </div>
      <p className="text-sm">{t`Products without a price here use the packs and prices on their data sheet.`}</p>
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
        <span role="status">{t`Imported: ${data.taken} changed or new, ${data.same} unchanged.`}</span>
      )}
      {error && (
        <span role="alert" className="text-error font-semibold">
          {error.message}
        </span>
      )}
      <OpenFile
        label={t`Import prices (CSV)`}
        accept=".csv,text/csv"
        small
        onFile={(file) => void read(file)}
      />
      <a className="btn btn-sm btn-ghost" href="/api/v1/offers.csv" download>{t`Export prices (CSV)`}</a>
    </div>
  );
}

const SHOWN = 12;

function PriceList({ trade, products }: { trade: TradeView; products: readonly Product[] }) {
  const [search, setSearch] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const [gone, setGone] = useState<Offer | null>(null);
  const write = useWrite();
  const { show } = useUnits();
  const { offers, suppliers, settings } = trade;
  const nameOf = (offer: Offer) => products.find(({ id }) => id === offer.productId)?.name ?? '';
  const supplierOf = (id: string | null) => suppliers.find((each) => each.id === id)?.name ?? t`any supplier`;
  const found = offers.filter((offer) => nameOf(offer).toLowerCase().includes(search.trim().toLowerCase()));
  const offerText = (offer: Offer) =>
    `${nameOf(offer)}, ${show(offer.litres, packQuantity(offer, products))}${offer.part === null ? '' : t`, ${offer.part} alone`}${offer.colour ? `, ${offer.colour}` : ''}`;
  return (
    <div className="space-y-3">
      {gone && (
        <UndoNotice
          text={t`Price deleted: ${offerText(gone)}.`}
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
        <SearchField label={t`Search prices by product`} value={search} onChange={setSearch} />
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
                {offerText(offer)}: <strong>{sayMoney(offer.price, settings.currency)}</strong>,{' '}
                {supplierOf(offer.supplierId)}
                {offer.discounts.map(
                  (step) => t`; ${step.from} or more ${sayMoney(step.price, settings.currency)} each`,
                )}
              </span>
              <span className="flex flex-wrap gap-2">
                <button
                  type="button"
                  className="btn btn-sm"
                  aria-label={t`Edit price: ${offerText(offer)}`}
                  onClick={() => setOpen(offer.id)}
                >
                  {t` Edit `}
                </button>
                <button
                  type="button"
                  className="btn btn-sm btn-ghost"
                  aria-label={t`Delete price: ${offerText(offer)}`}
                  onClick={() =>
                    write.mutate(
                      { method: 'DELETE', path: `/offers/${offer.id}` },
                      { onSuccess: () => setGone(offer) },
                    )
                  }
                >
                  {t` Delete `}
                </button>
              </span>
            </li>
          ),
        )}
      </ul>
      {found.length > SHOWN && <p>{t`${found.length - SHOWN} more not shown. Search to narrow the list.`}</p>}
      {open === 'new' ? (
        <PriceForm offer={null} trade={trade} products={products} onDone={() => setOpen(null)} />
      ) : (
        products.length > 0 && (
          <button type="button" className="btn" onClick={() => setOpen('new')}>{t`Add price`}</button>
        )
      )}
    </div>
  );
}
