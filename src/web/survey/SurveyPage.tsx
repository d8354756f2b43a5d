import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { BoatView } from '../../contract/index.ts';
import { api } from '../api/client.ts';
import { useBoat } from '../api/queries.ts';
import { Asked } from '../parts/Asked.tsx';
import { BoatDrawing } from '../parts/BoatDrawing.tsx';
import { UndoNotice } from '../parts/UndoNotice.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { AreaEditor } from './AreaEditor.tsx';
import { type AreaRow, AreaTable } from './AreaTable.tsx';
import { BoatEditor } from './BoatEditor.tsx';
import { StartingSet } from './StartingSet.tsx';
import { KIND_WORDS } from './words.ts';

/** A boat's areas on her own profile: measured, changed, added. */
export function SurveyPage() {
  const { boatId = '' } = useParams();
  const boat = useBoat(boatId);
  return <Asked query={boat}>{(view) => <Survey key={boatId} view={view} />}</Asked>;
}

function rowsOf({ areas, clocks }: BoatView): AreaRow[] {
  return areas.map((area, i) => {
    const clock = clocks.find((c) => c.areaId === area.id);
    return {
      id: area.id,
      name: area.name,
      zone: area.zone,
      side: area.side,
      state: clock?.state ?? 'no-system',
      number: i + 1,
      substrate: area.substrate,
      areaM2: clock?.areaM2 ?? 0,
      spread: clock?.spread ?? 0,
      clock,
    };
  });
}

function Survey({ view }: { view: BoatView }) {
  const { boat, areas } = view;
  const { areaId } = useParams();
  const navigate = useNavigate();
  const client = useQueryClient();
  const { show } = useUnits();
  const [seenFrom, setSeenFrom] = useState<'port' | 'starboard'>('starboard');
  const [editingBoat, setEditingBoat] = useState(false);
  const [removed, setRemoved] = useState<{ id: string; name: string } | null>(null);
  const rows = rowsOf(view);
  const adding = areaId === 'new';
  const selected = areas.find((a) => a.id === areaId);
  const side = selected && selected.side !== 'both' && selected.side !== 'centre' ? selected.side : seenFrom;
  const go = (to: string) => void navigate(`/boats/${boat.id}/survey${to}`, { preventScrollReset: true });

  const removeArea = async (id: string, name: string) => {
    await api('DELETE', `/areas/${id}`);
    setRemoved({ id, name });
    go('');
    await client.invalidateQueries();
  };
  const bringBack = async () => {
    if (!removed) return;
    await api('POST', `/areas/${removed.id}/restore`);
    setRemoved(null);
    await client.invalidateQueries();
  };
  const removeBoat = async () => {
    const sure = window.confirm(
      `Take ${boat.name} off the slip? Her log and areas are kept in the data folder.`,
    );
    if (!sure) return;
    await api('DELETE', `/boats/${boat.id}`);
    await client.invalidateQueries({ queryKey: ['slip'] });
    await navigate('/');
  };

  return (
    <div className="space-y-5 p-3 md:p-6">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
        <h1 className="text-2xl">{boat.name}: survey</h1>
        <p>
          {KIND_WORDS[boat.kind]}, beam {show(boat.dimensions.beamM, 'length')}
          <button type="button" className="btn btn-sm ml-3" onClick={() => setEditingBoat(!editingBoat)}>
            {editingBoat ? 'Close' : 'Change boat'}
          </button>
        </p>
      </div>
      {editingBoat && (
        <div className="board p-4">
          <BoatEditor
            key={boat.version}
            boat={boat}
            onDone={() => setEditingBoat(false)}
            onRemove={() => void removeBoat()}
          />
        </div>
      )}
      {removed && (
        <UndoNotice
          text={`${removed.name} was removed; its log is kept.`}
          onUndo={() => void bringBack()}
          onGone={() => setRemoved(null)}
        />
      )}
      <div className="grid grid-cols-1 items-start gap-6 xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div className="space-y-4">
          <div className="board relative p-2">
            <fieldset className="join absolute top-2 right-2">
              <legend className="sr-only">Seen from</legend>
              {(['port', 'starboard'] as const).map((each) => (
                <button
                  key={each}
                  type="button"
                  className={`btn btn-sm join-item ${side === each ? 'btn-neutral' : ''}`}
                  aria-pressed={side === each}
                  onClick={() => {
                    setSeenFrom(each);
                    if (selected && selected.side !== 'both' && selected.side !== 'centre') go('');
                  }}
                >
                  {each === 'port' ? 'Port' : 'Starboard'}
                </button>
              ))}
            </fieldset>
            <BoatDrawing
              boat={boat}
              areas={rows}
              seenFrom={side}
              selectedId={selected?.id}
              onSelect={(id) => go(`/${id}`)}
              detailed
            />
          </div>
          {rows.length > 0 ? (
            <AreaTable boatId={boat.id} rows={rows} selectedId={selected?.id} />
          ) : (
            <p>
              No areas yet. An area is a piece of the boat with one substrate, one system and one history.
            </p>
          )}
          <div className="flex flex-wrap gap-3">
            <Link className="btn btn-primary" to={`/boats/${boat.id}/survey/new`} preventScrollReset>
              Add an area
            </Link>
            {rows.length > 0 && (
              <Link className="btn" to={`/boats/${boat.id}/systems`}>
                On to the systems
              </Link>
            )}
          </div>
          {boat.note && <p className="max-w-prose opacity-80">{boat.note}</p>}
        </div>
        {rows.length === 0 && !adding && <StartingSet boat={boat} onMade={() => go('')} />}
        {(selected || adding) && (
          <section className="board p-4" aria-label={selected?.name ?? 'New area'}>
            <h2 className="batten mb-4 pb-1 text-lg">{selected?.name ?? 'New area'}</h2>
            <AreaEditor
              key={areaId}
              boat={boat}
              area={selected ?? null}
              onSaved={(id) => go(adding ? `/${id}` : '')}
              onCancel={() => go('')}
              {...(selected && { onRemoved: () => void removeArea(selected.id, selected.name) })}
            />
          </section>
        )}
        {areaId && !adding && !selected && (
          <p className="board p-4">This area is not on the boat any more.</p>
        )}
      </div>
    </div>
  );
}
