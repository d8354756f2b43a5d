import { useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { readMarksCsv } from '../../contract/formats/marksCsv.ts';
import type { BoatView, OldLine, Waterline } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useBoat, useWaterline } from '../api/boatQueries.ts';
import { useWrite } from '../api/mutations.ts';
import { Choice, NumberField } from '../forms/NumberField.tsx';
import { useConfirm } from '../parts/Confirm.tsx';
import { HullOnly } from '../parts/HullOnly.tsx';
import { OpenFile } from '../parts/OpenFile.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SurveyTabs } from '../parts/SurveyTabs.tsx';
import { useUnsaved } from '../state/unsaved.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { Angle } from './Angle.tsx';
import { AttitudeSummary } from './AttitudeSummary.tsx';
import { heightUnit } from './heights.ts';
import { LineDrawing } from './LineDrawing.tsx';
import { MadeMarks } from './MadeMarks.tsx';
import { MarkTable } from './MarkTable.tsx';
import { mergeMarks } from './mergeMarks.ts';
import { RaiseFields } from './RaiseFields.tsx';
import { SheetTable } from './SheetTable.tsx';
import { StripeFields } from './StripeFields.tsx';
import { type HullView, tryStrike } from './strikeView.ts';
import { usePlanDraft } from './usePlanDraft.ts';

/** Striking the waterline: marks, the plane through them, the raise, the stripe, and the sheet to take to the hull. */
export function WaterlinePage() {
  const { boatId = '' } = useParams();
  const boat = useBoat(boatId);
  const line = useWaterline(boatId);
  return (
    <QueryBoundary query={boat}>
      {(view) => (
        <QueryBoundary query={line}>
          {(plan) => (
            <div className="space-y-6 p-3 md:p-6">
              <h1 className="text-2xl">{t`${view.boat.name}: waterline`}</h1>
              <SurveyTabs boat={view.boat} />
              <HullOnly boat={view.boat} need="waterline">
                {(boat) => <WaterlineEditor key={boatId} view={{ ...view, boat }} served={plan} />}
              </HullOnly>
            </div>
          )}
        </QueryBoundary>
      )}
    </QueryBoundary>
  );
}

const OLD_LINE_WORDS: Record<OldLine, string> = {
  unknown: t`not stated yet`,
  none: t`there is none`,
  tabs: t`tape tabs at the stations`,
  heights: t`heights written down`,
};

const FORM_WORDS: Record<BoatView['formSource'], string> = {
  dimensions: t`the main dimensions and typical curves for this boat type, so distances along the skin are approximate`,
  offsets: t`the table of offsets`,
  mesh: t`the surface mesh`,
};

const PLAN_WORDS: Record<string, string> = {
  marks: t`the reference marks`,
  madeMarks: t`the hull marks`,
  datum: t`the datum`,
  heelDeg: t`the heel`,
  trimDeg: t`the trim`,
  markErrorMm: t`the reading error`,
  slopMm: t`the raise`,
  addedKg: t`the weight to be added`,
  stripe: t`the stripe`,
  oldLine: t`the record of the old line`,
  note: t`the note`,
};

