import { Link } from 'react-router';
import type { TodayCoat, TodayView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useToday } from '../api/queries.ts';
import { sayTime } from '../clock/say.ts';
import { sayCondition } from '../words/airReasons.ts';
import { counted } from '../words/counted.ts';

/** Coats that are possible today, in the order for one person that fits the most; then the others with the reason. */
export function Today({ zone }: { zone: string }) {
  const today = useToday();
  const { data } = today;
  if (!data || data.coats.length === 0) return null;
  return <Fetched view={data} zone={zone} />;
}

function Fetched({ view, zone }: { view: TodayView; zone: string }) {
  const now = Date.parse(view.now);
  const placed = view.coats.filter((coat) => coat.placed !== null || coat.planned !== null);
  const left = view.coats.filter((coat) => !placed.includes(coat));
  const isAgreed = placed.some((coat) => coat.planned !== null);
  return (
    <section aria-labelledby="today" className="space-y-2">
      <h2 id="today" className="batten pb-1 text-lg">
        {isAgreed ? t`Planned and possible today` : t`Possible today`}
      </h2>
      {placed.length === 0 ? (
        <p className="font-semibold">{t`No coat has a suitable start time left today.`}</p>
      ) : (
        <ol className="space-y-1">
          {placed.map((coat) => (
            <li key={coat.areaId} className="grid gap-x-4 sm:grid-cols-[minmax(0,11rem)_minmax(0,1fr)]">
              <span className="big-figure">
                {/* A pot is mixed, and no hour of today suits its coat: that is no time to say. */}
                {coat.planned
                  ? t`Planned ${sayTime(coat.planned, zone, now)}`
                  : coat.starts.length === 0
                    ? t`Decide now`
                    : coat.placed &&
                      `${sayTime(coat.placed.start, zone, now)}–${sayTime(coat.placed.end, zone, now)}`}
              </span>
              <span>
                <CoatName coat={coat} />
                {coat.potEnds && (
                  <strong>
                    {t` Mixed: pot life ends ${sayTime(coat.potEnds, zone, now)}`}
                    {coat.placed && coat.placed.end > coat.potEnds && t`, before the coat is on`}.
                  </strong>
                )}
                <span
                  className={`text-sm ${coat.planned && coat.starts.length === 0 ? 'font-semibold' : ''}`}
                >
                  {' '}
                  {sayStarts(coat, zone, now)}.
                </span>
                {sayBefore(coat) && <span className="text-sm">{t` First: ${sayBefore(coat)}.`}</span>}
                {coat.conditions.map((code) => (
                  <strong key={code} className="text-sm">
                    {' '}
                    {sayCondition(code)}
                  </strong>
                ))}
              </span>
            </li>
          ))}
        </ol>
      )}
      {isAgreed ? (
        <p className="text-sm">
          {t`Planned times are those of the agreed plan. The work of the day shows what has moved since. `}
          <Link className="link" to="/plan/today">{t`Open the work of the day`}</Link>
        </p>
      ) : (
        placed.length > 1 && <p className="text-sm">{t`Order for one person that fits the most coats.`}</p>
      )}
      {left.length > 0 && (
        <details>
          <summary className="target cursor-pointer py-2">
            {t`${counted(left.length, 'coat')} not possible today`}
          </summary>
          <ul className="list-disc space-y-1 pl-5">
            {left.map((coat) => (
              <li key={coat.areaId}>
                <CoatName coat={coat} /> {sayWhyNot(coat, zone, now)}.
              </li>
            ))}
          </ul>
        </details>
      )}
      {view.more > 0 && <p className="text-sm">{t`${counted(view.more, 'more area')} not checked.`}</p>}
    </section>
  );
}

const CoatName = ({ coat }: { coat: TodayCoat }) => (
  <>
    <Link className="font-semibold hover:underline" to={`/bench/${coat.areaId}`}>
      {coat.productName}, {coat.colour}
    </Link>{' '}
    {coat.areaName}, {coat.boatName}.
  </>
);

/** What has to be done before the coat, worded as on the bench. */
const sayBefore = ({ workLeft, untaped, paintEnds, openFaults }: TodayCoat): string =>
  [
    ...(workLeft > 0 ? [`${counted(workLeft, 'task')}`] : []),
    ...(untaped > 0 ? [t`mask ${counted(untaped, 'item')}`] : []),
    ...(paintEnds ? [t`get more paint: not enough in stock for this coat`] : []),
    ...(openFaults > 0 ? [t`settle ${counted(openFaults, 'open finding')}`] : []),
  ].join('; ');

function sayStarts({ starts, potEnds }: TodayCoat, zone: string, now: number): string {
  const all = starts
    .map(({ from, to }) => `${sayTime(from, zone, now)}–${sayTime(to, zone, now)}`)
    .join(', ');
  if (all !== '') return t`Can start ${all}`;
  return potEnds
    ? t`Not suitable today: apply the pot elsewhere or discard it`
    : t`The weather is not suitable today: open the plan to see what moves`;
}

function sayWhyNot({ starts, safeNotStated }: TodayCoat, zone: string, now: number): string {
  if (safeNotStated) return t`No time until safe from dew and rain on the data sheet; enter one on the bench`;
  const [first] = starts;
  if (!first) return t`No start time stays suitable until the coat is safe; see the bench for reasons`;
  return t`Possible on its own (${sayTime(first.from, zone, now)}–${sayTime(starts.at(-1)?.to ?? first.to, zone, now)}), but not together with the others`;
}
