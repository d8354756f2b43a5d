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
export {
  BOAT_KINDS,
  type BoatKind,
  type Dimensions,
  type Point,
  type ProfileLines,
  profileLines,
  ZONES,
  type Zone,
} from './profile.ts';
