import type { BuyingView } from '../../contract/index.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayMoney } from '../words/supply.ts';

type Way = BuyingView['small'][number]['ways'][number];

/** Needs that no tin is bought for, with what would do instead. */
export function SmallNeeds({ view }: { view: BuyingView }) {
  const { show } = useUnits();
  const say = ({ kind, what, cost, left }: Way): string => {
    const money = cost === null ? 'no price' : sayMoney(cost, view.currency);
    switch (kind) {
      case 'remainder':
        return `${what} stands in the yard: nothing to pay, if the colour serves`;
      case 'shared':
        return `mix it with the batch for ${what}`;
      case 'small-pack':
        return `${what} is sold small: ${money}, ${show(left, 'volume')} left over`;
      case 'whole-pack':
        return `the smallest pack all the same: ${money}, ${show(left, 'volume')} left over`;
    }
  };
  return (
    <section aria-labelledby="small" className="space-y-2">
      <h2 id="small" className="batten pb-1 text-lg">
        Too little for any pack
      </h2>
      <ul className="space-y-3">
        {view.small.map((each) => (
          <li key={`${each.productId} ${each.colour}`}>
            <p>
              <strong>
                {each.productName}, {each.colour}: {show(each.litres, 'volume')}
              </strong>
              , {Math.max(1, Math.round(each.share * 100))} % of its smallest pack. Not on the list.
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