function WaterlineEditor({ view, served }: { view: HullView; served: Waterline }) {
  const { boat } = view;
  const { system, show } = useUnits();
  const confirm = useConfirm();
  const unit = heightUnit(system);
  const { plan, change: edit, touched, elsewhere, reset, settle } = usePlanDraft(served);
  const client = useQueryClient();
  const write = useWrite<Waterline>({ atForm: true });
  const [notice, setSaid] = useState<string | null>(null);
  const [unread, setUnread] = useState<string | null>(null);
  const deferred = useDeferredValue(plan);
  const result = useMemo(() => tryStrike(view, deferred), [view, deferred]);
  const struck = 'line' in result ? result.line : null;
  useUnsaved(touched);
  const change = (some: Partial<Waterline>) => {
    edit(some);
    setSaid(null);
  };
  const save = async () => {
    const { boatId: _b, ...input } = plan;
    const stripeM2 = plan.stripe && struck?.stripe ? struck.stripe.areaM2 : null;
    if (stripeM2 !== null && !view.areas.some(({ zone, archived }) => zone === 'boot-stripe' && !archived)) {
      const title = t`Saving also adds the area “Boot stripe” (${show(stripeM2, 'area')}) to the survey.`;
      if (!(await confirm({ title, action: t`Save and add the area` }))) return;
    }
    write.mutate(
      { method: 'PUT', path: `/boats/${boat.id}/waterline`, body: input },
      {
        onSuccess: settle,
        // Asked for again, so that what was changed elsewhere is told.
        onError: () => void client.invalidateQueries({ queryKey: ['waterline', boat.id] }),
      },
    );
  };
  const problem = unread ?? write.error?.message;
  const takeCsv = (text: string) => {
    try {
      const found = readMarksCsv(text);
      const own = <T extends object>(marks: readonly T[]) => marks.map((mark) => ({ ...mark, id: uuidv7() }));
      const marks = mergeMarks(plan.marks, own(found.marks));
      const made = mergeMarks(plan.madeMarks, own(found.madeMarks));
      change({ marks: marks.marks, madeMarks: made.marks });
      setUnread(null);
      const [added, replaced] = [marks.added + made.added, marks.replaced + made.replaced];
      setSaid(t`${counted(added, 'mark')} added, ${replaced} replaced by the file’s readings.`);
    } catch (error) {
      setUnread(t`Couldn’t import the CSV. ${(error as Error).message}`);
    }
  };
  const names = { boat, base: `/api/v1/boats/${boat.id}` };
  return (
    <>
      <div className="grid grid-cols-1 items-start gap-6 xl:grid-cols-[minmax(0,9fr)_minmax(0,5fr)]">
        <div className="space-y-6">
          <section aria-labelledby="marks" className="space-y-3">
            <h2 id="marks" className="batten pb-1 text-lg">{t`Reference marks`}</h2>
            {plan.marks.length === 0 && (
              <p className="max-w-prose">{t`Reference marks are points that show where the waterline belongs, measured above one level datum: an old stain, fittings of known height, distances down from the sheer. Three marks fix the plane, one fewer for each of heel and trim that you measure. With six or more, an outlier can usually be identified.`}</p>
            )}
            {plan.marks.length > 0 && (
              <p className="text-sm opacity-80">{t`Height above line: how far the mark is above the new line. For a sheer mark, use the distance down to the line. For an old line, use how much too high it was. For a fitting, take the height from a drawing.`}</p>
            )}
            <MarkTable plan={plan} struck={struck} onChange={(marks) => change({ marks })} />
            <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
              <Choice
                label={t`Datum`}
                value={plan.datum}
                choices={[
                  ['laser', t`laser plane`],
                  ['water-level', t`water level`],
                  ['plank', t`levelled plank`],
                ]}
                onChange={(datum) => change({ datum })}
              />
              <NumberField
                label={t`Reading error ±`}
                unit={unit.symbol}
                value={plan.markErrorMm / unit.mm}
                onChange={(value) => change({ markErrorMm: value * unit.mm })}
              />
              <Angle
                label={t`Heel`}
                typed={t`Heel, starboard side up`}
                value={plan.heelDeg}
                onChange={(heelDeg) => change({ heelDeg })}
              />
              <Angle
                label={t`Trim`}
                typed={t`Bow up by`}
                value={plan.trimDeg ?? null}
                onChange={(trimDeg) => change({ trimDeg })}
              />
            </div>
          </section>
          <RaiseFields plan={plan} struck={struck} onChange={change} />
          <StripeFields plan={plan} struck={struck} onChange={change} />
          <MadeMarks plan={plan} struck={struck} onChange={change} />
          <div className="max-w-xs">
            <Choice
              label={t`Record of the old line`}
              value={plan.oldLine}
              choices={Object.entries(OLD_LINE_WORDS) as [OldLine, string][]}
              onChange={(oldLine) => change({ oldLine })}
            />
          </div>
        </div>
        <div className="space-y-4 xl:sticky xl:top-4">
          {struck ? (
            <>
              <AttitudeSummary plan={deferred} struck={struck} lengthM={boat.dimensions.loaM} />
              <div className="board p-2">
                <LineDrawing view={view} plan={deferred} struck={struck} />
              </div>
              <p className="text-sm">{t`Thick line: new waterline · Dash-dot line: line through the marks · Open circle: port · Filled circle: starboard · Cross: mark left out`}</p>
            </>
          ) : (
            <p className="board p-4">
              {plan.marks.length === 0
                ? t`Add reference marks to calculate the waterline.`
                : 'problem' in result && t`Can’t calculate the waterline yet. ${result.problem}.`}
            </p>
          )}
          <p className="text-sm opacity-80">{t`Hull shape from ${FORM_WORDS[view.formSource]}.`}</p>
          <div className="flex flex-wrap items-center gap-2">
            <button
              type="button"
              className="btn btn-primary"
              disabled={!touched}
              onClick={() => void save()}
            >{t`Save waterline`}</button>
            {touched && (
              <button type="button" className="btn btn-ghost" onClick={reset}>{t`Discard changes`}</button>
            )}
          </div>
          {elsewhere.length > 0 && (
            <p role="status" className="border-line border-2 p-3">
              <strong>{t`Changed elsewhere while you were editing:`}</strong>
              {t` ${elsewhere.map((field) => PLAN_WORDS[field] ?? field).join(', ')}. Your edits are still here. Saving overwrites the other changes.`}
            </p>
          )}
          {notice && <p role="status">{notice}</p>}
          {problem && (
            <p role="alert" className="text-error font-semibold">
              {problem}
            </p>
          )}
          <div className="no-print flex flex-wrap gap-2">
            <OpenFile
              small
              label={t`Import marks (CSV)`}
              accept=".csv,text/csv,text/plain"
              onFile={(file) => void file.text().then(takeCsv)}
            />
            <a className="btn btn-sm" href={`${names.base}/marks.csv`} download>{t`Export marks (CSV)`}</a>
            {struck && !touched && (
              <>
                <Link className="btn btn-sm" to={`/boats/${boat.id}/waterline/walk`}>{t`Walk the hull`}</Link>
                <a
                  className="btn btn-sm"
                  href={`${names.base}/mark-sheet.pdf`}
                  download
                >{t`Mark sheet (PDF)`}</a>
                <a
                  className="btn btn-sm"
                  href={`${names.base}/mark-sheet.csv`}
                  download
                >{t`Mark sheet (CSV)`}</a>
              </>
            )}
          </div>
          {touched && (
            <p className="text-sm">{t`Save the waterline to walk the hull, print or export the mark sheet.`}</p>
          )}
        </div>
      </div>
      {struck && (
        <section aria-labelledby="sheet" className="space-y-3">
          <h2 id="sheet" className="batten pb-1 text-lg">{t`Mark sheet`}</h2>
          <SheetTable rows={struck.sheet} />
        </section>
      )}
    </>
  );
}
