import { useState } from 'react';
import { Link } from 'react-router';
import type { PlanView, Shelter, TradeView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { usePlan } from '../api/planQueries.ts';
import { useYard } from '../api/queries.ts';
import { useTrade } from '../api/supplyQueries.ts';
import { dayText, longMonthText, startOfDay, wallOf } from '../clock/wallClock.ts';
import { Choice } from '../forms/Choice.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayDay, sayMoment } from './planTimes.ts';
import { ShedCrowds } from './ShedCrowds.tsx';
import { type CalendarEntry, calendarOf, daysShown, moved, shelterStays } from './yardCalendar.ts';

type Span = 'month' | 'week';
/** Entries of a day in the month's grid; the rest is counted. */
const MOST_SHOWN = 4;

/** The yard's month or week: launches, dates wanted, deliveries and work; and which boats take up the places under cover. */
export function CalendarPage() {
  const plan = usePlan();
  const trade = useTrade();
  const yard = useYard();
  return (
    <div className="max-w-6xl space-y-4 p-3 md:p-6">
      <h1 className="text-2xl">{t`Yard calendar`}</h1>
      <QueryBoundary query={yard}>
        {({ zone }) => (
          <QueryBoundary query={trade}>
            {(known) => (
              <QueryBoundary query={plan}>
                {(view) => <Calendar view={view} trade={known} zone={zone} />}
              </QueryBoundary>
            )}
          </QueryBoundary>
        )}
      </QueryBoundary>
    </div>
  );
}

function Calendar({ view, trade, zone }: { view: PlanView; trade: TradeView; zone: string }) {
  const [span, setSpan] = useState<Span>('month');
  const [at, setAt] = useState(() => Date.parse(view.now));
  const days = daysShown(at, zone, span);
  const { show } = useUnits();
  const entries = calendarOf(view, trade, zone, show);
  const wall = wallOf(at, zone);
  const title =
    span === 'month'
      ? `${longMonthText(wall)} ${wall.year}`
      : `${sayDay(days[0] ?? at, zone)} to ${sayDay(days.at(-1) ?? at, zone)}`;
  return (
    <>
      <div className="flex flex-wrap items-end gap-3 print:hidden">
        <Choice
          label={t`Show`}
          value={span}
          choices={[
            ['month', t`Month`],
            ['week', t`Week`],
          ]}
          onChange={(value) => setSpan(value as Span)}
        />
        <button
          type="button"
          className="btn target"
          onClick={() => setAt(moved(at, zone, span, -1))}
        >{t`Earlier`}</button>
        <button
          type="button"
          className="btn target"
          onClick={() => setAt(Date.parse(view.now))}
        >{t`Today`}</button>
        <button
          type="button"
          className="btn target"
          onClick={() => setAt(moved(at, zone, span, 1))}
        >{t`Later`}</button>
        <button type="button" className="btn target" onClick={() => window.print()}>{t`Print`}</button>
      </div>
      <h2 className="text-xl" aria-live="polite">
        {title}
      </h2>
      <Grid
        days={days}
        entries={entries}
        view={view}
        zone={zone}
        month={span === 'month' ? wall.month : null}
      />
      <DayLists days={days} entries={entries} zone={zone} />
      <Places view={view} zone={zone} />
      <p className="print:hidden">
        <Link className="link" to="/plan">{t`Open the plan`}</Link>
      </p>
    </>
  );
}

type Entries = ReadonlyMap<number, CalendarEntry[]>;

const MARKS: Record<CalendarEntry['kind'], string> = {
  launch: 'border-primary bg-primary text-primary-content font-semibold',
  wanted: 'border-error font-semibold',
  place: 'border-warning font-semibold',
  delivery: 'border-info font-semibold',
  work: 'border-base-300',
};
const Entry = ({ entry }: { entry: CalendarEntry }) => (
  <li className={`border-l-4 pl-1 break-words ${MARKS[entry.kind]}`}>{entry.text}</li>
);

/** The grid of a month or a week; a narrow screen has the list of days instead. */
function Grid(of: {
  days: readonly number[];
  entries: Entries;
  view: PlanView;
  zone: string;
  month: number | null;
}) {
  const { days, entries, view, zone, month } = of;
  const today = startOfDay(Date.parse(view.now), zone);
  const weeks = Array.from({ length: days.length / 7 }, (_, i) => days.slice(i * 7, i * 7 + 7));
  return (
    <div className="hidden md:block print:block">
      <Scroller label={t`Calendar`}>
        <table className="table w-full table-fixed text-xs">
          <thead>
            <tr>
              {(weeks[0] ?? []).map((day) => (
                <th key={day} scope="col">
                  {dayText(wallOf(day, zone))}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {weeks.map((week) => (
              <tr key={week[0]}>
                {week.map((day) => {
                  const own = entries.get(day) ?? [];
                  const shown = month === null ? own : own.slice(0, MOST_SHOWN);
                  const wall = wallOf(day, zone);
                  const isToday = day === today;
                  return (
                    <td
                      key={day}
                      className={`h-24 border border-base-300 p-1 align-top ${isToday ? 'bg-base-200' : ''}`}
                    >
                      <span
                        className={month !== null && wall.month !== month ? 'opacity-75' : 'font-semibold'}
                      >
                        {wall.day}
                        {isToday && ' today'}
                      </span>
                      <ul className="space-y-1">
                        {shown.map((entry) => (
                          <Entry key={entry.id} entry={entry} />
                        ))}
                      </ul>
                      {own.length > shown.length && <p>{t`${own.length - shown.length} more`}</p>}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </Scroller>
    </div>
  );
}

/** The same days as a list, for a narrow screen. */
function DayLists({ days, entries, zone }: { days: readonly number[]; entries: Entries; zone: string }) {
  const busy = days.filter((day) => entries.has(day));
  return (
    <div className="space-y-3 md:hidden print:hidden">
      {busy.length === 0 && <p>{t`Nothing is planned in these days.`}</p>}
      {busy.map((day) => (
        <section key={day}>
          <h3 className="batten pb-1 text-lg">{sayDay(day, zone)}</h3>
          <ul className="space-y-1 pt-1">
            {(entries.get(day) ?? []).map((entry) => (
              <Entry key={entry.id} entry={entry} />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

const SHELTER_WORDS: Record<Shelter, string> = { tent: t`Tent`, shed: t`Shed`, heated: t`Heated place` };

/** Boats under cover, and when each leaves. */
function Places({ view, zone }: { view: PlanView; zone: string }) {
  const stays = shelterStays(view);
  const kinds = (Object.keys(SHELTER_WORDS) as Shelter[]).filter((kind) =>
    stays.some((stay) => stay.kind === kind),
  );
  if (kinds.length === 0) return null;
  return (
    <section aria-labelledby="places" className="space-y-2">
      <h2 id="places" className="batten pb-1 text-lg">{t`Boats under cover`}</h2>
      <dl className="grid gap-x-4 gap-y-1 sm:grid-cols-[8rem_minmax(0,1fr)]">
        {kinds.map((kind) => (
          <div key={kind} className="contents">
            <dt className="font-semibold">{SHELTER_WORDS[kind]}</dt>
            <dd>
              {stays
                .filter((stay) => stay.kind === kind)
                .map(
                  ({ boatName, from, until }) =>
                    t`${boatName}${from ? t` from ${sayMoment(from, zone)}` : ''} until ${until ? sayMoment(until, zone) : t`no date yet`}`,
                )
                .join('; ')}
            </dd>
          </div>
        ))}
      </dl>
      <ShedCrowds view={view} zone={zone} />
    </section>
  );
}
