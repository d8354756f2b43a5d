import { Link } from 'react-router';
import type { BuyingView, TradeView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useYard } from '../api/queries.ts';
import { useBuying, useTrade } from '../api/supplyQueries.ts';
import { sayTime } from '../clock/say.ts';
import { MaterialsTabs } from '../parts/MaterialsTabs.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayAmount, sayMoney, sayPart } from '../words/supply.ts';
import { OpenOrders } from './OpenOrders.tsx';
import { Prices } from './Prices.tsx';
import { PurchaseOrder } from './PurchaseOrder.tsx';
import { SmallNeeds } from './SmallNeeds.tsx';
import { Suppliers } from './Suppliers.tsx';
import { UsedUp } from './UsedUp.tsx';

/** What to buy, from whom, and what was ordered. */
export function BuyPage() {
  const buying = useBuying();
  const trade = useTrade();
  const yard = useYard();
  const zone = yard.data?.zone ?? 'UTC';
  return (
    <div className="max-w-6xl space-y-5 p-3 md:p-6">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h1 className="text-2xl">{t`Materials: purchasing`}</h1>
        <div className="flex flex-wrap gap-2">
          <a
            className="btn btn-ghost"
            href="/api/v1/shopping.pdf"
            target="_blank"
            rel="noreferrer"
          >{t`Shopping list (PDF)`}</a>
          <a className="btn btn-ghost" href="/api/v1/shopping.csv" download>{t`As CSV`}</a>
        </div>
      </div>
      <MaterialsTabs />
      <QueryBoundary query={buying}>{(view) => <Buying view={view} zone={zone} />}</QueryBoundary>
      <QueryBoundary query={trade}>
        {(view: TradeView) => (
          <>
            <OpenOrders trade={view} zone={zone} />
            <Suppliers trade={view} />
            <Prices trade={view} />
          </>
        )}
      </QueryBoundary>
    </div>
  );
}

function Buying({ view, zone }: { view: BuyingView; zone: string }) {
  const { show } = useUnits();
  const nothing = view.orders.length === 0 && view.unpriced.length === 0 && view.small.length === 0;
  if (nothing)
    return (
      <div className="space-y-6">
        <p role="status">{t`No paint to buy. Everything needed is in stock or on order.`}</p>
        <Extras view={view} />
      </div>
    );
  return (
    <div className="space-y-6">
      {view.orders.length > 0 && (
        <p role="status" className="border-line border-l-4 pl-3 text-lg">
          <strong>{sayMoney(view.total, view.currency)}</strong>
          {t` for packs that are enough with 90 % certainty. ${
            view.proven
              ? t`Nothing cheaper is possible (proven optimal).`
              : t`The cheapest found so far: no purchase costs less than ${sayMoney(view.atLeast, view.currency)}.`
          }`}
          {view.proving && t` Still looking for a cheaper purchase.`}
        </p>
      )}
      {view.orders.map((order) => (
        <PurchaseOrder key={order.supplierId} order={order} view={view} zone={zone} />
      ))}
      {view.unpriced.length > 0 && (
        <section aria-labelledby="unpriced" className="space-y-2">
          <h2 id="unpriced" className="batten pb-1 text-lg">{t`Needed, but no pack or price entered`}</h2>
          <ul className="list-disc pl-5">
            {view.unpriced.map((each) => (
              <li key={`${each.productId} ${each.part} ${each.colour}`}>
                <Link className="link" to={`/materials/${each.productId}`}>
                  {each.productName}
                </Link>
                {t`, ${sayPart(each.part, each.colour)}: ${sayAmount(show, each.amount, each.unit)}. Add packs to the data sheet, or add a price below.`}
              </li>
            ))}
          </ul>
        </section>
      )}
      {view.small.length > 0 && <SmallNeeds view={view} />}
      {view.tooEarly.map((each) => (
        <p key={each.productName} className="text-warning font-semibold">
          {t`${each.productName} has a shelf life of ${each.shelfMonths} months and is needed ${sayTime(each.usedAt, zone, Date.parse(view.now))}. Buy it later.`}
        </p>
      ))}
      <Trades view={view} />
      <Extras view={view} />
    </div>
  );
}

const Extras = ({ view }: { view: BuyingView }) => (
  <UsedUp
    heading={t`Thinner, additives and sundries (subtract what you already have)`}
    items={view.extras}
    currency={view.currency}
  />
);

/** The next sets and what they trade, and what is left over. */
function Trades({ view }: { view: BuyingView }) {
  const { show } = useUnits();
  const left = view.left.filter(({ amount }) => amount > 0.005);
  return (
    <div className="grid gap-6 lg:grid-cols-2">
      {view.runnersUp.length > 0 && (
        <section aria-labelledby="instead" className="space-y-2">
          <h2 id="instead" className="batten pb-1 text-lg">{t`Next-cheapest options`}</h2>
          <ul className="space-y-1">
            {view.runnersUp.map((other) => (
              <li key={JSON.stringify(other.what)}>
                <strong>+{sayMoney(Math.round(other.more), view.currency)}</strong>
                {Math.abs(other.left) > 0.005 &&
                  t`, ${show(Math.abs(other.left), 'volume')} ${other.left > 0 ? t`more` : t`less`} left over`}
                :{' '}
                {other.what
                  .map(
                    ({ productName, part, colour, litres, unit, count, supplierName }) =>
                      `${count} × ${sayAmount(show, litres, unit)} ${productName}${part ? t`, ${part} only` : ''}${colour ? `, ${colour}` : ''}${supplierName ? ` (${supplierName})` : ''}`,
                  )
                  .join('; ')}
              </li>
            ))}
          </ul>
        </section>
      )}
      {left.length > 0 && (
        <section aria-labelledby="left" className="space-y-2">
          <h2 id="left" className="batten pb-1 text-lg">{t`Expected leftovers`}</h2>
          <ul className="space-y-1">
            {left.map((each) => (
              <li key={`${each.productName} ${each.part} ${each.colour}`}>
                {each.productName} {sayPart(each.part, each.colour)}:{' '}
                {sayAmount(show, each.amount, each.unit)}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
