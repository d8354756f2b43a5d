import { Suspense } from 'react';
import { Link, useParams } from 'react-router';
import type { ClockDetail } from '../../contract/index.ts';
import type { Site } from '../../core/air/index.ts';
import type { TempSeries } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import { useClockDetail } from '../api/boatQueries.ts';
import { useYard } from '../api/queries.ts';
import { useMinute } from '../clock/now.ts';
import { sayRange, saySpan, sayTime } from '../clock/say.ts';
import { AreaParts } from '../parts/AreaParts.tsx';
import { HandTests } from '../parts/HandTests.tsx';
import { lazyPart } from '../parts/lazyPart.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { RestsOn } from '../parts/RestsOn.tsx';
import { ShiftList } from '../parts/ShiftList.tsx';
import { StateTerm } from '../parts/Term.tsx';
import { StateMark } from '../state/StateMark.tsx';
import { EDGE_WORDS, STATES } from '../state/states.ts';
import { taskOf, workWords } from '../words/clocks.ts';
import { EdgeWhy } from './EdgeWhy.tsx';

const TimeStrip = lazyPart(async () => (await import('../parts/strip/TimeStrip.tsx')).TimeStrip);
const HOUR = 3_600_000;

/** A film's window over the temperatures it is reckoned from, and the reasons for each of its edges. */
export function WindowPage() {
  const { areaId = '' } = useParams();
  const detail = useClockDetail(areaId);
  const yard = useYard();
  return (
    <QueryBoundary query={yard}>
      {(yardData) => (
        <QueryBoundary query={detail}>
          {(data) => <Window detail={data} zone={yardData.zone} site={yardData} />}
        </QueryBoundary>
      )}
    </QueryBoundary>
  );
}

/** From a little before application to a little after the last edge that can be shown. */
function shownRange(detail: ClockDetail, now: number): { from: number; to: number } {
  const applied = Date.parse(detail.clock.film?.appliedFrom ?? detail.now);
  const edges = detail.clock.edges.flatMap((edge) => (edge.at ? [Date.parse(edge.at)] : []));
  const last = Math.max(now, ...edges.filter((at) => at < now + 10 * 24 * HOUR));
  const from = Math.max(applied - 6 * HOUR, last - 16 * 24 * HOUR);
  return { from, to: last + 12 * HOUR };
}

const WARNINGS: Record<string, string> = {
  'hotter-than-table': t`Some hours are hotter than the data sheet covers. Earliest times are worked out as at its highest temperature. Latest times come sooner, as its last two times suggest.`,
  'colder-than-table': t`Some hours are colder than the data sheet covers. Times for them are extrapolated.`,
  'stood-cold': t`In some hours the coat is below its minimum curing temperature. No cure is counted for them.`,
  'heavy-film': t`This coat is over one and a half times its typical thickness (from the litres used). Cure is slower than the data sheet says. Do a hand test before you go on.`,
  'not-curing': t`The coat still sticks after more than four times its tack-free time, so it isn’t curing. Check the mixing ratio, the hardener, the temperature and the thinner.`,
  'still-sticks': t`The coat sticks, and its data sheet doesn’t say when it is tack-free. Test again before you apply anything over it.`,
  'beyond-series': t`The forecast ends before the last of these times. After that, every day is assumed to be like its last day.`,
  'before-series': t`The coat was applied before the weather data starts. The days before are assumed to be like its first day.`,
};

