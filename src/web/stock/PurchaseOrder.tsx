import { v7 as uuidv7 } from 'uuid';
import type { BuyingView, BuyOrder } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { sayTime } from '../clock/say.ts';
import { StackedTable } from '../parts/StackedTable.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayAmount, sayMoney } from '../words/supply.ts';

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
        colour !== null && each.colour === null ? { ...each, part: t`${each.part}, all colours` } : each,
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
export function PurchaseOrder({ order, view, zone }: { order: BuyOrder; view: BuyingView; zone: string }) {
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
    <section className="space-y-2" aria-label={order.supplierName ?? t`Any supplier`}>
      <h2 className="batten flex flex-wrap items-baseline justify-between gap-x-4 pb-1 text-lg">
        <span>{order.supplierName ?? t`Any supplier`}</span>
        {order.orderBy && (
          <span className={`text-base ${late ? 'text-signal font-semibold' : ''}`}>
            {late
              ? t`Needed before it can arrive. Order now.`
              : t`Order by ${sayTime(order.orderBy, zone, now)}`}
          </span>
        )}
      </h2>
      <StackedTable className="table">
        <thead>
          <tr>
            <th scope="col">{t`Product`}</th>
            <th scope="col" className="text-right">{t`Safe need`}</th>
            <th scope="col">{t`Packs`}</th>
            <th scope="col" className="text-right">{t`Likely left over`}</th>
            <th scope="col" className="text-right">{t`Price`}</th>
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
                    {line.part !== null && t` ${line.part} alone`}
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
      {order.delivery > 0 && <p>{t`Delivery (${order.deliveryDays} days): ${money(order.delivery)}`}</p>}
      {order.short > 0 && (
        <p className="text-warning font-semibold">
          {t`${money(order.short)} below the minimum order. Add items you will need anyway.`}
        </p>
      )}
      <p className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-primary"
          disabled={write.isPending}
          onClick={place}
        >{t`Mark as ordered`}</button>
        <strong className="tabular-nums">{money(order.goods + order.delivery)}</strong>
      </p>
    </section>
  );
}
