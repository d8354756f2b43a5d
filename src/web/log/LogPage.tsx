import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { Area, LogView } from '../../contract/index.ts';
import { ApiProblem } from '../api/client.ts';
import { logEntry } from '../api/outbox.ts';
import { useLog, useYard } from '../api/queries.ts';
import { useMinute } from '../clock/now.ts';
import { Asked } from '../parts/Asked.tsx';
import { BoatDrawing } from '../parts/drawing/BoatDrawing.tsx';
import { rowsOf } from '../survey/drawnRows.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { counts, entriesOf, filmByLitres } from './coatFigures.ts';
import { EntryLine } from './EntryLine.tsx';

/** What was done to a boat, area by area: laid when, how much, in what air; corrections as entries of their own. */
export function LogPage() {
  const { boatId = '' } = useParams();
  const log = useLog(boatId);
  const yard = useYard();
  return (
    <Asked query={yard}>
      {(yardData) => <Asked query={log}>{(view) => <Log view={view} zone={yardData.zone} />}</Asked>}
    </Asked>
  );
}

function Log({ view, zone }: { view: LogView; zone: string }) {
  const now = useMinute();
  const areas = view.areas.filter((area) => !area.archived || entriesOf(view, area).length > 0);
  return (
    <div className="max-w-5xl space-y-6 p-3 md:p-6">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h1 className="text-2xl">{view.boat.name}: log</h1>
        <button type="button" className="btn btn-sm no-print" onClick={() => window.print()}>
          Print
        </button>
      </div>
      {view.clocks.length > 0 && (
        <div className="board p-2">
          <BoatDrawing
            boat={{ ...view.boat, form: view.form }}
            areas={rowsOf({ areas: view.areas.filter((area) => !area.archived), clocks: view.clocks })}
            onSelect={(id) => document.getElementById(`log-${id}`)?.scrollIntoView({ behavior: 'smooth' })}
          />
        </div>
      )}
      {areas.length === 0 && (
        <p>
          Nothing is logged yet.{' '}
          <Link className="link" to={`/boats/${view.boat.id}/survey`}>
            Measure an area
          </Link>
          , choose its system, and log the first coat at the bench.
        </p>
      )}
      {areas.map((area) => (
        <AreaLog key={area.id} area={area} view={view} zone={zone} now={now} />
      ))}
    </div>
  );
}

function AreaLog({ area, view, zone, now }: { area: Area; view: LogView; zone: string; now: number }) {
  const { show } = useUnits();
  const entries = entriesOf(view, area);
  const coats = entries.flatMap((entry) => (entry.kind === 'coat' && counts(entry) ? [entry.body] : []));
  const film = coats.reduce((sum, body) => sum + (filmByLitres(body, view) ?? 0), 0);
  return (
    <section aria-labelledby={`log-${area.id}`}>
      <div className="batten flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 id={`log-${area.id}`} className="pb-1 text-lg">
          {area.name}
          {area.archived && ' (removed from the survey)'}
        </h2>
        {coats.length > 0 && (
          <p>
            {coats.length} {coats.length === 1 ? 'coat' : 'coats'},{' '}
            {show(
              coats.reduce((sum, body) => sum + body.litres, 0),
              'volume',
            )}
            , about {show(film, 'film')} dry by litres
          </p>
        )}
      </div>
      {view.overruled
        .filter((each) => each.areaId === area.id)
        .map(({ productName, ruleIds, reason }) => (
          <p key={`${productName}${ruleIds.join()}`} className="border-warning my-1 border-l-4 pl-3">
            <strong>Laid against the rules:</strong> {productName} ({ruleIds.join(', ').replaceAll('-', ' ')}
            ). Reason given: {reason}
          </p>
        ))}
      {entries.length === 0 ? (
        <p className="py-2 opacity-80">Nothing logged.</p>
      ) : (
        <ol className="divide-base-300 divide-y">
          {entries.map((entry) => (
            <li key={entry.id}>
              <EntryLine entry={entry} view={view} zone={zone} now={now} />
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
  const [problem, setProblem] = useState<string | null>(null);
  const add = async () => {
    try {
      await logEntry({
        id: uuidv7(),
        areaId: area.id,
        at: new Date().toISOString(),
        corrects: null,
        kind: 'note',
        body: { text: text.trim() },
      });
      setText('');
      setProblem(null);
    } catch (error) {
      setProblem(error instanceof ApiProblem ? error.problem.detail : (error as Error).message);
    }
  };
  return (
    <form
      className="no-print flex gap-2 pt-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim()) void add();
      }}
    >
      <input
        className="input input-sm grow"
        aria-label={`Note on ${area.name}`}
        placeholder="Note"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className="btn btn-sm" disabled={text.trim() === ''}>
        Add note
      </button>
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
    </form>
  );
}