function Window({ detail, zone, site }: { detail: ClockDetail; zone: string; site: Site }) {
  const now = useMinute();
  const { clock, hours } = detail;
  const range = shownRange(detail, now);
  const work = workWords(clock, now, zone);
  // A warning already shown above isn’t repeated.
  const events = clock.events.filter(({ event }) => !clock.edges.some(({ edge }) => edge === event));
  const temps: TempSeries | null = hours.length
    ? { startMs: Date.parse(hours[0]?.at ?? ''), valuesC: hours.map((hour) => hour.filmC) }
    : null;
  return (
    <div className="max-w-6xl space-y-6 p-3 md:p-6">
      <header className="space-y-1">
        <p>
          <Link className="link" to="/">{t`Board`}</Link> / {clock.areaName}, {clock.boatName}
        </p>
        <h1 className="text-2xl">{taskOf(clock, now)}</h1>
        {clock.film && (
          <p>
            {t`On ${clock.film.productName}, ${clock.film.coatLabel}, applied ${sayRange(clock.film.appliedFrom, clock.film.appliedTo, zone, now)}`}
          </p>
        )}
        <p className="flex flex-wrap items-center gap-4 text-lg">
          <StateMark state={clock.state} />
          <span>
            {STATES[clock.state].meaning} <StateTerm state={clock.state} />
          </span>
          {clock.until && (
            <strong>{t`until ${sayTime(clock.until, zone, now)} (in ${saySpan(Date.parse(clock.until) - now)})`}</strong>
          )}
        </p>
        {work && <p>{work}</p>}
      </header>
      {clock.film && <RestsOn productId={clock.film.productId} sheet={clock.film} figures={['window']} />}
      <AreaParts clock={clock} zone={zone} now={now} />
      {!clock.film && <p>{t`Nothing applied here yet, so there is no overcoat window.`}</p>}
      {clock.state === 'no-weather' && (
        <p>
          {t`No weather data. `}
          <Link className="link" to="/weather">
            {t`Add weather data `}
          </Link>
          {t` to work out cure times.`}
        </p>
      )}
      {temps && clock.segments.length > 0 && (
        <section aria-labelledby="curve">
          <h2 id="curve" className="batten pb-1 text-lg">{t`Film temperature and overcoat window`}</h2>
          <Suspense fallback={<p className="h-72 p-4">{t`Loading chart…`}</p>}>
            <TimeStrip
              title={`${clock.areaName}, ${clock.boatName}`}
              areaId={clock.areaId}
              lanes={[{ key: clock.areaId, name: clock.areaName, segments: clock.segments }]}
              home={range}
              stopC={clock.edges.find((edge) => edge.stopC !== null)?.stopC ?? undefined}
              zone={zone}
              site={site}
            />
          </Suspense>
          <ul className="flex flex-wrap gap-x-6 gap-y-1 pt-2">
            {clock.segments.map((segment) => (
              <li key={segment.from} className="flex items-center gap-2">
                <StateMark state={segment.state} />
                {segment.to ? t`until ${sayTime(segment.to, zone, now)}` : t`from then on`}
              </li>
            ))}
          </ul>
        </section>
      )}
      <HandTests clock={clock} zone={zone} now={now} />
      {clock.warnings.length > 0 && (
        <ul className="list-disc space-y-1 pl-5">
          {clock.warnings.map((warning) => (
            <li key={warning}>{WARNINGS[warning]}</li>
          ))}
        </ul>
      )}
      {temps && clock.edges.length > 0 && (
        <section aria-labelledby="why" className="space-y-5">
          <h2 id="why" className="batten pb-1 text-lg">{t`How this was worked out`}</h2>
          {clock.edges.map((edge) => (
            <EdgeWhy
              key={edge.edge}
              edge={edge}
              tested={clock.hand !== null}
              spread={detail.spreads.find((each) => each.edge === edge.edge) ?? null}
              temps={temps}
              zone={zone}
              now={now}
            />
          ))}
        </section>
      )}
      <ShiftList shifts={detail.shifts} zone={zone} now={now} />
      {events.length > 0 && (
        <section aria-labelledby="events">
          <h2 id="events" className="batten pb-1 text-lg">{t`Other times for this coat`}</h2>
          <ul className="grid gap-x-8 gap-y-1 pt-2 sm:grid-cols-2 lg:grid-cols-3">
            {events.map((event) => (
              <li key={event.event} className="flex justify-between gap-3">
                <span>{EDGE_WORDS[event.event]}</span>
                <strong>
                  {event.at ? sayTime(event.at, zone, now) : t`not reached at these temperatures`}
                </strong>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
