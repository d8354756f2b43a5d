import { t } from '../../../words.ts';
import { useMinute } from '../../clock/now.ts';
import { sayTime } from '../../clock/say.ts';
import { STATES } from '../../state/states.ts';
import { useUnits } from '../../units/UnitsContext.tsx';
import { sayReason } from '../../words/airReasons.ts';
import { Scroller } from '../Scroller.tsx';
import { StackedTable } from '../StackedTable.tsx';
import type { Lane } from './lanes.ts';
import { sayBand } from './sayHour.ts';
import { type SpanStore, useSpan } from './span.ts';
import { useStripAir } from './useStripAir.ts';

/** A season hour by hour helps nobody: rows are so many hours apart as keeps them below this. */
const MOST_ROWS = 96;
const STEPS_H = [1, 3, 6, 12, 24] as const;

/** What a strip shows, for those who read it: each lane's stretches, and the air of its hours. */
export function StripTable({
  lanes,
  areaId,
  store,
  zone,
}: {
  lanes: readonly Lane[];
  areaId: string | null;
  store: SpanStore;
  zone: string;
}) {
  const now = useMinute();
  const { show } = useUnits();
  const { from, to } = useSpan(store);
  const hours = (useStripAir(areaId, store, now).data?.hours ?? []).filter((hour) => {
    const at = Date.parse(hour.at);
    return at >= from && at <= to;
  });
  const step = STEPS_H.find((each) => hours.length / each <= MOST_ROWS) ?? 24;
  const stretches = lanes.flatMap(({ key, name, segments }) =>
    segments
      .filter((s) => (s.to === null || Date.parse(s.to) > from) && Date.parse(s.from) < to)
      .map((segment) => ({ key: `${key} ${segment.from}`, name, segment })),
  );
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-2">
      <Scroller label={t`Overcoat windows (table)`}>
        <StackedTable className="table-sm table">
          <caption className="text-left font-semibold">{t`Overcoat windows`}</caption>
          <thead>
            <tr>
              <th scope="col">{t`Area`}</th>
              <th scope="col">{t`State`}</th>
              <th scope="col">{t`From`}</th>
              <th scope="col">{t`Until`}</th>
            </tr>
          </thead>
          <tbody>
            {stretches.map(({ key, name, segment }) => (
              <tr key={key}>
                <th scope="row">{name}</th>
                <td>{STATES[segment.state].word}</td>
                <td>{sayTime(segment.from, zone, now)}</td>
                <td>{segment.to === null ? t`no end` : sayTime(segment.to, zone, now)}</td>
              </tr>
            ))}
          </tbody>
        </StackedTable>
        {stretches.length === 0 && <p className="text-sm">{t`No overcoat windows in the time shown.`}</p>}
      </Scroller>
      <Scroller label={t`Weather (table)`}>
        <StackedTable className="table-sm table">
          <caption className="text-left font-semibold">
            {t`Weather`}
            {step > 1 && t`, every ${step} h`}
            {t` (90 % band in brackets)`}
          </caption>
          <thead>
            <tr>
              <th scope="col">{t`Time`}</th>
              <th scope="col">{t`Air temperature`}</th>
              <th scope="col">{t`Surface`}</th>
              <th scope="col">{t`Dew point`}</th>
              <th scope="col">{t`Not suitable because`}</th>
            </tr>
          </thead>
          <tbody>
            {hours
              .filter((_, i) => i % step === 0)
              .map((hour) => (
                <tr key={hour.at}>
                  <th scope="row">{sayTime(hour.at, zone, now)}</th>
                  <td>{sayBand({ c: hour.airC, lowC: hour.airLowC, highC: hour.airHighC }, show)}</td>
                  <td>
                    {sayBand({ c: hour.surfaceC, lowC: hour.surfaceLowC, highC: hour.surfaceHighC }, show)}
                  </td>
                  <td>{sayBand({ c: hour.dewC, lowC: hour.dewLowC, highC: hour.dewHighC }, show)}</td>
                  <td>
                    {hour.source === 'filled' && 'interpolated; '}
                    {hour.reasons.map((reason) => sayReason(reason, show)).join('; ') || 'nothing'}
                  </td>
                </tr>
              ))}
          </tbody>
        </StackedTable>
      </Scroller>
    </div>
  );
}
