import { Suspense, useEffect, useState } from 'react';
import type { MeshRecord } from '../../contract/index.ts';
import { type HullCuts, type OffsetTable, ofItsHulls, type Placement } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { useConfirm } from '../parts/Confirm.tsx';
import { saveFile } from '../parts/drawing/exportDrawing.ts';
import { lazyPart } from '../parts/lazyPart.tsx';
import { OpenFile } from '../parts/OpenFile.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { CutFields } from './CutFields.tsx';
import { FeedAreas } from './FeedAreas.tsx';
import type { HullFormView } from './formFigures.ts';
import { figuresByMesh } from './formFigures.ts';
import { PlacementFields } from './PlacementFields.tsx';
import { useMesh } from './useMesh.ts';
import { ZonePatch } from './ZonePatch.tsx';

const loadView = () => import('./MeshView.tsx');
const MeshView = lazyPart(async () => (await loadView()).MeshView);

interface Props {
  view: HullFormView;
  cuts: HullCuts;
  onSave: (mesh: MeshRecord | null, file: Blob | null) => Promise<void>;
}

const bar = (share: number) => `${Math.round(share * 100)} %`;

/** A surface mesh: read and cut beside the page, looked at in the round, its zones put among the areas. */
export function MeshPanel({ view, cuts: usual, onSave }: Props) {
  const { boat, form } = view;
  const mesh = useMesh(boat.dimensions);
  const [file, setFile] = useState<Blob | null>(null);
  const [placement, setPlacement] = useState<Placement | null>(null);
  const [cuts, setCuts] = useState<HullCuts>(form.mesh?.cuts ?? usual);
  const [problem, setProblem] = useState<string | null>(null);
  const [saved, setSaved] = useState(false);
  const known = form.mesh;

  // A mesh just read is first taken as guessed; one opened again as it was set last time.
  useEffect(() => {
    if (!mesh.read) return;
    setPlacement(known && mesh.file?.name === known.fileName ? known.placement : mesh.read.guess);
  }, [mesh.read, mesh.file, known]);
  const { cutAt } = mesh;
  const ready = mesh.read !== null && placement !== null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: cut again only when the mesh or the cut changed
  useEffect(() => {
    setSaved(false);
    if (ready && placement) cutAt(placement, cuts);
  }, [ready, placement, cuts]);

  const openFile = (name: string, blob: Blob) => {
    setFile(blob);
    setPlacement(null);
    setProblem(null);
    void mesh.open(name, blob);
    // Fetched while the worker reads, so that nothing is left to load when there is something to show.
    loadView().catch(() => {}); // asked for again when it is shown
  };
  const openKept = async () => {
    if (!known) return;
    const response = await fetch(`/api/v1/boats/${boat.id}/mesh`);
    if (response.ok) openFile(known.fileName, await response.blob());
    else setProblem(t`Couldn’t load the file from the server. Try again.`);
  };
  const record: MeshRecord | null =
    mesh.read && mesh.cut && placement && mesh.file
      ? {
          fileName: mesh.file.name,
          bytes: mesh.file.bytes,
          faces: mesh.read.faces,
          placement,
          cuts,
          zones: mesh.cut.zones,
          hydrostatics: mesh.cut.hydrostatics,
          warnings: [...mesh.read.warnings, ...mesh.cut.warnings],
          table: mesh.cut.table,
        }
      : null;
  const save = async (next: MeshRecord | null) => {
    try {
      await onSave(next, file);
      setSaved(true);
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const confirm = useConfirm();
  const remove = async () => {
    const text = t`Estimates already added to areas are kept.`;
    if (!(await confirm({ title: t`Delete the mesh and its file?`, text, action: t`Delete mesh` }))) return;
    mesh.cancel();
    await save(null);
  };
  const shown = record ?? known;
  return (
    <section aria-labelledby="mesh" className="space-y-4">
      <h2 id="mesh" className="batten pb-1 text-lg">{t`Surface mesh`}</h2>
      <div className="flex flex-wrap items-center gap-2">
        <OpenFile
          label={t`Open STL or OBJ`}
          accept=".stl,.obj"
          onFile={(chosen) => openFile(chosen.name, chosen)}
        />
        {known && form.meshKept && !mesh.read && (
          <button type="button" className="btn" onClick={() => void openKept()}>
            {t`Open ${known.fileName}`}
          </button>
        )}
        {mesh.read &&
          (['stl', 'obj'] as const).map((format) => (
            <button
              key={format}
              type="button"
              className="btn btn-ghost"
              onClick={() =>
                void mesh.write(format).then((bytes) => saveFile(`${boat.name}.${format}`, new Blob([bytes])))
              }
            >
              {t`Save as ${format.toUpperCase()}`}
            </button>
          ))}
      </div>
      {mesh.working && (
        <div role="status" className="flex flex-wrap items-center gap-3">
          <progress
            className="progress w-60"
            value={mesh.working.share}
            max={1}
            aria-label={mesh.working.phase}
          />
          <span>
            {mesh.working.phase} {mesh.working.share > 0 && bar(mesh.working.share)}
          </span>
          <button type="button" className="btn btn-sm" onClick={mesh.cancel}>{t`Cancel`}</button>
        </div>
      )}
      {(mesh.problem || problem) && (
        <p role="alert" className="text-error font-semibold">
          {mesh.problem ?? problem}
        </p>
      )}
      {!shown && !mesh.working && (
        <p className="max-w-prose">{t`Open a mesh from a 3-D scan or CAD program, up to 300 MB. The mesh is processed on this device and stored with the boat when you save. Areas are accurate to about ± 1 % (common practice).`}</p>
      )}
      <div className="grid grid-cols-1 items-start gap-6 xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        {mesh.read && placement && (
          <div className="space-y-4 xl:order-2">
            <PlacementFields placement={placement} bounds={mesh.read.bounds} onChange={setPlacement} />
            <CutFields cuts={cuts} lengthM={boat.dimensions.loaM} onChange={setCuts} />
          </div>
        )}
        <div className="space-y-4">
          {mesh.cut && (
            <div className="board">
              <Suspense fallback={<p className="p-4">{t`Loading the 3-D view…`}</p>}>
                <MeshView
                  result={mesh.cut}
                  lengthM={boat.dimensions.loaM}
                  label={t`3-D view of ${boat.name}`}
                />
              </Suspense>
              <p className="p-2 text-sm opacity-80">
                {t`Rotate: drag. Zoom: pinch or scroll. Pan: arrow keys. ${
                  mesh.read && mesh.cut.likeness.zone.length < mesh.read.faces
                    ? t`Simplified to ${mesh.cut.likeness.zone.length.toLocaleString('en')} faces for display. All ${mesh.read.faces.toLocaleString('en')} are used for measuring.`
                    : ''
                }`}
              </p>
            </div>
          )}
          {shown && <Zones zones={shown.zones} />}
          {shown && <Hulls table={shown.table} boat={boat} />}
          {shown && shown.warnings.length > 0 && (
            <ul className="list-disc pl-5">
              {shown.warnings.map((warning) => (
                <li key={warning}>{warning}</li>
              ))}
            </ul>
          )}
          {shown && (
            <FeedAreas
              view={view}
              figures={figuresByMesh(shown, boat)}
              basis={t`${shown.fileName}, ${shown.faces.toLocaleString('en')} faces`.slice(0, 300)}
            />
          )}
        </div>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        {record && (
          <button
            type="button"
            className="btn btn-primary"
            disabled={saved}
            onClick={() => void save(record)}
          >{t`Save mesh`}</button>
        )}
        {known && (
          <button
            type="button"
            className="btn btn-ghost"
            onClick={() => void remove()}
          >{t`Delete mesh`}</button>
        )}
        {saved && <span role="status">{t`Saved.`}</span>}
      </div>
    </section>
  );
}

