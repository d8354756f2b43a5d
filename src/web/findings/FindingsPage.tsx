import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { Area, BoatView, Finding, Place } from '../../contract/index.ts';
import { hasHull } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { useBoat } from '../api/boatQueries.ts';
import { useQueued, useWrite } from '../api/mutations.ts';
import { useYard } from '../api/queries.ts';
import { useMinute } from '../clock/now.ts';
import { sayTime } from '../clock/say.ts';
import { cutOut } from '../parts/cutOut.ts';
import { DrawingBoard } from '../parts/drawing/DrawingBoard.tsx';
import { letteredFindings, rowsOf } from '../parts/drawing/drawnRows.ts';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SurveyTabs } from '../parts/SurveyTabs.tsx';
import { UndoNotice } from '../parts/UndoNotice.tsx';
import { useMounted } from '../state/useMounted.ts';
import { FINDING_WORDS, VERDICT_WORDS } from '../words/findings.ts';
import { FindingForm } from './FindingForm.tsx';
import { type FindingFilter, FindingsFilter, shownFindings } from './FindingsFilter.tsx';

/** What the survey found, lettered on the drawing; a finding can make a spot of its own. */
export function FindingsPage() {
  const { boatId = '' } = useParams();
  const boat = useBoat(boatId);
  const yard = useYard();
  return (
    <QueryBoundary query={yard}>
      {(yardData) => (
        <QueryBoundary query={boat}>
          {(view) => <Findings key={boatId} view={view} zone={yardData.zone} />}
        </QueryBoundary>
      )}
    </QueryBoundary>
  );
}

function Findings({ view, zone }: { view: BoatView; zone: string }) {
  const { boat, findings } = view;
  const [seenFrom, setSeenFrom] = useState<'port' | 'starboard'>('port');
  const [editing, setEditing] = useState<Finding | 'new' | null>(null);
  const [picked, setPicked] = useState<Place | null>(null);
  const [removed, setRemoved] = useState<Finding | null>(null);
  const [filter, setFilter] = useState<FindingFilter>({ search: '', sort: 'letter' });
  const shown = shownFindings(view, filter);
  // A form that is answered late closes itself only, not one opened since.
  const close = () => {
    setEditing((now) => (now === editing ? null : now));
    setPicked(null);
  };
  const { mutate: change } = useQueued();
  const remove = (finding: Finding) =>
    change(
      { method: 'DELETE', path: `/findings/${finding.id}`, what: t`finding deletion` },
      { onSuccess: () => setRemoved(finding) },
    );
  const bringBack = (finding: Finding) =>
    change(
      { method: 'POST', path: `/findings/${finding.id}/restore`, what: t`finding restore` },
      { onSuccess: () => setRemoved(null) },
    );
  return (
    <div className="space-y-6 p-3 md:p-6">
      <h1 className="text-2xl">{t`${boat.name}: findings`}</h1>
      <SurveyTabs boat={boat} />
      <div className={hasHull(boat) ? 'grid grid-cols-1 items-start gap-6 xl:grid-cols-2' : 'max-w-3xl'}>
        {hasHull(boat) && (
          <DrawingBoard
            boat={{ ...boat, form: view.form }}
            areas={rowsOf(view)}
            stands={view.stands}
            findings={letteredFindings(findings)}
            seenFrom={seenFrom}
            onSeenFrom={setSeenFrom}
            onPlace={editing ? (place) => setPicked({ ...place, side: seenFrom }) : undefined}
          >
            {editing && (
              <p className="p-2 text-sm">{t`Select the location of the finding on the drawing.`}</p>
            )}
          </DrawingBoard>
        )}
        <section aria-labelledby="found" className="space-y-3">
          <h2 id="found" className="batten pb-1 text-lg">{t`Findings`}</h2>
          {editing ? (
            <div className="board p-4">
              <FindingForm
                key={editing === 'new' ? 'new' : editing.id}
                boat={boat}
                areas={view.areas}
                finding={editing === 'new' ? null : editing}
                picked={picked}
                onDone={close}
              />
            </div>
          ) : (
            <button
              type="button"
              className="btn btn-primary"
              onClick={() => setEditing('new')}
            >{t`Add finding`}</button>
          )}
          {removed && (
            <UndoNotice
              text={t`Finding deleted: ${FINDING_WORDS[removed.kind].word}.`}
              onUndo={() => bringBack(removed)}
              onGone={() => setRemoved(null)}
            />
          )}
          {findings.length === 0 && !editing && (
            <p className="max-w-prose">{t`No findings yet. Record rust, blisters, moisture, adhesion or thickness with the location. Each reading is compared with its limit.`}</p>
          )}
          <FindingsFilter count={findings.length} filter={filter} onFilter={setFilter} />
          {shown.length === 0 && findings.length > 0 && (
            <p role="status">{t`No findings match your search.`}</p>
          )}
          <ol className="divide-base-300 divide-y">
            {shown.map(({ finding, letter, area }) => (
              <FindingLine
                key={finding.id}
                finding={finding}
                letter={letter}
                area={area}
                areaM2={view.clocks.find((clock) => clock.areaId === finding.areaId)?.areaM2 ?? 0}
                zone={zone}
                onEdit={() => setEditing(finding)}
                onRemove={() => remove(finding)}
              />
            ))}
          </ol>
        </section>
      </div>
    </div>
  );
}

