import { DateTime } from 'luxon';
import { type CostsView, METHOD_WORDS, type Step, sayTask } from '../../../contract/index.ts';
import { t } from '../../../words.ts';
import type { Context } from '../../context.ts';
import { listPdf } from '../../documents/listPdf.ts';
import type { ProductCatalogue } from '../../rows/products.ts';
import { theYard } from '../../rows/yard.ts';
import { asked } from './costs.ts';
import { sayMoney } from './shoppingPdf.ts';

const lines = (text: string) => text.split('\n').filter((line) => line.trim() !== '');
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** The work on an area in one sentence: preparation, coats with their film, and how they are applied. */
export function sayWorkOn(steps: readonly Step[], catalogue: Pick<ProductCatalogue, 'latest'>): string {
  const parts = steps.flatMap(({ before, productId, coats, dryMicronsPerCoat, method }) => {
    const name = catalogue.latest.get(productId)?.name ?? t`unknown product`;
    const film = dryMicronsPerCoat > 0 ? t`, ${Math.round(dryMicronsPerCoat)} µm dry per coat` : '';
    const times = coats === 1 ? '1 coat' : t`${coats} coats`;
    return [...before.map(sayTask), `${times} of ${name}${film} (${METHOD_WORDS[method].toLowerCase()})`];
  });
  return parts.length > 0 ? `${capital(parts.join('; '))}.` : '';
}

/** What a quote says: what each area comes to with its paint and its work, one row each; never what a tin cost the yard. */
export function quoteContent(input: {
  view: CostsView;
  /** The work on each area in a sentence, by the area’s id. */
  work: ReadonlyMap<string, string>;
  yard: { name: string; zone: string };
  now: number;
}): Parameters<typeof listPdf>[0] {
  const { view, work, yard, now } = input;
  const { settings, quote, bill } = view;
  const money = (minor: number) => sayMoney(minor, settings.currency);
  const date = DateTime.fromMillis(now, { zone: yard.zone });
  const day = (at: DateTime) => at.toFormat('d LLLL yyyy');
  const byArea = new Map<string, { name: string; net: number }>();
  const rest = { goods: 0, work: 0, yard: 0 };
  for (const line of view.lines) {
    const net = asked(line, settings);
    if (line.areaId !== null)
      byArea.set(line.areaId, { name: line.areaName, net: (byArea.get(line.areaId)?.net ?? 0) + net });
    else rest[line.kind === 'yard' ? 'yard' : line.kind === 'labour' ? 'work' : 'goods'] += net;
  }
  const rows = [
    ...[...byArea].map(([id, { name, net }]) => [
      [t`${name}: preparation, paint and labour`, work.get(id) ?? ''].filter(Boolean).join('\n'),
      money(net),
    ]),
    ...(rest.work > 0 ? [[t`Setting up, cleaning tools and clearing up`, money(rest.work)]] : []),
    ...(rest.goods > 0 ? [[t`Thinner, sundries and leftover paint`, money(rest.goods)]] : []),
    ...(rest.yard > 0 ? [[t`${quote.yardDays} days in yard`, money(rest.yard)]] : []),
  ];
  const about = [
    quote.number && t`Quote number: ${quote.number}`,
    `Date: ${day(date)}`,
    quote.validDays > 0 && t`Valid until: ${day(date.plus({ days: quote.validDays }))}`,
    `Boat: ${view.boatName}`,
  ].filter((line): line is string => Boolean(line));
  return {
    title: quote.title || t`Quote for ${view.boatName}`,
    yard: yard.name,
    intro: [
      (lines(settings.address).length > 0 ? lines(settings.address) : [yard.name]).join('\n'),
      ...(quote.customer.trim() ? [`For:\n${lines(quote.customer).join('\n')}`] : []),
      about.join('\n'),
      ...lines(quote.intro),
    ],
    tables: [
      {
        heading: '',
        columns: [
          { head: t`Description`, share: 5 },
          { head: t`Price`, share: 2, figures: true },
        ],
        rows,
        sums: [
          [t`Net`, money(bill.net)],
          [`Tax (${Number((settings.taxRate * 100).toFixed(2))} %)`, money(bill.tax)],
          ...(bill.rounding === 0 ? [] : [['Rounding', money(bill.rounding)]]),
          [t`Total`, money(bill.gross)],
        ],
      },
    ],
    closing: [
      ...(quote.terms.trim() ? [`Terms: ${lines(quote.terms).join('\n')}`] : []),
      ...lines(quote.closing),
    ],
  };
}

/** The quote of a boat as a document. */
export async function quotePdf({ db, memory, now }: Context, view: CostsView) {
  const at = now();
  const { states, catalogue } = await memory.at(at);
  const work = new Map(
    states
      .filter(({ boat }) => boat.id === view.boatId)
      .map(({ area, steps }) => [area.id, sayWorkOn(steps, catalogue)]),
  );
  return listPdf(quoteContent({ view, work, yard: await theYard(db), now: at }));
}
