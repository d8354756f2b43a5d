import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { LotView, MovementInput, StockView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useQueued, useWrite } from '../api/mutations.ts';
import { AmountStepper } from '../forms/AmountStepper.tsx';
import { MaterialsTabs } from '../parts/MaterialsTabs.tsx';
import { OpenFile } from '../parts/OpenFile.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SearchField } from '../parts/SearchField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { sayAmount, sayPart } from '../words/supply.ts';
import { useStock } from './useStock.ts';

/** Going through the stock with a phone: each tin's figure as the book has it, put right by thumb. */
export function CountPage() {
  const stock = useStock();
  return (
    <div className="max-w-3xl space-y-5 p-3 md:p-6">
      <h1 className="text-2xl">{t`Materials: stock count`}</h1>
      <MaterialsTabs />
      <QueryBoundary query={stock}>
        {(view) => (view.lots.length === 0 ? <p>{t`No stock to count yet.`}</p> : <Count view={view} />)}
      </QueryBoundary>
    </div>
  );
}

function Count({ view }: { view: StockView }) {
  const { show } = useUnits();
  const [search, setSearch] = useState('');
  const [found, setFound] = useState<Readonly<Record<string, number>>>({});
  const [kept, setKept] = useState<'arrived' | 'kept' | null>(null);
  const queued = useQueued();
  const words = search.trim().toLowerCase();
  const lots = view.lots.filter((lot) =>
    `${lot.productName} ${lot.part} ${lot.colour ?? ''} ${lot.code} ${lot.place}`
      .toLowerCase()
      .includes(words),
  );
  const book = (lot: LotView) => Math.max(0, Number(lot.stock.inTin.toFixed(3)));
  const ids = Object.keys(found);
  const send = () => {
    const at = new Date().toISOString();
    const movements = ids.map(
      (lotId): MovementInput => ({ id: uuidv7(), lotId, kind: 'counted', amount: found[lotId] ?? 0, at, areaId: null, note: '', corrects: null }), // biome-ignore format: one line
    );
    queued.mutate(
      {
        method: 'POST',
        path: '/movements/together',
        body: { id: uuidv7(), movements },
        what: t`a stock count`,
      },
      {
        onSuccess: (how) => {
          setKept(how);
          setFound({});
        },
      },
    );
  };
  return (
    <div className="space-y-5">
      <p>{t`Count only what is in the tin, without cups kept back for patches. If a tin is empty, enter 0.`}</p>
      <SearchField label={t`Search by product, lot number or location`} value={search} onChange={setSearch} />
      <ul className="space-y-6">
        {lots.slice(0, 100).map((lot) => {
          const now = found[lot.id];
          return (
            <li key={lot.id} className="border-base-300 space-y-2 border-b pb-4">
              <p className="text-lg">
                <strong>
                  {lot.productName}, {sayPart(lot.part, lot.colour)}
                </strong>
                <span className="block text-sm">
                  {[lot.code && t`lot ${lot.code}`, lot.place].filter(Boolean).join(' · ')}
                </span>
              </p>
              <AmountStepper
                label={now === undefined ? t`Book ${sayAmount(show, lot.stock.inTin, lot.unit)}` : t`Counted`}
                unit={lot.unit}
                value={now ?? book(lot)}
                onChange={(value) => {
                  setKept(null);
                  setFound({ ...found, [lot.id]: value });
                }}
              />
              {now === undefined ? (
                <button
                  type="button"
                  className="btn target w-full"
                  onClick={() => {
                    setKept(null);
                    setFound({ ...found, [lot.id]: book(lot) });
                  }}
                >
                  {t` Confirm expected `}
                </button>
              ) : (
                <p
                  className={
                    Math.abs(now - lot.stock.inTin) > 0.001 ? 'text-warning font-semibold' : 'text-success'
                  }
                >
                  {Math.abs(now - lot.stock.inTin) > 0.001
                    ? t`${sayAmount(show, Math.abs(now - lot.stock.inTin), lot.unit)} ${now > lot.stock.inTin ? t`more` : t`less`} than expected`
                    : t`as expected`}
                </p>
              )}
            </li>
          );
        })}
      </ul>
      {lots.length > 100 && <p>{t`${lots.length - 100} more not shown. Search to narrow the list.`}</p>}
      <div className="save-bar space-y-2">
        {kept && (
          <p role="status">
            {kept === 'arrived' ? t`Count saved.` : t`Count saved on this device, waiting to sync.`}
          </p>
        )}
        <button
          type="button"
          className="btn btn-primary btn-xl target w-full"
          disabled={ids.length === 0 || queued.isPending}
          onClick={send}
        >
          {ids.length === 0 ? t`Nothing counted yet` : t`Save ${counted(ids.length, 'count')}`}
        </button>
      </div>
      <CountFile />
    </div>
  );
}

function CountFile() {
  const write = useWrite<{ taken: number; same: number }>({ atForm: true });
  const { data, error } = write;
  const read = async (file: File) =>
    write.mutate({ method: 'POST', path: '/lots/count', body: { csv: await file.text() } });
  return (
    <section aria-labelledby="count-file" className="space-y-2">
      <h2 id="count-file" className="batten pb-1 text-lg">{t`Count on paper or in a spreadsheet`}</h2>
      <p className="flex flex-wrap items-center gap-3">
        <a className="btn" href="/api/v1/lots.csv" download>{t`Export count sheet (CSV)`}</a>
        <OpenFile
          label={t`Import count sheet (CSV)`}
          accept=".csv,text/csv"
          onFile={(file) => void read(file)}
        />
      </p>
      {data && <p role="status">{t`${counted(data.taken, 'lot')} corrected, ${data.same} unchanged.`}</p>}
      {error && (
        <p role="alert" className="text-error font-semibold">
          {error.message}
        </p>
      )}
    </section>
  );
}
