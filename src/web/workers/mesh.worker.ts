import {
  areasFromMesh,
  boundsOf,
  checkMesh,
  facesOf,
  guessPlacement,
  hullCuts,
  hydrostaticsOfMesh,
  offsetsFromMesh,
  placeMesh,
  readObj,
  readStl,
  type Triangles,
  thinMesh,
  withoutFaces,
  writeObj,
  writeStl,
} from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import type { CutResult, MeshAnswer, MeshRequest } from './meshMessages.ts';

/** Reads and cuts surfaces off the page's thread, so that it goes on answering. Ended from outside to cancel. */

/** Faces of the likeness that is drawn. */
const DRAWN_FACES = 60_000;

let mesh: Triangles | null = null;

const scope = self as unknown as {
  postMessage(answer: MeshAnswer, transfer?: Transferable[]): void;
  onmessage: ((event: MessageEvent<MeshRequest>) => void) | null;
};
const phase = (name: string) => (share: number) =>
  scope.postMessage({ kind: 'progress', phase: name, share });

function read(request: Extract<MeshRequest, { kind: 'read' }>): void {
  const bytes = new Uint8Array(request.bytes);
  const reader = /\.obj$/i.test(request.name) ? readObj : readStl;
  let triangles = reader(bytes, phase(t`Reading`));
  phase(t`Checking`)(0);
  const found = checkMesh(triangles);
  const warnings = [
    found.duplicates.length > 0 && t`${found.duplicates.length} duplicate faces removed`,
    found.degenerate > 0 &&
      t`${found.degenerate === 1 ? t`1 face has` : t`${found.degenerate} faces have`} no area`,
    found.openEdges > 0 &&
      t`${found.openEdges} open edges. This is normal at the sheer, or along the centreline of a half hull. A gap below the waterline makes volumes wrong.`,
    found.invertedEdges > 0 &&
      t`${found.invertedEdges} edges join faces with opposite orientation, so some faces are inside out. Areas are still correct; volumes are not.`,
    found.crowdedEdges > 0 && t`${found.crowdedEdges} edges are shared by more than two faces`,
  ].filter((each) => each !== false);
  triangles = withoutFaces(triangles, found.duplicates);
  mesh = triangles;
  scope.postMessage({
    kind: 'read',
    faces: facesOf(triangles),
    guess: guessPlacement(triangles, request.boat),
    bounds: boundsOf(triangles),
    warnings,
  });
}

function cut(triangles: Triangles, request: Extract<MeshRequest, { kind: 'cut' }>): void {
  const placed = placeMesh(triangles, request.placement, phase(t`Placing`));
  const { planes, zones } = hullCuts(request.cuts);
  const areas = areasFromMesh({ triangles: placed, planes, zones, onProgress: phase(t`Cutting`) });
  phase(t`Floating`)(0);
  const table = offsetsFromMesh({ triangles: placed });
  const warnings: string[] = [];
  let hydrostatics: CutResult['hydrostatics'] = null;
  try {
    hydrostatics = hydrostaticsOfMesh({ triangles: placed, apartM: table.apartM });
  } catch (error) {
    warnings.push(t`Couldn’t calculate hydrostatics: ${(error as Error).message}`);
  }
  phase(t`Drawing`)(0);
  const thin = thinMesh(placed, DRAWN_FACES);
  const zone = Uint8Array.from(thin.face, (face) => areas.faceZone[face] as number);
  const result: CutResult = {
    zones: zones.map(({ name, zone: part }, i) => ({
      name,
      zone: part,
      portM2: areas.zones[i]?.portM2 ?? 0,
      starboardM2: areas.zones[i]?.starboardM2 ?? 0,
    })),
    hydrostatics,
    warnings,
    table,
    likeness: { corners: thin.triangles, zone },
  };
  scope.postMessage({ kind: 'cut', result }, [result.likeness.corners.buffer, zone.buffer]);
}

scope.onmessage = ({ data }) => {
  try {
    if (data.kind === 'read') read(data);
    else if (!mesh) throw new RangeError('No mesh loaded yet');
    else if (data.kind === 'cut') cut(mesh, data);
    else {
      const bytes = data.format === 'stl' ? writeStl(mesh) : new TextEncoder().encode(writeObj(mesh));
      const { buffer } = bytes as Uint8Array<ArrayBuffer>;
      scope.postMessage({ kind: 'written', format: data.format, bytes: buffer }, [buffer]);
    }
  } catch (error) {
    scope.postMessage({ kind: 'refused', message: (error as Error).message });
  }
};
