import { Link } from 'react-router';
import type { MethodPace, PaceView, Yard } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { useYard } from '../api/queries.ts';
import { useProductPace } from '../api/supplyQueries.ts';
import { sayTime } from '../clock/say.ts';
import { counted } from '../words/counted.ts';
import { FOUND_WORDS, METHOD_WORDS } from '../words/systems.ts';

const percent = (pace: number) => `${Math.round(pace * 100)} %`;

/** How a product cures here by the hand tests of its films: offered once three films agree, never taken silently. */
export function LearnedPace({ productId }: { productId: string }) {
  const { data } = useProductPace(productId);
  const { data: yard } = useYard();
  if (!data || !yard || data.methods.length === 0) return null;
  return (
    <section aria-labelledby="pace" className="board max-w-3xl space-y-3 p-4">
      <h2 id="pace" className="batten pb-1 text-lg">{t`Curing speed in this yard`}</h2>
      {data.methods.map((each) => (
        <OneMethod key={each.method} productId={productId} pace={each} yard={yard} />
      ))}
      <p className="text-sm">{t`Coats can cure slower or faster than the data sheet says, for example on thin plating or a cold keel, with thinner, or from an old tin. Using the curing speed only ever narrows overcoat windows. Earliest times use the slower of data sheet and curing speed; latest times use the faster. A hand test on the coat itself takes priority.`}</p>
    </section>
  );
}

function OneMethod({ productId, pace, yard }: { productId: string; pace: MethodPace; yard: Yard }) {
  const { mutate: write, isPending, error } = useWrite<PaceView>({ atForm: true });
  const { method } = pace;
  const put = (factor: number | null) =>
    write({ method: 'PUT', path: `/products/${productId}/pace`, body: { method, factor } });
  const { factor, taken } = pace;
  const now = Date.now();
  return (
    <div className="space-y-2">
      <h3 className="font-semibold">{METHOD_WORDS[method]}</h3>
      {pace.tested.length > 0 && (
        <ul className="list-disc pl-5 text-sm">
          {pace.tested.map((film) => (
            <li key={`${film.areaId} ${film.appliedTo}`}>
              <Link className="link" to={`/window/${film.areaId}`}>
                {film.areaName}, {film.boatName}
              </Link>
              {t`, applied ${sayTime(film.appliedTo, yard.zone, now)}: ${film.found.map((f) => FOUND_WORDS[f]).join(', ')}. Curing speed ${film.teaches ? sayAllowed(film) : t`No conclusion about curing speed.`}`}
            </li>
          ))}
        </ul>
      )}
      <p>{sayTogether(pace)}</p>
      <div className="flex flex-wrap items-center gap-3">
        {factor !== null && (taken === null || Math.abs(taken.factor - factor) > 0.01) && (
          <button
            type="button"
            className="btn target"
            disabled={isPending}
            onClick={() => put(factor)}
          >{t`Use ${percent(factor)} curing speed`}</button>
        )}
        {taken && (
          <>
            <strong>{t`Cure times use ${percent(taken.factor)} curing speed since ${sayTime(taken.at, yard.zone, now)} (from ${counted(taken.films, 'coat')}).`}</strong>
            <button
              type="button"
              className="btn btn-ghost target"
              disabled={isPending}
              onClick={() => put(null)}
            >{t`Use data sheet times`}</button>
          </>
        )}
      </div>
      {error && <p role="alert">{error.message}</p>}
    </div>
  );
}

const LEAST = 0.25;
const MOST = 4;

/** "at least 110 %", "at most 80 %", "60 % to 80 %" of the sheet's pace. */
function sayAllowed({ low, high }: { low: number; high: number }): string {
  if (low <= LEAST && high >= MOST) return t`not limited by these tests`;
  if (low <= LEAST) return t`at most ${percent(high)} as fast as the sheet`;
  if (high >= MOST) return t`at least ${percent(low)} of the data sheet’s`;
  return t`${percent(low)}–${percent(high)} of the data sheet’s`;
}

function sayTogether(pace: MethodPace): string {
  if (pace.films === 0) return t`No usable hand tests for this method yet.`;
  if (!pace.agree)
    return t`Hand tests on ${counted(pace.films, 'coat')} don’t agree, so cure times follow the data sheet.`;
  const who = t`From ${counted(pace.films, 'coat')}: curing speed`;
  const together = `${who} ${sayAllowed(pace)}.`;
  if (pace.factor !== null) return together;
  return pace.films < 3
    ? t`${together} A curing speed is suggested once tests on three coats agree.`
    : t`${together} This agrees with the data sheet.`;
}
