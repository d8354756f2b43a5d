import { type ComponentProps, Suspense, useMemo, useState } from 'react';
import type { Shift, StripHour } from '../../contract/index.ts';
import type { Site } from '../../core/air/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { useStations, useStrip, useWeather, useYard } from '../api/queries.ts';
import { lazyPart } from '../parts/lazyPart.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { ShiftList } from '../parts/ShiftList.tsx';
import { nightsShown } from '../parts/strip/nightsShown.ts';
import { Gaps } from './Gaps.tsx';
import { PaintHours, stretchesOf } from './PaintHours.tsx';
import { Stations } from './Stations.tsx';
import { TypedForecast } from './TypedForecast.tsx';
import { WeatherFile } from './WeatherFile.tsx';

const WeatherChart = lazyPart(async () => (await import('./WeatherChart.tsx')).WeatherChart);

/** The yard's air: what was measured and what is forecast, and where both come from. */
export function WeatherPage() {
  const weather = useWeather();
  const yard = useYard();
  const stations = useStations();
  const [shifts, setShifts] = useState<Shift[]>([]);
  return (
    <div className="max-w-6xl space-y-6 p-3 md:p-6">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h1 className="text-2xl">{t`Weather`}</h1>
        <a className="btn btn-sm" href="/api/v1/weather.csv" download>{t`Export (CSV)`}</a>
      </div>
      <QueryBoundary query={yard}>
        {(yardData) => (
          <QueryBoundary query={weather}>
            {(data) => (
              <>
                {data.hours.length > 0 ? (
                  <Suspense fallback={<p className="h-[425px] p-4">{t`Loading chart…`}</p>}>
                    <ComingAir
                      hours={data.hours}
                      now={Date.parse(data.now)}
                      zone={yardData.zone}
                      site={yardData}
                      errors={stations.data?.forecastErrors}
                    />
                  </Suspense>
                ) : (
                  <p>{t`No weather data yet, so cure times can’t be worked out. Import a file from a logger or weather service, or try things out with the simulated forecast.`}</p>
                )}
                <Gaps hours={data.hours} zone={yardData.zone} now={Date.parse(data.now)} />
                <ShiftList shifts={shifts} zone={yardData.zone} now={Date.parse(data.now)} withArea />
                <div className="grid grid-cols-1 items-start gap-8 lg:grid-cols-2">
                  <div className="space-y-8">
                    <WeatherFile zone={yardData.zone} now={Date.parse(data.now)} onShifts={setShifts} />
                    <StandIn onShifts={setShifts} />
                  </div>
                  <div className="space-y-8">
                    <Stations zone={yardData.zone} />
                    <TypedForecast zone={yardData.zone} now={Date.parse(data.now)} onShifts={setShifts} />
                  </div>
                </div>
              </>
            )}
          </QueryBoundary>
        )}
      </QueryBoundary>
    </div>
  );
}

const NO_HOURS: StripHour[] = [];

/** The chart with its nights and blocked hours, and the hours of each day that suit a coat. */
function ComingAir({
  hours,
  now,
  zone,
  site,
  errors,
}: Pick<ComponentProps<typeof WeatherChart>, 'hours' | 'now' | 'zone' | 'errors'> & { site: Site }) {
  const strip = useStrip(null, 0).data?.hours ?? NO_HOURS;
  const from = Date.parse(hours[0]?.at ?? '');
  const to = Date.parse(hours.at(-1)?.at ?? '');
  const nights = useMemo(() => nightsShown({ from, to }, site), [from, to, site]);
  // Hours past carry no reasons: only those to come are judged.
  const ahead = useMemo(() => strip.filter(({ at }) => Date.parse(at) + HOUR_MS > now), [strip, now]);
  const blocked = useMemo(() => stretchesOf(ahead, false), [ahead]);
  return (
    <div className="space-y-6">
      <WeatherChart hours={hours} now={now} zone={zone} errors={errors} nights={nights} blocked={blocked} />
      <PaintHours hours={ahead} nights={nights} now={now} zone={zone} />
    </div>
  );
}

function StandIn({ onShifts }: { onShifts: (shifts: Shift[]) => void }) {
  const write = useWrite<{ hours: number; shifts: Shift[] }>({ atForm: true });
  const fill = () =>
    write.mutate(
      { method: 'POST', path: '/weather/stand-in', body: { days: 10 } },
      { onSuccess: (answer) => onShifts(answer.shifts) },
    );
  const busy = write.isPending;
  const wording =
    write.error?.message ??
    (write.isSuccess
      ? t`Simulated weather added for the past two weeks and the next ten days. Hours with real data were not changed.`
      : null);
  return (
    <section aria-labelledby="stand-in" className="space-y-3">
      <h2 id="stand-in" className="batten pb-1 text-lg">{t`Simulated forecast`}</h2>
      <p>{t`Invented weather data for trying things out, marked as simulated wherever it is used. Do not paint by it.`}</p>
      <button type="button" className="btn" disabled={busy} onClick={() => fill()}>
        {busy ? t`Filling…` : t`Use simulated weather`}
      </button>
      {wording && <p role="status">{wording}</p>}
    </section>
  );
}
