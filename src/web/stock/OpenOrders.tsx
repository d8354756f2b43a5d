import { DateTime } from 'luxon';
import { useState } from 'react';
import type { PurchaseRecord, TradeView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { useProducts } from '../api/queries.ts';
import { sayTime } from '../clock/say.ts';
import { UndoNotice } from '../parts/UndoNotice.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayMoney } from '../words/supply.ts';
import { packQuantity } from './PriceForm.tsx';
import { ReceiveForm } from './ReceiveForm.tsx';

/** Orders on their way, and those that came lately. */
export function OpenOrders({ trade, zone }: { trade: TradeView; zone: string }) {
  const products = useProducts();
  const write = useWrite();
  const { show } = useUnits();
  const [receiving, setReceiving] = useState<string | null>(null);
  const [gone, setGone] = useState<PurchaseRecord | null>(null);
  const now = Date.now();
  const nameOf = (id: string) => products.data?.find((each) => each.id === id)?.name ?? '';
  const supplierOf = (id: string | null) =>
    trade.suppliers.find((each) => each.id === id)?.name ?? t`no supplier recorded`;
  if (trade.purchases.length === 0 && !gone) return null;
  return (
    <section aria-labelledby="orders" className="space-y-3">
      <h2 id="orders" className="batten pb-1 text-lg">{t`Orders`}</h2>
      {gone && (
        <UndoNotice
          text={t`Order deleted.`}
          onUndo={() =>
            write.mutate(
              { method: 'POST', path: `/purchases/${gone.id}/restore` },
              { onSuccess: () => setGone(null) },
            )
          }
          onGone={() => setGone(null)}
        />
      )}
      <ul className="space-y-4">
        {trade.purchases.slice(0, 20).map((order) => (
          <li key={order.id} className="border-base-300 space-y-2 border-b pb-3">
            <p className="flex flex-wrap items-baseline justify-between gap-x-4">
              <span>
                <strong>{order.receivedAt === null ? t`Ordered` : t`Received`}</strong>{' '}
                {sayTime(order.receivedAt ?? order.orderedAt, zone, now)}, {supplierOf(order.supplierId)}
                {order.receivedAt === null &&
                  order.dueOn !== null &&
                  t`, due ${DateTime.fromISO(order.dueOn).toFormat('ccc d LLL')}`}
              </span>
              <span className="tabular-nums">
                {sayMoney(
                  order.lines.reduce((sum, { price }) => sum + price, order.delivery),
                  trade.settings.currency,
                )}
              </span>
            </p>
            <p className="text-sm">
              {order.lines
                .map(
                  (line) =>
                    `${line.count} × ${show(line.litres, packQuantity(line, products.data ?? []))} ${nameOf(line.productId)}${line.part ? t`, ${line.part} alone` : ''}${line.colour ? `, ${line.colour}` : ''}`,
                )
                .join('; ')}
            </p>
            {order.receivedAt === null && receiving !== order.id && (
              <p className="flex flex-wrap gap-2">
                <button
                  type="button"
                  className="btn btn-primary"
                  onClick={() => setReceiving(order.id)}
                >{t`Receive order`}</button>
                <button
                  type="button"
                  className="btn btn-ghost"
                  onClick={() =>
                    write.mutate(
                      { method: 'DELETE', path: `/purchases/${order.id}` },
                      { onSuccess: () => setGone(order) },
                    )
                  }
                >{t`Delete order`}</button>
              </p>
            )}
            {receiving === order.id && products.data && (
              <ReceiveForm
                order={order}
                products={products.data}
                currency={trade.settings.currency}
                onDone={() => setReceiving(null)}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
