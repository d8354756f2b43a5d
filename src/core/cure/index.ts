export { type CoatLeft, coatsByLaunch, type LaunchFit } from './coatsByLaunch.ts';
export { holdsAggregate, launchEvent } from './cureSheet.ts';
export { type CurvePoint, checkCurve, type EventCurve, readyCurve } from './curve.ts';
export {
  type ClockStep,
  type ClockWarning,
  type EventTime,
  eventTime,
  explainEvent,
  progressAt,
} from './eventTime.ts';
export { type BandC, DEW_FORECAST_ERROR, forecastBandC, hourBands } from './forecastBand.ts';
export {
  BOUNDS,
  correctFromHandTest,
  type HandCorrection,
  type HandFinding,
  type HandTest,
} from './handTest.ts';
export {
  type EventSpread,
  eventSpread,
  FORECAST_ERROR,
  forecastSdC,
  HOURLY_AUTOCORRELATION,
  type LeadError,
} from './howSure.ts';
export { type LeadRecord, learnedErrors } from './learnedErrors.ts';
export { byLearnedPace, FILMS_TO_AGREE, type LearnedPace, learnPace } from './learnedPace.ts';
export { segmentAt } from './segmentAt.ts';
export {
  extremesFrom,
  HOUR_MS,
  type HourOf,
  type SplicedHour,
  spliceHours,
  type TempSeries,
} from './series.ts';
export { shareDone } from './share.ts';
export { clockStretches, type Stretch } from './stretches.ts';
export { type CoatSpan, takesCoat } from './takesCoat.ts';
export { type AreaState, urgencyMs } from './urgency.ts';
export {
  type CureSheet,
  FILM_EVENTS,
  type Film,
  type FilmEvent,
  filmEvents,
  type Next,
  type OvercoatRule,
  ruleFor,
  safeEvent,
  type WindowEdge,
  type WindowSegment,
  type WindowState,
  type Windows,
  windowsFor,
} from './windows.ts';
export { delayedWindows, sandedWindows } from './workedWindows.ts';
