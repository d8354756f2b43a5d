import { Link } from 'react-router';
import type { BoatView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { counted } from '../words/counted.ts';

interface Stage {
  name: string;
  done: number;
  all: number;
  to: string;
  /** What to do next in it, in a few words. */
  next: string;
}

/** A size less sure than this, as a fraction, is an estimate: by hand it is good to 5 %, by rule of thumb to 15 %. */
const MEASURED_WITHIN = 0.1;

/** How far a boat is: its areas sized, their systems chosen, the coats applied. */
function stagesOf({ boat, clocks }: BoatView): Stage[] {
  const measured = clocks.filter(({ areaM2 }) => areaM2 > 0).length;
  const estimated = clocks.filter(({ areaM2, spread }) => areaM2 > 0 && spread > MEASURED_WITHIN).length;
  const planned = clocks.filter(({ stepsAll }) => stepsAll > 0).length;
  const sum = (of: 'stepsDone' | 'stepsAll') => clocks.reduce((all, clock) => all + clock[of], 0);
  const of = (place: string) => `/boats/${boat.id}/${place}`;
  const unmeasured = clocks.find(({ areaM2 }) => areaM2 === 0);
  const unplanned = clocks.find(({ stepsAll }) => stepsAll === 0);
  return [
    {
      name: estimated > 0 ? t`areas with a size (${estimated} only estimated)` : t`areas measured`,
      done: measured,
      all: clocks.length,
      to: unmeasured ? of(`survey/${unmeasured.areaId}`) : of('survey/new'),
      next: clocks.length === 0 ? t`Add areas` : t`Measure ${unmeasured?.areaName ?? t`the areas`}`,
    },
    {
      name: t`systems chosen`,
      done: planned,
      all: clocks.length,
      to: of(`systems${unplanned ? `/${unplanned.areaId}` : ''}`),
      next: unplanned ? t`Choose a system for ${unplanned.areaName}` : t`Choose systems`,
    },
    {
      name: t`coats applied`,
      done: sum('stepsDone'),
      all: sum('stepsAll'),
      to: '/bench',
      next: t`Apply the next coat`,
    },
  ];
}

/** The next step on a boat (areas, then systems, then coats), and the progress of each. */
export function BoatProgress({ view }: { view: BoatView }) {
  const stages = stagesOf(view);
  const next = stages.find(({ done, all }) => all === 0 || done < all);
  return (
    <section aria-label={t`Progress`} className="space-y-1">
      <p>
        {stages.map(({ name, done, all }, i) => (
          <span key={name}>
            {i > 0 && ', '}
            <strong>{t`${done} of ${all}`}</strong> {name}
          </span>
        ))}
        .
      </p>
      <p>
        {next ? (
          <>
            {t`Next: `}
            <Link className="link font-semibold" to={next.to}>
              {next.next}
            </Link>
          </>
        ) : (
          t`All coats are on (${counted(view.clocks.length, 'area')}).`
        )}
      </p>
    </section>
  );
}
