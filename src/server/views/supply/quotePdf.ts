import { DateTime } from 'luxon';
import type { CostsView } from '../../../contract/index.ts';
import type { Context } from '../../context.ts';
import { listPdf } from '../../documents/listPdf.ts';
import { theYard } from '../../rows/yard.ts';
import { asked } from './costs.ts';
import { sayMoney } from './shoppingPdf.ts';

/** A quote: what each area comes to with its paint and its work, one line each; never what a tin cost the yard. */
export async function quotePdf({ db, now }: Context, view: CostsView) {
  const { name, zone } = await theYard(db);
  const { settings, quote, bill } = view;
  const money = (minor: number) => sayMoney(minor, settings.currency);
  const byArea = new Map<string, number>();
  const rest = { goods: 0, work: 0, yard: 0 };
  for (const line of view.lines) {
    const net = asked(line, settings);
    if (line.areaId !== null) byArea.set(line.areaName, (byArea.get(line.areaName) ?? 0) + net);
    else rest[line.kind === 'yard' ? 'yard' : line.kind === 'labour' ? 'work' : 'goods'] += net;
  }
  const rows = [
    ...[...byArea].map(([area, net]) => [`${area}: preparation, paint and labour`, money(net)]),
    ...(rest.work > 0 ? [['Setting up, cleaning tools and clearing up', money(rest.work)]] : []),
    ...(rest.goods > 0 ? [['Thinner, sundries and leftover paint', money(rest.goods)]] : []),
    ...(rest.yard > 0 ? [[`${quote.yardDays} days in yard`, money(rest.yard)]] : []),
  ];
  return listPdf({
    title: quote.title || `Quote for ${view.boatName}`,
    intro: [
      `${name}, ${DateTime.fromMillis(now(), { zone }).toFormat('d LLLL yyyy')}`,
      ...quote.intro.split('\n'),
    ],
    tables: [
      {
        heading: '',
        columns: [
          { head: 'Description', share: 5 },
          { head: 'Price', share: 2, figures: true },
        ],
        rows,
        sums: [
          ['Net', money(bill.net)],
          [`Tax (${Number((settings.taxRate * 100).toFixed(2))} %)`, money(bill.tax)],
          ...(bill.rounding === 0 ? [] : [['Rounding', money(bill.rounding)]]),
          ['Total', money(bill.gross)],
        ],
      },
    ],
    closing: quote.closing.split('\n'),
  });
}
