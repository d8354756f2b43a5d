export {
  BOAT_KINDS,
  type BoatKind,
  type Craft,
  type Dimensions,
  type Hull,
  hasHull,
  type Point,
  ZONES,
  type Zone,
} from './boat.ts';
export { type TapedEdges, tapedEdges } from './edges.ts';
export {
  alongSkinM,
  breadthOutAt,
  halfBreadthAt,
  lerpAt,
  type SectionPoint,
  sectionAt,
  sheerAt,
} from './form.ts';
export { type Hydrostatics, hydrostatics, SEA_WATER } from './hydrostatics.ts';
export { type HullLines, hullLines, type PlanPoint } from './lines.ts';
export {
  areaFromMeasures,
  HAND_MEASURE_SPREAD,
  type Measure,
  type MeasuredArea,
  type Shape,
  shapeArea,
  simpson,
  trapezoid,
} from './measures.ts';
export * from './mesh/index.ts';
export {
  areaFromOffsets,
  checkOffsets,
  hullsOf,
  OFFSETS_SPREAD,
  type OffsetTable,
  type SheerPoint,
} from './offsets.ts';
export { areasFromOffsets, type FormArea } from './offsetZones.ts';
export { formFromDimensions, ofItsHulls } from './parametric.ts';
export { type ProfileLines, profileLines } from './profile.ts';
export {
  areaByRule,
  areaFromPaint,
  bottomByRule,
  deckByRule,
  MEMORY_SPREAD,
  mumfordM2,
  PAINT_SPREAD,
  RULE_SPREAD,
  type StartingArea,
  startingAreas,
  topsidesByRule,
} from './rules.ts';
export { between, equalStrips } from './strips.ts';
export {
  type AreaWay,
  areaOf,
  chosenWay,
  type Disagreement,
  disagreements,
  type WayResult,
  type WaysOfArea,
  waysOf,
} from './ways.ts';
