import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { BoatView } from '../../contract/index.ts';
import { hasHull } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { useBoat } from '../api/boatQueries.ts';
import { useQueued, useWrite } from '../api/mutations.ts';
import { useConfirm } from '../parts/Confirm.tsx';
import { DrawingBoard } from '../parts/drawing/DrawingBoard.tsx';
import { letteredFindings, rowsOf } from '../parts/drawing/drawnRows.ts';
import { HullOnly } from '../parts/HullOnly.tsx';
import { MissingSupplies } from '../parts/MissingSupplies.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SurveyTabs } from '../parts/SurveyTabs.tsx';
import { UndoNotice } from '../parts/UndoNotice.tsx';
import { discardUnsaved } from '../state/unsaved.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { KIND_WORDS } from '../words/survey.ts';
import { AreaEditor } from './AreaEditor.tsx';
import { AreaTable } from './AreaTable.tsx';
import { BoatEditor } from './BoatEditor.tsx';
import { BoatProgress } from './BoatProgress.tsx';
import { CutOut } from './CutOut.tsx';
import { MoveBoat } from './MoveBoat.tsx';
import { StartingSet } from './StartingSet.tsx';

/** A boat's areas on her own profile: measured, changed, added. */
export function SurveyPage() {
  const { boatId = '' } = useParams();
  const boat = useBoat(boatId);
  return <QueryBoundary query={boat}>{(view) => <Survey key={boatId} view={view} />}</QueryBoundary>;
}

function Survey({ view }: { view: BoatView }) {
  const { boat, areas } = view;
  const { areaId } = useParams();
  const navigate = useNavigate();
  const { show } = useUnits();
  const [seenFrom, setSeenFrom] = useState<'port' | 'starboard'>('starboard');
  const [editingBoat, setEditingBoat] = useState(false);
  const [isMoving, setIsMoving] = useState(false);
  const [removed, setRemoved] = useState<{ id: string; name: string } | null>(null);
  const rows = rowsOf(view);
  const adding = areaId === 'new';
  const coated = view.clocks.some((clock) => clock.areaId === areaId && clock.film !== null);
  const selected = areas.find((a) => a.id === areaId);
  const side = selected && selected.side !== 'both' && selected.side !== 'centre' ? selected.side : seenFrom;
  const beside = adding || areaId !== undefined || rows.length === 0;
  const go = (to: string) => void navigate(`/boats/${boat.id}/survey${to}`, { preventScrollReset: true });

  const confirm = useConfirm();
  const { mutate: change } = useQueued();
  const { mutate: write } = useWrite();
  const removeArea = (id: string, name: string) =>
    change(
      { method: 'DELETE', path: `/areas/${id}`, what: t`an area removed` },
      {
        onSuccess: () => {
          setRemoved({ id, name });
          discardUnsaved(() => go(''));
        },
      },
    );
  const bringBack = () => {
    if (!removed) return;
    change(
      { method: 'POST', path: `/areas/${removed.id}/restore`, what: t`area restore` },
      { onSuccess: () => setRemoved(null) },
    );
  };
  const removeBoat = async () => {
    const sure = await confirm({
      title: t`Archive ${boat.name}?`,
      text: t`Its record and areas stay in the data folder.`,
      action: t`Archive boat`,
    });
    if (!sure) return;
    write(
      { method: 'DELETE', path: `/boats/${boat.id}` },
      { onSuccess: () => discardUnsaved(() => void navigate('/')) },
    );
  };

  return (
    <div className="space-y-5 p-3 md:p-6">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
        <h1 className="text-2xl">{t`${boat.name}: survey`}</h1>
        <p>
          {KIND_WORDS[boat.kind]}
          {boat.dimensions && t`, beam ${show(boat.dimensions.beamM, 'length')}`}
          <button type="button" className="btn btn-sm ml-3" onClick={() => setEditingBoat(!editingBoat)}>
            {editingBoat ? t`Close` : t`Change boat`}
          </button>
          {areas.length > 0 && (
            <button type="button" className="btn btn-sm ml-3" onClick={() => setIsMoving(!isMoving)}>
              {isMoving ? t`Close move` : t`Record a move`}
            </button>
          )}
        </p>
      </div>
      <SurveyTabs boat={boat} />
      <BoatProgress view={view} />
      <MissingSupplies boatId={boat.id} />
      {editingBoat && (
        <div className="board p-4">
          <BoatEditor boat={boat} onDone={() => setEditingBoat(false)} onRemove={() => void removeBoat()} />
        </div>
      )}
      {isMoving && (
        <section className="board space-y-3 p-4" aria-labelledby="move">
          <h2 id="move" className="text-lg">
            {t`${boat.name} stands in another shelter`}
          </h2>
          <MoveBoat boatId={boat.id} onDone={() => setIsMoving(false)} />
        </section>
      )}
      {removed && (
        <UndoNotice
          text={t`${removed.name} deleted. Its record is kept.`}
          onUndo={() => bringBack()}
          onGone={() => setRemoved(null)}
        />
      )}
      <div
        className={`grid grid-cols-1 items-start gap-6 ${beside ? 'xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]' : 'max-w-6xl'}`}
      >
        <div className="space-y-4">
          {hasHull(boat) && (
            <DrawingBoard
              boat={{ ...boat, form: view.form }}
              areas={rows}
              stands={view.stands}
              findings={letteredFindings(view.findings)}
              seenFrom={side}
              onSeenFrom={(each) => {
                setSeenFrom(each);
                if (selected && selected.side !== 'both' && selected.side !== 'centre') go('');
              }}
              selectedId={selected?.id}
              onSelect={(id) => go(`/${id}`)}
            />
          )}
          {rows.length > 0 ? (
            <AreaTable boatId={boat.id} rows={rows} selectedId={selected?.id} />
          ) : (
            <p>{t`No areas yet. An area is a part of the boat with one substrate, one coating system and one history.`}</p>
          )}
          <div className="flex flex-wrap gap-3">
            <Link
              className="btn btn-primary"
              to={`/boats/${boat.id}/survey/new`}
              preventScrollReset
            >{t`Add area`}</Link>
            {rows.length > 0 && (
              <Link className="btn" to={`/boats/${boat.id}/systems`}>{t`Go to systems`}</Link>
            )}
          </div>
          {boat.note && <p className="max-w-prose opacity-80">{boat.note}</p>}
        </div>
        {rows.length === 0 && !adding && boat.kind !== 'parts' && (
          <HullOnly boat={boat} need="usual-areas">
            {(hull) => <StartingSet boat={hull} onMade={() => go('')} />}
          </HullOnly>
        )}
        {(selected || adding) && (
          <section className="board p-4" aria-label={selected?.name ?? t`New area`}>
            <h2 className="batten mb-4 pb-1 text-lg">{selected?.name ?? t`New area`}</h2>
            <AreaEditor
              key={areaId}
              boat={boat}
              area={selected ?? null}
              onSaved={(id) => go(adding ? `/${id}` : '')}
              onCancel={() => go('')}
              {...(selected && { onRemoved: () => removeArea(selected.id, selected.name) })}
            />
            {selected && !selected.part && (
              <CutOut
                key={`cut-${selected.id}`}
                area={selected}
                coated={coated}
                onMade={(id) => go(`/${id}`)}
              />
            )}
          </section>
        )}
        {areaId && !adding && !selected && <p className="board p-4">{t`This area no longer exists.`}</p>}
      </div>
    </div>
  );
}
