import { DateTime } from 'luxon';
import type { BuyingView, SundryView, TradeSettings } from '../../../contract/index.ts';
import { fromMinor, minorDigits } from '../../../core/supply/index.ts';
import { formatQuantity } from '../../../core/units/index.ts';
import { t } from '../../../words.ts';
import type { Context } from '../../context.ts';
import { listPdf, type PdfTable } from '../../documents/listPdf.ts';
import { theYard } from '../../rows/yard.ts';
import { buyingView } from './buying.ts';

/** Money as a page says it: `12.50 EUR`. */
export const sayMoney = (minor: number, currency: TradeSettings['currency']): string =>
  `${fromMinor(minor, currency).toFixed(minorDigits(currency))} ${currency}`;

/** On paper in metric units, whole litres as tins: 3 × 1 l, 76 ml, 1 pair. */
function sayNeeded(amount: number, unit: string): string {
  if (unit === 'l')
    return Number.isInteger(amount)
      ? `${amount} × 1 l`
      : formatQuantity(Math.ceil(amount * 1000) / 1000, 'volume', 'metric');
  if (unit === 'kg') return formatQuantity(amount, 'mass', 'metric');
  return `${amount} ${amount === 1 ? unit.replace(/s$/, '') : unit}`;
}

/** Thinner, additives and sundries, none of which the stock counts. */
const extrasTable = (extras: readonly SundryView[], money: (minor: number) => string): PdfTable => ({
  heading: t`Thinner, additives and sundries (subtract what you already have)`,
  columns: [
    { head: t`Amount`, share: 2, figures: true },
    { head: t`Item`, share: 6 },
    { head: t`Price`, share: 2, figures: true },
  ],
  rows: extras.map(({ amount, unit, name, cost }) => [
    sayNeeded(amount, unit),
    name,
    cost === null ? '' : money(cost),
  ]),
  sums: [],
});

const nameOf = (line: BuyingView['orders'][number]['lines'][number] | undefined): string =>
  line ? [line.productName, line.part].filter(Boolean).join(', ') : '';

/** The shopping list to take along, an order a supplier. */
export async function shoppingPdf(context: Context) {
  const view = await buyingView(context, {});
  const { name, zone } = await theYard(context.db);
  const day = (at: string) => DateTime.fromISO(at, { zone }).toFormat('ccc d LLL yyyy');
  const money = (minor: number) => sayMoney(minor, view.currency);
  return listPdf({
    title: t`Shopping list: ${name}`,
    yard: name,
    intro: [t`${day(view.now)}. Enough for planned work with 90 % certainty, less current stock.`],
    tables: [
      ...view.orders.map((order) => ({
        heading: `${order.supplierName ?? t`Any supplier`}${order.orderBy === null ? '' : order.orderBy < view.now ? t`: order now` : t`: order by ${day(order.orderBy)}`}`,
        columns: [
          { head: t`Packs`, share: 1, figures: true },
          { head: t`Product`, share: 5 },
          { head: t`Colour`, share: 2 },
          { head: t`Pack size`, share: 2, figures: true },
          { head: t`Price`, share: 2, figures: true },
        ],
        // A product is named once, at the first of its packs.
        rows: order.lines.map((line, i) => [
          `${line.count} ×`,
          nameOf(line) === nameOf(order.lines[i - 1]) ? '' : nameOf(line),
          line.colour ?? '',
          `${line.litres} ${line.unit}`,
          money(line.price),
        ]),
        sums: [
          ...(order.delivery > 0 ? [['', t`Delivery`, '', '', money(order.delivery)]] : []),
          ['', t`Total`, '', '', money(order.goods + order.delivery)],
        ],
      })),
      ...(view.extras.length > 0 ? [extrasTable(view.extras, money)] : []),
    ],
    closing: [
      ...view.unpriced.map(
        ({ productName, part, amount, unit }) =>
          t`${productName}, ${part}: ${amount.toFixed(2)} ${unit} needed, no pack size entered.`,
      ),
      ...view.small.map(
        ({ productName, colour, litres }) =>
          t`${productName}, ${colour}: only ${Math.round(litres * 1000)} ml needed, too little for a whole pack.`,
      ),
    ],
  });
}
