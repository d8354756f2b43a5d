import type { BuyingView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayMoney } from '../words/supply.ts';

type Way = BuyingView['small'][number]['ways'][number];

/** Needs that no tin is bought for, with what would do instead. */
export function SmallNeeds({ view }: { view: BuyingView }) {
  const { show } = useUnits();
  const say = ({ kind, what, cost, left }: Way): string => {
    const money = cost === null ? t`no price` : sayMoney(cost, view.currency);
    switch (kind) {
      case 'remainder':
        return t`Use ${what} from stock if the colour will do (no cost)`;
      case 'shared':
        return t`Share a batch with ${what}`;
      case 'small-pack':
        return t`Buy a small pack of ${what}: ${money}, ${show(left, 'volume')} left over`;
      case 'whole-pack':
        return t`Buy the smallest pack anyway: ${money}, ${show(left, 'volume')} left over`;
    }
  };
  return (
    <section aria-labelledby="small" className="space-y-2">
      <h2 id="small" className="batten pb-1 text-lg">{t`Amounts too small for a whole pack`}</h2>
      <ul className="space-y-3">
        {view.small.map((each) => (
          <li key={`${each.productId} ${each.colour}`}>
            <p>
              <strong>
                {each.productName}, {each.colour}: {show(each.litres, 'volume')}
              </strong>
              {t` (${Math.max(1, Math.round(each.share * 100))} % of the smallest pack). Not on the shopping list.`}
            </p>
            <ul className="list-disc pl-5">
              {each.ways.map((way) => (
                <li key={`${way.kind} ${way.what} ${way.left}`}>{say(way)}</li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}
