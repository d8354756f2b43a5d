import { useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { readMarksCsv } from '../../contract/formats/marksCsv.ts';
import type { BoatView, OldLine, Waterline } from '../../contract/index.ts';
import { ApiProblem, api } from '../api/client.ts';
import { useBoat, useWaterline } from '../api/queries.ts';
import { Choice, NumberField } from '../forms/NumberField.tsx';
import { Asked } from '../parts/Asked.tsx';
import { OpenFile } from '../parts/OpenFile.tsx';
import { useUnsaved } from '../shell/unsaved.ts';
import { SurveyTabs } from '../survey/SurveyTabs.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { heightUnit } from './heights.ts';
import { LineDrawing } from './LineDrawing.tsx';
import { MadeMarks } from './MadeMarks.tsx';
import { MarkTable } from './MarkTable.tsx';
import { RaiseFields } from './RaiseFields.tsx';
import { SheetTable } from './SheetTable.tsx';
import { StandsHow } from './StandsHow.tsx';
import { StripeFields } from './StripeFields.tsx';
import { tryStrike } from './strikeView.ts';

/** Striking the waterline: marks, the plane through them, the raise, the stripe, and the sheet to take to the hull. */
export function WaterlinePage() {
  const { boatId = '' } = useParams();
  const boat = useBoat(boatId);
  const line = useWaterline(boatId);
  return (
    <Asked query={boat}>
      {(view) => (
        <Asked query={line}>
          {(plan) => <Loft key={`${boatId}${plan.version}`} view={view} saved={plan} />}
        </Asked>
      )}
    </Asked>
  );
}

const OLD_LINE_WORDS: Record<OldLine, string> = {
  unknown: 'not said yet',
  none: 'there is none',
  tabs: 'tape tabs at the stations',
  heights: 'heights written down',
};

const FORM_WORDS: Record<BoatView['formSource'], string> = {
  dimensions: 'her main dimensions and the usual curves of her kind; distances on the skin are rough',
  offsets: 'her table of offsets',
  mesh: 'her surface mesh',
};

function Loft({ view, saved }: { view: BoatView; saved: Waterline }) {
  const { boat } = view;
  const { system } = useUnits();
  const unit = heightUnit(system);
  const client = useQueryClient();
  const [plan, setPlan] = useState(saved);
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const deferred = useDeferredValue(plan);
  const result = useMemo(() => tryStrike(view, deferred), [view, deferred]);
  const struck = 'line' in result ? result.line : null;
  const touched = plan !== saved;
  useUnsaved(touched);
  const change = (some: Partial<Waterline>) => {
    setPlan((was) => ({ ...was, ...some }));
    setSaid(null);
  };
  const save = async () => {
    const { boatId: _b, ...input } = plan;
    try {
      await api<Waterline>('PUT', `/boats/${boat.id}/waterline`, input);
      setProblem(null);
      await client.invalidateQueries();
    } catch (error) {
      const clash = error instanceof ApiProblem && error.problem.status === 409;
      setProblem(
        clash
          ? 'Someone else saved this line after you opened it. Copy what you need, then reload the page.'
          : (error as Error).message,
      );
    }
  };
  const takeCsv = (text: string) => {
    try {
      const found = readMarksCsv(text);
      change({
        marks: [...plan.marks, ...found.marks.map((mark) => ({ ...mark, id: uuidv7() }))],
        madeMarks: [...plan.madeMarks, ...found.madeMarks.map((mark) => ({ ...mark, id: uuidv7() }))],
      });
      setProblem(null);
      setSaid(`${found.marks.length} reference marks and ${found.madeMarks.length} marks made were read.`);
    } catch (error) {
      setProblem(`The CSV was not taken: ${(error as Error).message}`);
    }
  };
  const names = { boat, base: `/api/v1/boats/${boat.id}` };
  return (
    <div className="space-y-6 p-3 md:p-6">
      <h1 className="text-2xl">{boat.name}: waterline</h1>
      <SurveyTabs boatId={boat.id} />
      <div className="grid grid-cols-1 items-start gap-6 xl:grid-cols-[minmax(0,8fr)_minmax(0,5fr)]">
        <div className="space-y-6">
          <section aria-labelledby="marks" className="space-y-3">
            <h2 id="marks" className="batten pb-1 text-lg">
              Reference marks
            </h2>
            {plan.marks.length === 0 && (
              <p className="max-w-prose">
                Points that say where the line belongs, read above one level datum: old stain, fittings of
                known height, distances down from the sheer. Three fix the plane, two when the heel is
                measured; with five or more a lying one is named.
              </p>
            )}
            {plan.marks.length > 0 && (
              <p className="text-sm opacity-80">
                Reads: the point's height above the datum. Over line: how far the point lies above the line
                wanted (a sheer by its distance down to the line, an old line that stood high, a fitting by
                its drawing).
              </p>
            )}
            <MarkTable plan={plan} struck={struck} onChange={(marks) => change({ marks })} />
            <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
              <Choice
                label="Datum"
                value={plan.datum}
                choices={[
                  ['laser', 'laser plane'],
                  ['water-level', 'water level'],
                  ['plank', 'levelled plank'],
                ]}
                onChange={(datum) => change({ datum })}
              />
              <NumberField
                label="A mark is read to ±"
                unit={unit.symbol}
                value={plan.markErrorMm / unit.mm}
                onChange={(value) => change({ markErrorMm: value * unit.mm })}
              />
              <Choice
                label="Heel"
                value={plan.heelDeg === null ? 'solved' : 'measured'}
                choices={[
                  ['solved', 'from the marks'],
                  ['measured', 'measured'],
                ]}
                onChange={(how) => change({ heelDeg: how === 'measured' ? 0 : null })}
              />
              {plan.heelDeg !== null && (
                <NumberField
                  label="Starboard up by"
                  unit="°"
                  value={plan.heelDeg}
                  onChange={(heelDeg) => change({ heelDeg })}
                />
              )}
            </div>
          </section>
          <RaiseFields plan={plan} struck={struck} onChange={change} />
          <StripeFields plan={plan} struck={struck} onChange={change} />
          <MadeMarks plan={plan} struck={struck} onChange={change} />
          <div className="max-w-xs">
            <Choice
              label="Old line, before paint hides it"
              value={plan.oldLine}
              choices={Object.entries(OLD_LINE_WORDS) as [OldLine, string][]}
              onChange={(oldLine) => change({ oldLine })}
            />
          </div>
        </div>
        <div className="space-y-4 xl:sticky xl:top-4">
          {struck ? (
            <>
              <StandsHow plan={deferred} struck={struck} lengthM={boat.dimensions.loaM} />
              <div className="board p-2">
                <LineDrawing view={view} plan={deferred} struck={struck} />
              </div>
              <p className="text-sm">
                Heavy: the line struck. Chain: the line of the marks. Open rounds port, full ones starboard; a
                cross is left out.
              </p>
            </>
          ) : (
            <p className="board p-4">
              {plan.marks.length === 0
                ? 'With marks, the line is struck here.'
                : 'problem' in result && `Not struck yet: ${result.problem}.`}
            </p>
          )}
          <p className="text-sm opacity-80">Struck on {FORM_WORDS[view.formSource]}.</p>
          <div className="flex flex-wrap items-center gap-2">
            <button type="button" className="btn btn-primary" disabled={!touched} onClick={() => void save()}>
              Save the line
            </button>
            {touched && (
              <button type="button" className="btn btn-ghost" onClick={() => setPlan(saved)}>
                Back to what was saved
              </button>
            )}
          </div>
          {said && <p role="status">{said}</p>}
          {problem && (
            <p role="alert" className="text-error font-semibold">
              {problem}
            </p>
          )}
          <div className="no-print flex flex-wrap gap-2">
            <OpenFile
              small
              label="Marks from CSV"
              accept=".csv,text/csv,text/plain"
              onFile={(file) => void file.text().then(takeCsv)}
            />
            <a className="btn btn-sm" href={`${names.base}/marks.csv`} download>
              Marks as CSV
            </a>
            {struck && !touched && (
              <>
                <Link className="btn btn-sm" to={`/boats/${boat.id}/waterline/walk`}>
                  Walk the hull
                </Link>
                <a className="btn btn-sm" href={`${names.base}/mark-sheet.pdf`} download>
                  Sheet as PDF
                </a>
                <a className="btn btn-sm" href={`${names.base}/mark-sheet.csv`} download>
                  Sheet as CSV
                </a>
              </>
            )}
          </div>
          {touched && <p className="text-sm">Saved, it can be walked, printed and taken away.</p>}
        </div>
      </div>
      {struck && (
        <section aria-labelledby="sheet" className="space-y-3">
          <h2 id="sheet" className="batten pb-1 text-lg">
            Mark sheet
          </h2>
          <SheetTable rows={struck.sheet} />
        </section>
      )}
    </div>
  );
}
