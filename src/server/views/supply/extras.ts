import type { SundryView } from '../../../contract/index.ts';
import { timesRate } from '../../../core/supply/index.ts';
import { t } from '../../../words.ts';
import type { Held } from './partSupply.ts';
import { sundryViews } from './sundryWork.ts';
import type { YardNeed } from './yardNeed.ts';

/** Thinner is sold by the litre [M]; larger tins are cheaper, and mostly left over. */
const THINNER_PACK_L = 1;

/** Purchases other than paint: thinner by name, additives of each product, and sundries. */
export function extrasOf(needed: Pick<YardNeed, 'lines' | 'need' | 'hulls'>, held: Held): SundryView[] {
  const { settings } = held.trade;
  const { thinnerPerLitre: price, currency } = settings;
  const nameOf = (id: string) => held.catalogue.latest.get(id)?.name ?? t`unknown product`;
  const thinners = new Map<string, number>();
  for (const { productId, name, safe } of needed.need.liquids) {
    const called = name ?? t`Thinner for ${nameOf(productId)} (none named on the data sheet)`;
    if (safe > 0) thinners.set(called, (thinners.get(called) ?? 0) + safe);
  }
  const litres = (
    item: string,
    name: string,
    rule: string,
    { amount, needed, cost }: { amount: number; needed: number; cost: number | null },
  ) => ({
    item,
    name,
    unit: 'l',
    rule,
    amount,
    exact: needed,
    cost,
  });
  return [
    ...[...thinners].map(([name, needed]) => {
      const amount = Math.ceil(needed / THINNER_PACK_L - 1e-9) * THINNER_PACK_L;
      const cost = price === null ? null : timesRate(price, amount, currency);
      return litres(`thinner ${name}`, name, t`for thinning and cleaning, in tins of 1 l`, {
        amount,
        needed,
        cost,
      });
    }),
    ...needed.need.additives.map(({ productId, name, safe }) =>
      litres(`additive ${productId} ${name}`, name, t`additive for ${nameOf(productId)}`, {
        amount: safe,
        needed: safe,
        cost: null,
      }),
    ),
    ...sundryViews(needed, settings),
  ];
}
