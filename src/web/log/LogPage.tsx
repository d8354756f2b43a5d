import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { Area, LogView } from '../../contract/index.ts';
import { hasHull } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { useLog } from '../api/boatQueries.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { useYard } from '../api/queries.ts';
import { useMinute } from '../clock/now.ts';
import { sayDated } from '../clock/say.ts';
import { BoatDrawing } from '../parts/drawing/BoatDrawing.tsx';
import { rowsOf } from '../parts/drawing/drawnRows.ts';
import { OpenFaults } from '../parts/OpenFaults.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SearchField } from '../parts/SearchField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { entriesOf, entriesWith, onArea, withNotesTogether } from './coatFigures.ts';
import { EntryLine } from './EntryLine.tsx';

/** The record of a boat by area: coats with time, amount and weather; corrections as entries of their own. */
export function LogPage() {
  const { boatId = '' } = useParams();
  const log = useLog(boatId);
  const yard = useYard();
  return (
    <QueryBoundary query={yard}>
      {(yardData) => (
        <QueryBoundary query={log}>
          {(view) => (
            <>
              <Log
                view={view}
                zone={yardData.zone}
                yard={yardData.name}
                isWhole={!log.hasNextPage}
                onPrint={() => void printWhole(log)}
              />
              {log.hasNextPage && (
                <p className="no-print p-3 md:p-6">
                  <button
                    type="button"
                    className="btn"
                    disabled={log.isFetchingNextPage}
                    onClick={() => void log.fetchNextPage()}
                  >
                    {log.isFetchingNextPage
                      ? t`Loading…`
                      : t`Show older entries (${view.entries.length} of ${view.total} shown)`}
                  </button>
                </p>
              )}
            </>
          )}
        </QueryBoundary>
      )}
    </QueryBoundary>
  );
}

/** Prints the record with all its entries; where they can’t be had, the print says which it has. */
async function printWhole(log: ReturnType<typeof useLog>): Promise<void> {
  let isMore = log.hasNextPage;
  while (isMore) {
    const page = await log.fetchNextPage();
    isMore = page.hasNextPage && !page.isError;
  }
  // Drawn first, then printed.
  requestAnimationFrame(() => requestAnimationFrame(() => window.print()));
}

/** A log that is longer is not read through. */
const SEARCHED_FROM = 20;

function Log({
  view,
  zone,
  yard,
  isWhole,
  onPrint,
}: {
  view: LogView;
  zone: string;
  yard: string;
  /** All entries are loaded. */
  isWhole: boolean;
  onPrint: () => void;
}) {
  const now = useMinute();
  const [search, setSearch] = useState('');
  const found = search.trim() === '' ? view : { ...view, entries: entriesWith(view, search) };
  const areas = view.areas.filter(
    (area) => entriesOf(found, area).length > 0 || (search.trim() === '' && !area.archived),
  );
  return (
    <div className="max-w-5xl space-y-6 p-3 md:p-6">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h1 className="text-2xl">{t`${view.boat.name}: record`}</h1>
        <button type="button" className="btn btn-sm no-print" onClick={onPrint}>{t`Print`}</button>
        <p className="hidden w-full border-t pt-2 print:block">
          {t`${yard}. Printed ${sayDated(now, zone)}.`}
          {!isWhole && t` The newest ${view.entries.length} of ${view.total} entries.`}
        </p>
      </div>
      {view.clocks.length > 0 && hasHull(view.boat) && (
        <div className="board p-2">
          <BoatDrawing
            boat={{ ...view.boat, form: view.form }}
            areas={rowsOf({ areas: view.areas.filter((area) => !area.archived), clocks: view.clocks })}
            onSelect={(id) => document.getElementById(`log-${id}`)?.scrollIntoView({ behavior: 'smooth' })}
          />
        </div>
      )}
      {view.entries.length > SEARCHED_FROM && (
        <SearchField label={t`Search entries shown`} value={search} onChange={setSearch} />
      )}
      {areas.length === 0 && search.trim() !== '' && (
        <p role="status">{t`No entries match “${search.trim()}”.`}</p>
      )}
      {areas.length === 0 && search.trim() === '' && (
        <p>
          {t`No entries yet. `}
          <Link className="link" to={`/boats/${view.boat.id}/survey`}>{t`Measure an area`}</Link>
          {t`, choose its system, and log the first coat on the bench.`}
        </p>
      )}
      {areas.map((area) => (
        <AreaLog key={area.id} {...{ area, view, found, zone, isWhole }} />
      ))}
    </div>
  );
}

