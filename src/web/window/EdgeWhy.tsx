import { DateTime } from 'luxon';
import type { EdgeView } from '../../contract/index.ts';
import { clockStretches, explainEvent, progressAt, type TempSeries } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import { sayMinutes, saySpan, sayTime } from '../clock/say.ts';
import { Scroller } from '../parts/Scroller.tsx';
import { StackedTable } from '../parts/StackedTable.tsx';
import { EDGE_WORDS } from '../state/states.ts';
import { useUnits } from '../units/UnitsContext.tsx';

interface Props {
  edge: EdgeView;
  /** Between which moments it comes, nine forecasts of ten; null: past, or not known. */
  spread: { early: string | null; late: string | null } | null;
  /** Times as fast as its sheet that the film cures, by what the hand found. */
  /** The film's pace comes from a test on itself; else other films taught it. */
  tested: boolean;
  temps: TempSeries;
  zone: string;
  now: number;
}

/** Edges that have to be met, where the early moment counts; of the others the late one. */
const MUST = new Set(['chemical-max', 'thumb-closes', 'latest-immersion']);

/** The starts of the days from one moment to another, in the yard's zone. */
function dayStarts(fromMs: number, toMs: number, zone: string): number[] {
  const starts: number[] = [];
  let day = DateTime.fromMillis(fromMs, { zone }).startOf('day');
  while (day.toMillis() <= toMs && starts.length < 40) {
    starts.push(day.toMillis());
    day = day.plus({ days: 1 });
  }
  return starts;
}

/** One edge of a window with its figures put in: the sheet's times, each day's share, and what it adds up to. */
export function EdgeWhy({ edge, tested, spread, temps, zone, now }: Props) {
  const { factor } = edge;
  const { show } = useUnits();
  const fromMs = Date.parse(edge.from);
  const curve = { points: edge.points, stopC: edge.stopC, runsOn: edge.runsOn };
  const { steps, at: byTable } = explainEvent({ curve, temps, laidAt: fromMs });
  // What sticks to the film holds back what its table would allow.
  const sticks = byTable !== null && edge.at === null;
  const at = sticks ? null : byTable === null ? null : Math.max(byTable, Date.parse(edge.at ?? ''));
  const end = at ?? now;
  const boundariesMs = dayStarts(fromMs, end, zone);
  const stretches = clockStretches({ steps, boundariesMs }).slice(0, 21);
  const stoodMs = stretches.reduce((sum, s) => sum + s.stoodMs, 0);
  const done = progressAt(steps, now);
  return (
    <details open={edge.edge === 'overcoat-min' || edge.edge === 'thumb-opens'}>
      <summary className="cursor-pointer text-lg">
        <span className="font-semibold">{EDGE_WORDS[edge.edge]}</span>{' '}
        {sticks
          ? t`(unknown while something sticks to the coat)`
          : at === null
            ? t`not reached at these temperatures`
            : sayTime(at, zone, now)}
        {at !== null && at > now && t` (${Math.floor(done * 100)} % elapsed)`}
        {spread && (
          <span className="block text-base">
            {spread.early && spread.late
              ? t`${sayTime(spread.early, zone, now)} – ${sayTime(spread.late, zone, now)} given typical forecast error.`
              : spread.early
                ? t`From ${sayTime(spread.early, zone, now)}, given typical forecast error. The latest time is beyond the forecast.`
                : null}
            {MUST.has(edge.edge) && spread.early && t` Finish by ${sayTime(spread.early, zone, now)}.`}
            {!MUST.has(edge.edge) && spread.late && t` Plan for ${sayTime(spread.late, zone, now)}.`}
          </span>
        )}
      </summary>
      <div className="border-line mt-2 space-y-2 border-l-2 pl-4">
        <p>
          {t`Data sheet: `}
          {edge.points.map((p, i) => (
            <span key={p.tempC}>
              {i > 0 && ', '}
              <strong>{sayMinutes(p.minutes * factor)}</strong>
              {t` at ${show(p.tempC, 'temperature', { digits: 0 })}`}
            </span>
          ))}
          {edge.stopC !== null && <>{t`; no cure below ${show(edge.stopC, 'temperature', { digits: 0 })}`}</>}
          {factor !== 1 &&
            t`. ${
              tested
                ? t`Hand tests show that this coat cures at`
                : t`Hand tests on other coats of this product suggest`
            } ${Math.round(factor * 100)} % of the data sheet’s speed`}
          {t`. Counted from ${sayTime(fromMs, zone, now)}`}
          {at !== null && <>{t`. Takes ${saySpan(at - fromMs)}`}</>}
          {stoodMs > 0 && <>{t`, including ${saySpan(stoodMs)} too cold to cure`}</>}.
        </p>
        <Scroller label={t`Progress by day`}>
          <StackedTable className="table-sm table">
            <thead>
              <tr>
                <th scope="col">{t`Day`}</th>
                <th scope="col">{t`Mean film temperature`}</th>
                <th scope="col">{t`Curing time`}</th>
                <th scope="col">{t`Too cold`}</th>
                <th scope="col">{t`Progress that day`}</th>
              </tr>
            </thead>
            <tbody>
              {stretches.map((s) => (
                <tr key={s.fromMs}>
                  <th scope="row">
                    {DateTime.fromMillis(s.fromMs, { zone }).toFormat('ccc d LLL')}
                    {!s.known && ' (assumed)'}
                  </th>
                  <td>{show(s.meanC, 'temperature')}</td>
                  <td>{saySpan(s.toMs - s.fromMs - s.stoodMs)}</td>
                  <td>{s.stoodMs > 0 ? saySpan(s.stoodMs) : '–'}</td>
                  <td>{(s.share * 100).toFixed(1)} %</td>
                </tr>
              ))}
            </tbody>
          </StackedTable>
        </Scroller>
        <p className="text-sm opacity-80">{t`Each hour adds its length divided by the time the data sheet gives for that hour’s temperature. At 100 % the point is reached. Between the data sheet’s temperatures, ln t is linear in 1/T. The principle is equivalent age, as in ASTM C1074.`}</p>
      </div>
    </details>
  );
}
