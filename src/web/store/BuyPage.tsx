import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { BuyingView, BuyOrder, TradeView } from '../../contract/index.ts';
import { useWrite } from '../api/mutations.ts';
import { useBuying, useTrade, useYard } from '../api/queries.ts';
import { sayTime } from '../clock/say.ts';
import { MaterialsTabs } from '../parts/MaterialsTabs.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { StackedTable } from '../parts/StackedTable.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayAmount, sayMoney, sayPart } from '../words/supply.ts';
import { OpenOrders } from './OpenOrders.tsx';
import { Prices } from './Prices.tsx';
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
        <h1 className="text-2xl">Materials: purchasing</h1>
        <div className="flex flex-wrap gap-2">
          <a className="btn btn-ghost" href="/api/v1/shopping.pdf" target="_blank" rel="noreferrer">
            Shopping list (PDF)
          </a>
          <a className="btn btn-ghost" href="/api/v1/shopping.csv" download>
            As CSV
          </a>
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
        <p role="status">No paint to buy. Everything needed is in stock or on order.</p>
        <Besides view={view} />
      </div>
    );
  return (
    <div className="space-y-6">
      {view.orders.length > 0 && (
        <p role="status" className="border-line border-l-4 pl-3 text-lg">
          <strong>{sayMoney(view.total, view.currency)}</strong> for packs that are enough with 90 %
          certainty.{' '}
          {view.proven
            ? 'Nothing cheaper is possible (proven optimal).'
            : `The cheapest found so far: no purchase costs less than ${sayMoney(view.atLeast, view.currency)}.`}
          {view.proving && ' Still looking for a cheaper purchase.'}
        </p>
      )}
      {view.orders.map((order) => (
        <Order key={order.supplierId} order={order} view={view} zone={zone} />
      ))}
      {view.unpriced.length > 0 && (
        <section aria-labelledby="unpriced" className="space-y-2">
          <h2 id="unpriced" className="batten pb-1 text-lg">
            Needed, but no pack or price entered
          </h2>
          <ul className="list-disc pl-5">
            {view.unpriced.map((each) => (
              <li key={`${each.productId} ${each.part} ${each.colour}`}>
                <Link className="link" to={`/materials/${each.productId}`}>
                  {each.productName}
                </Link>
                , {sayPart(each.part, each.colour)}: {sayAmount(show, each.amount, each.unit)}. Add packs to
                the data sheet, or add a price below.
              </li>
            ))}
          </ul>
        </section>
      )}
      {view.small.length > 0 && <SmallNeeds view={view} />}
      {view.tooEarly.map((each) => (
        <p key={each.productName} className="text-warning font-semibold">
          {each.productName} has a shelf life of {each.shelfMonths} months and is needed{' '}
          {sayTime(each.usedAt, zone, Date.parse(view.now))}. Buy it later.
        </p>
      ))}
      <Trades view={view} />
      <Besides view={view} />
    </div>
  );
}

const Besides = ({ view }: { view: BuyingView }) => (
  <UsedUp
    heading="Thinner, additives and sundries (subtract what you already have)"
    items={view.besides}
    currency={view.currency}
  />
);

/** The lines of an order by product and colour, each with what its parts need and leave over. */
function productsOf(order: BuyOrder, view: BuyingView) {
  const keyOf = (line: BuyOrder['lines'][number]) => `${line.productId} ${line.colour ?? ''}`;
  return [...new Set(order.lines.map(keyOf))].map((key) => {
    const lines = order.lines.filter((line) => keyOf(line) === key);
    const [{ productId, productName, colour }] = lines as [BuyOrder['lines'][number]];
    // A hardener is of every colour.
    const parts = view.left
      .filter(
        (each) =>
          each.productId === productId && (colour === null || each.colour === null || each.colour === colour),
      )
      // A part of every colour comes last, and is said to be.
      .sort((a, b) => Number(a.colour === null) - Number(b.colour === null))
      .map((each) =>
        colour !== null && each.colour === null ? { ...each, part: `${each.part}, all colours` } : each,
      );
    return { key, name: colour ? `${productName}, ${colour}` : productName, lines, parts };
  });
}

/** An amount for each part, named where there are several. */
function Amounts({ of }: { of: (readonly [part: string, amount: string])[] }) {
  return of.map(([part, amount]) => (
    <span key={part} className="block whitespace-nowrap">
      {of.length > 1 && `${part} `}
      {amount}
    </span>
  ));
}

