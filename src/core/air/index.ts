export { dewPointC } from './dewPoint.ts';
export { isUnderCover, type JudgedHour, judgeHours, startWindows } from './hours.ts';
export {
  type AirLimits,
  type AirReason,
  type AirReasonCode,
  type AirVerdict,
  type Conditions,
  DEFAULT_LIMITS,
  judgeConditions,
} from './judge.ts';
export { type AirHour, type Surroundings, surfaceTempC } from './surface.ts';
