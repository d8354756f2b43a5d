import { useSearchParams } from 'react-router';
import type { CostLine, CostsView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useBoard } from '../api/queries.ts';
import { useCosts } from '../api/supplyQueries.ts';
import { Choice } from '../forms/Choice.tsx';
import { MaterialsTabs } from '../parts/MaterialsTabs.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { StackedTable } from '../parts/StackedTable.tsx';
import { sayMoney } from '../words/supply.ts';
import { QuoteForm } from './QuoteForm.tsx';
import { TradeForm } from './TradeForm.tsx';

/** What a boat costs, and the quote for her owner. */
export function CostsPage() {
  const board = useBoard();
  const [search, setSearch] = useSearchParams();
  const boats = board.data?.boats ?? [];
  const boatId = search.get('boat') ?? boats[0]?.id ?? '';
  const costs = useCosts(boatId);
  return (
    <div className="max-w-6xl space-y-5 p-3 md:p-6">
      <h1 className="text-2xl">{t`Materials: costs`}</h1>
      <MaterialsTabs />
      {board.data && boats.length === 0 ? (
        <p>{t`No boats yet. Add a boat to see its costs.`}</p>
      ) : (
        <>
          <div className="max-w-xs">
            <Choice
              label={t`Boat`}
              value={boatId}
              choices={boats.map((boat) => [boat.id, boat.name] as const)}
              onChange={(value) => setSearch({ boat: value }, { replace: true })}
            />
          </div>
          {boatId !== '' && (
            <QueryBoundary query={costs}>{(view) => <Costs key={boatId} view={view} />}</QueryBoundary>
          )}
        </>
      )}
    </div>
  );
}

const KIND_WORDS: Record<CostLine['kind'], string> = {
  paint: t`Paint`,
  thinner: t`Thinner`,
  sundries: t`Sundries`,
  labour: t`Work`,
  yard: t`Yard`,
  waste: t`Leftover paint`,
};

interface Row {
  key: string;
  name: string;
  what: string;
  planned: number;
  soFar: number;
  forecast: number;
}

/** Lines gathered: of an area its paint and its work, of the whole boat what is of no area. */
function gathered(lines: readonly CostLine[], keyOf: (line: CostLine) => Pick<Row, 'name' | 'what'>): Row[] {
  const rows = new Map<string, Row>();
  for (const line of lines) {
    const { name, what } = keyOf(line);
    const key = `${name} ${what}`;
    const row = rows.get(key) ?? { key, name, what, planned: 0, soFar: 0, forecast: 0 };
    const { planned, soFar, forecast } = line;
    rows.set(key, {
      ...row,
      planned: row.planned + planned,
      soFar: row.soFar + soFar,
      forecast: row.forecast + forecast,
    });
  }
  return [...rows.values()].sort((a, b) => Number(a.name === BOAT) - Number(b.name === BOAT));
}

const BOAT = t`Whole boat`;
const byArea = (line: CostLine) =>
  line.areaId === null
    ? { name: BOAT, what: line.kind === 'labour' ? line.what : KIND_WORDS[line.kind] }
    : { name: line.areaName, what: t`Paint and labour` };
const byStep = (line: CostLine) => ({ name: line.areaId === null ? BOAT : line.areaName, what: line.what });

function Costs({ view }: { view: CostsView }) {
  const { settings, total, bill } = view;
  const money = (minor: number) => sayMoney(minor, settings.currency);
  return (
    <div className="space-y-6">
      <p role="status" className="border-line border-l-4 pl-3 text-lg">
        {t`Planned `}
        <strong>{money(total.planned)}</strong>
        {t` · spent so far `}
        <strong>{money(total.soFar)}</strong>
        {t` · forecast total `}
        <strong>{money(total.forecast)}</strong>
        {t` · ${Math.round(view.hours)} h of labour`}
      </p>
      {view.unpriced.length > 0 && (
        <p className="text-warning font-semibold">{t`No price, so not included: ${view.unpriced.join(', ')}.`}</p>
      )}
      {settings.labourPerHour === 0 && <p>{t`No labour rate set. Enter it below.`}</p>}
      <CostTable rows={gathered(view.lines, byArea)} money={money} />
      <details>
        <summary className="text-info target cursor-pointer py-2 underline underline-offset-2">{t`Show all lines`}</summary>
        <CostTable rows={gathered(view.lines, byStep)} money={money} />
      </details>
      <p className="flex flex-wrap gap-3">
        <a
          className="btn"
          href={`/api/v1/boats/${view.boatId}/costs.csv`}
          download
        >{t`Export costs (CSV)`}</a>
      </p>
      <section aria-labelledby="quote" className="space-y-3">
        <h2 id="quote" className="batten pb-1 text-lg">{t`Quote`}</h2>
        <p>
          {t`Net ${money(bill.net)}, tax ${money(bill.tax)}`}
          {bill.rounding !== 0 && <>{t`, rounding ${money(bill.rounding)}`}</>}:{' '}
          <strong>{money(bill.gross)}</strong>
          {t`. Purchase prices are not shown on the quote.`}
        </p>
        <QuoteForm quote={view.quote} />
        <a
          className="btn btn-primary"
          target="_blank"
          rel="noreferrer"
          href={`/api/v1/boats/${view.boatId}/quote.pdf`}
        >{t`Quote (PDF)`}</a>
      </section>
      <section aria-labelledby="rules" className="space-y-3">
        <h2 id="rules" className="batten pb-1 text-lg">{t`Prices and rates`}</h2>
        <TradeForm settings={settings} />
      </section>
    </div>
  );
}

function CostTable({ rows, money }: { rows: readonly Row[]; money: (minor: number) => string }) {
  return (
    <StackedTable className="table">
      <thead>
        <tr>
          <th scope="col">{t`Area`}</th>
          <th scope="col">{t`What`}</th>
          <th scope="col">{t`Planned`}</th>
          <th scope="col">{t`Spent so far`}</th>
          <th scope="col">{t`Forecast total`}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.key}>
            <th scope="row">{row.name}</th>
            <td>{row.what}</td>
            <td className="tabular-nums">{money(row.planned)}</td>
            <td className="tabular-nums">{money(row.soFar)}</td>
            <td className="tabular-nums">{money(row.forecast)}</td>
          </tr>
        ))}
      </tbody>
    </StackedTable>
  );
}
