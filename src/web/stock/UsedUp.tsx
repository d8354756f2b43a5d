import { useId } from 'react';
import type { SundryView, TradeSettings } from '../../contract/index.ts';
import { type Units, useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { sayMoney } from '../words/supply.ts';

function sayAmountOf({ amount, unit }: SundryView, show: Units['show']): string {
  switch (unit) {
    case 'l':
      return show(amount, 'volume');
    case 'kg':
      return show(amount, 'mass');
    case 'm':
      return show(amount, 'length');
    default:
      return counted(amount, unit === 'pairs' ? 'pair' : 'piece');
  }
}

/** Thinner, additives and sundries, each with its rule and, if known, its cost. */
export function UsedUp({
  heading,
  items,
  currency,
}: {
  heading: string;
  items: readonly SundryView[];
  currency: TradeSettings['currency'];
}) {
  const { show } = useUnits();
  const id = useId();
  if (items.length === 0) return null;
  return (
    <section aria-labelledby={id} className="space-y-2">
      <h2 id={id} className="batten pb-1 text-lg">
        {heading}
      </h2>
      <ul className="grid gap-x-8 gap-y-1 sm:grid-cols-2">
        {items.map((each) => (
          <li key={each.item} className="flex flex-wrap justify-between gap-x-3">
            <span>
              {each.name} <span className="text-sm opacity-80">({each.rule})</span>
            </span>
            <span className="tabular-nums">
              {sayAmountOf(each, show)}
              {each.cost !== null && `, ${sayMoney(each.cost, currency)}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
