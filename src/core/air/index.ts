export { airOver, type Range } from './airOver.ts';
export { type AreaFace, absorptanceOf, surfaceBodyOf } from './areaSurface.ts';
export {
  type BestStarts,
  bestStarts,
  type Passing,
  passing,
  type StartStretch,
  type Tightest,
  wellClear,
  widestOf,
} from './bestStarts.ts';
export { type CoatAir, type CoatCondition, type CoatPhase, coatAir, type SurfaceReading } from './coatAir.ts';
export { DAMP, dampStarts } from './dampStarts.ts';
export { type DayJob, type DayPlace, dayOrder } from './dayOrder.ts';
export { dewPointC } from './dewPoint.ts';
export {
  cubeAreaM2,
  type HeatedSpace,
  heaterWarmsK,
  heatLossWPerK,
  heatNeededW,
  SHELL_DEFAULTS,
  SHELLS,
  type ShellKind,
  thermostatKWh,
  warmUpHours,
} from './heating.ts';
export { type AirHour, checkHour } from './hour.ts';
export { type JudgedHour, judgeHours } from './hours.ts';
export {
  type AirLimits,
  type AirReason,
  type AirReasonCode,
  type AirVerdict,
  type Conditions,
  DEFAULT_LIMITS,
  judgeConditions,
  windOver,
} from './judge.ts';
export {
  type CoatFailure,
  type CoatFailureCode,
  type CoatVerdict,
  judgeCoat,
} from './judgeCoat.ts';
export { type Dark, darkBeforeEnd, isDark } from './light.ts';
export { rhWithMoisture } from './moistureInside.ts';
export { nightsBetween } from './nights.ts';
export { type BadReading, type ReadingFault, type StationReading, soundReadings } from './readings.ts';
export { SETS_BEFORE_IT_FLOWS, settingSpeed } from './settingSpeed.ts';
export { type Site, type SunPlace, sunPlace } from './skyAndSun.ts';
export { airAbout, movedTo, nextChange, type Standing, surroundingsAt } from './standing.ts';
export {
  airAround,
  heatedAirC,
  isUnderCover,
  type Surroundings,
  surfaceTempC,
  surfaceTemps,
} from './surface.ts';
export { type SurfaceBody, surfaceSeries } from './surfaceSeries.ts';
export { typedForecast } from './typedForecast.ts';
export { typicalHours } from './typicalHours.ts';
export type { AirConditionCode } from './unknownAir.ts';
export { heatingCost, rhWhenWarmed } from './warmed.ts';
export { DRYING_H } from './wetness.ts';
