import { useState } from 'react';
import type { LotView, StockView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useProducts, useYard } from '../api/queries.ts';
import { Choice } from '../forms/Choice.tsx';
import { MaterialsTabs } from '../parts/MaterialsTabs.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SearchField } from '../parts/SearchField.tsx';
import { counted } from '../words/counted.ts';
import { Labels } from './Labels.tsx';
import { LotForm } from './LotForm.tsx';
import { LotLine } from './LotLine.tsx';
import { Movements } from './Movements.tsx';
import { useStock } from './useStock.ts';

/** The stock by lot, and its movements. */
export function StockPage() {
  const stock = useStock();
  const yard = useYard();
  return (
    <div className="max-w-6xl space-y-5 p-3 md:p-6">
      <h1 className="text-2xl">{t`Materials: stock`}</h1>
      <MaterialsTabs />
      <QueryBoundary query={stock}>
        {(view) => <Store view={view} zone={yard.data?.zone ?? 'UTC'} />}
      </QueryBoundary>
    </div>
  );
}

const SHOWS = {
  all: t`All lots`,
  left: t`Opened`,
  kept: t`Kept back`,
  watch: t`Needs attention`,
} as const;
type Shows = keyof typeof SHOWS;

const shows: Record<Shows, (lot: LotView) => boolean> = {
  all: () => true,
  left: ({ stock }) => stock.openedAt !== null && stock.inTin > 0,
  kept: ({ keptFor }) => keptFor.length > 0,
  watch: ({ usable, stock, difference, notes }) =>
    !usable || stock.belowNothingSince !== null || difference !== null || notes.length > 0,
};

const MOST = 200;

function Store({ view, zone }: { view: StockView; zone: string }) {
  const products = useProducts();
  const [search, setSearch] = useState('');
  const [which, setWhich] = useState<Shows>('all');
  const [adding, setAdding] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const words = search.trim().toLowerCase();
  const found = view.lots.filter(
    (lot) =>
      shows[which](lot) &&
      `${lot.productName} ${lot.part} ${lot.colour ?? ''} ${lot.code} ${lot.place}`
        .toLowerCase()
        .includes(words),
  );
  const tick = (id: string, on: boolean) => {
    const next = new Set(ticked);
    if (on) next.add(id);
    else next.delete(id);
    setTicked(next);
  };
  return (
    <div className="space-y-5">
      {view.solventStore && <p className="border-line border-l-4 pl-3 text-sm">{view.solventStore}</p>}
      <div className="flex flex-wrap items-end gap-4">
        <SearchField
          label={t`Search by product, lot number or location`}
          value={search}
          onChange={setSearch}
        />
        <Choice
          label={t`Filter`}
          value={which}
          choices={Object.entries(SHOWS)}
          onChange={(value) => setWhich(value as Shows)}
        />
        <button type="button" className="btn btn-primary" onClick={() => setAdding(!adding)}>
          {adding ? t`Close` : t`Add stock`}
        </button>
      </div>
      {adding && products.data && <LotForm products={products.data} onDone={() => setAdding(false)} />}
      {view.lots.length === 0 ? (
        <p className="max-w-prose">{t`No stock yet. Add stock here, or receive an order on the Purchasing page. After that, batches mixed on the bench are deducted automatically.`}</p>
      ) : (
        <>
          <p role="status" className="text-sm">
            {found.length === view.lots.length
              ? counted(view.lots.length, 'lot')
              : `${found.length} of ${counted(view.lots.length, 'lot')}`}
          </p>
          <ul>
            {found.slice(0, MOST).map((lot) => (
              <LotLine
                key={lot.id}
                lot={lot}
                lots={view.lots}
                zone={zone}
                now={Date.parse(view.now)}
                open={open === lot.id}
                onOpen={(on) => setOpen(on ? lot.id : null)}
                ticked={ticked.has(lot.id)}
                onTick={(on) => tick(lot.id, on)}
              />
            ))}
          </ul>
          {found.length > MOST && (
            <p>{t`${found.length - MOST} more not shown. Search to narrow the list.`}</p>
          )}
          <Labels lots={view.lots} ticked={ticked} />
        </>
      )}
      <Movements zone={zone} now={Date.parse(view.now)} />
    </div>
  );
}