/** The purchase from one supplier, with the order button. */
function Order({ order, view, zone }: { order: BuyOrder; view: BuyingView; zone: string }) {
  const write = useWrite();
  const { show } = useUnits();
  const now = Date.parse(view.now);
  const money = (minor: number) => sayMoney(minor, view.currency);
  const late = order.orderBy !== null && Date.parse(order.orderBy) < now;
  const place = () =>
    write.mutate({
      method: 'POST',
      path: '/purchases',
      body: {
        id: uuidv7(),
        supplierId: order.supplierId,
        orderedAt: new Date().toISOString(),
        dueOn:
          order.deliveryDays > 0
            ? new Date(now + order.deliveryDays * 86_400_000).toISOString().slice(0, 10)
            : null,
        delivery: order.delivery,
        note: '',
        lines: order.lines.map(({ productId, part, colour, litres, count, price }) => ({ productId, part, colour, litres, count, price })), // biome-ignore format: one line
      },
    });
  return (
    <section className="space-y-2" aria-label={order.supplierName ?? 'Any supplier'}>
      <h2 className="batten flex flex-wrap items-baseline justify-between gap-x-4 pb-1 text-lg">
        <span>{order.supplierName ?? 'Any supplier'}</span>
        {order.orderBy && (
          <span className={`text-base ${late ? 'text-signal font-semibold' : ''}`}>
            {late
              ? 'Needed before it can arrive. Order now.'
              : `Order by ${sayTime(order.orderBy, zone, now)}`}
          </span>
        )}
      </h2>
      <StackedTable className="table">
        <thead>
          <tr>
            <th scope="col">Product</th>
            <th scope="col" className="text-right">
              Needed
            </th>
            <th scope="col">Packs</th>
            <th scope="col" className="text-right">
              Left over
            </th>
            <th scope="col" className="text-right">
              Price
            </th>
          </tr>
        </thead>
        <tbody>
          {productsOf(order, view).map(({ key, name, lines, parts }) => (
            <tr key={key} className="align-top">
              <th scope="row" className="font-normal">
                {name}
              </th>
              <td className="text-right tabular-nums">
                <Amounts of={parts.map((each) => [each.part, sayAmount(show, each.wanted, each.unit)])} />
              </td>
              <td className="whitespace-nowrap">
                {lines.map((line) => (
                  <span key={`${line.part} ${line.litres}`} className="block">
                    {line.count} × {sayAmount(show, line.litres, line.unit)}
                    {line.part !== null && ` ${line.part} alone`}
                  </span>
                ))}
              </td>
              <td className="text-right tabular-nums">
                <Amounts
                  of={parts.map((each) => [each.part, sayAmount(show, Math.max(0, each.amount), each.unit)])}
                />
              </td>
              <td className="text-right whitespace-nowrap tabular-nums">
                {money(lines.reduce((sum, { price }) => sum + price, 0))}
              </td>
            </tr>
          ))}
        </tbody>
      </StackedTable>
      {order.delivery > 0 && (
        <p>
          Delivery ({order.deliveryDays} days): {money(order.delivery)}
        </p>
      )}
      {order.short > 0 && (
        <p className="text-warning font-semibold">
          {money(order.short)} below the minimum order. Add items you will need anyway.
        </p>
      )}
      <p className="flex flex-wrap items-center gap-3">
        <button type="button" className="btn btn-primary" disabled={write.isPending} onClick={place}>
          Mark as ordered
        </button>
        <strong className="tabular-nums">{money(order.goods + order.delivery)}</strong>
      </p>
    </section>
  );
}

/** The next sets and what they trade, and what is left over. */
function Trades({ view }: { view: BuyingView }) {
  const { show } = useUnits();
  const left = view.left.filter(({ amount }) => amount > 0.005);
  return (
    <div className="grid gap-6 lg:grid-cols-2">
      {view.runnersUp.length > 0 && (
        <section aria-labelledby="instead" className="space-y-2">
          <h2 id="instead" className="batten pb-1 text-lg">
            Next-cheapest options
          </h2>
          <ul className="space-y-1">
            {view.runnersUp.map((other) => (
              <li key={JSON.stringify(other.what)}>
                <strong>+{sayMoney(Math.round(other.more), view.currency)}</strong>
                {Math.abs(other.left) > 0.005 &&
                  `, ${show(Math.abs(other.left), 'volume')} ${other.left > 0 ? 'more' : 'less'} left over`}
                :{' '}
                {other.what
                  .map(
                    ({ productName, part, colour, litres, unit, count, supplierName }) =>
                      `${count} × ${sayAmount(show, litres, unit)} ${productName}${part ? `, ${part} only` : ''}${colour ? `, ${colour}` : ''}${supplierName ? ` (${supplierName})` : ''}`,
                  )
                  .join('; ')}
              </li>
            ))}
          </ul>
        </section>
      )}
      {left.length > 0 && (
        <section aria-labelledby="left" className="space-y-2">
          <h2 id="left" className="batten pb-1 text-lg">
            Expected leftovers
          </h2>
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
