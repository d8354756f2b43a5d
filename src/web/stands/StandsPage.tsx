import { DateTime } from 'luxon';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { BoatView, Stand } from '../../contract/index.ts';
import { hasHull } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { useBoat } from '../api/boatQueries.ts';
import { useQueued } from '../api/mutations.ts';
import { DrawingBoard } from '../parts/drawing/DrawingBoard.tsx';
import { letteredFindings, rowsOf } from '../parts/drawing/drawnRows.ts';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SurveyTabs } from '../parts/SurveyTabs.tsx';
import { UndoNotice } from '../parts/UndoNotice.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { STAND_SIDES, STAND_WORDS } from '../words/supports.ts';
import { BareList } from './BareList.tsx';
import { StandForm } from './StandForm.tsx';

/** The supports of the boat with the areas under them, and the masked items. */
export function StandsPage() {
  const { boatId = '' } = useParams();
  const boat = useBoat(boatId);
  return <QueryBoundary query={boat}>{(view) => <Stands key={boatId} view={view} />}</QueryBoundary>;
}

function Stands({ view }: { view: BoatView }) {
  const { boat, stands } = view;
  const [seenFrom, setSeenFrom] = useState<'port' | 'starboard'>('port');
  const [editing, setEditing] = useState<Stand | 'new' | null>(null);
  const [removed, setRemoved] = useState<Stand | null>(null);
  const { mutate: change } = useQueued();
  const ask = (method: 'POST' | 'DELETE', path: string, onSuccess: () => void = () => {}) =>
    change({ method, path, what: t`support change` }, { onSuccess });
  return (
    <div className="space-y-6 p-3 md:p-6">
      <h1 className="text-2xl">{t`${boat.name}: supports and masked items`}</h1>
      <SurveyTabs boat={boat} />
      <div className={hasHull(boat) ? 'grid grid-cols-1 items-start gap-6 xl:grid-cols-2' : 'max-w-3xl'}>
        {hasHull(boat) && (
          <DrawingBoard
            boat={{ ...boat, form: view.form }}
            areas={rowsOf(view)}
            stands={stands}
            findings={letteredFindings(view.findings)}
            seenFrom={seenFrom}
            onSeenFrom={setSeenFrom}
          />
        )}
        <section aria-labelledby="stands" className="space-y-3">
          <h2 id="stands" className="batten pb-1 text-lg">{t`Supports`}</h2>
          {stands.length === 0 ? (
            <p className="max-w-prose">{t`Stands, blocks and cradles hide patches of hull that need the whole system later. Add them here so that enough paint is planned for the patches.`}</p>
          ) : (
            <StandList view={view} onEdit={setEditing} onAsk={ask} onRemoved={setRemoved} />
          )}
          {removed && (
            <UndoNotice
              text={t`${removed.name} and its patches deleted.`}
              onUndo={() => {
                ask('POST', `/stands/${removed.id}/restore`, () => setRemoved(null));
              }}
              onGone={() => setRemoved(null)}
            />
          )}
          {editing ? (
            <div className="board p-4">
              <StandForm
                key={editing === 'new' ? 'new' : editing.id}
                boatId={boat.id}
                stand={editing === 'new' ? null : editing}
                name={t`Stand ${stands.length + 1}`}
                areas={view.areas}
                onDone={() => setEditing(null)}
              />
            </div>
          ) : (
            <button
              type="button"
              className="btn btn-primary"
              onClick={() => setEditing('new')}
            >{t`Add support`}</button>
          )}
        </section>
      </div>
      <BareList view={view} />
    </div>
  );
}

function StandList({
  view,
  onEdit,
  onAsk,
  onRemoved,
}: {
  view: BoatView;
  onEdit: (stand: Stand) => void;
  onAsk: (method: 'POST' | 'DELETE', path: string, onSuccess?: () => void) => void;
  onRemoved: (stand: Stand) => void;
}) {
  const { show } = useUnits();
  const { stands, areas, boat } = view;
  return (
    <ul className="divide-base-300 divide-y">
      {stands.map((stand) => {
        const patches = areas.filter((area) => area.part?.standId === stand.id);
        return (
          <li key={stand.id} className="space-y-1 py-3">
            <p>
              <strong>{stand.name}</strong>
              {t`, ${STAND_WORDS[stand.kind].toLowerCase()}, ${STAND_SIDES[stand.side].toLowerCase()}, ${show(stand.xM, 'length')} from aft. ${
                stand.shiftedAt
                  ? t`Moved.`
                  : stand.shiftOn
                    ? t`Move planned for ${DateTime.fromISO(stand.shiftOn).toFormat('ccc d LLL')}.`
                    : t`No move date set.`
              }`}
            </p>
            {patches.length > 0 && (
              <p>
                {t`Hides: `}
                {patches.map((area, i) => (
                  <span key={area.id}>
                    {i > 0 && ', '}
                    <Link className="link" to={`/boats/${boat.id}/survey/${area.id}`}>
                      {area.name}
                    </Link>
                  </span>
                ))}
                {stand.note && `. ${stand.note}`}
              </p>
            )}
            <p className="no-print flex flex-wrap gap-1">
              <button
                type="button"
                className="btn btn-sm"
                onClick={() => onAsk('POST', `/stands/${stand.id}/${stand.shiftedAt ? 'put-back' : 'shift'}`)}
              >
                {stand.shiftedAt ? t`Put it back` : t`Moved now`}
                <span className="sr-only"> {stand.name}</span>
              </button>
              <button type="button" className="btn btn-ghost btn-sm" onClick={() => onEdit(stand)}>
                {t`Change`}
                <span className="sr-only"> {stand.name}</span>
              </button>
              <button
                type="button"
                className="btn btn-ghost btn-sm"
                onClick={() => onAsk('DELETE', `/stands/${stand.id}`, () => onRemoved(stand))}
              >
                {t`Delete`}
                <span className="sr-only"> {stand.name}</span>
              </button>
            </p>
          </li>
        );
      })}
    </ul>
  );
}