function FindingLine({
  finding,
  letter,
  area,
  areaM2,
  zone,
  onEdit,
  onRemove,
}: {
  finding: Finding;
  letter: string;
  area: Area | undefined;
  areaM2: number;
  zone: string;
  onEdit: () => void;
  onRemove: () => void;
}) {
  const now = useMinute();
  const { word } = FINDING_WORDS[finding.kind];
  // Then its note is all there is of it.
  const isNoteOnly = finding.kind === 'other' && finding.value === null;
  return (
    <li className="grid grid-cols-[2.5rem_1fr] gap-x-3 py-3">
      <span className="big-figure text-2xl">{letter}</span>
      <div className="space-y-1">
        <p>
          <strong>
            {word}
            {!isNoteOnly && `: ${VERDICT_WORDS[finding.verdict]}`}
          </strong>
          {area && <>, {area.name}</>}, {sayTime(finding.at, zone, now)}
        </p>
        {!isNoteOnly && <p>{finding.reason}</p>}
        {finding.note && <p className={isNoteOnly ? '' : 'opacity-80'}>{finding.note}</p>}
        {finding.photoIds.length > 0 && (
          <div className="flex flex-wrap gap-2">
            {finding.photoIds.map((id, i) => (
              <a key={id} href={`/api/v1/photos/${id}`} target="_blank" rel="noreferrer">
                <img
                  src={`/api/v1/photos/${id}`}
                  alt={t`${word}, view ${i + 1}`}
                  className="h-20 w-28 object-cover"
                />
              </a>
            ))}
          </div>
        )}
        <p className="no-print flex flex-wrap gap-1">
          {area && !area.part && areaM2 > 0 && (
            <MakePart area={area} areaM2={areaM2} finding={finding} letter={letter} />
          )}
          <button type="button" className="btn btn-ghost btn-sm" onClick={onEdit}>
            {t`Change`}
            <span className="sr-only"> {letter}</span>
          </button>
          <button type="button" className="btn btn-ghost btn-sm" onClick={onRemove}>
            {t`Remove`}
            <span className="sr-only"> {letter}</span>
          </button>
        </p>
      </div>
    </li>
  );
}

/** A spot half a metre across, to be measured. */
const FIRST_SPOT_M2 = 0.2;

/** Makes an area of its own out of a finding: a spot that starts bare, or half of its area as a piece with its coats. */
function MakePart({
  area,
  areaM2,
  finding,
  letter,
}: {
  area: Area;
  areaM2: number;
  finding: Finding;
  letter: string;
}) {
  const navigate = useNavigate();
  const mounted = useMounted();
  const { mutate: write } = useWrite();
  const make = (kind: 'spot' | 'piece') => {
    const id = uuidv7();
    const name = `${FINDING_WORDS[finding.kind].word} ${letter}, ${area.name}`.slice(0, 80);
    const m2 = kind === 'spot' ? Math.min(FIRST_SPOT_M2, areaM2 / 2) : areaM2 / 2;
    const at = new Date().toISOString();
    const input = cutOut(area, kind, { id, name, areaM2: Number(m2.toFixed(3)), at });
    const note = t`From finding ${letter}: ${finding.reason}`.slice(0, 2000);
    write(
      { method: 'POST', path: '/areas', body: { ...input, note } },
      { onSuccess: () => mounted() && void navigate(`/boats/${area.boatId}/survey/${id}`) },
    );
  };
  return (
    <>
      <button type="button" className="btn btn-sm" onClick={() => make('spot')}>{t`Create spot`}</button>
      <button type="button" className="btn btn-sm" onClick={() => make('piece')}>{t`Split area`}</button>
    </>
  );
}
