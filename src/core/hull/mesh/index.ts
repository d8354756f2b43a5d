export { areasFromMesh, type CutPlane, type CutZone, type MeshAreas, type ZoneArea } from './cut.ts';
export { hydrostaticsOfMesh } from './float.ts';
export {
  AXES,
  type Axis,
  guessPlacement,
  MESH_UNITS,
  type MeshUnit,
  type Placement,
  placeMesh,
} from './place.ts';
export { readObj, writeObj } from './readObj.ts';
export { checkMeshSize, readStl, writeStl } from './readStl.ts';
export { offsetsFromMesh } from './sample.ts';
export {
  type Bounds,
  boundsOf,
  facesOf,
  LARGEST_MESH_BYTES,
  MESH_SPREAD,
  type Progress,
  type Triangles,
} from './triangles.ts';
export { checkMesh, type MeshCheck, thinMesh, withoutFaces } from './weld.ts';
export { type HullCuts, hullCuts } from './zones.ts';
