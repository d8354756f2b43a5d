import type { PlanView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { sayMoment } from './planTimes.ts';

/** When more boats stand in the shed than it holds. */
export function ShedCrowds({ view, zone }: { view: PlanView; zone: string }) {
  const { shedCrowds, setup } = view;
  if (shedCrowds.length === 0) return null;
  return (
    <div role="alert" className="border-warning border-l-4 pl-3">
      <p className="font-semibold">
        {t`More boats in the shed than fit (`}
        {setup.shedPlaces}
        {t`). Move one, or change the dates:`}
      </p>
      <ul className="list-disc pl-5">
        {shedCrowds.map(({ from, until, boatNames }) => (
          <li key={from}>
            {from <= view.now ? t`Now` : t`From ${sayMoment(from, zone)}`}
            {until && t` until ${sayMoment(until, zone)}`}: {boatNames.join(', ')}
          </li>
        ))}
      </ul>
    </div>
  );
}