/** Totals cover every entry that is loaded, also while only some are shown. */
function AreaLog({
  area,
  view,
  found,
  zone,
  isWhole,
}: {
  area: Area;
  view: LogView;
  found: LogView;
  zone: string;
  isWhole: boolean;
}) {
  const { show } = useUnits();
  const entries = entriesOf(found, area);
  const areaM2 = view.clocks.find(({ areaId }) => areaId === area.id)?.areaM2 || null;
  const on = onArea(entriesOf(view, area), view, areaM2);
  return (
    <section aria-labelledby={`log-${area.id}`}>
      <div className="batten flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 id={`log-${area.id}`} className="pb-1 text-lg">
          {area.name}
          {area.archived && ' (archived)'}
        </h2>
        {on.coats > 0 && (
          <p>
            {t`${counted(on.coats, 'coat')}, ${show(on.litres, 'volume')}, about ${show(on.microns, 'film')} dry film (from litres used${isWhole ? '' : t`; older entries not included`})`}
          </p>
        )}
      </div>
      {view.overruled
        .filter((each) => each.areaId === area.id)
        .map(({ productName, ruleIds, reason }) => (
          <p key={`${productName}${ruleIds.join()}`} className="border-warning my-1 border-l-4 pl-3">
            <strong>{t`Applied despite conflicts:`}</strong>
            {t` ${productName} (${ruleIds.join(', ').replaceAll('-', ' ')}). Reason: ${reason}`}
          </p>
        ))}
      <OpenFaults
        faults={view.faults.filter(({ areaId }) => areaId === area.id)}
        boatId={view.boat.id}
        say={(at) => sayDated(at, zone)}
      />
      {entries.length === 0 ? (
        <p className="py-2 opacity-80">{t`No entries.`}</p>
      ) : (
        <ol className="divide-base-300 divide-y">
          {withNotesTogether(entries).map(([entry, ...more]) => (
            <li key={entry.id}>
              {more.length === 0 ? (
                <EntryLine entry={entry} view={view} zone={zone} />
              ) : (
                <details className="print-open py-2">
                  <summary className="target cursor-pointer">
                    {t`${more.length + 1} notes while applying, the last ${sayDated(entry.at, zone)}`}
                  </summary>
                  {[entry, ...more].map((note) => (
                    <EntryLine key={note.id} entry={note} view={view} zone={zone} />
                  ))}
                </details>
              )}
            </li>
          ))}
        </ol>
      )}
      <AddNote area={area} />
    </section>
  );
}

function AddNote({ area }: { area: Area }) {
  const [text, setText] = useState('');
  const { mutate: log } = useQueued();
  const add = () =>
    log(
      entryWrite({
        id: uuidv7(),
        areaId: area.id,
        at: new Date().toISOString(),
        corrects: null,
        kind: 'note',
        body: { text: text.trim() },
      }),
      { onSuccess: () => setText('') },
    );
  return (
    <form
      className="no-print flex gap-2 pt-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim()) add();
      }}
    >
      <input
        className="input input-sm grow"
        aria-label={t`Note for ${area.name}`}
        placeholder={t`Note`}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className="btn btn-sm" disabled={text.trim() === ''}>{t`Add note`}</button>
    </form>
  );
}