/** How many hulls the mesh was taken for, where the boat has two. */
function Hulls({ table, boat }: { table: OffsetTable; boat: HullFormView['boat'] }) {
  const { show } = useUnits();
  const { apartM } = ofItsHulls(table, boat);
  if (boat.kind !== 'catamaran' && apartM === undefined) return null;
  return (
    <p>
      {apartM === undefined
        ? t`The mesh has one body: it is measured as a boat with one hull.`
        : t`${table.apartM === undefined ? t`The mesh has one of the two hulls: areas and displacement are counted twice.` : t`The mesh has two hulls.`} Each centreline is ${show(apartM, 'length')} from the boat’s.`}
    </p>
  );
}

function Zones({ zones }: { zones: MeshRecord['zones'] }) {
  const { show } = useUnits();
  return (
    <Scroller label={t`Areas from the mesh`}>
      <table className="table-sm table">
        <thead>
          <tr>
            <th scope="col">{t`Part`}</th>
            <th scope="col" className="text-right">{t`Port`}</th>
            <th scope="col" className="text-right">{t`Starboard`}</th>
            <th scope="col" className="text-right">{t`Both sides`}</th>
          </tr>
        </thead>
        <tbody>
          {zones.map(({ name, zone, portM2, starboardM2 }) => (
            <tr key={name}>
              <th scope="row" className="font-normal">
                <ZonePatch zone={zone} /> {name}
              </th>
              <td className="text-right">{show(portM2, 'area')}</td>
              <td className="text-right">{show(starboardM2, 'area')}</td>
              <td className="text-right font-semibold">{show(portM2 + starboardM2, 'area')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scroller>
  );
}
